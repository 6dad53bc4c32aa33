<script lang="ts">
  import type { Command } from '$core/commands/commands';
  import { TextInput } from 'carbon-components-svelte';
  import { pageFile } from '$core/project/files';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const FIELDS = [
    { key: 'name', label: 'Name in Kymation', help: '' },
    {
      key: 'title',
      label: 'Title',
      help: 'In the browser’s tab and in search results; about 60 letters are shown.'
    },
    {
      key: 'description',
      label: 'Description',
      help: 'Two sentences for search results; about 160 letters are shown.'
    },
    { key: 'language', label: 'Language', help: 'A tag such as en-GB, de or ar; screen readers speak by it.' }
  ] as const;
  const id = $props.id();
  const order = $derived(wb.project.info.pageOrder);
  const at = $derived(order.indexOf(wb.pageId));
  let faults = $state.raw<Readonly<Record<string, string>>>({});
  let gesture = 0;

  function set(key: (typeof FIELDS)[number]['key'] | 'picture', value: string): void {
    const command: Command = { type: 'set-page', id: wb.pageId, key, value };
    const refusal = wb.refusal(command);
    faults = { ...faults, [key]: refusal?.sentence ?? '' };
    if (!refusal) wb.dispatch(command, `page ${key} ${wb.pageId} ${gesture}`);
  }
</script>

{#each FIELDS as { key, label, help } (key)}
  <TextInput
    size="sm"
    labelText={label}
    helperText={help}
    value={wb.page[key]}
    invalid={Boolean(faults[key])}
    invalidText={faults[key]}
    on:focus={() => (gesture += 1)}
    on:input={({ detail }) => set(key, String(detail ?? ''))}
  />
{/each}
{#await import('./AssetField.svelte') then { default: AssetField }}
  <div>
    <label class="bx--label" for="{id}-picture">Preview picture</label>
    <AssetField
      {wb}
      node={null}
      key="picture"
      id="{id}-picture"
      label="Preview picture"
      describedBy="{id}-picture-about"
      value={wb.page.picture ?? ''}
      onchange={(id) => set('picture', id)}
    />
    <p class="bx--form__helper-text" id="{id}-picture-about">Shown where a link to the page is shared.</p>
  </div>
{/await}
{#if order.length > 1}
  <div class="order" role="group" aria-label="Order of the pages">
    <span class="bx--label">Order of the pages; the first is the one a site opens on</span>
    <ol>
      {#each order as id (id)}<li aria-current={id === wb.pageId ? 'true' : undefined}>
          {wb.project.pages[id]!.name}
        </li>{/each}
    </ol>
    <button
      type="button"
      class="link"
      disabled={at === 0}
      onclick={() => wb.dispatch({ type: 'move-page', id: wb.pageId, index: at - 1 })}>Earlier</button
    >
    <button
      type="button"
      class="link"
      disabled={at === order.length - 1}
      onclick={() => wb.dispatch({ type: 'move-page', id: wb.pageId, index: at + 1 })}>Later</button
    >
  </div>
{/if}
<p class="file">
  Exported as <span class="mono">{pageFile(wb.project, wb.pageId)}</span>; links to it are written so.
</p>

<style>
  .order {
    grid-column: 1 / -1;
  }
  .order ol {
    padding-left: 20px;
    margin: 0 0 4px;
    list-style: decimal;
  }
  .order li[aria-current] {
    font-weight: 600;
  }
  .order .link {
    margin-right: 14px;
  }
  .file {
    margin: 0;
    font-size: 12px;
    color: var(--ink-2);
  }
</style>
