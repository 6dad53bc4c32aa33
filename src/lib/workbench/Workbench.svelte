<script lang="ts">
  import { tinykeys } from 'tinykeys';
  import { onMount } from 'svelte';
  import { page } from '$app/state';
  import Outline from '$lib/outline/Outline.svelte';
  import { giveFocusBack } from '$lib/parts/focus.svelte';
  import PreviewPane from '$lib/preview/PreviewPane.svelte';
  import PreviewBar from '$lib/preview/PreviewBar.svelte';
  import { PANELS, type Panel } from './panels';
  import TopBar from './TopBar.svelte';
  import TuningSheet from '$lib/sheet/TuningSheet.svelte';
  import WidthRuler from '$lib/ruler/WidthRuler.svelte';
  import { actions, removeSelected, runAction } from '$lib/state/actions';
  import { copyPieces, keptData } from '$lib/state/copying';
  import { keepPage } from '$lib/state/remembered';
  import { bringTools } from '$lib/state/tools';
  import { EarlyKeys } from '$lib/state/typed-ahead';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import type { FromFrame } from '$preview/messages';

  const { wb }: { wb: Workbench } = $props();

  const NO_PART = {
    kind: 'error',
    text: 'A part of the workbench did not come from the server. Load this window again; nothing is lost.'
  } as const;

  giveFocusBack(() => wb);

  const panel = $derived<Panel | null>(wb.open === null || wb.open === 'insert' ? null : PANELS[wb.open]);
  /** A switch is an input that takes no letters: undo and the keys of the workbench go on from there. */
  const isTyping = (target: EventTarget | null) =>
    target instanceof HTMLElement &&
    (target.isContentEditable || target.matches('input:not([type="checkbox"]), textarea, select'));
  const isControl = (target: EventTarget | null) =>
    target instanceof HTMLElement && target.matches('button, a, input[type="checkbox"]');

  /** While a field or a dialog has the keys, only what cannot be meant for it goes on: undo and the like in dialogs do not. */
  function isTaken(event: KeyboardEvent, key: string): boolean {
    if (event.defaultPrevented) return true;
    const dialogOpen = wb.open !== null && panel?.stands !== 'beside';
    if (dialogOpen) return true;
    if (isTyping(event.target)) return !/^(?:\$mod\+(?:k|e)|(?:Shift\+)?F6)$/.test(key);
    return key === 'Enter' && isControl(event.target);
  }

  /** Once the page is on show, what changes it comes. */
  const tools = async () => (wb.tools = await bringTools());
  $effect(() => {
    if (wb.preview.isShown && !wb.tools) tools().catch(() => (wb.message = NO_PART));
  });

  const early = new EarlyKeys();

  /** A key pressed as the page opens is not lost, nor what was typed after it. */
  function answerLater(event: KeyboardEvent): void {
    early.hold(event);
    tools()
      .then(() => early.pressAgain())
      .catch(() => {
        early.letGo();
        wb.message = NO_PART;
      });
  }

  $effect(() => keepPage(wb.project.id, wb.pageId));

  onMount(() => {
    const bindings = Object.fromEntries(
      actions
        .filter(({ isNative }) => !isNative)
        .flatMap((action) =>
          action.keys.map((key) => [
            key,
            (event: KeyboardEvent) => {
              if (isTaken(event, key)) return;
              event.preventDefault();
              if (wb.tools) runAction(wb, action.id);
              else answerLater(event);
            }
          ])
        )
    );
    const stop = tinykeys(window, bindings);
    const warn = (event: BeforeUnloadEvent) => {
      if (wb.saver.status !== 'saved' || page.data.lasts === false) event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    const unfollow = wb.saver.follow();
    // Views and panels come when they are first opened.
    const lost = () => (wb.message = NO_PART);
    window.addEventListener('vite:preloadError', lost);
    return () => {
      window.removeEventListener('vite:preloadError', lost);
      stop();
      unfollow();
      wb.findingsWatch.stop();
      window.removeEventListener('beforeunload', warn);
    };
  });

  /** What pastes, and prints for other programs, comes when the page is on show. */
  const pasting = () => import('$lib/state/clipboard');
  const drawer = () => import('$lib/insert/InsertDrawer.svelte');
  /** What opens with a field that takes words, and comes when it is opened first. */
  const takesWords = () => wb.open === 'insert' || wb.open === 'search';
  function keepTyped(event: KeyboardEvent): void {
    early.follow(event);
    if (!event.defaultPrevented) wb.typedAhead.keep(event, takesWords());
  }

  let clipboard = $state.raw<Awaited<ReturnType<typeof pasting>> | null>(null);
  onMount(() => {
    const timer = setTimeout(() => {
      void pasting().then((loaded) => (clipboard = loaded));
      void drawer();
    }, 1500);
    window.addEventListener('keydown', keepTyped, true);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('keydown', keepTyped, true);
    };
  });

  /** The clipboard's own events: pieces are copied where no text is picked, and pasted where no field has the keys. */
  function onclipboard(event: ClipboardEvent): void {
    const hasText = (window.getSelection()?.toString() ?? '') !== '';
    const isBusy =
      isTyping(event.target) ||
      isTyping(document.activeElement) ||
      (wb.open !== null && panel?.stands !== 'beside');
    if (isBusy || event.defaultPrevented || !event.clipboardData) return;
    if (event.type === 'paste') {
      event.preventDefault();
      const data = keptData(event.clipboardData);
      void pasting().then(({ pasteInto }) => pasteInto(wb, data));
    } else if (wb.selected.length > 0 && !hasText) {
      event.preventDefault();
      copyPieces(wb, event.clipboardData, clipboard?.htmlOf);
      if (event.type === 'cut') removeSelected(wb);
    }
  }

  let isOver = $state(false);
  const carriesFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;

  function drop(event: DragEvent): void {
    isOver = false;
    if (!carriesFiles(event)) return;
    event.preventDefault();
    const files = [...(event.dataTransfer?.files ?? [])];
    const isPage = ({ name, type }: File) => type === 'text/html' || /\.html?$/i.test(name);
    const [pages, pictures] = [files.filter(isPage), files.filter((file) => !isPage(file))];
    void pasting().then(async ({ dropMarkup, dropPictures }) => {
      await dropMarkup(wb, pages);
      if (pictures.length > 0) await dropPictures(wb, pictures);
    });
  }

  /** A field is left for the workbench, with what was typed; from there Tab goes on to the next one. */
  function escape({ target }: KeyboardEvent): void {
    if (isTyping(target)) (target as HTMLElement).blur();
    else if (wb.preview.isFull) wb.preview.isFull = false;
    else if (wb.trial) wb.trial = null;
    else if (wb.open) wb.open = null;
    else if (wb.preview.mode === 'try') wb.preview.mode = 'select';
    else if (wb.editing) wb.editing = null;
    else wb.selected = [];
  }

  /** Keys pressed in the preview are pressed again here, where they mean the same. */
  function fromFrame({ key, code, ctrl, shift, alt }: Extract<FromFrame, { type: 'key' }>): void {
    window.dispatchEvent(
      new KeyboardEvent('keydown', {
        key,
        code,
        ctrlKey: ctrl,
        shiftKey: shift,
        altKey: alt,
        bubbles: true,
        cancelable: true
      })
    );
  }

  /** What stands there cannot be used yet; who cannot see the page has to be told. */
  const isWaiting = $derived(!wb.tools && !wb.message);

  $effect(() => {
    const shown = wb.message;
    if (shown?.kind !== 'info' || shown.act) return;
    const timer = setTimeout(() => wb.message === shown && (wb.message = null), 4000);
    return () => clearTimeout(timer);
  });
</script>

<svelte:document oncopy={onclipboard} oncut={onclipboard} onpaste={onclipboard} />
<svelte:window
  ondragover={(event) => {
    if (!carriesFiles(event)) return;
    event.preventDefault();
    isOver = true;
  }}
  ondragleave={(event) => event.relatedTarget === null && (isOver = false)}
  ondrop={drop}
  onkeydown={(event) => event.key === 'Escape' && !event.defaultPrevented && escape(event)}
/>
<svelte:head><title>{wb.project.info.name} · Kymation</title></svelte:head>

{#if isWaiting}
  <main class="visually-hidden">
    <h1>{wb.project.info.name}, {wb.page.name}</h1>
    <p role="status">The page is on show, its tools are coming.</p>
  </main>
{/if}
<div class="bench" inert={isWaiting}>
  <TopBar {wb} />
  <Outline {wb} />
  <main class="stage" aria-label="Workbench">
    <h1 class="visually-hidden">{wb.project.info.name}, {wb.page.name}</h1>
    <WidthRuler {wb} />
    <PreviewPane {wb} onkey={fromFrame} />
    <PreviewBar {wb} />
    <TuningSheet {wb} />
  </main>
  {#if panel?.stands === 'beside'}
    {#await panel.load() then { default: Panel }}<Panel {wb} />{/await}
  {/if}
  {#if wb.open === 'insert'}{#await drawer() then { default: InsertDrawer }}<InsertDrawer {wb} />{/await}{/if}
</div>
{#if panel?.stands === 'over'}
  {#await panel.load() then { default: Panel }}<Panel {wb} />{/await}
{/if}

{#if isOver}<div class="over">Drop pictures or HTML: they come after what is picked</div>{/if}

<style>
  .bench {
    position: relative;
    display: grid;
    grid-template: 44px minmax(0, 1fr) / 232px minmax(0, 1fr) auto;
    /* Smaller than this the window scrolls, so that everything can be reached when it is zoomed. */
    min-width: 960px;
    height: max(100vh, 560px);
    overflow: hidden;
    /* A drag that misses its handle must not paint the whole window blue; what is worth copying stands in the panels. */
    user-select: none;
  }
  .bench :global(.side-panel) {
    user-select: text;
  }
  .bench > :global(header) {
    grid-column: 1 / -1;
  }
  .stage {
    display: grid;
    grid-template: 40px minmax(0, 1fr) auto auto auto / minmax(0, 1fr);
    min-width: 0;
    min-height: 0;
  }
  .over {
    position: fixed;
    inset: 44px 0 0 232px;
    z-index: 30;
    display: grid;
    place-items: center;
    font-size: 16px;
    font-weight: 600;
    color: #fff;
    background: rgb(11 106 95 / 82%);
  }
</style>
