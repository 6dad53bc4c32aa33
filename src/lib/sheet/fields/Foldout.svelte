<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** Of the button, so that a label can name it. */
    id: string;
    /** Of the element that says the value, and of what else describes it. */
    describedBy?: string;
    /** What the button shows: the value. */
    value: Snippet;
    children: Snippet;
  }
  const { id, describedBy, value, children }: Props = $props();

  let button: HTMLButtonElement;
  let panel = $state<HTMLElement>();
  let isOpen = $state(false);

  const EDGE = 8;

  /** Under the button where there is room, else over it; always within the window. */
  function place(): void {
    if (!panel) return;
    const at = button.getBoundingClientRect();
    const { offsetWidth, offsetHeight } = panel;
    const fitsBelow = at.bottom + offsetHeight + EDGE <= innerHeight;
    const top = fitsBelow ? at.bottom + 4 : at.top - offsetHeight - 4;
    panel.style.top = `${Math.max(EDGE, top)}px`;
    panel.style.left = `${Math.max(EDGE, Math.min(at.left, innerWidth - offsetWidth - EDGE))}px`;
  }

  /** Escape closes this alone; the browser does so itself, and what lies around must not hear of it. */
  function keys(event: KeyboardEvent): void {
    if (event.key === 'Escape' && isOpen) event.stopPropagation();
  }

  $effect(() => {
    if (!isOpen || !panel) return;
    // What is in it may grow while it is open.
    const grown = new ResizeObserver(place);
    grown.observe(panel);
    return () => grown.disconnect();
  });
</script>

<button
  {id}
  type="button"
  class="open"
  bind:this={button}
  popovertarget="{id}-more"
  aria-haspopup="dialog"
  aria-expanded={isOpen}
  aria-describedby={describedBy}
  onkeydown={keys}
>
  {@render value()}
  <span class="sign" aria-hidden="true"></span>
</button>
<!-- svelte-ignore a11y_no_static_element_interactions -->
<div
  id="{id}-more"
  class="more"
  popover="auto"
  bind:this={panel}
  ontoggle={(event) => (isOpen = event.newState === 'open')}
  onkeydown={keys}
>
  {#if isOpen}{@render children()}{/if}
</div>

<style>
  .open {
    display: flex;
    gap: 7px;
    align-items: center;
    width: 100%;
    height: 26px;
    padding: 0 7px 0 2px;
    overflow: hidden;
    font: inherit;
    color: var(--ink);
    text-align: left;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .sign {
    flex: none;
    width: 6px;
    height: 6px;
    margin: -3px 2px 0 auto;
    border: solid var(--ink-2);
    border-width: 0 1.5px 1.5px 0;
    rotate: 45deg;
  }
  .more {
    position: fixed;
    inset: auto;
    width: max-content;
    max-width: min(560px, 100vw - 16px);
    padding: 10px 12px;
    margin: 0;
    font-size: 13px;
    color: var(--ink);
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 4px;
    box-shadow: 0 4px 18px rgb(0 0 0 / 16%);
  }
</style>
