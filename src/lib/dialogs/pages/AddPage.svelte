<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import type { PageId } from '$core/project/types';
  import { addPage, freePageName, type NewPage } from '$lib/state/pages';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  let name = $state('');
  let start = $state('empty');
  let fault = $state('');

  const pages = $derived(wb.project.info.pageOrder.map((id) => wb.project.pages[id]!));

  function startOf(choice: string): NewPage {
    const [as, of] = choice.split(' ');
    return of === undefined ? { as: 'empty' } : { as: as as 'copy' | 'skeleton', of: of as PageId };
  }

  function add(): void {
    const typed = name.trim() || freePageName(wb, 'New page');
    fault = addPage(wb, typed, startOf(start)) ?? '';
    if (!fault) name = '';
  }
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    add();
  }}
>
  <label
    >New page
    <input bind:value={name} maxlength="120" placeholder="Its name" />
  </label>
  <label
    >as
    <select bind:value={start} aria-label="Start it as">
      <option value="empty">an empty one with what most pages share</option>
      <optgroup label="With all pieces and looks, without its words and pictures">
        {#each pages as page (page.id)}<option value="skeleton {page.id}">the skeleton of {page.name}</option
          >{/each}
      </optgroup>
      <optgroup label="As it is">
        {#each pages as page (page.id)}<option value="copy {page.id}">a copy of {page.name}</option>{/each}
      </optgroup>
    </select>
  </label>
  <Button size="small" kind="tertiary" type="submit">Add the page</Button>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
</form>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 12px;
    align-items: center;
    padding-top: 12px;
    margin-top: 12px;
    border-top: 1px solid var(--line);
  }
  label {
    display: flex;
    gap: 8px;
    align-items: center;
  }
  input,
  select {
    height: 28px;
    padding: 0 7px;
    font: inherit;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  select {
    max-width: 300px;
  }
  .fault {
    width: 100%;
    color: var(--red);
  }
</style>
