<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { PageId, ShelfId } from '$core/project/types';
  import KindSign from '$lib/parts/KindSign.svelte';
  import { share, shareOnAll, standings, unsharedSections } from '$lib/state/pages';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const pages = $derived(wb.project.info.pageOrder.map((id) => wb.project.pages[id]!));
  const pieces = $derived(Object.values(wb.project.shelf));
  const table = $derived(standings(wb));
  const standsOn = (shelf: ShelfId, page: PageId) => table.get(shelf)!.get(page)!;
  const countOf = (shelf: ShelfId) => pages.filter(({ id }) => standsOn(shelf, id) !== 'absent').length;

  const sections = $derived(unsharedSections(wb));
  let section = $state('');
  const picked = $derived(sections.find(({ id }) => id === section) ?? sections[0]);
  let fault = $state('');

  function put(shelf: ShelfId, on: readonly PageId[], isOn: boolean): void {
    fault = share(wb, shelf, on, isOn) ?? '';
  }

  function putEverywhere(shelf: ShelfId): void {
    const all = pages.map(({ id }) => id);
    put(shelf, all, countOf(shelf) < all.length);
  }
</script>

{#if pieces.length === 0}
  <p class="empty">
    Nothing is shared yet. A header, a footer or anything else can stand on several pages at once: change it
    on one, update it, and the others follow.
  </p>
{:else}
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">Page</th>
          {#each pieces as piece (piece.id)}
            <th scope="col">
              <KindSign kind={piece.fragment.nodes[piece.fragment.root]!.kind} />
              {piece.name}
              <button type="button" class="link" onclick={() => putEverywhere(piece.id)}
                >{countOf(piece.id) < pages.length ? 'On all' : 'Off all'}<span class="visually-hidden"
                  >&nbsp;pages: {piece.name}</span
                ></button
              >
            </th>
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each pages as page (page.id)}
          <tr class:current={page.id === wb.pageId}>
            <th scope="row">{page.name}</th>
            {#each pieces as piece (piece.id)}
              {@const standing = standsOn(piece.id, page.id)}
              <td>
                <label>
                  <input
                    type="checkbox"
                    aria-label="{piece.name} on {page.name}"
                    checked={standing !== 'absent'}
                    onchange={(event) => {
                      put(piece.id, [page.id], standing === 'absent');
                      // It may have been refused.
                      event.currentTarget.checked = standsOn(piece.id, page.id) !== 'absent';
                    }}
                  />
                  {standing === 'changed' ? 'changed there' : ''}
                </label>
              </td>
            {/each}
          </tr>
        {/each}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row">On how many</th>
          {#each pieces as piece (piece.id)}<td class="mono">{countOf(piece.id)} of {pages.length}</td>{/each}
        </tr>
      </tfoot>
    </table>
  </div>
  <p class="about">
    Each is placed where it stands on the other pages, and follows the shelf. A new page gets what more than
    half of the pages have. Smaller pieces are shared from the shelf (<kbd>Shift S</kbd>).
  </p>
{/if}
{#if picked}
  <div class="share">
    <label for="share-section">Of {wb.page.name}, share</label>
    <select id="share-section" value={picked.id} onchange={(event) => (section = event.currentTarget.value)}>
      {#each sections as { id, name } (id)}<option value={id}>{name}</option>{/each}
    </select>
    <Button size="small" kind="tertiary" on:click={() => (fault = shareOnAll(wb, picked) ?? '')}
      >On all pages</Button
    >
  </div>
{/if}
{#if fault}<p class="fault" role="alert">{fault}</p>{/if}

<style>
  .scroll {
    overflow-x: auto;
  }
  table {
    min-width: 50%;
    border-collapse: collapse;
  }
  th,
  td {
    padding: 6px 14px 6px 6px;
    font-weight: 400;
    text-align: left;
    white-space: nowrap;
    border-bottom: 1px solid var(--faint-line);
  }
  thead th {
    font-weight: 500;
    border-bottom-color: var(--line);
  }
  thead .link {
    margin-left: 8px;
    font-weight: 400;
  }
  .current th {
    box-shadow: inset 3px 0 var(--verdigris);
  }
  tbody th {
    padding-left: 10px;
  }
  .share {
    display: flex;
    gap: 8px;
    align-items: center;
    margin-top: 10px;
  }
  select {
    height: 28px;
    padding: 0 7px;
    font: inherit;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  td label {
    display: flex;
    gap: 6px;
    align-items: center;
    color: var(--ochre);
  }
  input {
    width: 16px;
    height: 16px;
    margin: 0;
    accent-color: var(--verdigris);
  }
  tfoot > tr > * {
    color: var(--ink-2);
    border-bottom: 0;
  }
  .empty,
  .about {
    max-width: 64ch;
    font-size: 13px;
    color: var(--ink-2);
  }
  .empty {
    padding: 4px 0;
  }
  .about {
    margin-top: 8px;
  }
  .fault {
    color: var(--red);
  }
  kbd {
    padding: 0 5px;
    font: 11px/18px var(--mono);
    border: 1px solid var(--line);
    border-radius: 2px;
  }
</style>
