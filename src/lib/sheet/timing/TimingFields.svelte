<script lang="ts">
  import { evaluate } from '$core/css/arithmetic';
  import { parseQuantity } from '$core/css/quantity';
  import { timingOfToken } from '$core/css/timed';
  import { MS_MOST, STAGGER_FROM, STILL_TRACK, type Track } from '$core/motion/track';
  import CurvePanel from './CurvePanel.svelte';
  import type { TimingRow } from '$lib/state/timing';
  import type { Workbench } from '$lib/state/workbench.svelte';

  const { wb, row }: { wb: Workbench; row: TimingRow } = $props();

  let fault = $state('');

  type Time = 'ms' | 'delay' | 'step';
  const TIMES: readonly (readonly [Time, string])[] = [
    ['ms', 'Length'],
    ['delay', 'Start'],
    ['step', 'Step']
  ];
  const times = $derived(TIMES.filter(([name]) => name !== 'step' || row.track?.field.staggered));

  function setNumber(name: Time, text: string): void {
    const worked = parseQuantity(evaluate(text, 'ms') ?? '');
    const inMs = worked
      ? { ms: worked.value, '': worked.value, s: worked.value * 1000 }[worked.unit]
      : undefined;
    fault = '';
    if (inMs === undefined) fault = 'Write a time such as 240, 240 ms or 0.3s.';
    else if (inMs < 0 || inMs > MS_MOST)
      fault = `Times are 0 to ${MS_MOST} ms; longer than that nobody waits.`;
    else row.set({ [name]: inMs }, null);
  }

  const tokensOf = (type: 'duration' | 'easing') =>
    Object.values(wb.project.tokens).filter((token) => token.type === type);
  const durations = $derived(tokensOf('duration'));
  const easings = $derived(tokensOf('easing'));

  /** Lets a movement take its length or easing from a token; empty leaves it with what it has. */
  function follow(key: 'lasts' | 'eases', use: string): void {
    const value = row.track?.value;
    if (!value) return;
    const kept = key === 'lasts' ? { ms: value.ms } : { easing: value.easing };
    const read = use ? timingOfToken(use, wb.project.tokens) : kept;
    fault = typeof read === 'string' ? read : '';
    if (typeof read !== 'string') row.set({ ...read, [key]: use || undefined }, null);
  }

  function setForm(form: string): void {
    const { value } = row.track!;
    row.set(value.ms > 0 ? { form } : { ...STILL_TRACK, ms: 240, easing: 'ease-out', form }, null);
  }
</script>

<div class="about">
  <h3><strong>{row.label}</strong> {row.event}</h3>
  <div class="fields">
    {#if row.track}
      <label
        >Form
        <select value={row.track.value.form} onchange={(event) => setForm(event.currentTarget.value)}>
          {#each Object.entries(row.track.field.choices ?? {}) as [form, words] (form)}<option value={form}
              >{words}</option
            >{/each}
        </select>
      </label>
    {/if}
    {#each times as [name, words] (name)}
      <label
        >{words}
        <input
          class="mono"
          value="{row.track ? row.track.value[name] : row.timing[name as 'ms']} ms"
          onchange={(event) => setNumber(name, event.currentTarget.value)}
        />
      </label>
      {#if name === 'ms' && row.track && durations.length > 0}
        <label
          >Length from
          <select
            value={row.track.value.lasts ?? ''}
            onchange={(event) => follow('lasts', event.currentTarget.value)}
          >
            <option value="">its own number</option>
            {#each durations as { id, name: called } (id)}<option value="{'{'}{id}}">{called}</option>{/each}
          </select>
        </label>
      {/if}
    {/each}
    {#if row.track?.field.staggered}
      <label
        >From
        <select
          value={row.track.value.from}
          onchange={(event) => row.set({ from: event.currentTarget.value as Track['from'] }, null)}
        >
          {#each STAGGER_FROM as from (from)}<option>{from}</option>{/each}
        </select>
      </label>
    {/if}
    {#if row.track?.isOwn}<button
        type="button"
        class="link back"
        onclick={() =>
          wb.dispatch({ type: 'clear-setting', id: wb.tuned.id, key: row.key, condition: wb.at })}
        >Take back</button
      >{/if}
  </div>
  {#if fault}<p class="fault" role="alert">{fault}</p>{/if}
  <CurvePanel
    easing={row.timing.easing}
    ms={row.timing.ms}
    tokens={row.track ? easings : []}
    token={row.track?.value.eases ?? ''}
    onchange={(easing, merge) => row.set({ easing }, merge)}
    onfollow={(use) => follow('eases', use)}
  />
</div>

<style>
  .about {
    padding: 8px 14px;
  }
  .about h3 {
    margin: 0;
    padding: 0 0 3px;
    font-size: 12px;
    font-weight: 500;
    color: var(--ink-2);
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .about strong {
    color: var(--ink);
  }
  .fields {
    display: grid;
    grid-template-columns: 1.3fr 1fr 1fr;
    gap: 4px 6px;
    margin-bottom: 6px;
  }
  label {
    display: grid;
    gap: 1px;
    font-size: 11px;
    color: var(--ink-2);
  }
  .fields :is(input, select) {
    width: 100%;
    height: 24px;
    padding: 0 4px;
    background: #fff;
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .back {
    align-self: end;
    justify-self: start;
    font-size: 12px;
  }
  .fault {
    margin: 0 0 6px;
    font-size: 12px;
    color: var(--red);
  }
  select {
    font: 12.5px var(--sans);
  }
</style>
