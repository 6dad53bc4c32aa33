import type { Element, ElementContent, Root } from 'hast';
import type { AnyObject, ObjectSchema } from 'yup';
import type { BlendMode } from '../colour/blend';
import type { Loose } from '../data/record';
import type { Icon } from '../html/icon';
import type { Keys } from '../heard/keys';
import type { PlatformFeature } from '../support/features';
import type { Box } from '../facts/box';
import type { FindingRule, Fit } from './finding';
import type { Landmark } from './landmark';
import type { Schedule } from './schedule';
import type {
  Asset,
  AssetId,
  Band,
  Bands,
  ConditionName,
  Declarations,
  Fragment,
  Json,
  Node,
  NodeId,
  Adaptations,
  Circumstance,
  StateName,
  Styles,
  SupportTarget
} from '../project/types';

/** Groups of the insert drawer, in their order: by what a piece does for the reader. */
export const INSERT_GROUPS = ['Opens', 'Words', 'Pictures', 'Page', 'Ready-made'] as const;
export type InsertGroup = (typeof INSERT_GROUPS)[number];

/** An edge of a page, in the order it is read. */
export type PageEdge = 'start' | 'end';

/** Where a node may stand: a slot names the categories it takes. */
export type Category = 'page' | 'section' | 'block' | 'column' | 'layer' | 'panel' | 'link';

/**
 * A state of the kind's own: open, turned, stuck. Parts that have it give it a selector as they do for any
 * other; where the attribute stands on an element around the part, that is `:is([open] > *)`. In it `&` is the
 * piece's root, without weight. A selector weighs as much as one class, so that the order of states decides.
 */
export interface OwnState {
  /** At the head of its column. */
  readonly label: string;
  /** States that hold along with it, besides rest: `open` of what is open and hovered. */
  readonly implies?: readonly StateName[];
  /** The common state it stands for, where a piece is swapped for a kind that has only that: `selected`. */
  readonly like?: StateName;
}

/**
 * A part of a kind: a piece of its drawing that can be picked and styled. `root` is the node's outermost
 * element.
 */
export interface Part {
  readonly label: string;
  /** States beyond rest, with the selector each has on the part's element. */
  readonly states: Readonly<Partial<Record<Exclude<StateName, 'rest'>, string>>>;
  /** Style properties beyond those every state sheet shows. */
  readonly properties?: readonly string[];
  /** Holds text of its own, so contrast is worked out for it. */
  readonly hasText?: boolean;
  /** Its fill is all that shows it, so that has to be told from what is behind it (WCAG 2.2, 1.4.11). */
  readonly isMark?: boolean;
  /** The part it is drawn on; `null` for the node's own parent. Default: `root`, and null for `root`. */
  readonly on?: string | null;
  /** A state of the part it is drawn on, without which it is not seen: the panel of an item that is closed. */
  readonly seenIn?: StateName;
  /** A part it comes to stand on where there is no room for it, where that is drawn: its words are read there too. */
  readonly movesTo?: string;
  /** Settings of an item that hold its icon, by state: a row of the state sheet. */
  readonly icons?: Readonly<Partial<Record<StateName, string>>>;
  /** Keys that work at it beside those the browser gives its element: the key, and what it does. */
  readonly keys?: Keys;
  /** Its box in the drawing of the parts, in a field 150 wide and 116 high. Left out: named in the list only. */
  readonly box?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

export type Anatomy = Readonly<Record<string, Part>>;

export interface Slot {
  readonly label: string;
  readonly accepts: readonly Category[];
  /** One list with labels, edited at the owner, which may draw the children itself (tab panels, columns). */
  readonly items?: boolean;
  /**
   * The children stand side by side, so that one may be less high than the others; `equal` is the setting that
   * makes them all as high as the highest.
   */
  readonly row?: { readonly equal: readonly [key: string, value: Json] };
  /** What stands in it holds none of its own kind in turn: one level below the owner's own list is all there is. */
  readonly isLastLevel?: boolean;
  /** Its first child can be drawn once for each row of a list; `mainly` where that is what it is for. */
  readonly repeats?: boolean | 'mainly';
  /** What is drawn for a row can be drawn anew by the page itself: the kind prints the row that stands for all. */
  readonly refreshes?: boolean;
  /** Its items are pictures as a rule: many are added at once. */
  readonly ofPictures?: boolean;
  /** The children lie over one another, the last on top. */
  readonly stacked?: boolean;
  /** Fewest children; removing below it is refused. */
  readonly least?: number;
  /** The part whose element holds the children. Default: `root`. */
  readonly part?: string;
  /** The element, by the name of its class, in which the items stand one after the other, where that is another one. */
  readonly list?: string;
}

/**
 * What may be asked for beside the conditions a person tunes: `script` is a screen with script, where what
 * only a script brings out can be; `under` and `from` are widths in px, of the window or of the piece's
 * place: below one, and from one on.
 */
export type Condition =
  | Circumstance
  | 'script'
  /** While the page is used and not tuned: whoever tunes a piece has to see it. A page that left is always used. */
  | 'used'
  /** Whether the browser moves things with the scroll by itself (Scroll-driven Animations 1). */
  | 'timeline'
  | 'no-timeline'
  | { readonly under: number }
  | { readonly from: number }
  /** While a condition does not hold: what is switched off there leaves no trace. */
  | { readonly not: Circumstance };

/** A style rule. All of `when` must hold. The printers decide how a state and a condition are written. */
export interface Rule {
  readonly selector: string;
  /** Set on rules of a look: the state they belong to and the selector that state has. */
  readonly state?: {
    readonly name: Exclude<StateName, 'rest'>;
    readonly selector: string;
    readonly disabled?: string;
    /** Only what can be pointed at comes into it: never on a screen that cannot hover. */
    readonly isPointed?: boolean;
  };
  readonly when: readonly Condition[];
  readonly declarations: Declarations;
  /** Its values are cells of the state sheet, which a hand may be turning right now. */
  readonly isLook?: boolean;
}

/** A shape of the kind. */
export interface Form {
  readonly form: string;
  readonly label: string;
  /** What a person gets, in a few words. */
  readonly text: string;
}

/** One row of the fallback table: what the widget does under each condition. Null: the same as `wide`. */
export interface FallbackRow {
  readonly label: string;
  readonly wide: string;
  readonly cells: Readonly<Partial<Record<Circumstance, string | null>>>;
}

export interface FallbackContext {
  readonly bands: Bands;
  /** What was measured of its rows on the page; null where nothing was. */
  readonly fit: Fit | null;
  /** @returns the node's settings under a condition; a narrow window has the medium band's too. */
  settings<S = Record<string, unknown>>(condition: ConditionName): S;
}

/**
 * What markup and style may ask. Everything asked is remembered, and the answer holds until one of these
 * things changes.
 */
export interface Context {
  readonly bands: Bands;
  /** @returns the class name of a part of this node. */
  cls(part: string): string;
  /** @returns the selector of a part of this node. */
  sel(part: string): string;
  maybeNode(id: NodeId): Node | null;
  maybeAsset(id: AssetId): Asset | null;
  /** @returns the child nodes the kind draws itself. */
  items(slot: string): readonly Node[];
  /** @returns markers a printer replaces by the children of the slot; of this node, or of one of its items. */
  slot(name: string, item?: Node): ElementContent[];
  /** @returns the settings of a node with its kind's defaults filled in. */
  settings<S = Record<string, unknown>>(node: Node): S;
  /** @returns the node's settings as they are and as they are under each condition where they differ. */
  variants<S = Record<string, unknown>>(node: Node): readonly S[];
  /**
   * @returns what a button has that opens another piece: attributes; none for one that is gone, or cannot be
   * opened.
   */
  opener(id: string): Element['properties'];
  /** How far back the browsers reach that the page must do everything in. */
  readonly support: SupportTarget;
  /** Whether an address leads to the page that the piece stands on. */
  leadsHere(href: string): boolean;
  /** Builds an element for a part: class and pick marks are set; `item` names the child node it stands for. */
  part(
    name: string,
    tag: string,
    properties?: Element['properties'],
    children?: readonly ElementContent[],
    item?: Node
  ): Element;
  /**
   * Foreign HTML as clean hast: no script, no event attribute, no address but http(s), mailto, tel and
   * in-page.
   */
  html(text: string): Root;
}

/** What is known of a kind before its code is there: enough to list it and to find it. */
export interface KindAbout {
  readonly kind: string;
  readonly label: string;
  /** A line for the README and the insert drawer, where three short lines hold some 50 letters. */
  readonly summary: string;
  /** Where it stands in the insert drawer; left out for what is not inserted by itself. */
  readonly group?: InsertGroup;
  /** What people call it or want it for, beside its label and summary: it is found by these too. */
  readonly words?: readonly string[];
  readonly category: Category;
  /** Sign in the outline: an SVG path drawn as a line, in a field of 16 by 16. */
  readonly icon: string;
  /** False for kinds that only come with their owner (a column, a panel). */
  readonly insertable: boolean;
  /** Keyframes that its rules name, beside those every kind may: a frame takes all there are at once. */
  readonly keyframes?: Readonly<Record<string, Keyframes>>;
}

/**
 * What every kind exports. One folder holds one kind; `registry.ts` refuses an incomplete or a duplicate one
 * by name.
 */
export interface Kind extends KindAbout {
  readonly anatomy: Anatomy;
  /** States of its own, in cascade order. */
  readonly states?: Readonly<Record<string, OwnState>>;
  /** The only home of defaults. Field metadata (`FieldMeta`) tells the interface how to edit them. */
  readonly settings: ObjectSchema<AnyObject>;
  readonly slots: Readonly<Record<string, Slot>>;
  readonly forms: readonly Form[];
  /** The look it has before anyone tunes it. */
  readonly look: Styles;
  /**
   * What it does differently under a condition before anyone tunes it: what a person with less motion, no
   * script or paper gets.
   */
  readonly adapt?: Adaptations;
  /** A new node of this kind with what it starts with. */
  create(make: Make): Fragment;
  /** Null for an item whose owner draws it. */
  readonly markup: ((node: Node, ctx: Context) => Element) | null;
  /**
   * Rules of its build, in no property of the look. Asked once for the settings as they are, and once for
   * each condition under which settings differ; only what comes out differently is printed under that
   * condition. So selectors, conditions and properties must be the same whatever the responsive settings are.
   */
  style(node: Node, ctx: Context): readonly Rule[];
  /** Names of runtime behaviours it needs, each listed in src/runtime/index.ts. */
  behaviours(node: Node, ctx: Context): readonly string[];
  /** What its markup and its behaviours use of the platform; what its rules use is seen in the rules. */
  uses?(node: Node, ctx: Context): readonly PlatformFeature[];
  /** Rows of the fallback table that are not settings: what follows from them. */
  fallbacks(node: Node, ctx: FallbackContext): readonly FallbackRow[];
  /** Rules about this kind. A function brings them where they are run, so that a window need not carry them. */
  readonly findings: readonly FindingRule[] | (() => Promise<{ readonly findings: readonly FindingRule[] }>);
  /** Parts that stand in a row, where what is in the row decides from which width it no longer fits. */
  readonly fit?: { readonly row: string; readonly what: string };
  /**
   * What became of a piece of the kind after a format, by the number of that format: takes it as a file has it,
   * with anything in it, and leaves alone what is newer already.
   */
  readonly migrations?: Readonly<Record<number, (node: Loose) => Loose>>;
  /**
   * What it paints beyond backgrounds of parts, so that contrast can be worked out over it. Null where
   * nothing.
   */
  ground?(settings: Readonly<Record<string, unknown>>): Ground | null;
  /**
   * The edge of the page where a piece with such settings belongs: a header at its start, a footer at its end. Null
   * for all between them.
   */
  edge?(settings: Readonly<Record<string, unknown>>): PageEdge | null;
  /** The landmark that a piece with such settings is; null, or left out, where it is none. */
  landmark?(settings: Readonly<Record<string, unknown>>): Landmark | null;
  /** Setting that says the level of a heading it draws before what it holds; left out where it draws none. */
  readonly headingLevel?: string;
  /** The part of it that other pieces open, and how: by the platform's popover, or as a modal dialog. */
  readonly opens?: { readonly part: string; readonly how: 'popover' | 'dialog' };
  /**
   * The effect that stands for a label where items of a list become pieces in it, and the other way round: a stack
   * of pieces that collapse is what an accordion is.
   */
  readonly unlists?: string;
  /** Setting that lets a word of it break where it is longer than its place. */
  readonly breaks?: string;
  /** Setting that leaves a piece out of the page where no list in it has a row. */
  readonly leftOut?: string;
  /** What starts its movements, for replay: the part to press. One that is not chosen yet is pressed. */
  readonly play?: { readonly part: string; readonly label: string };
  /**
   * Share of its own width that a child takes, from 0 to 1; left out where each has all of it. Asked for each width
   * band, so that pictures are made in the sizes they are shown in.
   */
  share?(settings: Readonly<Record<string, unknown>>, child: ShareOf): number;
  /** Whether pictures in its items are as wide as these, however wide they are themselves. */
  fills?(settings: Readonly<Record<string, unknown>>): boolean;
  /** Width by height of what its picture is cut to; null where that is whole. @param settings all of them. */
  covers?(settings: Readonly<Record<string, unknown>>): number | null;
  /** What it does with the scroll where a piece stands; its box is measured for that. @param settings all of them. */
  ranges?(
    settings: Readonly<Record<string, unknown>>,
    box: Box,
    node: Node,
    band: ConditionName
  ): readonly EffectRange[];
  /** As that of an effect, of the range it has itself. */
  readonly rangeTo?: RangeTo;
  /** Its part that is a picture behind all it holds. */
  readonly backdrop?: string;
  /** Setting while which pictures in it open as wide as the window. */
  readonly enlarges?: string;
  /** How what it holds lies for each choice of a setting; its box is measured for that. */
  readonly arranged?: Arranged;
  /** When it plays by itself, and how; null where it does not. @param settings all of them. */
  schedule?(settings: Readonly<Record<string, unknown>>): Schedule | null;
  /** What a piece of it does besides: set by the registry for one piece, never by a kind. */
  readonly effects?: readonly Effect[];
}

/** A child among those in its slot, and the width band it is asked about. */
export interface ShareOf {
  readonly index: number;
  readonly count: number;
  readonly band: Band;
}

/** Boxes as they lie in their owner, px. */
export interface Arrangement {
  readonly boxes: readonly {
    readonly left: number;
    readonly top: number;
    readonly width: number;
    readonly height: number;
  }[];
  /** How far apart the ends of the longest and the shortest column are, px. */
  readonly leftover: number;
}

export interface Arranged {
  /** The setting whose choices are drawn. */
  readonly setting: string;
  /**
   * @param settings as they are at the width on show.
   * @param width of the piece, px.
   * @returns by choice, how its items lie; null where that is not known beforehand.
   */
  lay(
    settings: Readonly<Record<string, unknown>>,
    width: number,
    ctx: Pick<Context, 'items' | 'maybeNode' | 'maybeAsset'>
  ): Readonly<Record<string, Arrangement>> | null;
}

export type Make = (
  kind: string,
  name: string,
  settings?: Node['settings'],
  slots?: Readonly<Record<string, readonly Fragment[]>>
) => Fragment;

/**
 * One thing painted under the children of a piece. A picture's pixels stand for its tones; of a film nothing
 * is known.
 */
export type GroundLayer =
  | { readonly picture: AssetId; readonly isWhole: boolean }
  | { readonly film: true }
  | { readonly paint: string; /** 0 to 1 */ readonly opacity: number; readonly blend: BlendMode };

/** What a kind paints over its root's own background and under everything it holds, from the bottom up. */
export interface Ground {
  readonly layers: readonly GroundLayer[];
  /** It takes no room and lies on the piece that comes next. */
  readonly isOverNext?: boolean;
  /** What it holds first reaches its upper edge, and so under what lies on it. */
  readonly isFilledByFirst?: boolean;
  /** As one of stacked children it takes the whole width, so what lies over it has nothing else behind. */
  readonly isAcross?: boolean;
  /** Parts that lie over whatever a slot holds, each with that slot: arrows over slides. */
  readonly partsOver?: Readonly<Record<string, string>>;
  /** Commands that lay a colour over what is painted, at an opacity from 0 to 1. */
  veil?(id: NodeId, colour: string, opacity: number): readonly object[];
}

/** Metadata of a settings field: which view of the tuning sheet edits it, and how. */
export interface FieldMeta {
  readonly view: 'fill' | 'behaviour' | 'timing' | 'fallbacks';
  readonly control:
    | 'text'
    | 'rich'
    | 'choice'
    | 'toggle'
    | 'width'
    | 'asset'
    | 'link'
    | 'item'
    | 'piece'
    | 'icon'
    | 'track'
    | 'shares'
    | 'css'
    | 'place'
    | 'moments'
    | 'number';
  /** May differ under a condition, so it is a row of the fallback table. */
  readonly responsive?: boolean;
  /** Conditions it cannot differ under, and why in a few words. */
  readonly fixed?: Readonly<Partial<Record<Circumstance, string>>>;
  /** For `track`: what sets it going, the part that moves, and the tone of its bar. */
  readonly event?: string;
  readonly part?: string;
  readonly tone?: 'in' | 'out' | 'size' | 'state';
  /**
   * Offered only where one of these settings is set, or is what is said (`fit=tile`): alone it would do
   * nothing.
   */
  readonly needs?: readonly string[];
  /** The heading it stands under in a long view; those without one stand first. */
  readonly group?: string;
  /** For `number`: what stands beside it, and the least and the greatest it can be. */
  readonly unit?: string;
  readonly range?: readonly [least: number, most: number];
  /** For `css` and `moments`: the property whose values it takes. */
  readonly property?: string;
  /** For `track`: its children move one after the other. */
  readonly staggered?: boolean;
  /** For a staggered `track`: the setting that lets children follow one another; left out where they always do. */
  readonly follows?: string;
  readonly choices?: Readonly<Record<string, string>>;
  /** For `asset`: whether it takes a picture (the default) or a film. */
  readonly media?: 'picture' | 'film';
  /**
   * For `text`: a name for links, tools or screen readers, which may well be the same in two places; no text
   * of the page.
   */
  readonly names?: boolean;
  readonly help?: string;
  /** Where it acts, for what cannot be seen while editing: in a few words. */
  readonly live?: string;
  /** For `item`: the slot whose children are offered. */
  readonly slot?: string;
  /** The node can be turned on the width ruler by this setting. */
  readonly flag?: string;
  /** The effect it belongs to; set by the registry. */
  readonly effect?: string;
}

/** Something an effect does with the scroll. */
export interface EffectRange {
  /** What sort of motion it is: each has a sign of its own where all of them are drawn. */
  readonly sort: 'sticks' | 'drifts' | 'follows' | 'sideways' | 'comes';
  /** What happens, with the piece's name before it: Press photo sticks. */
  readonly words: string;
  /** px from the beginning of what scrolls; the same where it happens at once. */
  readonly start: number;
  readonly end: number;
  /** How far it is carried along, px; null for what is not carried. */
  readonly travel: number | null;
  /** Properties it moves meanwhile, so that two that move the same are seen; left out for none. */
  readonly moves?: readonly string[];
}

/** A time an effect gives people, s from when the page is there, and what they have to read in it. */
export interface EffectSpan {
  readonly label: string;
  readonly start: number;
  readonly end: number;
  /** Whoever still reads at its end is taken away from it. */
  readonly takesAway: boolean;
  /** What is read meanwhile, in a few words, and how long that takes, s. */
  readonly read: string;
  readonly reading: number;
}

/** How long it takes to read what stands above a piece, and what is in it, s. */
export interface Reading {
  readonly above: number;
  readonly within: number;
}

/** What the settings of an effect are asked for: without the effect's name before them. */
export type EffectValues = Readonly<Record<string, unknown>>;

/** What an effect's style may ask. */
export interface EffectContext {
  /** Selector of the outermost element, which takes the piece's place in the page. */
  readonly outer: string;
  /** Selector of the piece's own root element; the same but for a piece whose widths are of its place. */
  readonly root: string;
  /** Selector of the element that holds the pieces in it. */
  readonly holder: string;
  /** How many pieces it holds. */
  readonly children: number;
  /** Selector of the element in it that can move while its own box stays where it is; null where it has none such. */
  readonly inner: string | null;
  /** Selector of the picture that fills its box from behind; null where the kind has none such. */
  readonly backdrop: string | null;
  /** Transitions of the piece's own look at rest, as a value of `transition`; empty for none. */
  readonly transition: string;
  /** What the kind's build says of the holder's width, and of where that stands: what is drawn around it follows. */
  readonly measure: Declarations;
  readonly support: SupportTarget;
}

/** What sets a piece going: time, the scroll; or the scroll moves no more of it than what is behind it. */
export type DrivenBy = 'time' | 'scroll' | 'behind';

/** Where an effect is asked for. */
export interface EffectPlace {
  readonly kind: Kind;
  /** What the piece does already, by the names of effects. */
  readonly does: readonly string[];
  /** What sets it going by these, by their names. */
  readonly driven: Readonly<Record<string, DrivenBy>>;
  /** The kind of the piece around it, and the slot; null for a page's root. */
  readonly around: { readonly kind: Kind; readonly slot: Slot } | null;
}

/** What is known of an effect before its code is there. */
export interface EffectAbout {
  readonly effect: string;
  /** What it does, as a word that follows the piece's name: Sticks. */
  readonly label: string;
  /** In the outline, beside the piece: sticky. */
  readonly sign: string;
  /** One line for whoever chooses it. */
  readonly summary: string;
  readonly words?: readonly string[];
  /** An SVG path drawn as a line, in a field of 16 by 16. */
  readonly icon: string;
  /** Keyframes that its rules name, beside those every kind may: a frame takes all there are at once. */
  readonly keyframes?: Readonly<Record<string, Keyframes>>;
}

/**
 * What any piece can be told to do: stick, enter. One folder an effect, one line in the registry. Its settings
 * stand among the piece's own with its name before them (`sticky-top`) and adapt as they do; `on` is among them
 * in every effect, and where it is off nothing of the effect is printed.
 */
export interface Effect extends EffectAbout {
  readonly settings: ObjectSchema<AnyObject>;
  /** What it does differently under a condition before anyone tunes it. */
  readonly adapt?: Adaptations;
  /** Settings it starts with at one place, where they differ from its defaults. */
  starts?(place: EffectPlace): Node['settings'];
  /** @returns why it cannot stand there, in a sentence; null where it can. */
  maybeUnfit(place: EffectPlace): string | null;
  /** What sets a piece of a kind going by it; left out where nothing does. Two at odds are refused for all effects. */
  drivenBy?(kind: Kind): DrivenBy;
  /**
   * States while it runs, in cascade order. With a selector they are states of the root, and of all parts in it;
   * without one, of those parts of the effect that say so.
   */
  readonly states?: Readonly<Record<string, OwnState & { readonly selector?: string }>>;
  /** Parts it draws, beside those of the piece; their names begin with the effect's. */
  readonly anatomy?: Anatomy;
  /** The look these have before anyone tunes them. */
  readonly look?: Styles;
  /**
   * What it draws around the element that holds the pieces in it, or around the piece itself where that is the
   * same. @param values its own, as they are under no condition.
   */
  around?(holder: Element, values: EffectValues, node: Node, ctx: Context): Element;
  /**
   * Rules while it is on. Selectors and properties must be the same whatever its settings are, as for a kind's
   * own style.
   */
  style(values: EffectValues, ctx: EffectContext): readonly Rule[];
  /** Attributes of the piece's root element. @param variants its values as they are, and under each condition. */
  attributes?(variants: readonly EffectValues[], node: Node): Element['properties'];
  /** Behaviours it needs, each listed in src/runtime/index.ts. */
  behaviours?(variants: readonly EffectValues[], node: Node, ctx: Context): readonly string[];
  /** What it does with the scroll where a piece stands, for a map of all of it. */
  ranges?(values: EffectValues, box: Box, node: Node): readonly EffectRange[];
  readonly rangeTo?: RangeTo;
  /** Times it gives people, beside what they read in them. */
  spans?(values: EffectValues, reading: Reading, node: Node): readonly EffectSpan[];
  /** Its setting that says the level of a heading it draws before what the piece holds. */
  readonly headingLevel?: string;
  /** Rules about it, brought where they are run. */
  findings(): Promise<{ readonly findings: readonly FindingRule[] }>;
  /** What sets its movement going; left out for what does not move by time. */
  readonly clock?: 'view' | 'wait';
  /** It answers to the box around it, which is outlined with the piece. */
  readonly answersBox?: boolean;
}

/**
 * What has to be set so that one end of a range comes to a place, px of the scroll; null where that end follows from
 * something else.
 */
export type RangeTo = (
  values: EffectValues,
  box: Box,
  end: 'start' | 'end',
  px: number
) => Readonly<Record<string, Json>> | null;

/** One moment of a movement, or several of them, and what holds then. */
export interface Keyframe {
  /** `from`, `to`, or shares of the way, with commas between them. */
  readonly at: string;
  readonly declarations: readonly string[];
}

/** A movement: at which times its declarations hold. */
export type Keyframes = Keyframe | readonly Keyframe[];

declare module 'hast' {
  interface ElementData {
    /** Which part of which node the element draws; printed by the preview only. */
    mark?: { readonly node: NodeId; readonly part: string };
    /** The picture shown; each printer knows its own address for it. */
    asset?: AssetId;
    /** How wide the picture is shown, as `sizes` says it; left out where its place says so. */
    shownAs?: string;
    /** The element a behaviour makes of it while the page runs. */
    becomes?: string;
    /** Attributes a behaviour gives it when the page starts; for drawings and descriptions, which run none. */
    live?: Element['properties'];
    /** It is out of sight until its piece has this attribute, named without `data-`; printed by the preview only. */
    keptUntil?: string;
    /** On a piece that keeps something out of sight: the same attribute, and the states in which it is seen. */
    bringsOut?: { readonly attribute: string; readonly states: readonly StateName[] };
    /** The icon drawn; an export draws each once and uses it wherever it shows. */
    icon?: Icon;
    /** Stands for the element of a child node; a printer puts that in its place. */
    child?: NodeId;
  }
}

declare module 'yup' {
  interface CustomSchemaMetadata {
    field?: FieldMeta;
  }
}
