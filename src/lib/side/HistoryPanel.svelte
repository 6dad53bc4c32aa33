<script lang="ts">
  import { liveQuery } from 'dexie';
  import { onMount } from 'svelte';
  import { deleteVersion, listVersions, saveVersion, type VersionRow } from '$lib/store/versions';
  import SidePanel from './SidePanel.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  const SHOWN = 200;
  let versions = $state.raw<readonly VersionRow[]>([]);
  let name = $state('');
  let fault = $state('');

  onMount(() => {
    const watch = liveQuery(() => listVersions(wb.project.id)).subscribe({
      next: (rows) => (versions = rows),
      error: () => (fault = 'Versions cannot be read: this browser lets no site store data here.')
    });
    return () => watch.unsubscribe();
  });

  /** Newest first; steps of one movement of the hand are one line. */
  const steps = $derived.by(() => {
    const { past, future } = wb.history;
    const all = [...past, ...[...future].reverse()];
    const lines: { label: string; count: number; end: number; isFuture: boolean }[] = [];
    all.forEach((step, i) => {
      const before = all[i - 1];
      const last = lines.at(-1);
      const isFuture = i >= past.length;
      if (step.mergeKey && before?.mergeKey === step.mergeKey && last && last.isFuture === isFuture)
        Object.assign(last, { end: i + 1, count: last.count + 1, label: step.label });
      else lines.push({ label: step.label, count: 1, end: i + 1, isFuture });
    });
    return lines.reverse();
  });

  async function keep(): Promise<void> {
    fault = '';
    const label = name.trim();
    if (!label) {
      fault = 'Give the version a name.';
      return;
    }
    try {
      await saveVersion(wb.project, label);
      name = '';
    } catch {
      fault =
        'The version could not be kept: this browser’s storage is full or closed. Export the project file instead.';
    }
  }

  const when = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
</script>

<SidePanel {wb} label="History">
  <form
    onsubmit={(event) => {
      event.preventDefault();
      keep();
    }}
  >
    <input
      aria-label="Name of the version"
      placeholder="Name of this version"
      maxlength="80"
      bind:value={name}
    />
    <button type="submit" class="main">Keep version</button>
  </form>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  <p>
    <button type="button" class="link" onclick={() => (wb.open = 'compare')}>Compare two versions…</button>
  </p>
  {#if versions.length > 0}
    <h3>Versions</h3>
    <ul>
      {#each versions as version (version.key)}
        <li>
          <button
            type="button"
            class="plain"
            title="Go back to this version; it is a step that can be undone"
            onclick={() => wb.goToVersion(version)}
            ><strong>{version.name}</strong> <small>{when.format(version.at)}</small></button
          >
          <button type="button" class="link" onclick={() => deleteVersion(version.key!)}>Delete</button>
        </li>
      {/each}
    </ul>
  {/if}
  <h3>Steps</h3>
  <ol>
    {#each steps.slice(0, SHOWN) as step (step.end)}
      {@const isNow = step.end === wb.history.past.length}
      <li class:now={isNow} class:future={step.isFuture}>
        <button
          type="button"
          class="plain"
          aria-current={isNow ? 'step' : undefined}
          onclick={() => wb.goTo(step.end)}>{step.label}{step.count > 1 ? ` (${step.count})` : ''}</button
        >
      </li>
    {/each}
    <li class:now={wb.history.past.length === 0}>
      <button
        type="button"
        class="plain"
        aria-current={wb.history.past.length === 0 ? 'step' : undefined}
        onclick={() => wb.goTo(0)}>As it was opened first</button
      >
    </li>
  </ol>
  {#if steps.length > SHOWN}<p class="note">
      {steps.length - SHOWN} older steps are not listed; Ctrl Z still reaches them.
    </p>{/if}
</SidePanel>

<style>
  form {
    display: flex;
    gap: 6px;
    margin-bottom: 8px;
  }
  ul,
  ol {
    padding: 0;
    margin: 0;
    list-style: none;
  }
  li {
    display: flex;
    gap: 10px;
    justify-content: space-between;
    border-top: 1px solid var(--faint-line);
  }
  li .plain {
    flex: 1;
    min-width: 0;
    padding: 4px 6px;
    overflow: hidden;
    text-align: left;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  li .plain:hover {
    background: var(--sunk);
  }
  .now {
    font-weight: 600;
    background: var(--wash);
  }
  .future {
    color: var(--ink-3);
  }
  small {
    color: var(--ink-2);
  }
</style>
