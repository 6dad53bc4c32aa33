<script lang="ts">
  import type { Arrangement } from '$core/kinds/contract';
  import { arrangementsOf } from '$core/kinds/arranged';
  import type { EditorProps } from './editors';

  /** A choice of which each is drawn as it comes out at the width on show, with what it leaves over. */
  const { wb, node, field, id, about, value, set }: EditorProps = $props();

  const box = $derived(wb.facts.boxes.get(node.id));
  const drawn = $derived(
    box && arrangementsOf(wb.registry, wb.project, node, box.right - box.left, wb.preview.width)
  );
  const heightOf = ({ boxes }: Arrangement) => Math.max(...boxes.map(({ top, height }) => top + height));
  const widthOf = ({ boxes }: Arrangement) => Math.max(...boxes.map(({ left, width }) => left + width));
  const viewOf = (one: Arrangement) => `0 0 ${widthOf(one)} ${heightOf(one)}`;
  /** The way the eye goes from one to the next. */
  const wayOf = ({ boxes }: Arrangement) =>
    boxes.map(({ left, top, width, height }) => `${left + width / 2},${top + height / 2}`).join(' ');
  const size = (one: Arrangement) => widthOf(one) / 12;
</script>

<fieldset aria-describedby="{id}-arranged-about">
  <legend>{field.label}</legend>
  <div class="choices">
    {#each Object.entries(field.choices ?? {}) as [choice, words] (choice)}
      {@const one = drawn?.[choice]}
      <label class:chosen={value === choice}>
        {#if one}
          <svg viewBox={viewOf(one)} aria-hidden="true">
            {#each one.boxes as { left, top, width, height }, i (i)}
              <rect x={left} y={top} {width} {height} />
            {/each}
            <polyline points={wayOf(one)} stroke-width={size(one) / 9} />
            {#each one.boxes as { left, top, width, height }, i (i)}
              <text x={left + width / 2} y={top + height / 2} font-size={size(one)} dy="0.35em">{i + 1}</text>
            {/each}
          </svg>
        {/if}
        <span class="words"
          ><input
            type="radio"
            name={id}
            checked={value === choice}
            onchange={() => set(choice)}
          />{words}</span
        >
        {#if one}<span class="mono">{one.leftover} px left over</span>{/if}
      </label>
    {/each}
  </div>
  <p id="{id}-arranged-about">
    {about}
    {drawn
      ? `Left over is how far apart the longest and the shortest column end, at ${wb.preview.width} px.`
      : 'The ways are drawn once every place has a picture with a size of its own.'}
  </p>
</fieldset>

<style>
  fieldset {
    padding: 0;
    margin: 2px 0 6px;
    border: 0;
  }
  legend {
    padding: 0 0 4px;
    font-size: 12.5px;
    color: var(--ink-2);
  }
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
  }
  label {
    display: grid;
    gap: 2px;
    justify-items: center;
    align-content: end;
    min-width: 148px;
    padding: 8px 10px 6px;
    font-size: 12.5px;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  label.chosen {
    border-color: var(--verdigris);
    box-shadow: inset 0 0 0 1px var(--verdigris);
  }
  label:has(:focus-visible) {
    outline: 2px solid var(--blue);
    outline-offset: 1px;
  }
  input {
    margin: 0;
    accent-color: var(--verdigris);
  }
  svg {
    width: 132px;
    height: 116px;
  }
  rect {
    fill: #d9e2dc;
    stroke: #8fa79a;
    stroke-width: 1px;
    vector-effect: non-scaling-stroke;
  }
  polyline {
    fill: none;
    stroke: var(--ochre);
    stroke-linejoin: round;
    opacity: 0.75;
  }
  text {
    font-family: var(--mono);
    font-weight: 600;
    text-anchor: middle;
    fill: var(--ink);
    paint-order: stroke;
    stroke: #fff;
    stroke-width: 3px;
    vector-effect: non-scaling-stroke;
  }
  .words {
    display: flex;
    gap: 6px;
    align-items: center;
    font-weight: 600;
  }
  .mono {
    color: var(--ink-2);
  }
  p {
    margin: 4px 0 0;
    font-size: 12px;
    line-height: 1.35;
    color: var(--ink-2);
  }
</style>
