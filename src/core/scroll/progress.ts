import { clamp } from '../data/clamp';
import type { Box } from '../facts/box';

/** A stretch of the scroll, px from its beginning. */
export interface Span {
  readonly start: number;
  readonly end: number;
}

/** Named ranges of a view timeline (Scroll-driven Animations 1, section 3.1). */
export const VIEW_RANGES = ['cover', 'contain', 'entry', 'exit'] as const;
export type ViewRange = (typeof VIEW_RANGES)[number];

/** What a view timeline looks at: edges of its subject at rest, and how far in the window's own edges are taken, px. */
export interface Subject {
  readonly top: number;
  readonly bottom: number;
  readonly insetTop: number;
  readonly insetBottom: number;
  /** From where what sticks around it carries it along, and how far, px; 0 and 0 for none. */
  readonly heldFrom: number;
  readonly heldFor: number;
}

/** The four moments in which an edge of the subject crosses an edge of the window, px of the scroll. */
interface Crossings {
  /** Its upper and its lower edge at the window's lower edge. */
  readonly topEnters: number;
  readonly bottomEnters: number;
  /** The same at the window's upper edge. */
  readonly topLeaves: number;
  readonly bottomLeaves: number;
}

/** What is carried along by what sticks around it comes to each edge later by so much. */
function crossingsOf(subject: Subject, height: number): Crossings {
  const { top, bottom, insetTop, insetBottom, heldFrom, heldFor } = subject;
  const carried = (at: number, isStuck: boolean) => (isStuck ? at + heldFor : at);
  const [topEnters, bottomEnters] = [top, bottom].map((edge) => edge - height + insetBottom) as [
    number,
    number
  ];
  const [topLeaves, bottomLeaves] = [top, bottom].map((edge) => edge - insetTop) as [number, number];
  return {
    topEnters: carried(topEnters, topEnters > heldFrom),
    bottomEnters: carried(bottomEnters, bottomEnters > heldFrom),
    topLeaves: carried(topLeaves, topLeaves >= heldFrom),
    bottomLeaves: carried(bottomLeaves, bottomLeaves >= heldFrom)
  };
}

function namedSpan({ topEnters, bottomEnters, topLeaves, bottomLeaves }: Crossings, range: ViewRange): Span {
  const within = [Math.min(bottomEnters, topLeaves), Math.max(bottomEnters, topLeaves)] as const;
  const spans: Readonly<Record<ViewRange, readonly [number, number]>> = {
    cover: [topEnters, bottomLeaves],
    contain: within,
    entry: [topEnters, within[0]],
    exit: [within[1], bottomLeaves]
  };
  const [start, end] = spans[range];
  return { start, end };
}

/**
 * Over which stretch of the scroll a part of a view timeline's range runs (Scroll-driven Animations 1, sections 3.1
 * and 4; held against Chromium).
 * @param from share of the range at which it begins, 0 to 1. @param to at which it ends.
 */
export function viewSpan(subject: Subject, box: Box, range: ViewRange, from: number, to: number): Span {
  const { start, end } = namedSpan(crossingsOf(subject, box.height), range);
  const at = (share: number) => start + share * (end - start);
  return { start: at(from), end: at(to) };
}

/** @returns how far along a scroll position is, from 0 to 1; where nothing lies between, before it or after it. */
export function progressAt({ start, end }: Span, at: number): number {
  if (end <= start) return at < start ? 0 : 1;
  return clamp((at - start) / (end - start), 0, 1);
}

const FREE = { insetTop: 0, insetBottom: 0, heldFrom: 0, heldFor: 0 };

/** The piece itself as the subject. */
export const itself = ({ top, bottom, heldFrom, heldFor }: Box): Subject => ({
  ...FREE,
  top,
  bottom,
  heldFrom,
  heldFor
});

/** What goes sideways around it as the subject: that holds its window, and is held by nothing. */
export const itsRun = ({ runTop, runBottom, runInset }: Box): Subject => ({
  ...FREE,
  top: runTop,
  bottom: runBottom,
  insetTop: runInset
});

/** The section it stands in as the subject. */
export const itsSection = ({ areaTop, areaBottom }: Box): Subject => ({
  ...FREE,
  top: areaTop,
  bottom: areaBottom
});
