<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import { resolve, type Resolution } from '$core/cascade/resolve';
  import { statesOf, statesUnderFocus } from '$core/cascade/states';
  import { OverflowMenu, OverflowMenuItem } from 'carbon-components-svelte';
  import { changeAgainstRest } from '$core/cascade/change';
  import { ringContrast, textContrast } from '$core/cascade/contrast';
  import { contrastOverItems } from '$core/cascade/slides';
  import { FAINT } from '$core/colour/difference';
  import { heapOf } from '$core/kinds/circumstances';
  import { SHEET_PROPERTIES, STYLE_PROPERTIES } from '$core/css/properties';
  import { isTypeMember } from '$core/css/type-style';
  import { type ConditionName, type Node, type StateName } from '$core/project/types';
  import { registry } from '$core/registry';
  import IconCell from './IconCell.svelte';
  import LooksRows from './LooksRows.svelte';
  import StyleCell from './StyleCell.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  /** What the fallback table sets: whether and where a piece stands. */
  const STRUCTURE = ['--k-hide', 'order'];
  let grid: HTMLElement;

  const anatomy = $derived(wb.kind.anatomy[wb.currentPart]!);
  const has = (state: StateName) => state === 'rest' || anatomy.states[state] !== undefined;
  /** Only those the part can be in: a column a state. */
  const states = $derived(statesOf(wb.kind).filter(has));
  const conditions = $derived<readonly ConditionName[]>(heapOf(wb.at));
  const at = (state: StateName) => ({ node: wb.tuned.id, part: wb.currentPart, state, conditions });
  const resolved = $derived(
    new Map<StateName, Resolution>(states.map((state) => [state, resolve(registry, wb.project, at(state))]))
  );
  const ownProperties = (styles: Node['styles'][string] | undefined) =>
    Object.values(styles ?? {}).flatMap((conditions) =>
      Object.values(conditions ?? {}).flatMap((declarations) => Object.keys(declarations ?? {}))
    );
  /** Properties that have a value of this part's own somewhere are there too, whatever put them there. */
  const properties = $derived(
    [
      ...new Set([
        ...SHEET_PROPERTIES,
        ...(anatomy.properties ?? []),
        ...ownProperties(wb.tuned.styles[wb.currentPart])
      ])
    ]
      .filter((name) => !STRUCTURE.includes(name))
      .map((name) => STYLE_PROPERTIES.get(name)!)
  );
  const typed = $derived(
    anatomy.hasText ? properties.find(({ property }) => isTypeMember(property)) : undefined
  );
  const typeStyles = () => import('./TypeStyleCell.svelte');
  const tones: Record<StateName, string> = {
    rest: 'var(--ink-2)',
    hover: 'var(--ochre)',
    focus: 'var(--blue)',
    pressed: 'var(--rust)',
    selected: 'var(--verdigris)',
    disabled: '#8b8678'
  };

  /** A kind's own state as it calls it. */
  const labelOf = (state: StateName) => wb.kind.states?.[state]?.label ?? state;

  /** What is worked out of a state, and how it is to be taken. */
  interface Worked {
    readonly text: string;
    readonly tone: 'good' | 'bad' | 'faint';
    readonly why?: string;
  }
  const NONE: Worked = { text: '—', tone: 'faint' };

  const ratio = (value: number) => `${value.toFixed(1)} : 1`;

  const rangeOf = ({ least, most }: { readonly least: number; readonly most: number }) =>
    most > least + 0.05 ? `${least.toFixed(1)} to ${most.toFixed(1)}` : ratio(least);

  function contrastOf(state: StateName): Worked {
    if (state === 'disabled') return { text: 'exempt', tone: 'faint' };
    const value = anatomy.hasText ? textContrast(registry, wb.project, at(state)) : null;
    if (!value) return NONE;
    const tone = value.least >= 4.5 ? 'good' : 'bad';
    // Over pictures that change under it, it is another one over each.
    const items = contrastOverItems(registry, wb.project, at(state));
    const [worst] = items;
    if (!worst) return { text: rangeOf(value), tone };
    const why = items.map((each) => `${rangeOf(each)} over ${each.name}`).join('\n');
    return { text: `${rangeOf(value)}, least over ${worst.name}`, tone, why };
  }

  function ringOf(state: StateName): Worked {
    const isHeld = statesUnderFocus(wb.kind, anatomy).includes(state);
    const value = ringContrast(registry, wb.project, { ...at(state), besides: isHeld ? ['focus'] : [] });
    if (value === null) return NONE;
    const tone = value >= 3 ? 'good' : 'bad';
    return isHeld
      ? { text: ratio(value), tone, why: 'With the focus in this state' }
      : { text: ratio(value), tone };
  }

  function changeOf(state: StateName): Worked {
    const change = changeAgainstRest(registry, wb.project, at(state));
    if (!change) return { ...NONE, why: 'The other states are compared with this one' };
    const colour = `ΔE ${change.colour.toFixed(1)}`;
    if (change.colour >= FAINT)
      return {
        text: colour,
        tone: 'good',
        why: `Colour difference against rest (CIEDE2000)${change.others.length ? `; also ${change.others.join(', ')}` : ''}`
      };
    if (change.others.length > 0)
      return {
        text: change.others.slice(0, 2).join(', '),
        tone: 'good',
        why: `The colours hardly change (${colour}), but ${change.others.join(', ')}`
      };
    if (change.colour === 0) return { text: 'as rest', tone: 'faint', why: 'Nothing of it changes' };
    return { text: `${colour} faint`, tone: 'bad', why: `Under ${FAINT} a change is easily missed` };
  }

  /** Rows of what is worked out, without those that say nothing of any state. */
  const workedOut = $derived(
    [
      { label: 'Seen against rest', of: changeOf },
      { label: 'Text contrast', of: contrastOf },
      { label: 'Ring contrast', of: ringOf }
    ]
      .map(({ label, of }) => ({ label, cells: states.map(of) }))
      .filter(({ cells }) => cells.some(({ text }) => text !== NONE.text))
  );

  const ownOf = (state: StateName) => Object.keys(wb.tuned.styles[wb.currentPart]?.[state]?.[wb.at] ?? {});

  function clear(state: StateName): void {
    const commands = ownOf(state).map((property): Command => ({
      type: 'set-style',
      id: wb.tuned.id,
      part: wb.currentPart,
      state,
      condition: wb.at,
      property,
      value: null
    }));
    if (commands.length > 0)
      wb.dispatch({ type: 'batch', label: `Take away own values of ${anatomy.label} on ${state}`, commands });
  }

  function paste(state: StateName): void {
    const from = wb.look;
    if (from?.state)
      wb.dispatch({
        type: 'copy-look',
        from: { ...from },
        to: [{ id: wb.tuned.id, part: wb.currentPart, state }]
      });
  }

  /** Arrow keys walk the cells, as in the ARIA grid pattern. */
  function onkeydown(event: KeyboardEvent): void {
    const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-cell]');
    if (!cell || event.target !== cell || event.altKey || event.ctrlKey || event.metaKey) return;
    const [row, column] = cell.dataset.cell!.split(',').map(Number) as [number, number];
    const to = {
      ArrowUp: [row - 1, column],
      ArrowDown: [row + 1, column],
      ArrowLeft: [row, column - 1],
      ArrowRight: [row, column + 1]
    }[event.key];
    const next = to && grid.querySelector<HTMLElement>(`[data-cell="${to[0]},${to[1]}"]`);
    if (!next) return;
    event.preventDefault();
    event.stopPropagation();
    next.focus();
  }
</script>

<div
  class="sheet"
  style:--states={states.length}
  role="grid"
  aria-label="States of {anatomy.label}"
  tabindex="-1"
  bind:this={grid}
  {onkeydown}
>
  <div class="line head" role="row">
    <span role="columnheader" class="visually-hidden">Property</span>
    <span></span>
    {#each states as state (state)}
      <span role="columnheader" class="state" style:border-top-color={tones[state] ?? 'var(--verdigris)'}>
        {#if state === 'rest'}
          {labelOf(state)}
        {:else}
          <button
            type="button"
            class="force plain"
            aria-pressed={wb.preview.forced === state}
            title="Show this state in the preview; it is never exported"
            onclick={() => (wb.preview.forced = wb.preview.forced === state ? null : state)}
            >{labelOf(state)}</button
          >
        {/if}
        <OverflowMenu
          size="sm"
          flipped
          iconDescription="More for {labelOf(state)}"
          aria-label="More for {labelOf(state)}"
        >
          <OverflowMenuItem
            text="Copy this look"
            on:click={() => (wb.look = { id: wb.tuned.id, part: wb.currentPart, state })}
          />
          <OverflowMenuItem
            text="Paste the look here"
            disabled={!wb.look?.state}
            on:click={() => paste(state)}
          />
          <OverflowMenuItem
            text="Take own values away"
            disabled={ownOf(state).length === 0}
            on:click={() => clear(state)}
          />
        </OverflowMenu>
      </span>
    {/each}
  </div>
  <LooksRows {wb} {states} />
  {#each properties as property, row (`${wb.tuned.id} ${wb.currentPart} ${property.property}`)}
    {#if property === typed}
      {#await typeStyles() then { default: TypeStyleCell }}
        <div class="line" role="row">
          <span role="rowheader">Type style</span>
          {#each states as state (state)}
            <TypeStyleCell {wb} {state} resolved={resolved.get(state)!} />
          {/each}
        </div>
      {/await}
    {/if}
    <div class="line" role="row">
      <span role="rowheader">{property.label}</span>
      {#each states as state, column (state)}
        <StyleCell
          {wb}
          {property}
          {state}
          resolved={resolved.get(state)!.get(property.property)!}
          {row}
          {column}
        />
      {/each}
    </div>
  {/each}
  {#if anatomy.icons}
    <div class="line" role="row">
      <span role="rowheader">Icon</span>
      {#each states as state (state)}
        <IconCell {wb} {state} keys={anatomy.icons} />
      {/each}
    </div>
  {/if}
  {#if workedOut.length > 0}
    <div class="computed" role="rowgroup">
      {#each workedOut as { label, cells } (label)}
        <div class="line" role="row">
          <span role="rowheader">{label}</span>
          {#each cells as { text, tone, why }, column (states[column])}
            <span role="gridcell" class="mono {tone}" title={why}>{text}</span>
          {/each}
        </div>
      {/each}
    </div>
  {/if}
</div>

<style>
  .sheet {
    --state-most: max(320px, calc(720px / var(--states)));

    min-width: calc(124px + var(--states) * 106px);
    outline: none;
  }
  .line {
    display: grid;
    /* A column is as wide as it can be of use: a part with few states leaves room beside them. */
    grid-template-columns: 124px repeat(var(--states), minmax(0, var(--state-most)));
    min-height: 27px;
    border-bottom: 1px solid var(--faint-line);
  }
  .line > :global(*) {
    display: flex;
    align-items: center;
    min-width: 0;
    padding: 0 8px;
    border-left: 1px solid var(--faint-line);
    scroll-margin-inline-start: 124px;
  }
  .line > :global(:first-child),
  .head > span:nth-child(2) {
    border-left: 0;
  }
  /* What a row is stays in sight, however far states are scrolled to the side. */
  .sheet :global(.line > [role='rowheader']),
  .head > span:nth-child(2) {
    position: sticky;
    left: 0;
    z-index: 1;
    background: var(--panel);
  }
  .sheet .computed [role='rowheader'] {
    background: var(--sunk);
  }
  /* Over the names of the rows, too, that go by under it. */
  .head {
    position: sticky;
    top: 0;
    z-index: 2;
    background: var(--panel);
  }
  .state {
    font-size: 12px;
    font-weight: 600;
    border-top: 3px solid;
  }
  .state {
    justify-content: space-between;
  }
  .force {
    text-align: start;
    padding: 1px 6px;
    margin-left: -6px;
    font-weight: 600;
    border-radius: 2px;
  }
  .force:hover {
    background: var(--faint-line);
  }
  .force[aria-pressed='true'] {
    color: #fff;
    background: var(--ink);
  }
  .state :global(.bx--overflow-menu) {
    width: 20px;
    height: 20px;
    margin-right: -4px;
  }
  /* What decides stays in sight, however far the rows are scrolled. */
  .computed {
    position: sticky;
    bottom: 0;
    z-index: 1;
    background: var(--sunk);
    border-top: 1px solid var(--control-line);
  }
  .good {
    font-weight: 600;
    color: var(--verdigris);
  }
  .bad {
    font-weight: 700;
    color: var(--red);
  }
  .faint {
    color: var(--ink-2);
  }
</style>
