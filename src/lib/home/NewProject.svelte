<script lang="ts">
  import { Modal, TextInput } from 'carbon-components-svelte';
  import { skeletons } from '$core/templates/pages';
  import type { PageId, ProjectId } from '$core/project/types';
  import type { ProjectRow } from '$lib/store/db';
  import { openProject } from '$lib/store/projects';
  import type { Start } from '$lib/store/starting';

  interface Props {
    rows: readonly ProjectRow[];
    onstart: (name: string, start: Start) => void;
    onclose: () => void;
  }

  const { rows, onstart, onclose }: Props = $props();

  const CHOICES = [
    { id: 'empty', label: 'Empty', summary: 'One section with nothing in it' },
    ...skeletons.map(({ skeleton, label, summary }) => ({ id: skeleton, label, summary })),
    { id: 'copy', label: 'A copy of a page', summary: 'Of another project, with its pictures and tokens' }
  ];
  let name = $state('New project');
  let choice = $state('empty');
  let from = $state('');
  let page = $state('');
  let pages = $state.raw<readonly { readonly id: PageId; readonly name: string }[]>([]);

  const canStart = $derived(name.trim() !== '' && (choice !== 'copy' || page !== ''));

  async function lookInto(id: string): Promise<void> {
    from = id;
    const stored = id ? await openProject(id as ProjectId) : null;
    pages = stored
      ? stored.project.info.pageOrder.map((each) => ({ id: each, name: stored.project.pages[each]!.name }))
      : [];
    page = pages[0]?.id ?? '';
  }

  function choose(id: string): void {
    choice = id;
    if (id === 'copy' && !from && rows[0]) void lookInto(rows[0].id);
  }

  function start(): void {
    if (!canStart) return;
    if (choice === 'empty') onstart(name.trim(), { from: 'empty' });
    else if (choice === 'copy')
      onstart(name.trim(), { from: 'page', project: from as ProjectId, page: page as PageId });
    else onstart(name.trim(), { from: 'skeleton', skeleton: choice });
  }
</script>

<Modal
  open
  size="sm"
  modalHeading="New project"
  primaryButtonText="Start"
  secondaryButtonText="Cancel"
  primaryButtonDisabled={!canStart}
  on:submit={start}
  on:click:button--secondary={onclose}
  on:close={onclose}
  selectorPrimaryFocus="#new-project-name"
>
  <div>
    <TextInput id="new-project-name" size="sm" labelText="Name" bind:value={name} maxlength={120} />
    <fieldset>
      <legend>Start from</legend>
      {#each CHOICES as each (each.id)}
        <label class:off={each.id === 'copy' && rows.length === 0}>
          <input
            type="radio"
            name="start"
            value={each.id}
            checked={choice === each.id}
            disabled={each.id === 'copy' && rows.length === 0}
            onchange={() => choose(each.id)}
          />
          <span><b>{each.label}</b> {each.summary}</span>
        </label>
      {/each}
    </fieldset>
    {#if choice === 'copy'}
      <div class="which">
        <select
          aria-label="Project to copy from"
          value={from}
          onchange={(event) => void lookInto(event.currentTarget.value)}
        >
          {#each rows as row (row.id)}<option value={row.id}>{row.name}</option>{/each}
        </select>
        <select aria-label="Page to copy" bind:value={page}>
          {#each pages as each (each.id)}<option value={each.id}>{each.name}</option>{/each}
        </select>
      </div>
    {/if}
  </div>
</Modal>

<style>
  input[type='radio'] {
    accent-color: var(--verdigris);
  }
  fieldset {
    padding: 0;
    margin: 14px 0 0;
    border: 0;
  }
  legend {
    margin-bottom: 4px;
    font-size: 13px;
    color: var(--ink-2);
  }
  label {
    display: flex;
    gap: 8px;
    align-items: baseline;
    padding: 5px 8px;
    cursor: pointer;
    border-radius: 3px;
  }
  label:has(input:checked) {
    background: var(--wash);
  }
  label.off {
    color: var(--ink-3);
  }
  label span {
    font-size: 13px;
    color: var(--ink-2);
  }
  b {
    margin-right: 6px;
    font-weight: 600;
    color: var(--ink);
  }
  .which {
    display: flex;
    gap: 8px;
    padding: 6px 0 0 30px;
  }
  select {
    min-width: 0;
    height: 28px;
    padding: 0 6px;
    font: inherit;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
</style>
