<script lang="ts">
  import { ValidationError } from 'yup';
  import { settingsWithDefaults } from '$core/kinds/settings';
  import type { Json, Node, Source } from '$core/project/types';
  import { registry } from '$core/registry';
  import type { FieldSpec } from '$lib/state/fields';
  import { inAll } from '$lib/state/rows';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import BindingField from '../rows/BindingField.svelte';
  import { editorOf, type EditorProps } from './editors/editors';

  interface Props {
    wb: Workbench;
    node: Node;
    field: FieldSpec;
    /** Where its value may come from: the source of the list around; null for none. */
    source?: Source | null;
  }

  const { wb, node, field, source = null }: Props = $props();

  const value = $derived(settingsWithDefaults(registry.of(node), node)[field.key]);
  const id = $props.id();
  const editor = $derived(editorOf(registry.of(node), field));
  /** It differs from how the piece comes. */
  const isOwn = $derived(Object.hasOwn(node.settings, field.key));
  const about = $derived(
    [field.help ?? '', field.live ? `It acts ${field.live}; editing does not show it.` : '']
      .filter(Boolean)
      .join(' ')
  );
  let showsAbout = $state(false);
  let fault = $state('');
  const describedBy = $derived(
    [about ? `${id}-about` : '', fault ? `${id}-fault` : ''].filter(Boolean).join(' ') || undefined
  );
  let gesture = 0;

  const set: EditorProps['set'] = (to: Json, merge) => {
    try {
      field.schema.validateSync(to, { strict: true });
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      fault = error.message;
      return;
    }
    const refusal = wb.dispatch(
      inAll(wb, node, ({ id: each }) => ({ type: 'set-setting', id: each, key: field.key, value: to })),
      merge ? `${merge} ${node.id} ${field.key} ${gesture}` : null
    );
    fault = refusal?.sentence ?? '';
  };
  const refuse = (sentence: string) => void (fault = sentence);
  const begin = () => void (gesture += 1);
</script>

<div class="field" class:wide={editor.isWide} class:own={isOwn} data-field={field.key}>
  {#if !editor.isWide}
    <span class="name">
      <label for={id}>{field.label}</label>
      {#if about}
        <button
          type="button"
          class="ask"
          aria-label="About {field.label}"
          aria-expanded={showsAbout}
          title={about}
          onclick={() => (showsAbout = !showsAbout)}>?</button
        >
      {/if}
    </span>
  {/if}
  <div class="input">
    {#await editor.load() then { default: Editor }}
      <Editor {wb} {node} {field} {id} {about} {value} {fault} {describedBy} {set} {refuse} {begin} />
    {/await}
    {#if source}<BindingField {wb} {node} name={field.key} label={field.label} {source} />{/if}
    {#if fault && !editor.saysFault}<p class="fault" id="{id}-fault" role="alert">{fault}</p>{/if}
    {#if about && !editor.isWide}<p class="about" class:visually-hidden={!showsAbout} id="{id}-about">
        {about}
      </p>{/if}
  </div>
</div>

<style>
  .field {
    display: grid;
    grid-template-columns: minmax(0, 118px) minmax(0, 1fr);
    gap: 8px;
    align-items: start;
    min-width: 0;
  }
  .wide {
    grid-template-columns: minmax(0, 1fr);
    grid-column: 1 / -1;
  }
  .name {
    display: flex;
    gap: 2px;
    align-items: center;
    justify-content: space-between;
    min-height: 26px;
    font-size: 12.5px;
    line-height: 1.2;
    color: var(--ink-2);
  }
  /* What differs from how the piece comes is dark, as in the state sheet. */
  .own .name {
    font-weight: 600;
    color: var(--ink);
  }
  .input {
    min-width: 0;
  }
  .input > :global(:is(input, select)) {
    width: 100%;
    height: 26px;
    padding: 0 7px;
    font: inherit;
    color: var(--ink-2);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
    text-overflow: ellipsis;
  }
  .input > :global(.mono) {
    font: 11.5px var(--mono);
  }
  .own .input > :global(:is(input, select)) {
    color: var(--ink);
  }
  .input > :global([aria-invalid='true']) {
    border-color: var(--red);
    outline: 1px solid var(--red);
  }
  .fault {
    margin: 2px 0 0;
    font-size: 12px;
    line-height: 1.3;
    color: var(--red);
  }
  .about {
    margin: 3px 0 0;
    font-size: 12px;
    line-height: 1.35;
    color: var(--ink-2);
  }
  .ask {
    flex: none;
    width: 16px;
    height: 16px;
    padding: 0;
    font: 600 11px/14px var(--sans);
    color: var(--ink-2);
    cursor: pointer;
    background: none;
    border: 1px solid var(--control-line);
    border-radius: 50%;
  }
  .ask[aria-expanded='true'] {
    color: #fff;
    background: var(--ink-2);
  }
</style>
