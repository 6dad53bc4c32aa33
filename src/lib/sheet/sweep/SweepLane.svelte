<script lang="ts">
  import type { Lane, Run } from '$core/sweep/runs';
  import { keyOf, laneKindOf } from '$core/sweep/lanes';
  import type { Finding } from '$core/kinds/finding';
  import type { NodeId } from '$core/project/types';
  import { mend, tryMend } from '$lib/state/mending';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    lane: Lane;
    /** The same as it is now, where a fix is only looked at; null otherwise. */
    before: Lane | null;
    /** From a width of the window to px of the lane. */
    x: (px: number) => number;
    /** Width of the lane, px. */
    room: number;
  }

  const { wb, lane, before, x, room }: Props = $props();

  const kind = $derived(laneKindOf(lane.what));
  const piece = $derived(wb.project.nodes[lane.node as NodeId]);
  /** The piece, and its part where that is not the whole: a label may wrap, and a row of them. */
  const name = $derived.by(() => {
    if (!piece) return 'A piece that is gone';
    const part = wb.registry.of(piece).anatomy[lane.part];
    return lane.part === 'root' || !part ? piece.name : `${piece.name}, ${part.label}`;
  });
  const isPicked = $derived(wb.tuned.id === lane.node);
  /** What was found of the same by its own rule, where that mends it. */
  const finding = $derived(
    wb.findings.find(({ node, rule, fix }) => node === lane.node && fix !== null && rule === kind.rule) ??
      null
  );

  /** px that a name and a fix want. */
  const WORDS = 330;
  const first = $derived([...lane.runs, ...(before?.runs ?? [])].map(({ from }) => x(from)));
  const start = $derived(Math.max(14, Math.min(...first, room - WORDS)));
  const isTried = $derived(finding !== null && wb.trial?.label === finding.fix!.label);

  const widthOf = ({ from, to }: Run): number => Math.max(6, x(to + 1) - x(from) - 1);
  /** What is seen in a run, and in windows of which height where that matters. */
  const wordsOf = ({ value, height }: Run): string =>
    height === undefined ? kind.words(value) : `${kind.words(value)}, ${height} px high`;
  const fits = (words: string, px: number): boolean => px > words.length * 7 + 10;
  const isRoomy = (run: Run): boolean => fits(wordsOf(run), widthOf(run));
  /** What stands in a bar: its words, or the number alone where they are too long. */
  const inBar = (run: Run, i: number): string => {
    if (isRoomy(run)) return wordsOf(run);
    return !isFreeAfter(i) && fits(String(run.value), widthOf(run)) ? String(run.value) : '';
  };
  /** Of what is neither good nor bad, one line is light, and more are darker. */
  const LIGHT = 0.62;
  const shadeOf = ({ value }: Run): number => {
    if (kind.tone !== 'plain') return 1;
    return kind.isCounted ? Math.min(1, LIGHT + 0.19 * (value - 1)) : LIGHT;
  };
  /** px from the end of a bar to the next, for words that stand after it. */
  const isFreeAfter = (i: number): boolean => {
    const [run, next] = [lane.runs[i]!, lane.runs[i + 1]];
    const end = next ? x(next.from) : room;
    return end - x(run.to) > wordsOf(run).length * 7 + 14;
  };

  const spoken = (run: Run): string =>
    `${name} ${kind.label}, ${run.from} to ${run.to} px: ${wordsOf(run)}. Show ${run.at} px`;

  /** The fix is looked at where one is: over all widths. */
  function tryHere(finding: Finding): void {
    wb.select([finding.node]);
    tryMend(wb, finding);
  }

  function show(run: Run): void {
    wb.preview.width = run.at;
    if (piece) wb.select([piece.id], lane.part);
  }
</script>

<div class="lane" class:picked={isPicked} data-lane={keyOf(lane)}>
  <p style:margin-left="{start}px">
    <b>{name}</b>
    {kind.label}
    {#if finding}
      {#if isTried}
        <button type="button" class="link" onclick={() => (wb.trial = null)}>Look at it as it is</button>
      {:else}
        <button type="button" class="link" onclick={() => tryHere(finding)}>See the effect</button>
      {/if}
      <button type="button" class="link" onclick={() => mend(wb, finding)}>{finding.fix!.label}</button>
    {/if}
    {#if before && lane.runs.length === 0}<em>would be gone</em>{/if}
  </p>
  <div class="bars">
    {#each before?.runs ?? [] as run (run.from)}
      <span class="was" style:left="{x(run.from)}px" style:width="{widthOf(run)}px"></span>
    {/each}
    {#each lane.runs as run, i (run.from)}
      <button
        type="button"
        class="bar {kind.tone}"
        style:left="{x(run.from)}px"
        style:width="{widthOf(run)}px"
        style:--shade={shadeOf(run)}
        aria-label={spoken(run)}
        title="{run.from} to {run.to} px: {wordsOf(run)}"
        onclick={() => show(run)}>{inBar(run, i)}</button
      >
      {#if !isRoomy(run) && isFreeAfter(i)}
        <span class="mono" style:left="{x(run.from) + widthOf(run) + 6}px">{wordsOf(run)}</span>
      {/if}
    {/each}
  </div>
</div>

<style>
  .lane {
    padding: 4px 0 5px;
    border-bottom: 1px solid var(--faint-line);
  }
  .picked,
  .picked p {
    background: var(--wash);
  }
  /* Lines of widths go on behind the words. */
  p {
    position: relative;
    z-index: 3;
    width: fit-content;
    overflow: hidden;
    background: var(--panel);
    font-size: 12px;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  b {
    font-weight: 600;
  }
  .bars {
    position: relative;
    height: 18px;
    margin-top: 2px;
  }
  .bar {
    position: absolute;
    top: 1px;
    height: 16px;
    padding: 0 5px;
    overflow: hidden;
    font: 11px/16px var(--mono);
    color: #fff;
    text-align: left;
    white-space: nowrap;
    cursor: pointer;
    border: 0;
    border-radius: 2px;
  }
  .bar:focus-visible {
    outline: 2px solid var(--blue);
    outline-offset: 1px;
  }
  .error {
    background: var(--red);
  }
  .warning {
    background: var(--ochre);
  }
  .plain {
    background: color-mix(in srgb, var(--ink) calc(var(--shade) * 100%), var(--panel));
  }
  .bars .was {
    height: 18px;
    border: 1px dashed var(--ink-3);
    border-radius: 2px;
  }
  span {
    position: absolute;
    top: 0;
    font-size: 11px;
    line-height: 18px;
    white-space: nowrap;
    pointer-events: none;
  }
</style>
