<script lang="ts">
  import { printHtml } from '$core/html/print';
  import { iconElement, type Icon } from '$core/html/icon';
  import { untrack } from 'svelte';
  import { Search } from 'carbon-components-svelte';

  const {
    label,
    help = '',
    value,
    startsOpen = false,
    onchange
  }: {
    label: string;
    help?: string;
    value: Icon | null;
    startsOpen?: boolean;
    onchange: (icon: Icon | null) => void;
  } = $props();

  let isOpen = $state(untrack(() => startsOpen));
  let words = $state('');
  let found = $state.raw<readonly Icon[] | null>(null);
  /** What is found is for other words than those that stand there now. */
  let isLooking = $state(false);
  let fault = $state('');
  let search = $state<HTMLInputElement | null>(null);
  $effect(() => search?.focus());

  $effect(() => {
    if (!isOpen) return;
    const controller = new AbortController();
    const query = words;
    isLooking = true;
    const timer = setTimeout(async () => {
      try {
        const response = await fetch(`/api/icons?q=${encodeURIComponent(query)}`, {
          signal: controller.signal
        });
        found = (await response.json()).icons;
        isLooking = false;
        fault = '';
      } catch {
        if (controller.signal.aborted) return;
        isLooking = false;
        fault = 'Kymation’s server does not answer. See that it still runs (npm start).';
      }
    }, 120);
    return () => {
      clearTimeout(timer);
      controller.abort();
    };
  });

  /** Made of checked shapes and numbers only. */
  const drawn = (icon: Icon) => printHtml(iconElement(icon));

  function choose(icon: Icon | null): void {
    isOpen = false;
    onchange(icon);
  }
</script>

<div class="icon-field" role="group" aria-label={label}>
  <span class="bx--label">{label}</span>
  <div class="chosen">
    <button
      type="button"
      class="sign"
      aria-expanded={isOpen}
      title={value ? value.name : 'Choose an icon'}
      onclick={() => (isOpen = !isOpen)}
    >
      <!-- eslint-disable-next-line svelte/no-at-html-tags -->
      {#if value}{@html drawn(value)} {value.name}{:else}Choose an icon{/if}
    </button>
    {#if value}<button type="button" class="link" onclick={() => choose(null)}>Take it out</button>{/if}
  </div>
  {#if help}<p>{help}</p>{/if}
  {#if isOpen}
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
      class="list"
      onkeydown={(event) => {
        if (event.key !== 'Escape') return;
        event.stopPropagation();
        isOpen = false;
      }}
    >
      <Search
        size="sm"
        labelText="Find an icon by what it means"
        placeholder="apple, winter, walk…"
        bind:value={words}
        bind:ref={search}
      />
      {#if fault}<p role="alert">{fault}</p>{/if}
      <div class="grid" aria-busy={isLooking}>
        {#each found ?? [] as icon (icon.name)}
          <button
            type="button"
            title={icon.name}
            aria-label={icon.name}
            aria-pressed={icon.name === value?.name}
            onclick={() => choose(icon)}
          >
            <!-- eslint-disable-next-line svelte/no-at-html-tags -->
            {@html drawn(icon)}
          </button>
        {:else}
          <p>{found === null ? 'Looking…' : `Nothing means “${words}”. Try another word.`}</p>
        {/each}
      </div>
    </div>
  {/if}
</div>

<style>
  .icon-field {
    position: relative;
  }
  .chosen {
    display: flex;
    gap: 12px;
    align-items: center;
  }
  .sign {
    display: flex;
    gap: 8px;
    align-items: center;
    height: 32px;
    padding: 0 10px;
    font: inherit;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .sign :global(svg),
  .grid :global(svg) {
    width: 18px;
    height: 18px;
  }
  p {
    margin: 4px 0 0;
    font-size: 12px;
    color: var(--ink-2);
  }
  .list {
    padding: 8px;
    margin-top: 6px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, 32px);
    gap: 2px;
    max-height: 140px;
    margin-top: 6px;
    overflow: auto;
  }
  .grid[aria-busy='true'] {
    opacity: 0.5;
  }
  .grid p {
    grid-column: 1 / -1;
  }
  .grid button {
    display: grid;
    place-items: center;
    width: 32px;
    height: 32px;
    cursor: pointer;
    background: none;
    border: 1px solid transparent;
    border-radius: 3px;
  }
  .grid button:hover {
    background: var(--sunk);
  }
  .grid button[aria-pressed='true'] {
    background: var(--wash);
    border-color: var(--verdigris);
  }
</style>
