<script lang="ts">
  import type { EffectSpan } from '$core/kinds/contract';

  /** Times people are given, and what they have to read in them. */
  const { spans }: { spans: readonly EffectSpan[] } = $props();

  const latest = $derived(
    Math.max(1, ...spans.map(({ start, end, reading }) => Math.max(end, start + reading)))
  );
  const share = (seconds: number) => `${(seconds / latest) * 100}%`;
  const shown = (seconds: number) => `${Math.round(seconds * 10) / 10} s`;
  const isShort = ({ start, end, takesAway, reading }: EffectSpan) => takesAway && reading > end - start;
</script>

<h3>Time to read</h3>
<div></div>
{#each spans as span (span.label)}
  <div class="name">
    <span>{span.label}</span>
    <small>to read {span.read}: {shown(span.reading)}</small>
  </div>
  <div class="lane">
    <div class="bar given" style:left={share(span.start)} style:width={share(span.end - span.start)}>
      {shown(span.end - span.start)}
    </div>
    <div
      class="bar read"
      class:short={isShort(span)}
      style:left={share(span.start)}
      style:width={share(span.reading)}
      title="{span.read}, at 238 words a minute"
    ></div>
  </div>
{/each}

<style>
  h3 {
    padding: 8px 14px 2px;
    font-size: 12px;
    font-weight: 600;
    color: var(--ink-2);
  }
  .name {
    display: grid;
    padding: 3px 14px;
    line-height: 1.25;
  }
  small {
    color: var(--ink-2);
    white-space: nowrap;
  }
  .lane {
    position: relative;
    min-height: 36px;
    border-bottom: 1px solid var(--faint-line);
  }
  .bar {
    position: absolute;
    box-sizing: border-box;
    min-width: 2px;
    border-radius: 2px;
  }
  .given {
    top: 4px;
    height: 18px;
    padding: 0 6px;
    overflow: hidden;
    font: 600 12px/18px var(--mono);
    color: #fff;
    background: var(--verdigris);
  }
  .read {
    top: 25px;
    height: 7px;
    background: #8b8678;
  }
  .read.short {
    background: var(--red);
  }
</style>
