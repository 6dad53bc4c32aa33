import type { Sight, What } from '../facts/sights';
import { SWEEP_FROM, SWEEP_TO } from './span';

/** Widths next to each other, px, both included. */
interface Span {
  readonly from: number;
  readonly to: number;
}

const isEverywhere = ([first, next]: readonly Span[]): boolean =>
  next === undefined && first?.from === SWEEP_FROM && first.to === SWEEP_TO;

/** How one thing that is seen at some widths is told. */
export interface LaneKind {
  readonly what: What;
  /** What is seen, after the name of the piece: "Season tabs: its labels wrap". */
  readonly label: string;
  readonly tone: 'error' | 'warning' | 'plain';
  /** Whether it changes where its value does, and not only where it comes and goes: lines of a heading. */
  readonly isCounted: boolean;
  /** Whether it follows from the section it is seen in alone, so that it stays while others are edited. */
  readonly isLocal: boolean;
  /** Which value of a run is the worst. */
  readonly worst: 'most' | 'least';
  words(value: number): string;
  /** Whether its runs say anything: what is as it should be at all widths is left out. Left out: they do. */
  tells?(runs: readonly Span[]): boolean;
  /** The rule that tells the same of a piece and may have a fix for it; null for none. */
  readonly rule: string | null;
}

const lines = (value: number): string => (value === 1 ? '1 line' : `${value} lines`);

/** One line for each, the worst first; the frame has a reader for each (src/preview/sights). */
export const LANES: readonly LaneKind[] = [
  {
    what: 'sideways',
    label: 'makes the page scroll sideways',
    tone: 'error',
    isCounted: false,
    isLocal: false,
    worst: 'most',
    words: (px) => `by ${px} px`,
    rule: 'page-sideways'
  },
  {
    what: 'cut',
    label: 'cuts its text',
    tone: 'error',
    isCounted: false,
    isLocal: true,
    worst: 'most',
    words: (px) => `${px} px short`,
    rule: 'text-cut'
  },
  {
    what: 'over',
    label: 'lies over other words',
    tone: 'error',
    isCounted: false,
    isLocal: false,
    worst: 'most',
    words: (px) => `by ${px} px`,
    rule: 'words-over'
  },
  {
    what: 'wrapped',
    label: 'wraps its labels',
    tone: 'warning',
    isCounted: true,
    isLocal: true,
    worst: 'most',
    words: lines,
    rule: 'labels-wrap'
  },
  {
    what: 'target',
    label: 'is hard to hit',
    tone: 'warning',
    isCounted: false,
    isLocal: false,
    worst: 'least',
    words: (px) => `${px} px`,
    rule: 'target-crowded'
  },
  {
    what: 'sparse',
    label: 'has under 2 words a line',
    tone: 'warning',
    isCounted: false,
    isLocal: true,
    worst: 'least',
    words: (words) => `${words} a line`,
    rule: null
  },
  {
    what: 'enlarged',
    label: 'draws a picture larger than it is',
    tone: 'warning',
    isCounted: false,
    isLocal: true,
    worst: 'most',
    words: (percent) => `at ${percent} %`,
    rule: 'picture-grainy'
  },
  {
    what: 'uneven',
    label: 'ends lower than what stands beside it',
    tone: 'warning',
    isCounted: false,
    isLocal: true,
    worst: 'most',
    words: (px) => `by ${px} px`,
    rule: null
  },
  {
    what: 'carried',
    label: 'sticks and is carried along',
    tone: 'plain',
    isCounted: false,
    isLocal: false,
    worst: 'least',
    words: (px) => `at least ${px} px`,
    rule: null
  },
  {
    what: 'fits',
    label: 'fits on one line',
    tone: 'plain',
    isCounted: false,
    isLocal: true,
    worst: 'most',
    words: (px) => `needs ${px} px`,
    tells: (runs) => !isEverywhere(runs),
    rule: null
  },
  {
    what: 'heading',
    label: 'changes its lines',
    tone: 'plain',
    isCounted: true,
    isLocal: true,
    worst: 'most',
    words: lines,
    tells: (runs) => runs.length > 1,
    rule: null
  }
];

/** @returns what tells things that are seen apart: what it is, of which part of which piece. */
export const keyOf = ({ what, node, part }: Pick<Sight, 'what' | 'node' | 'part'>): string =>
  `${what} ${node} ${part}`;

const BY_WHAT = new Map(LANES.map((kind) => [kind.what, kind]));

export const laneKindOf = (what: What): LaneKind => BY_WHAT.get(what)!;

/** @returns whether a value is the worse of two, which of one thing are compared. */
export const isWorse = (what: What, value: number, than: number): boolean =>
  laneKindOf(what).worst === 'most' ? value > than : value < than;
