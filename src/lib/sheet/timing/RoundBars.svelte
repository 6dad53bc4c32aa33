<script lang="ts">
  import {
    isTooShort,
    OWN_REST,
    readingRests,
    restToRead,
    roundLength,
    type RoundStep
  } from '$core/kinds/round';
  import { evaluate } from '$core/css/arithmetic';
  import type { Workbench } from '$lib/state/workbench.svelte';

  /** One round of what plays by itself: rests, what is read in them, and moves, on a ruler of seconds. */
  const { wb, steps }: { wb: Workbench; steps: readonly RoundStep[] } = $props();

  const length = $derived(roundLength(steps));
  const TICKS = [1, 2, 5, 10, 20, 30, 60, 120, 300, 600];
  const MARKS_MOST = 9;
  const tick = $derived(TICKS.find((each) => length / each <= MARKS_MOST) ?? 1200);
  const ticks = $derived(Array.from({ length: Math.floor(length / tick) + 1 }, (_, i) => i * tick));
  const share = (seconds: number) => `${(seconds / length) * 100}%`;
  const shown = (seconds: number) => `${Math.round(seconds * 10) / 10} s`;
  const first = $derived(steps.find(isTooShort));
  const tooShort = $derived(steps.filter(isTooShort).length);
  const isEven = $derived(steps.every(({ rest }) => rest === steps[0]!.rest));
  const sum = $derived(
    isEven && steps[0]
      ? `${steps.length} × ${shown(steps[0].rest + steps[0].move)} = ${shown(length)}`
      : shown(length)
  );

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
  <div class="ruler">
    {#each ticks as seconds (seconds)}<span class="mono" style:left={share(seconds)}>{seconds} s</span>{/each}
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
        style:width={share(Math.min(step.reading, step.rest))}
      ></div>
      {#if isTooShort(step)}<div
          class="bar over"
          style:left={share(step.start + step.rest)}
          style:width={share(Math.min(step.reading - step.rest, length - step.start - step.rest))}
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
  {#if first}
    <p>
      <b>{first.name} is gone before it is read.</b>
      {first.words} words take {shown(first.reading)}; it rests {shown(first.rest)}.
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
