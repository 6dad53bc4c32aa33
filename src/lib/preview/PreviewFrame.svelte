<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { allKeyframes, BASE_CSS } from '$core/compile/rules';
  import { createPreviewSession, portionsOf } from '$core/compile/preview';
  import type { AssetId, NodeId, PageId, Project } from '$core/project/types';
  import { registry } from '$core/registry';
  import { readFromFrame, type FromFrame, type ToFrame } from '$preview/messages';

  interface Props {
    project: Project;
    pageId: PageId;
    blobs: ReadonlyMap<AssetId, Blob>;
    title: string;
    width: number;
    height: number;
    show?: Extract<ToFrame, { type: 'show' }>;
    specimens?: Extract<ToFrame, { type: 'specimens' }> | null;
    /** Tells of changes to the project before `project` itself does. */
    watch?: (watcher: (project: Project) => void) => () => void;
    /** Just this piece with what is in and around it. */
    only?: NodeId | null;
    /** Just the beginning of the page, more than a screen of it. */
    isStart?: boolean;
    onmessage?: (message: FromFrame) => void;
    /** Called before the frame gets what an edit changed: with the nodes it touched, null where all may differ. */
    onpatch?: (touched: readonly NodeId[] | null) => void;
    /** Called when that is on its way: what the frame is asked from then on is answered of the page as it is then. */
    onsent?: () => void;
    /** Called where the page looks the same in another state of the project, so that nothing is sent. */
    onsame?: () => void;
    /** Called with a function that sends to the frame, once it listens. */
    onready?: (send: (message: ToFrame) => void) => void;
  }

  const {
    project,
    pageId,
    blobs,
    title,
    width,
    height,
    show,
    specimens = null,
    only = null,
    isStart = false,
    watch,
    onmessage,
    onpatch,
    onsent,
    onsame,
    onready
  }: Props = $props();

  /** Nodes at first: more than a screen of any page, few enough to be built in a moment. What follows comes in fewer, larger portions. */
  const PORTION = 250;
  const LATER = 600;

  let frame: HTMLIFrameElement;
  let port = $state.raw<MessagePort | null>(null);
  let seq = 0;
  let dropped = 0;
  const session = createPreviewSession(registry);
  const sentBlobs = new Map<AssetId, Blob>();

  /** The frame has no origin of its own, so the way in is a port handed to it; nothing else is listened to. */
  function connect(): void {
    const channel = new MessageChannel();
    session.reset();
    sentBlobs.clear();
    said.clear();
    channel.port1.onmessage = ({ data }) => receive(data, channel.port1);
    frame.contentWindow?.postMessage('kymation', '*', [channel.port2]);
  }

  function receive(data: unknown, from: MessagePort): void {
    const message = readFromFrame(data);
    if (!message) {
      dropped += 1;
      frame.dataset.dropped = String(dropped);
      return;
    }
    if (message.type === 'ready') {
      port = from;
      onready?.((each) => from.postMessage(each));
    }
    if (message.type === 'patched' && !only) {
      performance.measure('kymation patch', { start: 0, end: message.work, detail: message.shown });
      performance.clearMeasures('kymation patch');
    }
    // Only when all portions are in is the page as it was asked for.
    if (message.type !== 'patched' || message.seq === seq) onmessage?.(message);
  }

  $effect(() => {
    if (!port) return;
    for (const [id, blob] of blobs) {
      if (sentBlobs.get(id) === blob) continue;
      sentBlobs.set(id, blob);
      const face = untrack(() => faceOf(id));
      port.postMessage({ type: 'asset', id, blob, face } satisfies ToFrame);
    }
  });

  function faceOf(id: AssetId): Extract<ToFrame, { type: 'asset' }>['face'] {
    const face = project.assets[id]?.face;
    return face ? { family: face.family, style: face.style, weight: face.weight.join(' ') } : null;
  }

  function update(now: Project): void {
    if (!port) return;
    const from = performance.now();
    const patch = session.patchFor(now, pageId, only);
    if (!patch) return untrack(() => onsame?.());
    const mayAllDiffer = seq === 0 || patch.tokens !== null;
    untrack(() => onpatch?.(mayAllDiffer ? null : session.touchedLast()));
    const portions = portionsOf(patch, PORTION, LATER);
    for (const portion of isStart ? portions.slice(0, 1) : portions) {
      const keyframes = seq === 0 ? BASE_CSS + allKeyframes(registry) : '';
      seq += 1;
      port.postMessage({ type: 'patch', seq, keyframes, ...portion } satisfies ToFrame);
    }
    untrack(() => onsent?.());
    if (only) return;
    // For the bench, which listens to the page's own preview; nothing is kept.
    performance.measure('kymation print', { start: from });
    performance.clearMeasures('kymation print');
  }

  // While the frame loads, what it will ask for is worked out; what was made of each node is remembered.
  onMount(() => {
    if (!show || only) return;
    const timer = setTimeout(() => !port && createPreviewSession(registry).patchFor(project, pageId));
    return () => clearTimeout(timer);
  });

  let cancelUpdate: (() => void) | null = null;
  onMount(() => () => cancelUpdate?.());
  /** Drawings of a piece in its states follow an edit a frame after the page, which they would hold up. */
  function updateSoon(): void {
    if (cancelUpdate) return;
    const frame = requestAnimationFrame(() => {
      const timer = setTimeout(() => {
        cancelUpdate = null;
        update(project);
      });
      cancelUpdate = () => clearTimeout(timer);
    });
    cancelUpdate = () => cancelAnimationFrame(frame);
  }

  /** The piece that it drew last. */
  let drawn: NodeId | null = null;
  $effect(() => {
    // All that an update reads, also where it comes later.
    void [project, pageId, port];
    const isEdit = seq > 0 && drawn === only;
    drawn = only;
    if (isEdit && untrack(() => specimens)) updateSoon();
    else update(project);
  });
  $effect(() => watch?.((now) => now.pages[pageId] && update(now)));

  /** What it was told last, by type: an edit makes the same view anew, and the frame hears only of another. */
  const said = new Map<ToFrame['type'], string>();
  function say(view: ToFrame | null | undefined): void {
    if (!view || !port) return;
    const message = $state.snapshot(view) as ToFrame;
    const text = JSON.stringify(message);
    if (said.get(message.type) === text) return;
    said.set(message.type, text);
    port.postMessage(message);
  }
  $effect(() => say(show));
  $effect(() => say(specimens));
</script>

<iframe
  bind:this={frame}
  src="/frame"
  sandbox="allow-scripts"
  {title}
  onload={connect}
  style:width="{width}px"
  style:height="{height}px"
></iframe>

<style>
  iframe {
    display: block;
    border: 0;
    background: #fff;
  }
</style>
