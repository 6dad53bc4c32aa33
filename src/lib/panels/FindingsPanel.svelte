<script lang="ts">
  import type { Command } from '$core/commands/define';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();
</script>

<div class="panel" role="dialog" aria-label="Findings" tabindex="-1" onkeydown={(event) => event.key === 'Escape' && (wb.open = null)}>
  <h2>Findings</h2>
  {#each wb.findings as finding, i (i)}
    <article class={finding.severity}>
      <h3><span aria-hidden="true">▲</span> {finding.sentence}</h3>
      <p>{finding.cause}</p>
      <div>
        <button
          type="button"
          class="link"
          onclick={() => {
            wb.select([finding.node], finding.part ?? undefined);
            wb.view = finding.rule === 'text-contrast' ? 'States' : 'Fill';
          }}>Show it</button>
        {#if finding.fix}
          {@const fix = finding.fix}
          <button type="button" class="link" onclick={() => wb.dispatch({ type: 'batch', label: fix.label, commands: fix.commands as readonly Command[] })}>{fix.label}</button>
        {/if}
      </div>
    </article>
  {:else}
    <p class="none">Nothing to mend. Contrast in every state, empty panels, pictures without text and dead links were looked at.</p>
  {/each}
</div>

<style>
  .panel {
    position: absolute;
    top: 44px;
    right: 12px;
    z-index: 10;
    width: 400px;
    max-height: 60vh;
    padding: 12px 16px;
    overflow: auto;
    background: var(--panel);
    border: 1px solid var(--control-line);
    border-top: 0;
    border-radius: 0 0 4px 4px;
  }
  h2 {
    margin: 0 0 6px;
    font-size: 13px;
    font-weight: 600;
  }
  article {
    padding: 8px 0;
    border-top: 1px solid var(--faint-line);
  }
  h3 {
    margin: 0;
    font-size: 13px;
    font-weight: 600;
  }
  h3 span {
    font-size: 10px;
    color: var(--ochre);
  }
  .error h3 span {
    color: var(--red);
  }
  p {
    margin: 2px 0 4px;
    color: var(--ink-2);
  }
  article div {
    display: flex;
    gap: 14px;
  }
  .none {
    margin: 4px 0;
  }
</style>
