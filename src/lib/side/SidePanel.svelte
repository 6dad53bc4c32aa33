<script lang="ts">
  import type { Snippet } from 'svelte';
  import { keepsFocus } from '$lib/parts/keeps-focus';
  import { keepSideWidth, SIDE_LEAST, SIDE_MOST } from '$lib/state/remembered';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    /** Its heading, and its name for screen readers. */
    label: string;
    /** What stands beside the heading. */
    about?: Snippet;
    /** Escape does not close it: there is something else to leave first. */
    isKept?: boolean;
    children: Snippet;
  }

  const { wb, label, about, isKept = false, children }: Props = $props();

  function close(): void {
    wb.trial = null;
    wb.open = null;
  }

  /** It is closed, and nothing else is left by the same press. */
  function escape(event: KeyboardEvent): void {
    if (event.key !== 'Escape' || isKept) return;
    event.preventDefault();
    close();
  }

  function resize(event: PointerEvent): void {
    const edge = event.currentTarget as HTMLElement;
    edge.setPointerCapture(event.pointerId);
    const from = event.clientX + wb.sideWidth;
    const move = (moved: PointerEvent) => setWidth(from - moved.clientX);
    edge.addEventListener('pointermove', move);
    edge.addEventListener('lostpointercapture', () => edge.removeEventListener('pointermove', move), {
      once: true
    });
  }

  function setWidth(px: number): void {
    wb.sideWidth = Math.min(SIDE_MOST, Math.max(SIDE_LEAST, Math.round(px)));
    keepSideWidth(wb.sideWidth);
  }

  function keys(event: KeyboardEvent): void {
    const by = { ArrowLeft: 20, ArrowRight: -20 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    setWidth(wb.sideWidth + by);
  }
</script>

<aside style:width="{wb.sideWidth}px">
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <div
    class="edge"
    role="separator"
    aria-orientation="vertical"
    aria-label="Width of the panel"
    aria-valuenow={wb.sideWidth}
    aria-valuemin={SIDE_LEAST}
    aria-valuemax={SIDE_MOST}
    tabindex="0"
    onpointerdown={resize}
    onkeydown={keys}
  ></div>
  <div
    class="side-panel"
    role="dialog"
    aria-label={label}
    data-region
    tabindex="-1"
    onkeydown={escape}
    {@attach keepsFocus}
  >
    <div class="head">
      <h2>{label} {@render about?.()}</h2>
      <button type="button" class="link" data-region-end onclick={close}>Close</button>
    </div>
    {@render children()}
  </div>
</aside>

<style>
  aside {
    display: grid;
    grid-template-columns: 5px minmax(0, 1fr);
    grid-row: 2;
    grid-column: 3;
    min-height: 0;
    background: var(--panel);
    border-left: 1px solid var(--control-line);
  }
  .edge {
    cursor: ew-resize;
    touch-action: none;
  }
  .edge:hover,
  .edge:focus-visible {
    background: var(--line);
  }
</style>
