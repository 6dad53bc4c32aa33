<script lang="ts">
  import { TextInput } from 'carbon-components-svelte';
  import { equalShares, movedBorder, readShares, sharesFor, sharesText } from '$core/css/shares';

  interface Props {
    label: string;
    help: string;
    value: string;
    fault: string;
    /** Names of the columns, in order. */
    names: readonly string[];
    onchange: (text: string, isDrag: boolean) => void;
    onstart: () => void;
  }
  const { label, help, value, fault, names, onchange, onstart }: Props = $props();

  const shares = $derived(sharesFor(value, names.length));
  const isOther = $derived(value !== '' && sharesText(shares) !== value);
  const all = $derived(shares.division === 'twelfths' ? 12 : 1);
  const cells = $derived.by(() => {
    let column = 0;
    return shares.tracks.map((track) => ({
      ...track,
      size: track.part / track.whole / all,
      name: track.isEmpty ? '' : (names[column++] ?? '')
    }));
  });
  let bar: HTMLElement;
  let typed = $state('');
  const reading = $derived(typed ? readShares(typed) : shares);

  function drag(event: PointerEvent, border: number): void {
    event.preventDefault();
    onstart();
    const handle = event.currentTarget as HTMLElement;
    handle.setPointerCapture(event.pointerId);
    const [from, start, width] = [shares, event.clientX, bar.getBoundingClientRect().width];
    const move = (moved: PointerEvent) => {
      const next = sharesText(movedBorder(from, border, (moved.clientX - start) / width));
      if (next !== sharesText(shares)) onchange(next, true);
    };
    handle.addEventListener('pointermove', move);
    handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', move), {
      once: true
    });
  }

  function keys(event: KeyboardEvent, border: number): void {
    const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
    if (!by) return;
    event.preventDefault();
    onstart();
    onchange(sharesText(movedBorder(shares, border, by / (shares.division === 'twelfths' ? 12 : 20))), false);
  }
</script>

<div class="shares">
  <TextInput
    size="sm"
    labelText={label}
    helperText={isOther
      ? `There are ${names.length} columns, so they are equal until there is a share for each.`
      : help}
    invalid={fault !== ''}
    invalidText={fault}
    value={value || sharesText(shares)}
    on:input={({ detail }) => (typed = String(detail ?? ''))}
    on:change={({ detail }) => onchange(String(detail ?? '').trim(), false)}
  />
  <div class="bar" bind:this={bar}>
    {#each cells as { part, whole, size, isEmpty, name }, i (i)}
      <div class="cell" class:empty={isEmpty} style:flex-grow={size} title={isEmpty ? 'left empty' : name}>
        <span class="mono">{part}{whole === 1 ? '' : `/${whole}`}</span>
        {#if i < cells.length - 1}
          <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
          <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
          <div
            class="border"
            role="separator"
            aria-orientation="vertical"
            aria-label="Border after {name || 'the empty share'}"
            aria-valuenow={Math.round(size * 100)}
            aria-valuemin="0"
            aria-valuemax="100"
            tabindex="0"
            onpointerdown={(event) => drag(event, i)}
            onkeydown={(event) => keys(event, i)}
          ></div>
        {/if}
      </div>
    {/each}
  </div>
  <p class="mono">
    {typeof reading === 'string' ? reading : `sum ${reading.division === 'twelfths' ? '12 of 12' : '1'}`}
    {#if value}<button type="button" class="link" onclick={() => onchange('', false)}
        >equal, {sharesText(equalShares(names.length))}</button
      >{/if}
  </p>
</div>

<style>
  .shares {
    grid-column: 1 / -1;
    max-width: 720px;
  }
  .bar {
    display: flex;
    height: 30px;
    margin-top: 6px;
    background: #fff;
    border: 1px solid var(--control-line);
  }
  .cell {
    position: relative;
    display: grid;
    flex: 1 1 0;
    place-items: center;
    min-width: 0;
    background: var(--verdigris-faint, #e3efec);
  }
  .cell.empty {
    background: repeating-linear-gradient(45deg, transparent 0 4px, var(--faint-line) 4px 5px);
  }
  .border {
    position: absolute;
    top: 0;
    right: -5px;
    bottom: 0;
    z-index: 1;
    width: 9px;
    cursor: ew-resize;
    touch-action: none;
    background: linear-gradient(90deg, transparent 4px, var(--ink) 4px 5px, transparent 5px);
  }
  .border:hover,
  .border:focus-visible {
    background: linear-gradient(90deg, transparent 3px, var(--verdigris) 3px 6px, transparent 6px);
  }
  p {
    margin: 4px 0 0;
    font-size: 12px;
    color: var(--ink-2);
  }
</style>
