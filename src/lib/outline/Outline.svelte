<script lang="ts">
  import { untrack } from 'svelte';
  import { analyse } from '$core/compile/analyse';
  import { maybePlaceOf, nodeOf } from '$core/project/tree';
  import type { Node, NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import KindSign from '$lib/parts/KindSign.svelte';
  import { insertKind } from '$lib/state/actions';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import type { Drop } from './dragging';

  const { wb }: { wb: Workbench } = $props();

  let tree: HTMLElement;
  let drop = $state.raw<Drop | null>(null);
  /** Comes once the page is on show: nothing is dragged before. */
  let dragging = $state.raw<typeof import('./dragging') | null>(null);
  $effect(() => {
    if (wb.preview.isShown) void import('./dragging').then((part) => (dragging = part));
  });

  /** Only rows in and near sight are drawn; a page of thousands of pieces scrolls like one of ten. */
  const ROW = 27;
  const SPARE = 45;
  let scrolled = $state(0);
  let room = $state(600);
  let words = $state('');
  /** While something is looked for, whatever is called so and what it stands in, folded away or not. */
  const rows = $derived(words.trim() ? wb.outline.called(words) : wb.outline.visible());
  const first = $derived(Math.max(0, Math.floor(scrolled / ROW) - SPARE));
  const shown = $derived(rows.slice(first, Math.ceil((scrolled + room) / ROW) + SPARE));

  const counts = $derived.by(() => {
    const byNode = new Map<NodeId, { count: number; isError: boolean }>();
    for (const { node, severity } of wb.findings) {
      const known = byNode.get(node);
      byNode.set(node, {
        count: (known?.count ?? 0) + 1,
        isError: known?.isError === true || severity === 'error'
      });
    }
    return byNode;
  });
  const focused = $derived(wb.selected.at(-1) ?? rows[0]?.id);

  function toggle(id: NodeId, closes = !wb.outline.collapsed.has(id)): void {
    const next = new Set(wb.outline.collapsed);
    if (closes) next.add(id);
    else next.delete(id);
    wb.outline.collapsed = next;
  }

  function select(event: MouseEvent, id: NodeId): void {
    const adds = event.ctrlKey || event.metaKey;
    if (event.shiftKey && wb.selected.length > 0) {
      const ids = rows.map((row) => row.id);
      const [from, to] = [ids.indexOf(wb.selected[0]!), ids.indexOf(id)].sort((a, b) => a - b) as [
        number,
        number
      ];
      return wb.select(ids.slice(from, to + 1));
    }
    if (!adds) return wb.select([id]);
    wb.select(wb.selected.includes(id) ? wb.selected.filter((each) => each !== id) : [...wb.selected, id]);
  }

  // What is picked elsewhere comes into sight here.
  $effect(() => {
    const id = wb.selected.at(-1);
    const at = id ? untrack(() => rows.findIndex((row) => row.id === id)) : -1;
    if (at < 0 || !tree) return;
    const top = at * ROW;
    if (top < tree.scrollTop || top + ROW > tree.scrollTop + tree.clientHeight)
      tree.scrollTop = top - tree.clientHeight / 2;
  });

  function focusRow(id: NodeId | undefined): void {
    if (!id) return;
    wb.select([id]);
    queueMicrotask(() => tree.querySelector<HTMLElement>(`[data-row="${id}"]`)?.focus());
  }

  /** Keys of the ARIA tree view pattern; Alt with arrows belongs to moving. */
  function onkeydown(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey || wb.renaming) return;
    const at = rows.findIndex((row) => row.id === focused);
    const row = rows[at];
    if (!row) return;
    const isOpen = row.isParent && !wb.outline.collapsed.has(row.id);
    const moves: Record<string, () => void> = {
      ArrowDown: () => focusRow(rows[at + 1]?.id),
      ArrowUp: () => focusRow(rows[at - 1]?.id),
      Home: () => focusRow(rows[0]?.id),
      End: () => focusRow(rows.at(-1)?.id),
      ArrowRight: () => {
        if (isOpen) focusRow(rows[at + 1]?.id);
        else if (row.isParent) toggle(row.id, false);
      },
      ArrowLeft: () =>
        isOpen
          ? toggle(row.id, true)
          : focusRow(row.depth > 0 ? maybePlaceOf(wb.project, row.id)?.parent : undefined)
    };
    const move = moves[event.key];
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    move();
  }

  function finishRename(id: NodeId, name: string): void {
    if (wb.renaming !== id) return;
    wb.renaming = null;
    if (name.trim() !== nodeOf(wb.project, id).name) wb.dispatch({ type: 'rename', id, name });
    queueMicrotask(() => tree.querySelector<HTMLElement>(`[data-row="${id}"]`)?.focus());
  }

  function focusField(input: HTMLInputElement) {
    input.focus();
    input.select();
  }

  /** What moves by itself and what it does, in a word each: tabs, sticky. */
  function signsOf(node: Node): string {
    const kind = registry.of(node);
    const isLive = kind.effects === undefined && analyse(registry, wb.project, node).behaviours.length > 0;
    const signs = (kind.effects ?? []).map(({ sign }) => sign);
    return (isLive ? [kind.label.toLowerCase()] : signs).join(', ');
  }
</script>

<aside aria-label="Outline" data-region>
  <div class="head">
    <h2>Outline</h2>
    <button type="button" class="insert" onclick={() => (wb.open = 'insert')}>Insert <kbd>A</kbd></button>
  </div>
  <input
    class="filter"
    type="search"
    aria-label="Filter the outline"
    placeholder="Filter"
    bind:value={words}
    onkeydown={(event) => event.key === 'Escape' && words && (event.stopPropagation(), (words = ''))}
  />
  <div
    class="tree"
    role="tree"
    aria-label="Pieces of the page"
    aria-multiselectable="true"
    tabindex="-1"
    bind:this={tree}
    bind:clientHeight={room}
    onscroll={() => (scrolled = tree.scrollTop)}
    {onkeydown}
  >
    {#if first > 0}<div class="gap" role="none" style:height="{first * ROW}px"></div>{/if}
    {#each shown as { id, depth, isParent } (id)}
      {@const node = nodeOf(wb.project, id)}
      {@const isSelected = wb.selected.includes(id)}
      {@const finding = counts.get(id)}
      <div
        class="row {drop?.id === id ? drop.operation : ''}"
        class:selected={isSelected}
        role="treeitem"
        aria-level={depth + 1}
        aria-selected={isSelected}
        aria-expanded={isParent ? !wb.outline.collapsed.has(id) : undefined}
        tabindex={id === focused ? 0 : -1}
        data-row={id}
        style:padding-left="{6 + depth * 12}px"
        onclick={(event) => select(event, id)}
        ondblclick={() => (wb.renaming = id)}
        onkeydown={() => {}}
        {@attach dragging?.dragRow(wb, id, (next) => (drop = next))}
      >
        <button
          type="button"
          class="fold plain"
          class:closed={wb.outline.collapsed.has(id)}
          tabindex="-1"
          aria-hidden="true"
          style:visibility={isParent ? 'visible' : 'hidden'}
          onclick={(event) => {
            event.stopPropagation();
            toggle(id);
          }}
          ><svg width="8" height="8" viewBox="0 0 8 8"
            ><path d="M1 2.5l3 3 3-3" fill="none" stroke="currentColor" stroke-width="1.2" /></svg
          ></button
        >
        <span class="sign"><KindSign kind={node.kind} /></span>
        {#if wb.renaming === id}
          <input
            aria-label="New name of {node.name}"
            value={node.name}
            maxlength="120"
            use:focusField
            onblur={(event) => finishRename(id, event.currentTarget.value)}
            onkeydown={(event) => {
              event.stopPropagation();
              if (event.key === 'Enter') finishRename(id, event.currentTarget.value);
              if (event.key === 'Escape') finishRename(id, node.name);
            }}
          />
        {:else}
          {@const signs = signsOf(node)}
          <span class="words" title={[node.name, signs].filter(Boolean).join(', ')}>
            <span class="name">{node.name}</span>
            {#if signs}<span class="hint">{signs}</span>{/if}
          </span>
          {#if finding}<span
              class="count"
              class:error={finding.isError}
              title="{finding.count} {finding.count === 1 ? 'finding' : 'findings'}">{finding.count}</span
            >{/if}
        {/if}
      </div>
    {/each}
    {#if rows.length > first + shown.length}<div
        class="gap"
        role="none"
        style:height="{(rows.length - first - shown.length) * ROW}px"
      ></div>{/if}
    {#if rows.length === 0 && words.trim()}
      <p class="empty" role="none">Nothing on this page is called “{words}”.</p>
    {:else if rows.length === 0}
      <div class="empty" role="none">
        <p>This page is empty. Start with a section; everything else stands in one.</p>
        <button type="button" class="link" onclick={() => insertKind(wb, 'section')}>Insert a section</button>
      </div>
    {/if}
  </div>
</aside>

<style>
  aside {
    display: flex;
    flex-direction: column;
    min-height: 0;
    background: var(--panel);
    border-right: 1px solid var(--line);
  }
  .head {
    display: flex;
    align-items: center;
    justify-content: space-between;
    height: 40px;
    padding: 0 10px 0 14px;
    flex: none;
  }
  .filter {
    flex: none;
    height: 26px;
    padding: 0 8px;
    margin: 0 10px 6px 14px;
    font: inherit;
    font-size: 12px;
    background: none;
    border: 1px solid var(--line);
    border-radius: 3px;
  }
  .filter:focus {
    background: #fff;
    border-color: var(--verdigris);
  }
  h2 {
    margin: 0;
    font-size: 12px;
    font-weight: 500;
    color: var(--ink-2);
  }
  .insert {
    padding: 3px 4px 3px 8px;
    font: 600 12px var(--sans);
    color: var(--ink);
    cursor: pointer;
    background: none;
    border: 0;
    border-radius: 3px;
  }
  .insert:hover {
    background: var(--sunk);
  }
  kbd {
    padding: 0 4px;
    font: 11px var(--mono);
    color: var(--ink-2);
    border: 1px solid var(--line);
    border-radius: 2px;
  }
  .tree {
    flex: 1;
    overflow: auto;
    padding-bottom: 24px;
  }
  .row {
    position: relative;
    display: flex;
    align-items: center;
    gap: 6px;
    height: 27px;
    padding-right: 10px;
    cursor: default;
    user-select: none;
    border-left: 3px solid transparent;
  }
  .row:hover {
    background: var(--sunk);
  }
  .row.selected {
    background: var(--wash);
    border-left-color: var(--verdigris);
  }
  .row:focus-visible {
    outline-offset: -2px;
  }
  .row.reorder-before {
    box-shadow: inset 0 2px var(--verdigris);
  }
  .row.reorder-after {
    box-shadow: inset 0 -2px var(--verdigris);
  }
  .row.combine {
    box-shadow: inset 0 0 0 2px var(--verdigris);
  }
  .row.refused {
    box-shadow: inset 0 0 0 1px var(--red);
    cursor: no-drop;
  }
  .fold {
    display: grid;
    place-items: center;
    width: 14px;
    height: 20px;
    color: var(--ink-2);
  }
  .fold.closed svg {
    rotate: -90deg;
  }
  .sign {
    display: grid;
    color: var(--ink-2);
    flex: none;
  }
  /* A name has the room first: what stands after it goes where both do not fit in the line. */
  .words {
    display: flex;
    flex: 1;
    flex-wrap: wrap;
    column-gap: 6px;
    min-width: 0;
    height: 26px;
    overflow: hidden;
    line-height: 26px;
  }
  .name {
    flex: 1 0 auto;
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .hint {
    font-size: 12px;
    color: var(--ink-2);
  }
  .count {
    min-width: 18px;
    padding: 0 5px;
    font: 600 11px/18px var(--sans);
    color: var(--ochre);
    text-align: center;
    background: #f6e6cb;
    border-radius: 9px;
  }
  .count.error {
    color: var(--red);
    background: #f6d9d5;
  }
  input {
    flex: 1;
    min-width: 0;
    height: 22px;
    padding: 0 4px;
    font: inherit;
    border: 1px solid var(--verdigris);
    border-radius: 2px;
  }
  .empty {
    padding: 8px 14px;
    color: var(--ink-2);
  }
  .empty p {
    margin: 0 0 8px;
  }
</style>
