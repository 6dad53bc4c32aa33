<script lang="ts">
  import { untrack } from 'svelte';
  import { attributesIn } from '$core/cascade/state-attributes';
  import { impliedStates } from '$core/cascade/states';
  import { SWITCHED, widthUnder } from '$core/kinds/conditions';
  import type { StateName } from '$core/project/types';
  import PreviewFrame from '$lib/preview/PreviewFrame.svelte';
  import type { FromFrame } from '$preview/messages';
  import type { Workbench } from '$lib/state/workbench.svelte';
  import HeardRows from './HeardRows.svelte';

  const { wb, states }: { wb: Workbench; states: readonly StateName[] } = $props();

  /** The first row is as high as the part needs to be drawn: at least, px, and at most, as a share of the sheet. */
  const LOOKS = { least: 52, most: 0.3 };
  /** Until the preview has been measured, px. */
  const WINDOW_HEIGHT = 800;
  const REST_MS = 150;
  let specimenWidth = $state(0);

  const anatomy = $derived(wb.kind.anatomy[wb.currentPart]!);
  /** Of the part that was drawn last: the row does not jump back while another is drawn. Null where it is not there. */
  let asked = $state.raw<number | null>(0);
  const looksHeight = $derived(
    Math.round(Math.max(LOOKS.least, Math.min(asked ?? 0, LOOKS.most * wb.sheetHeight)))
  );
  /** The width of the preview once the hand that drags it rests: each width is laid out anew in all states. */
  let restedWidth = $state(untrack(() => wb.preview.width));
  $effect(() => {
    const { width } = wb.preview;
    const timer = setTimeout(() => (restedWidth = width), REST_MS);
    return () => clearTimeout(timer);
  });
  /** The frame is as wide as a window in which the condition holds; a narrower one than the row is shown larger. */
  const frameWidth = $derived(widthUnder(wb.at, wb.project.info.bands, restedWidth));
  const enlarged = $derived(Math.max(1, specimenWidth / frameWidth));
  const specimens = $derived({
    type: 'specimens' as const,
    node: wb.tuned.id,
    part: wb.currentPart,
    // Forced states are names; what a state brings along is forced with it.
    states: states.map((state) => impliedStates(wb.kind, state, []).join(' ')),
    cell: { width: specimenWidth / states.length, height: looksHeight },
    enlarged,
    switches: SWITCHED.filter((name) => name === wb.at),
    strip: Object.values(anatomy.states).flatMap((selector) =>
      attributesIn(selector!).map(({ name }) => name)
    ),
    selectors: states.map((state) => (state === 'rest' ? '' : (anatomy.states[state] ?? '')))
  });

  let answer = $state.raw<Extract<FromFrame, { type: 'heard' }> | null>(null);
  const isOfNow = (message: { readonly node: string; readonly part: string }) =>
    message.node === wb.tuned.id && message.part === wb.currentPart;

  function take(message: FromFrame): void {
    if (message.type === 'heard') answer = message;
    if (message.type === 'specimenRoom' && isOfNow(message)) asked = message.height;
  }

  /** Nothing until the frame has answered for the part that is tuned now. */
  const heardNow = $derived(
    answer && isOfNow(answer) && answer.heard.length === states.length ? answer.heard : null
  );
</script>

<div class="line looks" role="row">
  <span role="rowheader">Looks like</span>
  <div
    class="frame"
    style:height="{looksHeight}px"
    role="gridcell"
    aria-label="The part as it is drawn in each state"
    bind:clientWidth={specimenWidth}
  >
    {#if specimenWidth > 0 && wb.preview.isShown}
      <div class="window" style:scale={enlarged}>
        <PreviewFrame
          project={wb.project}
          pageId={wb.pageId}
          blobs={wb.blobs}
          title="{anatomy.label} in each state"
          width={frameWidth}
          height={wb.preview.extent?.window ?? WINDOW_HEIGHT}
          only={wb.tuned.id}
          {specimens}
          onmessage={take}
        />
      </div>
    {/if}
  </div>
</div>
<HeardRows {wb} {states} heard={heardNow} isThere={asked !== null} own={anatomy.keys} />

<style>
  .looks {
    display: grid;
    grid-template-columns: 124px repeat(var(--states), minmax(0, var(--state-most)));
    border-bottom: 1px solid var(--faint-line);
  }
  [role='rowheader'] {
    display: flex;
    align-items: center;
    padding: 0 8px;
    color: var(--ink-2);
  }
  .frame {
    display: flex;
    grid-column: 2 / -1;
    min-width: 0;
    overflow: hidden;
    pointer-events: none;
    border-left: 1px solid var(--faint-line);
  }
  .window {
    flex: none;
    align-self: start;
    transform-origin: 0 0;
  }
</style>
