<script lang="ts">
  import {
    isTooShort,
    momentAt,
    OWN_REST,
    readingRests,
    restToRead,
    roundLength,
    type RoundStep
  } from '$core/kinds/round';
  import { evaluate } from '$core/css/arithmetic';
  import { clamp } from '$core/data/clamp';
  import { untrack } from 'svelte';
  import { followPointer } from '$lib/state/following';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { marksOf } from './marks';

  /** One round of what plays by itself: rests, what is read in them, and moves, on a ruler of seconds. */
  interface Props {
    wb: Workbench;
    steps: readonly RoundStep[];
    /** The round of the setting that was kept to be played beside it; null for none. */
    kept: readonly RoundStep[] | null;
  }
  const { wb, steps, kept }: Props = $props();

  /** The one it is drawn for: when it goes, another one is picked already. */
  const node = untrack(() => wb.tuned.id);
  const own = $derived(roundLength(steps));
  /** s shown: both rounds on one ruler. */
  const length = $derived(Math.max(own, kept ? roundLength(kept) : 0));
  const share = (seconds: number) => `${(seconds / length) * 100}%`;
  /** s between two marks. */
  const STEPS = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1200];
  /** Width that the words of a mark take, px. */
  const WORDS = 44;
  let width = $state(0);
  const marks = $derived(marksOf(length, width, STEPS, WORDS));
  const shown = (seconds: number) => `${Math.round(seconds * 10) / 10} s`;
  const first = $derived(steps.find(isTooShort));
  const tooShort = $derived(steps.filter(isTooShort).length);
  const isEven = $derived(steps.every(({ rest }) => rest === steps[0]!.rest));
  const sum = $derived(
    isEven && steps[0]
      ? `${steps.length} × ${shown(steps[0].rest + steps[0].move)} = ${shown(own)}`
      : shown(own)
  );

  /** s from the beginning of the round while a hand has its clock; null while it goes as it would. */
  let at = $state<number | null>(null);
  let isRunning = $state(false);
  let ruler = $state<HTMLElement>();

  /** Each frame shows the moment of its own round. */
  function show(moment: number): void {
    at = moment;
    if (wb.preview.mode === 'try') wb.preview.mode = 'select';
    wb.preview.sendToEach((isKept) => {
      const round = isKept ? kept : steps;
      if (!round) return null;
      return { type: 'round', node, moment: momentAt(round, moment % roundLength(round)) };
    });
  }

  function end(): void {
    isRunning = false;
    if (at === null) return;
    at = null;
    wb.preview.sendToPreview({ type: 'round', node, moment: null });
  }

  /** Runs on at the pace of the preview until it is held. */
  function run(): void {
    isRunning = true;
    let before = performance.now();
    const go = (now: number) => {
      if (!isRunning) return;
      show(((at ?? 0) + ((now - before) / 1000) * wb.preview.rate) % length);
      before = now;
      requestAnimationFrame(go);
    };
    requestAnimationFrame(go);
  }

  const next = () => {
    const following = steps.find(({ start }) => start > (at ?? 0) + 0.001);
    show(following?.start ?? 0);
  };

  function scrub(event: PointerEvent): void {
    isRunning = false;
    const { left, width } = ruler!.getBoundingClientRect();
    const move = ({ clientX }: PointerEvent) =>
      show(clamp(((clientX - left) / width) * length, 0, length - 0.001));
    move(event);
    followPointer(ruler!, event, move);
  }

  const KEYS: Readonly<Record<string, number>> = { ArrowRight: 0.1, ArrowLeft: -0.1 };

  function scrubKeys(event: KeyboardEvent): void {
    const by = KEYS[event.key] ?? 0;
    const isEnding = event.key === 'Escape' && at !== null;
    if (!by && !isEnding) return;
    event.preventDefault();
    event.stopPropagation();
    if (isEnding) return end();
    isRunning = false;
    show(clamp((at ?? 0) + by * (event.shiftKey ? 10 : 1), 0, length - 0.001));
  }

  // What is left of it stands as it is tuned.
  $effect(() => () => untrack(end));

  function setRest(step: RoundStep, text: string): void {
    const seconds = Number(evaluate(text.replace(/\s*s$/, ''), '') ?? NaN);
    wb.dispatch({ type: 'set-setting', id: step.id, key: OWN_REST, value: seconds });
  }

  const labelOf = ({ rest }: RoundStep, i: number) => `${i + 1}  ${shown(rest)}`;

  /** Its number alone, marked, so that what is typed takes its place. */
  function enter(field: HTMLInputElement, step: RoundStep): void {
    field.value = shown(step.rest);
    field.select();
  }

  /** What was typed is taken, and the bar says its number again. */
  function leave(field: HTMLInputElement, step: RoundStep, i: number): void {
    const typed = field.value;
    field.value = labelOf(step, i);
    if (typed !== shown(step.rest)) setRest(step, typed);
  }

  /** Enter takes what was typed, Escape leaves it as it was. */
  function keys(event: KeyboardEvent, step: RoundStep): void {
    const field = event.currentTarget as HTMLInputElement;
    if (event.key === 'Escape') {
      event.stopPropagation();
      field.value = shown(step.rest);
    }
    if (event.key === 'Escape' || event.key === 'Enter') field.blur();
  }

  const giveTime = (some: readonly RoundStep[], label: string) =>
    wb.dispatch({ type: 'batch', label, commands: readingRests(some) });
</script>

<section aria-label="One round">
  <div class="head">
    <h3>Round</h3>
    <span class="mono">{sum}</span>
  </div>
  <div
    class="ruler"
    bind:this={ruler}
    bind:clientWidth={width}
    role="slider"
    tabindex="0"
    aria-label="Moment of the round"
    aria-valuemin="0"
    aria-valuemax={length}
    aria-valuenow={at ?? 0}
    aria-valuetext={shown(at ?? 0)}
    title="Drag to see the page at any moment of the round; arrows, Shift for 1 s, Escape lets go"
    onpointerdown={scrub}
    onkeydown={scrubKeys}
  >
    {#each marks.all as { at, hasRoom } (at)}
      <span class="mono" style:left={share(at)}>{hasRoom ? `${at} s` : '\u00a0'}</span>
    {/each}
  </div>
  <div class="label">Rests</div>
  <div class="lane">
    {#each steps as step, i (step.id)}
      <input
        class="bar rest"
        class:short={isTooShort(step)}
        aria-label="{step.name} rests"
        title="{step.name} rests {shown(step.rest)}. Type another time"
        value={labelOf(step, i)}
        style:left={share(step.start)}
        style:width={share(step.rest)}
        onfocus={({ currentTarget }) => enter(currentTarget, step)}
        onblur={({ currentTarget }) => leave(currentTarget, step, i)}
        onkeydown={(event) => keys(event, step)}
      />
    {/each}
  </div>
  <div class="label">Is read <small>238 words a minute</small></div>
  <div class="lane">
    {#each steps as step (step.id)}
      <div
        class="bar read"
        title="{step.words} words of {step.name} take {shown(step.reading)}"
        style:left={share(step.start)}
        style:width={share(Math.min(step.reading, step.inSight, length - step.start))}
      ></div>
      {#if isTooShort(step)}<div
          class="bar over"
          style:left={share(step.start + step.inSight)}
          style:width={share(Math.max(0, Math.min(step.reading, length - step.start) - step.inSight))}
        ></div>{/if}
    {/each}
  </div>
  <div class="label">Moves</div>
  <div class="lane">
    {#each steps as step (step.id)}<div
        class="bar move"
        title="The next one comes in {shown(step.move)}"
        style:left={share(step.start + step.rest)}
        style:width={share(step.move)}
      ></div>{/each}
  </div>
  {#if kept}
    <div class="label">A rests <small>{shown(roundLength(kept))}</small></div>
    <div class="lane">
      {#each kept as step, i (step.id)}<div
          class="bar kept"
          title="{step.name} rests {shown(step.rest)} in A"
          style:left={share(step.start)}
          style:width={share(step.rest)}
        >
          {labelOf(step, i)}
        </div>{/each}
    </div>
  {/if}
  <div class="tools">
    {#if isRunning}<button type="button" onclick={() => (isRunning = false)}>❚❚ Hold</button>
    {:else}<button type="button" onclick={run}>▶ Play the round</button>{/if}
    <button type="button" onclick={next}>Next slide</button>
    {#if at !== null}<button type="button" onclick={end}>Let go</button>
      <span class="mono"
        >{shown(at)} of {shown(length)}, at {wb.preview.rate === 1
          ? 'its pace'
          : 'a quarter of its pace'}</span
      >{/if}
  </div>
  {#if at !== null}<div class="moment"><i style:left={share(at)}></i></div>{/if}
  {#if first}
    <p>
      <b>{first.name} is gone before it is read.</b>
      {first.words} words take {shown(first.reading)}; it is in sight for {shown(first.inSight)}.
      <button type="button" onclick={() => giveTime([first], `Let ${first.name} rest longer`)}
        >Let it rest {restToRead(first)} s</button
      >
      <button type="button" onclick={() => giveTime(steps, 'Give every slide its reading time')}
        >Give every slide its reading time</button
      >
      {#if tooShort > 1}<span class="more">{tooShort} slides are too quick.</span>{/if}
    </p>
  {/if}
</section>

<style>
  section {
    position: relative;
    display: grid;
    grid-column: 1 / -1;
    grid-template-columns: 178px minmax(0, 1fr);
    align-items: center;
    padding-bottom: 6px;
    border-bottom: 1px solid var(--line);
  }
  .head {
    display: flex;
    gap: 6px;
    align-items: baseline;
    padding: 4px 0 4px 10px;
    white-space: nowrap;
  }
  .head .mono {
    font-size: 10.5px;
    letter-spacing: -0.03em;
    color: var(--ink-2);
  }
  h3 {
    margin: 0;
    font-size: 12px;
    font-weight: 600;
  }
  .ruler {
    position: relative;
    height: 22px;
    cursor: ew-resize;
    touch-action: none;
    overflow: hidden;
    border-bottom: 1px solid var(--line);
  }
  .ruler span {
    position: absolute;
    bottom: 2px;
    padding-left: 3px;
    color: var(--ink-2);
    white-space: nowrap;
    border-left: 1px solid var(--control-line);
  }
  .label {
    padding: 0 10px;
    white-space: nowrap;
  }
  small {
    font-size: 11px;
    color: var(--ink-2);
  }
  .lane {
    position: relative;
    height: 25px;
    overflow: hidden;
    border-bottom: 1px solid var(--faint-line);
  }
  .bar {
    position: absolute;
    box-sizing: border-box;
    min-width: 2px;
    border-radius: 2px;
  }
  .rest {
    top: 3px;
    height: 19px;
    padding: 0 5px;
    overflow: hidden;
    font: 600 11px var(--mono);
    color: #fff;
    background: var(--verdigris);
    border: 0;
    border-right: 1px solid var(--panel);
  }
  .rest.short {
    background: var(--red);
  }
  .rest:focus {
    z-index: 1;
    min-width: 56px;
    outline: 2px solid var(--blue);
    outline-offset: 1px;
  }
  .read {
    top: 8px;
    height: 9px;
    background: #596167;
  }
  .over {
    top: 8px;
    height: 9px;
    background: repeating-linear-gradient(135deg, var(--red) 0 3px, #f0c9c4 3px 6px);
  }
  .move {
    top: 5px;
    height: 15px;
    background: var(--ochre);
  }
  .kept {
    top: 3px;
    height: 19px;
    padding: 0 5px;
    overflow: hidden;
    font: 600 11px/19px var(--mono);
    color: var(--ink);
    background: #c9d6cf;
    border-right: 1px solid var(--panel);
  }
  .tools {
    display: flex;
    grid-column: 1 / -1;
    gap: 6px;
    align-items: center;
    padding: 5px 10px 0;
  }
  .tools button {
    height: 22px;
    padding: 0 7px;
    font: 12px var(--sans);
    cursor: pointer;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .tools .mono {
    color: var(--ink-2);
  }
  .moment {
    position: absolute;
    inset: 0 0 0 178px;
    pointer-events: none;
  }
  .moment i {
    position: absolute;
    top: 0;
    bottom: 34px;
    border-left: 2px solid var(--rust);
  }
  p {
    grid-column: 1 / -1;
    margin: 6px 10px 0;
    font-size: 12.5px;
  }
  p b {
    color: var(--red);
  }
  p button {
    padding: 0;
    margin-right: 8px;
    font: inherit;
    color: var(--verdigris);
    text-decoration: underline;
    cursor: pointer;
    background: none;
    border: 0;
  }
  .more {
    color: var(--ink-2);
  }
</style>
