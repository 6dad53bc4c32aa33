<script lang="ts">
  import { settingsWithDefaults } from '$core/kinds/settings';
  import { fitFrom } from '$core/layout/fit';
  import { fieldsOf } from '$lib/state/fields';
  import { isContained } from '$lib/state/gauge.svelte';
  import { WIDTH_LEAST, WIDTH_MOST } from '$lib/state/preview.svelte';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import { placeOnRuler, RULER_FROM, RULER_TO } from './scale';

  const { wb }: { wb: Workbench } = $props();

  let track = $state(0);
  let ruler: HTMLElement;
  let gesture = 0;

  const x = (px: number) => placeOnRuler(px, track);
  const pxAt = (clientX: number) =>
    Math.round(
      RULER_FROM + ((clientX - ruler.getBoundingClientRect().left) / track) * (RULER_TO - RULER_FROM)
    );
  const clamp = (px: number, least: number, most: number) => Math.min(most, Math.max(least, px));
  const ticks = Array.from({ length: 22 }, (_, i) => 280 + i * 80);
  const labels = [320, 480, 640, 800, 960, 1120, 1280, 1440, 1600, 1760, 1920];

  interface Flag {
    readonly key: string;
    readonly label: string;
    readonly px: number;
    readonly least: number;
    readonly most: number;
    readonly isPicked: boolean;
    set(px: number, merge: string): void;
  }

  const bandFlag = (band: 'narrow' | 'medium'): Flag => ({
    key: band,
    label: `≤ ${band}`,
    px: wb.project.info.bands[band],
    least: 280,
    most: 1920,
    isPicked: false,
    set: (px, merge) =>
      void wb.dispatch({ type: 'set-bands', ...wb.project.info.bands, [band]: px }, `band ${merge}`)
  });

  /** The bands, and every setting of the picked piece whose field carries a flag. */
  const flags = $derived.by((): Flag[] => {
    const node = wb.tuned;
    const settings = settingsWithDefaults(wb.kind, node);
    const own = fieldsOf(wb.kind)
      .filter((field) => field.flag && typeof settings[field.key] === 'number' && settings[field.key] !== 0)
      .map((field): Flag => ({
        key: `${node.id} ${field.key}`,
        label: `${node.name} ${field.flag}`,
        px: settings[field.key] as number,
        least: 280,
        most: 1920,
        isPicked: true,
        set: (to, merge) =>
          void wb.dispatch(
            { type: 'set-setting', id: node.id, key: field.key, value: to },
            `flag ${node.id} ${merge}`
          )
      }));
    return [bandFlag('narrow'), bandFlag('medium'), ...own];
  });

  /** The width from which the row of the picked piece fits: found, or as far as one measurement tells. */
  const fit = $derived.by(() => {
    const measured = wb.facts.fits.get(wb.tuned.id);
    const { fit: row } = wb.kind;
    if (!measured || !row) return null;
    const px = fitFrom(measured);
    if (px === null) return { px, text: `${row.what} never fit` };
    return {
      px: clamp(px, RULER_FROM + 10, RULER_TO - 10),
      text: px < WIDTH_LEAST ? '' : `${row.what} need ${px}`
    };
  });
  /** Px that the words of the fit take at most. */
  const FIT_WORDS = 104;
  /** Whether they stand left of their mark, since a flag stands at the right; never where they would be cut. */
  const standsLeft = $derived.by(() => {
    if (!fit || fit.px === null) return true;
    const from = x(fit.px);
    return from > FIT_WORDS && flags.some(({ px }) => x(px) > from && x(px) - from < FIT_WORDS);
  });
  /** Px that the words of a band take, and half of the handle that says the width on show. */
  const BAND_WORDS = 58;
  const HALF_HANDLE = 25;
  /** Whether that handle would lie on the words of a band at their usual side. */
  const isUnderHandle = (px: number): boolean => {
    const [words, handle] = [x(px), x(wb.preview.width)];
    return handle + HALF_HANDLE > words && handle - HALF_HANDLE < words + BAND_WORDS;
  };
  /** Widths at which something is wrong, wherever it is on the page. */
  const marks = $derived([
    ...new Map(
      wb.findings.flatMap(({ width, sentence }) =>
        width ? [[width, { px: width, text: sentence }] as const] : []
      )
    ).values()
  ]);
  /** Where a width of the picked piece's own place stands on the ruler of the window. */
  const offset = $derived.by(() => {
    const measured = wb.facts.fits.get(wb.tuned.id);
    return measured && isContained(wb.project, wb.tuned.id) ? measured.viewport - measured.available : 0;
  });

  function drag(event: PointerEvent, least: number, most: number, set: (px: number) => void): void {
    const handle = event.currentTarget as HTMLElement;
    handle.setPointerCapture(event.pointerId);
    handle.focus();
    gesture += 1;
    const move = (moved: PointerEvent) => set(clamp(pxAt(moved.clientX), least, most));
    handle.addEventListener('pointermove', move);
    handle.addEventListener('lostpointercapture', () => handle.removeEventListener('pointermove', move), {
      once: true
    });
  }

  function stepped(event: KeyboardEvent, px: number, least: number, most: number): number | null {
    const by = event.shiftKey ? 10 : 1;
    const to = {
      ArrowLeft: px - by,
      ArrowDown: px - by,
      ArrowRight: px + by,
      ArrowUp: px + by,
      Home: least,
      End: most
    }[event.key];
    if (to === undefined || event.altKey || event.ctrlKey) return null;
    event.preventDefault();
    event.stopPropagation();
    return clamp(to, least, most);
  }
</script>

<div class="ruler" bind:this={ruler} bind:clientWidth={track}>
  <svg width={track} height="40" aria-hidden="true">
    {#each ticks as px (px)}<path
        d="M{x(px)} {px % 160 === 0 ? 32 : 35}V40"
        stroke="var(--control-line)"
      />{/each}
    {#each labels as px (px)}<text x={x(px)} y="10">{px}</text>{/each}
    <path class="set" d="M{x(WIDTH_LEAST)} 38.5H{x(wb.preview.width)}" />
  </svg>
  {#each flags as flag (flag.key)}
    <div
      class="flag"
      class:band={!flag.isPicked}
      class:left={!flag.isPicked && isUnderHandle(flag.px)}
      role="slider"
      tabindex="0"
      aria-label={flag.label}
      aria-valuenow={flag.px}
      aria-valuemin={flag.least}
      aria-valuemax={flag.most}
      aria-valuetext="{flag.px} px"
      title="{flag.label} {flag.px} px; drag, or arrow keys"
      style:left="{x(flag.px + (flag.isPicked ? offset : 0))}px"
      onpointerdown={(event) =>
        drag(event, flag.least, flag.most, (px) =>
          flag.set(clamp(px - (flag.isPicked ? offset : 0), flag.least, flag.most), String(gesture))
        )}
      onkeydown={(event) => {
        const to = stepped(event, flag.px, flag.least, flag.most);
        if (to !== null) flag.set(to, 'keys');
      }}
    >
      <span>{flag.isPicked ? `folds under ${flag.px}${offset ? ' of its place' : ''}` : flag.label}</span>
    </div>
  {/each}
  {#each marks as { px, text } (px)}
    <span class="mark" style:left="{x(px)}px" title={text}>▲</span>
  {/each}
  {#if fit?.text}
    <div
      class="fit"
      style:left="{fit.px === null ? track - 4 : x(fit.px)}px"
      class:left={standsLeft}
      title="The least width at which the {wb.kind.fit!.what} stand on one line"
    >
      <span>{fit.text}</span>
    </div>
  {/if}
  <div
    class="width"
    role="slider"
    tabindex="0"
    aria-label="Width of the preview"
    aria-valuenow={wb.preview.width}
    aria-valuemin={WIDTH_LEAST}
    aria-valuemax={WIDTH_MOST}
    aria-valuetext="{wb.preview.width} px"
    style:left="{x(wb.preview.width)}px"
    onpointerdown={(event) => drag(event, WIDTH_LEAST, WIDTH_MOST, (px) => (wb.preview.width = px))}
    onkeydown={(event) => {
      const to = stepped(event, wb.preview.width, WIDTH_LEAST, WIDTH_MOST);
      if (to !== null) wb.preview.width = to;
    }}
  >
    {wb.preview.width}
  </div>
</div>

<style>
  .ruler {
    position: relative;
    height: 40px;
    overflow: hidden;
    background: var(--panel);
    border-bottom: 1px solid var(--line);
    touch-action: none;
  }
  svg {
    display: block;
  }
  text {
    font: 11px var(--mono);
    text-anchor: middle;
    fill: var(--ink-2);
  }
  .set {
    stroke: var(--verdigris);
    stroke-width: 3;
  }
  .flag {
    position: absolute;
    top: 12px;
    height: 28px;
    padding-left: 4px;
    cursor: ew-resize;
    border-left: 1.5px solid var(--ink);
  }
  :is(.flag, .fit) span {
    position: absolute;
    top: 1px;
    left: 3px;
    padding-right: 3px;
    font-size: 11px;
    line-height: 12px;
    white-space: nowrap;
    pointer-events: none;
    background: var(--panel);
  }
  .flag:not(.band) {
    border-left: 1.5px dashed var(--ochre);
  }
  .flag:not(.band) span {
    top: 14px;
    font-weight: 600;
    color: var(--ochre);
  }
  .mark {
    position: absolute;
    bottom: 1px;
    font-size: 9px;
    line-height: 10px;
    color: var(--ochre);
    translate: -50% 0;
  }
  .fit {
    position: absolute;
    top: 12px;
    height: 28px;
    pointer-events: none;
    border-left: 1.5px dotted var(--ochre);
  }
  .fit span {
    color: var(--ochre);
  }
  .left span {
    right: 3px;
    left: auto;
  }
  .width {
    position: absolute;
    bottom: 7px;
    padding: 2px 7px;
    font: 600 11.5px var(--mono);
    color: #fff;
    cursor: ew-resize;
    background: var(--verdigris);
    border-radius: 2px;
    translate: -50% 0;
  }
</style>
