<script lang="ts">
  import type { Editor } from '@tiptap/core';
  import { onDestroy, onMount } from 'svelte';
  import { isSafeLink } from '$core/html/clean';
  import { tidyHtml } from '$core/html/tidy';
  import { RICH_TEXT } from '$preview/rich';
  import type * as Editing from '$preview/editing';

  interface Props {
    label: string;
    value: string;
    takesFocus: boolean;
    onchange: (html: string) => void;
    onfocus: () => void;
    ondone: () => void;
  }

  const { label, value, takesFocus, onchange, onfocus, ondone }: Props = $props();

  let host: HTMLElement;
  let editor = $state.raw<Editor | null>(null);
  let marks = $state.raw<readonly string[]>([]);
  let link = $state<string | null>(null);
  let linkFault = $state('');
  let written = '';
  let editing: typeof Editing;
  let stopReading = () => {};

  onMount(async () => {
    const [{ Editor: Made }, { default: StarterKit }, tools] = await Promise.all([
      import('@tiptap/core'),
      import('@tiptap/starter-kit'),
      import('$preview/editing')
    ]);
    if (!host) return;
    editing = tools;
    written = value;
    editor = new Made({
      element: host,
      injectCSS: false,
      extensions: [StarterKit.configure(RICH_TEXT)],
      content: tidyHtml(value),
      editorProps: { attributes: { role: 'textbox', 'aria-label': label, 'aria-multiline': 'true' } },
      onUpdate({ editor: now }) {
        written = tidyHtml(now.getHTML());
        onchange(written);
      },
      onFocus: onfocus,
      onTransaction({ editor: now }) {
        marks = ['bold', 'italic', 'code', 'link', 'bulletList', 'orderedList'].filter((name) =>
          now.isActive(name)
        );
      }
    });
    stopReading = editing.readBeforeKeys(editor, host);
    if (takesFocus) editing.focusAtEnd(editor);
  });
  onDestroy(() => {
    stopReading();
    editor?.destroy();
  });

  // Undo and other windows change the text from outside.
  $effect(() => {
    if (!editor || value === written) return;
    written = value;
    editor.commands.setContent(tidyHtml(value), { emitUpdate: false });
  });
  $effect(() => {
    if (takesFocus && editor) editing.focusAtEnd(editor);
  });

  /** A field for the address takes the focus itself. */
  function act(run: (now: Editor) => void): void {
    editing.actOnWords(editor!, run);
  }

  const tools: readonly { name: string; label: string; sign: string; run: (now: Editor) => void }[] = [
    { name: 'bold', label: 'Bold', sign: 'B', run: (now) => now.chain().toggleBold().run() },
    { name: 'italic', label: 'Italic', sign: 'I', run: (now) => now.chain().toggleItalic().run() },
    { name: 'code', label: 'Inline code', sign: '‹›', run: (now) => now.chain().toggleCode().run() },
    { name: 'bulletList', label: 'List', sign: '•', run: (now) => now.chain().toggleBulletList().run() },
    {
      name: 'orderedList',
      label: 'Numbered list',
      sign: '1.',
      run: (now) => now.chain().toggleOrderedList().run()
    },
    {
      name: 'link',
      label: 'Link',
      sign: '↗',
      run: (now) => (link = String(now.getAttributes('link').href ?? ''))
    }
  ];

  function takeLink(): void {
    const address = (link ?? '').trim();
    if (address !== '' && !isSafeLink(address)) {
      linkFault = 'Write an address such as https://…, mailto:… or #section.';
      return;
    }
    editing.setLink(editor!, address);
    link = null;
    linkFault = '';
  }
</script>

<div class="rich">
  <span class="bx--label">{label}</span>
  <div class="tools" role="toolbar" aria-label="Text tools">
    {#each tools as { name, label: words, sign, run } (name)}
      <button
        type="button"
        aria-label={words}
        title={words}
        aria-pressed={marks.includes(name)}
        disabled={!editor}
        onmousedown={(event) => event.preventDefault()}
        onclick={() => editor && act(run)}>{sign}</button
      >
    {/each}
  </div>
  {#if link !== null}
    <form
      class="link"
      onsubmit={(event) => {
        event.preventDefault();
        takeLink();
      }}
    >
      <!-- svelte-ignore a11y_autofocus -->
      <input
        aria-label="Address of the link"
        placeholder="https://… or #section; empty takes the link away"
        bind:value={link}
        autofocus
      />
      <button type="submit">Set link</button>
      {#if linkFault}<span role="alert">{linkFault}</span>{/if}
    </form>
  {/if}
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div
    class="field"
    bind:this={host}
    onkeydown={(event) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      (event.target as HTMLElement).blur();
      ondone();
    }}
  ></div>
</div>

<style>
  .rich {
    max-width: 720px;
    grid-column: 1 / -1;
  }
  .tools {
    display: flex;
    gap: 2px;
    padding: 3px;
    background: var(--sunk);
    border: 1px solid var(--control-line);
    border-bottom: 0;
    border-radius: 3px 3px 0 0;
  }
  .tools button {
    min-width: 28px;
    height: 24px;
    font: 600 13px var(--sans);
    cursor: pointer;
    background: none;
    border: 0;
    border-radius: 2px;
  }
  .tools button:hover {
    background: var(--faint-line);
  }
  .tools button[aria-pressed='true'] {
    color: var(--verdigris);
    background: var(--wash);
  }
  .field {
    min-height: 92px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 0 0 3px 3px;
  }
  .field :global(.ProseMirror) {
    min-height: 90px;
    padding: 8px 12px;
    font-size: 14px;
    line-height: 1.5;
    white-space: pre-wrap;
    outline: none;
  }
  .field:focus-within {
    outline: 2px solid var(--blue);
    outline-offset: -1px;
  }
  .field :global(.ProseMirror > * + *) {
    margin-top: 8px;
  }
  .field :global(ul) {
    padding-left: 20px;
    list-style: disc;
  }
  .field :global(ol) {
    padding-left: 20px;
    list-style: decimal;
  }
  .field :global(a) {
    color: var(--verdigris);
  }
  .link {
    display: flex;
    gap: 6px;
    padding: 6px;
    background: var(--sunk);
    border-inline: 1px solid var(--control-line);
  }
  .link input {
    flex: 1;
    padding: 3px 6px;
    font: inherit;
  }
  .link span {
    color: var(--red);
  }
</style>
