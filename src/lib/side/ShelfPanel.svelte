<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import KindSign from '$lib/parts/KindSign.svelte';
  import { placedFrom } from '$core/commands/shelf';
  import { registry } from '$core/registry';
  import { isAsShelved, linkedTo } from '$core/project/shelf';
  import { maybePageOf } from '$core/project/tree';
  import type { ShelfId, ShelfPiece } from '$core/project/types';
  import { insertFragment, runAction } from '$lib/state/actions';
  import SidePanel from './SidePanel.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const pieces = $derived(Object.values(wb.project.shelf));
  const canShelve = $derived(wb.selected.length > 0 && !wb.linked);
  let shown = $state<ShelfId | null>(null);
  let faults = $state.raw<ReadonlyMap<string, string>>(new Map());

  function place(piece: ShelfPiece, isLinked: boolean): void {
    const found = wb.findPlaceOf(piece.fragment);
    if (!found) return say(piece.id, 'A page is no piece of another one. Place what is in it.');
    insertFragment(wb, placedFrom(registry, piece, isLinked), found);
  }

  function say(id: string, sentence: string): void {
    faults = new Map([...faults, [id, sentence]]);
  }

  function rename(piece: ShelfPiece, name: string): void {
    const command: Command = { type: 'rename-shelved', shelf: piece.id, name };
    const refusal = wb.refusal(command);
    say(piece.id, refusal?.sentence ?? '');
    if (!refusal) wb.dispatch(command);
  }

  function remove(piece: ShelfPiece, detaches: boolean): void {
    const command: Command = { type: 'unshelve', shelf: piece.id, detaches };
    const refusal = wb.refusal(command);
    say(piece.id, refusal?.sentence ?? '');
    if (!refusal) wb.dispatch(command);
  }
</script>

<SidePanel {wb} label="Shelf">
  {#if wb.linked}
    {@const { node, shelf } = wb.linked}
    {@const others = linkedTo(wb.project, shelf).length - 1}
    {@const isSame = isAsShelved(wb.project, node.id, shelf)}
    <div class="now">
      <p>
        <strong>{node.name}</strong> follows the shelf’s “{wb.project.shelf[shelf]!.name}”{isSame
          ? ' and is as it is there.'
          : ' and has been changed here.'}
      </p>
      <div class="row">
        <button
          type="button"
          class="main"
          disabled={isSame}
          onclick={() => wb.dispatch({ type: 'update-linked', id: node.id })}
          >{others === 0
            ? 'Update the shelf'
            : `Update the shelf and ${others} other${others === 1 ? '' : 's'}`}</button
        >
        <button
          type="button"
          class="link"
          disabled={isSame}
          onclick={() => wb.dispatch({ type: 'take-shelved', id: node.id })}>Take the shelf’s</button
        >
        <button type="button" class="link" onclick={() => wb.dispatch({ type: 'detach', id: node.id })}
          >Detach</button
        >
      </div>
    </div>
  {:else if canShelve}
    <button type="button" class="main" onclick={() => runAction(wb, 'shelve')}
      >Put {wb.current.name} on the shelf</button
    >
  {/if}
  {#each pieces as piece (piece.id)}
    {@const uses = linkedTo(wb.project, piece.id)}
    {@const isUsed = uses.length > 0}
    <div class="piece">
      <div class="row">
        <KindSign kind={piece.fragment.nodes[piece.fragment.root]!.kind} />
        <input
          aria-label="Name of {piece.name}"
          value={piece.name}
          maxlength="80"
          onchange={(event) => rename(piece, event.currentTarget.value)}
        />
        <button
          type="button"
          class="link"
          aria-expanded={shown === piece.id}
          aria-label="Where {piece.name} is used, {uses.length}"
          onclick={() => (shown = shown === piece.id ? null : piece.id)}>×{uses.length}</button
        >
      </div>
      <div class="row">
        <button type="button" class="link" onclick={() => place(piece, true)}>Place linked</button>
        <button type="button" class="link" onclick={() => place(piece, false)}>Place a free copy</button>
        <span class="push"></span>
        <button
          type="button"
          class="link"
          aria-label="Take {piece.name} off the shelf"
          onclick={() => remove(piece, false)}>Take off</button
        >
      </div>
      {#if faults.get(piece.id)}
        <p class="fault" role="alert">{faults.get(piece.id)}</p>
        {#if isUsed}<button type="button" class="link" onclick={() => remove(piece, true)}
            >Detach all {uses.length} and take it off</button
          >{/if}
      {/if}
      {#if shown === piece.id}
        <ul>
          {#each uses as use (use.id)}
            <li>
              <button type="button" class="link" onclick={() => wb.select([use.id])}>{use.name}</button> on {maybePageOf(
                wb.project,
                use.id
              )?.name}{isAsShelved(wb.project, use.id, piece.id) ? '' : ', changed there'}
            </li>
          {:else}
            <li>Nothing follows it. Place it linked, and every change you take to the shelf reaches it.</li>
          {/each}
        </ul>
      {/if}
    </div>
  {:else}
    <p class="note">
      Nothing here yet. Pick a piece and put it on the shelf; then it can be placed again on any page, linked
      or as a free copy. What is linked follows when you update it.
    </p>
  {/each}
</SidePanel>

<style>
  .piece,
  .now {
    padding: 8px 0;
    border-top: 1px solid var(--faint-line);
  }
  .now {
    padding: 8px 10px;
    margin-bottom: 10px;
    background: var(--wash);
    border-top: 0;
    border-radius: 3px;
  }
  .now p {
    margin: 0 0 6px;
  }
  .row {
    display: flex;
    gap: 10px;
    align-items: center;
    padding: 2px 0;
  }
  .push {
    flex: 1;
  }
  .main {
    margin-bottom: 8px;
  }
  .now .main {
    margin: 0;
  }
  button:disabled {
    cursor: default;
    opacity: 0.5;
  }
  ul {
    padding: 2px 0 4px 24px;
    margin: 0;
    font-size: 12px;
    list-style: none;
  }
</style>
