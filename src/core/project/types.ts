/**
 * The document: plain JSON, frozen, without behaviour. Everything Kymation does is a function of a `Project`.
 * Nodes live in one flat map; a node names its children by id, in named slots.
 */

declare const brand: unique symbol;
type Branded<Name extends string> = string & { readonly [brand]: Name };

export type ProjectId = Branded<'project'>;
export type PageId = Branded<'page'>;
export type NodeId = Branded<'node'>;
export type AssetId = Branded<'asset'>;
export type TokenId = Branded<'token'>;
export type ShelfId = Branded<'shelf'>;
export type SourceId = Branded<'source'>;

export type Json = string | number | boolean | null | readonly Json[] | { readonly [key: string]: Json };

/**
 * States that any part may have, in cascade order: of two states that set the same property, the later one
 * wins. A kind may name states of its own, which come before `disabled` (see `statesOf`).
 */
export const STATES = ['rest', 'hover', 'focus', 'pressed', 'selected', 'disabled'] as const;
export type StateName = (typeof STATES)[number] | (string & NonNullable<unknown>);

/**
 * Conditions in cascade order. `always` holds everywhere; the others are symbols that only a printer turns
 * into at-rules.
 */
export const CONDITIONS = [
  'always',
  'medium',
  'narrow',
  'touch',
  'less-motion',
  'no-script',
  'print'
] as const;
export type ConditionName = (typeof CONDITIONS)[number];
export type Circumstance = Exclude<ConditionName, 'always'>;

/** CSS property → value as written, for one part in one state under one condition. */
export type Declarations = Readonly<Record<string, string>>;

/** part → state → condition → declarations. Only what differs from the kind's own look is stored. */
export type Styles = Readonly<
  Record<string, Readonly<Partial<Record<StateName, Readonly<Partial<Record<ConditionName, Declarations>>>>>>>
>;

export type Settings = Readonly<Record<string, Json>>;
export type Adaptations = Readonly<Partial<Record<Circumstance, Settings>>>;

/** What a piece had as another kind and has no place for now. */
export interface Former {
  readonly settings: Settings;
  readonly adapt: Adaptations;
  readonly styles: Styles;
  /** Where its children stood, in a kind that has several places for them. Some may have gone meanwhile. */
  readonly slots?: Readonly<Record<string, readonly NodeId[]>>;
}

export interface Node {
  readonly id: NodeId;
  readonly kind: string;
  /** What the designer calls it; shown in the outline. Never empty. */
  readonly name: string;
  /** Only what differs from the kind's defaults. */
  readonly settings: Settings;
  /**
   * Settings under a condition, only what differs from those above; a narrower width band keeps what a wider
   * one says.
   */
  readonly adapt: Adaptations;
  readonly slots: Readonly<Record<string, readonly NodeId[]>>;
  readonly styles: Styles;
  /**
   * What the piece does beside what it is, by the names of effects, in the order they were given; left out where
   * it does nothing. Their settings stand among its own, as `EFFECT-KEY`.
   */
  readonly effects?: readonly string[];
  /**
   * Rows of a list: its first child is drawn once for each, with what is bound in it taken from the row; left out
   * where its children stand as they are.
   */
  readonly rows?: readonly Row[];
  /** Which rows of a source those are; left out where they are its own. */
  readonly query?: Query;
  /** Settings that come from a column of the row around it, by their keys; `name` is what it is called. */
  readonly binds?: Readonly<Record<string, Binding>>;
  /** Of a piece made for a row: the piece it is a copy of. Never stored. */
  readonly copyOf?: NodeId;
  /** Of a list that leaves to be drawn anew by its page: what the page is told, JSON. Never stored. */
  readonly refresh?: string;
  /** Of a piece in the row that stands for all: what stands in its row where it is drawn. Never stored. */
  readonly drawnFor?: string;
  /** What it had as other kinds, by kind, and has again when it is swapped back; left out for nothing. */
  readonly was?: Readonly<Record<string, Former>>;
  /** The piece on the shelf that this one follows; left out where it stands on its own. */
  readonly linked?: ShelfId;
}

/** Values of one row by column; null where the row has none. */
export type Row = Readonly<Record<string, string | number | boolean | null>>;

/** How a number or a day is written, by the language of the page. */
export type ValueFormat =
  | { readonly as: 'number'; readonly decimals: number }
  | { readonly as: 'money'; readonly currency: string }
  | { readonly as: 'date'; readonly style: 'short' | 'medium' | 'long' };

/** Where a setting's value comes from. */
export interface Binding {
  readonly column: string;
  /** What stands there where the row has nothing; left out: what is set. */
  readonly otherwise?: string | number | boolean;
  /** Left out: as it is. */
  readonly format?: ValueFormat;
}

export const COLUMN_TYPES = ['text', 'number', 'yes-no', 'date'] as const;
export type ColumnType = (typeof COLUMN_TYPES)[number];

export interface Column {
  readonly name: string;
  /** Values are texts, numbers, truths, and for dates texts as `2026-11-27`; null where a row has none. */
  readonly type: ColumnType;
}

/** Where a source has its rows from; an address can be asked again. */
export const ORIGINS = ['file', 'pasted', 'address', 'catalogue'] as const;

/** A table that lists take their rows from. */
export interface Source {
  readonly id: SourceId;
  readonly name: string;
  readonly origin: (typeof ORIGINS)[number];
  /** The file's name or the address; empty for what was pasted. */
  readonly place: string;
  /** When its rows were taken, ISO 8601. */
  readonly taken: string;
  readonly columns: readonly Column[];
  readonly rows: readonly Row[];
}

export const COMPARISONS = [
  'is',
  'is-not',
  'contains',
  'more',
  'less',
  'at-least',
  'at-most',
  'filled',
  'empty'
] as const;
export type Comparison = (typeof COMPARISONS)[number];

/** One condition of a query: a column compared with a value, as it is typed. */
export interface Where {
  readonly column: string;
  readonly is: Comparison;
  readonly value: string;
}

/** Which rows of a source a list shows, and in which order. */
export interface Query {
  readonly source: SourceId;
  readonly where: readonly Where[];
  /** Whether one of the conditions is enough; else all must hold. */
  readonly any: boolean;
  /** The column it is sorted by; empty for the order of the source. */
  readonly by: string;
  readonly down: boolean;
  /** How many at most; 0 for all. */
  readonly most: number;
  readonly skip: number;
  /** Whether an exported page asks the address of the source for its rows of today; left out: it does not. */
  readonly fresh?: boolean;
}

/** A piece kept to be used again, with everything in it. */
export interface ShelfPiece {
  readonly id: ShelfId;
  readonly name: string;
  readonly fragment: Fragment;
}

export interface Page {
  readonly id: PageId;
  readonly name: string;
  readonly title: string;
  readonly description: string;
  /** BCP 47 language tag. */
  readonly language: string;
  /** Shown where a link to the page is shared; left out for none. */
  readonly picture?: AssetId;
  /** Its file's name without `.html`, small letters, digits and hyphens; left out: its id. */
  readonly address?: string;
  readonly root: NodeId;
}

/** What a file of the project may be: a picture, a film, or a typeface. */
export const PICTURE_TYPES = [
  'image/svg+xml',
  'image/png',
  'image/jpeg',
  'image/webp',
  'image/gif',
  'image/avif'
] as const;
export const FILM_TYPES = ['video/mp4', 'video/webm'] as const;

export const FACE_TYPES = ['font/woff2', 'font/ttf', 'font/otf'] as const;

/** What was read of a file of a typeface. Lengths are in em. */
export interface Face {
  /** As `font-family` names it. */
  readonly family: string;
  readonly style: 'normal' | 'italic';
  /** Lightest and boldest it can be; the same for one that does not vary. */
  readonly weight: readonly [least: number, most: number];
  readonly ascent: number;
  /** Below the baseline, as a positive length. */
  readonly descent: number;
  readonly lineGap: number;
  /** Average of English text. */
  readonly width: number;
  /** What its licence bits allow (OpenType, OS/2, fsType): all, only as a whole, or no use in pages at all. */
  readonly allows: 'all' | 'whole' | 'none';
  /**
   * What happens where its file comes when the page already stands in the fall-back: with `changes` it is put in
   * then; left out, nothing moves, and it is drawn on the next page.
   */
  readonly late?: 'changes';
}

export interface Asset {
  readonly id: AssetId;
  /** File name in the project file and in exports; unique in the project. */
  readonly file: string;
  readonly type: (typeof PICTURE_TYPES)[number] | (typeof FILM_TYPES)[number] | (typeof FACE_TYPES)[number];
  /** Natural size in CSS px; null where the file does not say, and for films. */
  readonly width: number | null;
  readonly height: number | null;
  /** Size of the file in bytes. */
  readonly bytes: number;
  /** Its tones from dark to light, as `#rrggbbaa`; left out where they have not been read. */
  readonly tones?: readonly string[];
  /** Set for typefaces alone. */
  readonly face?: Face;
}

export const isPicture = ({ type }: Pick<Asset, 'type'>): boolean => type.startsWith('image/');
export const isFilm = ({ type }: Pick<Asset, 'type'>): boolean => type.startsWith('video/');

export const TOKEN_TYPES = [
  'colour',
  'length',
  'duration',
  'easing',
  'shadow',
  'typeface',
  'weight',
  'number',
  'type-style'
] as const;
export type TokenType = (typeof TOKEN_TYPES)[number];

/**
 * A value with a name that any cell may take, written `{id}` there. Exports carry it as the custom property
 * `--id`.
 */
export interface Token {
  readonly id: TokenId;
  readonly name: string;
  readonly type: TokenType;
  /**
   * A CSS value of its type, or another token as `{id}`; of a type style its five declarations, which cells
   * take as `{id.font-size}`.
   */
  readonly value: string;
}

/** Upper edges of the two lower width bands, in CSS px, both inclusive; `narrow` is smaller than `medium`. */
export interface Bands {
  readonly medium: number;
  readonly narrow: number;
}

/** A width band: above both edges, and under each. */
export type Band = 'wide' | keyof Bands;

/**
 * How far back the browsers reach that an export must do everything in (Baseline, as the web-features data
 * has it).
 */
export const SUPPORT_TARGETS = ['widely', 'newly', 'current'] as const;
export type SupportTarget = (typeof SUPPORT_TARGETS)[number];

export interface ProjectInfo {
  readonly name: string;
  readonly bands: Bands;
  readonly support: SupportTarget;
  /** Findings set aside, by rule and node (`rule node`), each with the reason given. */
  readonly aside: Readonly<Record<string, string>>;
  readonly pageOrder: readonly PageId[];
}

/** The format of project.json that this version writes; older ones are carried up to it when they are read. */
export const FORMAT = 3;

export interface Project {
  readonly format: typeof FORMAT;
  readonly id: ProjectId;
  readonly info: ProjectInfo;
  readonly pages: Readonly<Record<PageId, Page>>;
  readonly nodes: Readonly<Record<NodeId, Node>>;
  readonly assets: Readonly<Record<AssetId, Asset>>;
  readonly tokens: Readonly<Record<TokenId, Token>>;
  readonly shelf: Readonly<Record<ShelfId, ShelfPiece>>;
  readonly sources: Readonly<Record<SourceId, Source>>;
}

/** A tree of nodes outside any project: what is inserted, copied or made new. `nodes[root]` exists. */
export interface Fragment {
  readonly root: NodeId;
  readonly nodes: Readonly<Record<NodeId, Node>>;
}

/** A place among the children of a node. `index` counts from 0; one past the end appends. */
export interface Place {
  readonly parent: NodeId;
  readonly slot: string;
  readonly index: number;
}

export type Change<T> = readonly [before: T | null, after: T | null];

/**
 * What one command changed, record by record. Whole records are kept, so going back restores the very objects
 * that stood before (`===`), and everything memoised on them is found again.
 */
export interface Diff {
  readonly info?: Change<ProjectInfo>;
  readonly pages?: Readonly<Record<string, Change<Page>>>;
  readonly nodes?: Readonly<Record<string, Change<Node>>>;
  readonly assets?: Readonly<Record<string, Change<Asset>>>;
  readonly tokens?: Readonly<Record<string, Change<Token>>>;
  readonly shelf?: Readonly<Record<string, Change<ShelfPiece>>>;
  readonly sources?: Readonly<Record<string, Change<Source>>>;
}
