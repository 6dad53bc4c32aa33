import type { Lane } from '../sweep/runs';
import type { ConditionName, NodeId, StateName } from '../project/types';

/**
 * A page as it is handed over: what the workbench shows of it, as plain data. Made from the project by the same
 * functions that the screens ask, and printed as a page and as CSV.
 */
export interface Specification {
  readonly project: string;
  readonly page: PageAbout;
  readonly tokens: readonly TokenSpec[];
  readonly pieces: readonly PieceSpec[];
  /** What moves with the scroll; null where nothing was measured. */
  readonly scroll: ScrollSpec | null;
  /** What happens over all widths; null where they were not swept. */
  readonly widths: WidthsSpec | null;
  readonly findings: readonly FindingSpec[];
  /** What it exports to; empty where that was not asked for. */
  readonly files: readonly FileSpec[];
}

export interface PageAbout {
  readonly name: string;
  readonly file: string;
  readonly title: string;
  readonly description: string;
  readonly language: string;
  /** Upper edges of the lower width bands, px. */
  readonly bands: { readonly medium: number; readonly narrow: number };
  /** How far back browsers reach, in words. */
  readonly browsers: string;
}

export interface TokenSpec {
  readonly name: string;
  /** The custom property it is in the export. */
  readonly property: string;
  readonly type: string;
  /** As it was written; another token stands as `{id}`. */
  readonly written: string;
  readonly value: string;
}

/** All pieces of a page that look and behave the same. */
export interface PieceSpec {
  /** The first of them, which is drawn. */
  readonly node: NodeId;
  readonly name: string;
  readonly kind: string;
  /** Names of the others. */
  readonly others: readonly string[];
  readonly settings: readonly SettingSpec[];
  readonly parts: readonly PartSpec[];
  readonly moves: readonly MoveSpec[];
  readonly fallbacks: readonly FallbackSpec[];
  /** Width in px from which its row fits on one line, and what that row is; null where that is no question. */
  readonly fit: { readonly from: number; readonly what: string } | null;
}

export interface SettingSpec {
  readonly label: string;
  readonly value: string;
  /** Whether somebody chose it; else it is as it comes. */
  readonly isOwn: boolean;
}

export interface PartSpec {
  readonly part: string;
  readonly label: string;
  /** The element it is, with the role it is given: `button role=tab`. */
  readonly element: string;
  /** Keys and what they do. */
  readonly keys: Readonly<Record<string, string>>;
  readonly states: readonly StateSpec[];
  readonly rows: readonly PropertySpec[];
  /** Values that hold under a condition only. */
  readonly conditional: readonly ConditionalSpec[];
}

export interface StateSpec {
  readonly state: StateName;
  readonly label: string;
  /** WCAG contrast of its words against what is behind them, least; null where it has none, or is disabled. */
  readonly contrast: number | null;
}

/** One property, with a value for each state of the part. */
export interface PropertySpec {
  readonly property: string;
  readonly label: string;
  readonly values: readonly ValueSpec[];
}

export interface ValueSpec {
  /** As CSS has it, tokens spelt out. */
  readonly value: string;
  /** The token it is, by its name; null where it is none. */
  readonly token: string | null;
  /** Whether it says the same as at rest. */
  readonly isAsRest: boolean;
}

export interface ConditionalSpec {
  readonly condition: ConditionName;
  readonly state: StateName;
  readonly property: string;
  readonly value: string;
  readonly token: string | null;
}

export interface MoveSpec {
  readonly label: string;
  /** What sets it going. */
  readonly event: string;
  /** How long it lasts, when it begins, and what lies between children that follow one another, else 0; all in ms. */
  readonly ms: number;
  readonly delay: number;
  readonly step: number;
  /** As it was written; a token stands as `{id}`. */
  readonly easing: string;
  /** Share of its length after which it stays within a hundredth of its end; null for a curve that cannot be read. */
  readonly settled: number | null;
}

/** One row of the fallback table: a text for each condition; null where it is as on wide. */
export interface FallbackSpec {
  readonly label: string;
  readonly cells: Readonly<Partial<Record<ConditionName, string | null>>>;
}

export interface ScrollSpec {
  /** Width of the window it was measured in, px. */
  readonly width: number;
  readonly ranges: readonly RangeSpec[];
}

export interface RangeSpec {
  readonly words: string;
  readonly sort: string;
  /** px from the top of the page. */
  readonly start: number;
  readonly end: number;
  readonly travel: number | null;
}

export interface FindingSpec {
  readonly severity: 'error' | 'warning';
  readonly sentence: string;
  readonly cause: string;
  /** Why it was set aside; null for one that is open. */
  readonly aside: string | null;
}

export interface FileSpec {
  readonly path: string;
  /** Bytes. */
  readonly raw: number;
  readonly gzip: number;
}

export interface WidthsSpec {
  /** The least and the greatest width that were laid out, px. */
  readonly from: number;
  readonly to: number;
  /** The worst first. */
  readonly lanes: readonly WidthLane[];
  /** What they were made of, for a chart of all of them. */
  readonly seen: readonly Lane[];
}

/** One thing that happens to a part of a piece. */
export interface WidthLane {
  readonly words: string;
  readonly tone: 'error' | 'warning' | 'plain';
  readonly spans: readonly WidthSpan[];
}

export interface WidthSpan {
  /** px, both included. */
  readonly from: number;
  readonly to: number;
  readonly words: string;
}
