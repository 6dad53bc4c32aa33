<script lang="ts">
  import { isChoice } from '$core/heard/choices';
  import { heardWords, type Heard } from '$core/heard/heard';
  import { keysAt, type Keys } from '$core/heard/keys';
  import type { StateName } from '$core/project/types';
  import type { Workbench } from '$lib/state/workbench.svelte';

  interface Props {
    wb: Workbench;
    states: readonly StateName[];
    /** One for each state, rest first; null until the frame has answered. */
    heard: readonly Heard[] | null;
    /** Whether the page has the part as it is. */
    isThere: boolean;
    /** Keys that the kind says of the part. */
    own: Keys | undefined;
  }
  const { wb, states, heard, isThere, own }: Props = $props();

  const rest = $derived(heard?.[0] ?? null);
  const keys = $derived(rest ? Object.entries(keysAt(rest, own)) : []);

  interface Said {
    readonly words: string;
    readonly tone: 'plain' | 'faint' | 'bad';
    readonly why: string;
  }

  function saidOf(state: StateName, i: number): Said {
    if (!isThere) return { words: '—', tone: 'faint', why: 'The page has no such part as it is set' };
    const now = heard?.[i];
    if (!now || !rest) return { words: '…', tone: 'faint', why: 'Being worked out' };
    const words = heardWords(now, state === 'rest' ? null : rest);
    const why = `${heardWords(now, null)}, as a screen reader gets it`;
    if (words !== 'as rest') return { words, tone: now.isSilent ? 'faint' : 'plain', why };
    return isChoice(wb.kind, state) && rest.isStop
      ? { words: 'seen, not heard', tone: 'bad', why: 'The look says it, and nothing tells a screen reader' }
      : { words, tone: 'faint', why };
  }
</script>

<div class="line" role="row">
  <span role="rowheader">Is heard as</span>
  {#each states as state, i (state)}
    {@const { words, tone, why } = saidOf(state, i)}
    <span role="gridcell" class={tone} title={why}>{words}</span>
  {/each}
</div>
{#if keys.length > 0}
  <div class="line" role="row">
    <span role="rowheader">Keys there</span>
    <span role="gridcell" class="keys">
      {#each keys as [key, does] (key)}
        <span><kbd>{key}</kbd> {does}</span>
      {/each}
    </span>
  </div>
{/if}

<style>
  .line {
    display: grid;
    grid-template-columns: 124px repeat(var(--states), minmax(0, var(--state-most)));
    min-height: 27px;
    border-bottom: 1px solid var(--faint-line);
  }
  .line > span {
    display: flex;
    align-items: center;
    min-width: 0;
    padding: 4px 8px;
    line-height: 1.3;
    overflow-wrap: anywhere;
    border-left: 1px solid var(--faint-line);
  }
  .line > span:first-child {
    color: var(--ink-2);
    border-left: 0;
  }
  .keys {
    flex-wrap: wrap;
    grid-column: 2 / -1;
    gap: 4px 18px;
  }
  kbd {
    padding: 1px 5px;
    font: 12px/1.3 var(--mono);
    background: var(--sunk);
    border: 1px solid var(--control-line);
    border-radius: 3px;
  }
  .faint {
    color: var(--ink-2);
  }
  .bad {
    font-weight: 700;
    color: var(--red);
  }
</style>
