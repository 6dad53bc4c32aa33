<script lang="ts">
  import { untrack } from 'svelte';
  import type { Command } from '$core/commands/commands';
  import { asideKey, type Finding } from '$core/kinds/finding';
  import { groupedFindings } from '$core/findings/groups';
  import { allRules } from '$core/findings/run';
  import { placeholdersOf, type Placeholder } from '$core/findings/placeholders';
  import { pathTo } from '$core/project/tree';
  import type { NodeId } from '$core/project/types';
  import { registry } from '$core/registry';
  import { shownFinding } from '$lib/state/going';
  import { mend, mendOf, tryMend } from '$lib/state/mending';
  import SidePanel from './SidePanel.svelte';
  import SweepChart from './SweepChart.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb }: { wb: Workbench } = $props();

  let asking = $state<string | null>(null);
  let reason = $state('');
  let fault = $state('');
  let showsAside = $state(false);

  // Where nothing is wrong, this is what is left to do.
  let showsPlaceholders = $state(untrack(() => wb.findings.length === 0));

  /** Looked for when the hand rests, page by page in their order. */
  const placeholders = $derived(placeholdersOf(registry, wb.rested));
  const SAID: Readonly<Record<Placeholder['what'], string>> = {
    words: '',
    label: '',
    picture: 'no picture yet',
    film: 'no film yet',
    frame: 'no page to show yet'
  };

  const errors = $derived(wb.findings.filter(({ severity }) => severity === 'error').length);
  /** Where it is, from the section down. */
  const place = (node: NodeId) =>
    pathTo(wb.project, node)
      .slice(1)
      .map((id) => wb.project.nodes[id]!.name)
      .join(' › ');

  const show = (finding: Finding) => shownFinding(wb, finding);

  function setAside(finding: Finding, why: string | null): void {
    const command: Command = { type: 'set-aside', finding: asideKey(finding), reason: why };
    const refusal = wb.refusal(command);
    fault = refusal?.sentence ?? '';
    if (refusal) return;
    wb.dispatch(command);
    asking = null;
    reason = '';
  }

  /** What the sweep over all widths found, where the page is as it was then. */
  const lanes = $derived(wb.facts.sweeps.get(wb.page.root));

  /** What is listed while something is pressed: a button must not come to mean something else under the hand. */
  let held = $state.raw<readonly Finding[] | null>(null);
  const hold = () => (held = wb.findings);
  /** The click comes after the release and is still meant for what was held. */
  const release = () => setTimeout(() => (held = null));
  const groups = $derived(groupedFindings(held ?? wb.findings));
  let opened = $state.raw<ReadonlySet<string>>(new Set());

  /** What a rule looks for, in its own words. */
  let summaries = $state.raw<ReadonlyMap<string, string>>(new Map());
  void allRules(registry).then((rules) => {
    summaries = new Map(rules.map(({ id, summary }) => [id, summary]));
  });
  const summaryOf = (rule: string) => summaries.get(rule) ?? rule;

  function open(rule: string): void {
    const next = new Set(opened);
    if (!next.delete(rule)) next.add(rule);
    opened = next;
  }

  /** Mends them one after the other, as one step; what an earlier mend has made needless is passed over. */
  function applyAll(rule: string, findings: readonly Finding[]): void {
    wb.trial = null;
    let now = wb.project;
    const commands: Command[] = [];
    for (const finding of findings) {
      const outcome = wb.tools!.apply(registry, now, mendOf(finding));
      if (!outcome.ok) continue;
      now = outcome.project;
      commands.push(mendOf(finding));
    }
    const label = `${summaryOf(rule)}: mend ${commands.length}`;
    if (!wb.dispatch({ type: 'batch', label, commands }))
      wb.message = { kind: 'info', text: `${commands.length} mended. Ctrl Z takes all of it back.` };
  }

  const keyOf = (finding: Finding, i: number) => `${asideKey(finding)} ${finding.part} ${i}`;
</script>

{#snippet one(finding: Finding, i: number)}
  {@const key = keyOf(finding, i)}
  <article class={finding.severity}>
    <h3><span aria-hidden="true">{finding.severity === 'error' ? '▲' : '△'}</span> {finding.sentence}</h3>
    <p>{finding.cause}</p>
    <p class="place">
      {place(finding.node)}{#if finding.number}<span class="mono">{finding.number}</span>{/if}
    </p>
    {#if finding.fix}
      <div class="mends">
        <button type="button" class="main" onclick={() => mend(wb, finding)}>{finding.fix.label}</button>
        {#if finding.or}
          {@const other = { fix: finding.or }}
          <button type="button" class="main" onclick={() => mend(wb, other)}>{finding.or.label}</button>
        {/if}
      </div>
    {/if}
    <div>
      <button type="button" class="link" onclick={() => show(finding)}>Show it</button>
      {#if finding.fix}
        {#if wb.trial?.label === finding.fix.label}
          <button type="button" class="link" onclick={() => (wb.trial = null)}>Look at it as it is</button>
        {:else}
          <button type="button" class="link" onclick={() => (show(finding), tryMend(wb, finding))}
            >See the effect</button
          >
        {/if}
      {/if}
      <button
        type="button"
        class="link aside"
        onclick={() => ((asking = asking === key ? null : key), (fault = ''))}>Set aside…</button
      >
    </div>
    {#if asking === key}
      <form
        onsubmit={(event) => {
          event.preventDefault();
          setAside(finding, reason);
        }}
      >
        <!-- svelte-ignore a11y_autofocus -->
        <input
          aria-label="Why it is set aside"
          placeholder="Why it may stay as it is"
          maxlength="300"
          bind:value={reason}
          autofocus
        />
        <button type="submit">Set aside</button>
      </form>
      {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
    {/if}
  </article>
{/snippet}

<svelte:window onpointerdown={hold} onpointerup={release} onpointercancel={release} />

<SidePanel {wb} label="Findings" isKept={wb.trial !== null}>
  {#snippet about()}{#if wb.findings.length > 0}<small
        >{errors}
        {errors === 1 ? 'error' : 'errors'}, {wb.findings.length - errors}
        {wb.findings.length - errors === 1 ? 'warning' : 'warnings'}</small
      >{/if}{/snippet}
  {#if lanes}<SweepChart {lanes} onopen={() => (wb.view = 'Widths')} />{/if}
  {#each groups as group (group.rule)}
    {@const { findings } = group}
    {#if findings.length === 1}
      {@render one(findings[0]!, 0)}
    {:else}
      {@const mends = findings.filter(({ fix }) => fix !== null)}
      <section class={findings[0]!.severity}>
        <h3>
          <span aria-hidden="true">{findings[0]!.severity === 'error' ? '▲' : '△'}</span>
          {summaryOf(group.rule)}
        </h3>
        <div class="row">
          <button
            type="button"
            class="plain more"
            aria-expanded={opened.has(group.rule)}
            onclick={() => open(group.rule)}
            >{opened.has(group.rule) ? '▾' : '▸'} {findings.length} places</button
          >
          {#if mends.length > 1}<button type="button" class="main" onclick={() => applyAll(group.rule, mends)}
              >Mend all {mends.length}</button
            >{/if}
        </div>
        {#if opened.has(group.rule)}
          {#each findings as finding, i (keyOf(finding, i))}{@render one(finding, i)}{/each}
        {/if}
      </section>
    {/if}
  {:else}
    <p class="none">
      Nothing to mend. Contrast in every state and under every condition, fit of the labels, panel heights,
      headings, landmarks, links, pictures and movements were looked at.
    </p>
  {/each}
  {#if placeholders.length > 0}
    <button
      type="button"
      class="plain more"
      aria-expanded={showsPlaceholders}
      onclick={() => (showsPlaceholders = !showsPlaceholders)}
      >{showsPlaceholders ? '▾' : '▸'} Still as it came: {placeholders.length}</button
    >
    {#if showsPlaceholders}
      <p>Words, labels and pictures that pieces start with. Put your own in their place.</p>
      {#each placeholders as { node, what, text }, i (`${node} ${i}`)}
        {#if wb.project.nodes[node]}
          <article class="put">
            <h3>{text ? `“${text}”` : `${wb.project.nodes[node].name}: ${SAID[what]}`}</h3>
            <p class="place">
              {place(node)}<button
                type="button"
                class="link"
                aria-label="Show {wb.project.nodes[node].name}"
                onclick={() => (wb.select([node]), (wb.view = 'Fill'))}>Show it</button
              >
            </p>
          </article>
        {/if}
      {/each}
    {/if}
  {/if}
  {#if wb.split.aside.length > 0}
    <button
      type="button"
      class="plain more"
      aria-expanded={showsAside}
      onclick={() => (showsAside = !showsAside)}
      >{showsAside ? '▾' : '▸'} Set aside: {wb.split.aside.length}</button
    >
    {#if showsAside}
      {#each wb.split.aside as finding, i (keyOf(finding, i))}
        <article class="put">
          <h3>{finding.sentence}</h3>
          <p>“{finding.reason}”</p>
          <div>
            <button type="button" class="link" onclick={() => setAside(finding, null)}>Take up again</button>
          </div>
        </article>
      {/each}
    {/if}
  {/if}
</SidePanel>

<style>
  small {
    font-weight: 400;
    color: var(--ink-2);
  }
  article {
    padding: 8px 0;
    border-top: 1px solid var(--faint-line);
  }
  :is(article, section) h3 {
    margin: 0;
    font-size: 13px;
    font-weight: 600;
    color: var(--ink);
  }
  .main {
    font-weight: 600;
  }
  h3 span {
    font-size: 10px;
    color: var(--ochre);
  }
  .error h3 span {
    color: var(--red);
  }
  .put h3 {
    font-weight: 400;
    color: var(--ink-2);
  }
  p {
    margin: 2px 0 4px;
    color: var(--ink-2);
  }
  .place {
    display: flex;
    gap: 8px;
    justify-content: space-between;
    font-size: 12px;
  }
  .mono,
  .place button {
    flex: none;
    white-space: nowrap;
  }
  section {
    padding: 8px 0;
    border-top: 1px solid var(--faint-line);
  }
  section article {
    margin-left: 14px;
  }
  .row {
    justify-content: space-between;
  }
  article div,
  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
    align-items: center;
  }
  .mends {
    margin-bottom: 4px;
  }
  .aside {
    margin-left: auto;
    color: var(--ink-2);
  }
  form {
    display: flex;
    gap: 6px;
    margin-top: 6px;
  }
  form button {
    height: 26px;
    padding: 0 8px;
    font: inherit;
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .none {
    margin: 4px 0;
  }
  .more {
    padding: 8px 0;
    color: var(--ink-2);
  }
</style>
