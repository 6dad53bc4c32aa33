import type { Ask } from '$core/facts/fact';
import { isFact } from '$core/facts/index';
import { heardSchema } from '$core/heard/heard';
import { READ_MOST, readSchema } from '$core/heard/order';
import { SWITCHED } from '$core/kinds/conditions';
import type { Found } from './readers';
import { hasOnly, id, is, isId, isListOf, isText, isWidth, long, pick, sight } from './message-parts';
import { array, boolean, mixed, number, object, string, type InferType, type AnyObjectSchema } from 'yup';

export type { Pick } from './message-parts';

/**
 * What the app and the preview frame tell each other. Both sides check what they get; what does not fit is
 * dropped and counted.
 */

/**
 * Conditions that can be tried by a switch. Widths are real in the frame and need none; pictures that do not
 * come are no condition of a style.
 */
export const SWITCHES = [...SWITCHED, 'no-pictures'] as const;
export type Switch = (typeof SWITCHES)[number];

const toFrame = {
  patch: () =>
    object({
      type: is('patch'),
      seq: number().integer().required(),
      root: id().required(),
      keyframes: string().strict(true).defined(),
      nodes: long(
        'nodes',
        (each) =>
          hasOnly(each, ['id', 'html', 'behaviours']) &&
          isId(each.id) &&
          isText(each.html, 2_000_000) &&
          Array.isArray(each.behaviours) &&
          each.behaviours.every(isId)
      ),
      sheets: long(
        'sheets',
        (each) => hasOnly(each, ['id', 'css']) && isId(each.id) && isText(each.css, 2_000_000)
      ),
      values: long(
        'values',
        (each) =>
          hasOnly(each, ['id', 'stem', 'values', 'widths']) &&
          isId(each.id) &&
          isId(each.stem) &&
          isListOf(each.values, (value) => isText(value, 500)) &&
          isListOf(each.widths, isWidth)
      ),
      removed: long('removed', isId),
      tokens: array()
        .of(object({ id: id().required(), value: string().strict(true).max(2000).defined() }).noUnknown())
        .max(5000)
        .nullable()
        .defined() as never,
      said: object({
        lang: string().strict(true).max(40).required(),
        dir: string().oneOf(['ltr', 'rtl']).required()
      })
        .noUnknown()
        .nullable()
        .default(null)
    }),
  asset: () =>
    object({
      type: is('asset'),
      id: id().required(),
      blob: mixed<Blob>((value): value is Blob => value instanceof Blob).required(),
      /** What a file of a typeface is called; null for pictures and films. */
      face: object({
        family: string().strict(true).max(100).required(),
        style: string().oneOf(['normal', 'italic']).required(),
        weight: string().strict(true).max(20).required()
      })
        .nullable()
        .default(null)
    }),
  show: () =>
    object({
      type: is('show'),
      mode: string().oneOf(['select', 'try']).required(),
      switches: array().of(string().oneOf(SWITCHES).required()).required(),
      picked: pick.nullable().defined(),
      /** The piece that the picked one answers to: it is outlined too. */
      box: id().nullable().defined(),
      /** A state shown on the picked part though nobody touches it, and all that hold along with it; itself last. */
      forced: array().of(id().required()).max(10).nullable().defined(),
      /** What an element of the part matches that is chosen: it looks so whatever state is shown on it. */
      chosen: array().of(string().strict(true).max(200).required()).max(10).required(),
      /** Whether the state that is shown is one of what is chosen. */
      isOfChosen: boolean().strict(true).required(),
      /** Pace of everything that moves: 1 is real. */
      rate: number().min(0.05).max(4).required(),
      /** Type size that the reader has chosen in the browser, in percent of the usual. */
      typeSize: number().min(50).max(300).required(),
      /** Margins, paddings and gaps of what is under the pointer are drawn. */
      guides: boolean().required(),
      /**
       * Stacked siblings of the picked piece, itself among them, which is then dragged in the page; empty where
       * it is not one of such.
       */
      stack: array().of(id().required()).max(500).required(),
      /** The name on the picked part's tag. */
      name: string().strict(true).max(200).defined()
    }),
  /** Sets a piece moving: as a press on one of its parts does, coming into view, opening or closing it. */
  play: () =>
    object({
      type: is('play'),
      node: id().required(),
      part: id().required(),
      how: string().oneOf(['press', 'enter', 'open', 'close']).required()
    }),
  /** Holds everything that moves at a time in ms since it was set going; null lets it go on. */
  scrub: () => object({ type: is('scrub'), time: number().min(0).nullable().defined() }),
  /** Shows what plays at a moment of its round; null lets it go on as it would. */
  round: () =>
    object({
      type: is('round'),
      node: id().required(),
      moment: object({
        from: id().required(),
        to: id().required(),
        moved: number().min(0).nullable().defined(),
        share: number().min(0).max(1).required()
      })
        .nullable()
        .defined()
    }),
  /** Scrolls to a share of the way, 0 to 1. */
  scroll: () =>
    object({
      type: is('scroll'),
      share: number().min(0).max(1).required(),
      at: sight()
    }),
  /** Shows a piece as it stands at both ends of its range, `travel` px apart where it sticks; null shows none. */
  ghosts: () =>
    object({
      type: is('ghosts'),
      node: id().nullable().defined(),
      travel: number().required()
    }),
  /** Asks for facts about some pieces. */
  measure: () =>
    object({
      type: is('measure'),
      asks: long('asks', (each) => hasOnly(each, ['fact', 'node', 'part']) && Object.values(each).every(isId))
    }),
  /** Lets a hand write in a part of a piece; null ends it. */
  write: () =>
    object({
      type: is('write'),
      node: id().nullable().defined(),
      part: id().required(),
      html: string().strict(true).max(60_000).defined(),
      label: string().strict(true).max(200).defined()
    }),
  reveal: () => object({ type: is('reveal'), node: id().required() }),
  /** Opens or closes all that collapses, and tells how high the page is both ways. */
  unfold: () =>
    object({
      type: is('unfold'),
      isOpen: boolean().strict(true).required()
    }),
  /** Turns all that have two sides to the other one, or back. */
  turn: () =>
    object({
      type: is('turn'),
      isOut: boolean().strict(true).required()
    }),
  /** Numbers the stops of the Tab key on the page, and tells what is read in which order; or no longer. */
  order: () =>
    object({
      type: is('order'),
      isOn: boolean().strict(true).required()
    }),
  specimens: () =>
    object({
      type: is('specimens'),
      node: id().required(),
      part: id().required(),
      /** One cell for each; null leaves the cell empty. */
      states: array().of(id().nullable()).required(),
      /** Width and height of a cell, in px. */
      cell: object({ width: number().required(), height: number().required() }).required(),
      /** How many times as large the frame is shown: the cells are drawn as much smaller. */
      enlarged: number().min(1).required(),
      /** Conditions that hold in all cells. */
      switches: array().of(string().oneOf(SWITCHES).required()).required(),
      /** Attributes that carry a state of the part; taken off so that each cell shows just its own. */
      strip: array().of(id().required()).required(),
      /** What the part matches in each of the states, empty at rest: what is heard is told of each. */
      selectors: array().of(string().strict(true).max(300).defined()).max(30).required()
    })
};

const fromFrame = {
  ready: () => object({ type: is('ready') }),
  patched: () =>
    object({
      type: is('patched'),
      seq: number().integer().required(),
      /** Work on the patch, style and layout included, in ms. */
      work: number().min(0).required(),
      /** When the frame that shows it was begun, ms by the clock that all windows share. */
      shown: number().min(0).required()
    }),
  picked: () =>
    object({
      type: is('picked'),
      pick: pick.required(),
      opens: boolean().required()
    }),
  key: () =>
    object({
      type: is('key'),
      key: string().strict(true).max(20).required(),
      code: string().strict(true).max(20).defined(),
      ctrl: boolean().required(),
      shift: boolean().required(),
      alt: boolean().required()
    }),
  /**
   * A stacked piece was dragged: where it stands now, as shares of the free room, 0 to 1. Moves of one drag
   * have one number.
   */
  dragged: () =>
    object({
      type: is('dragged'),
      node: id().required(),
      x: number().min(0).max(1).required(),
      y: number().min(0).max(1).required(),
      gesture: number().integer().min(0).required()
    }),
  /** Which of its stacked siblings the picked piece shares some room with, as the page stands. */
  overlaps: () =>
    object({
      type: is('overlaps'),
      node: id().required(),
      others: array().of(id().required()).max(500).required()
    }),
  /** What was written so far; cleaned where it arrives. */
  written: () =>
    object({
      type: is('written'),
      node: id().required(),
      html: string().strict(true).max(60_000).defined()
    }),
  scrolled: () =>
    object({
      type: is('scrolled'),
      /** The root of the page that is shown: another may have been asked for meanwhile. */
      page: id().required(),
      share: number().min(0).max(1).required(),
      at: sight(),
      /** Whether a person scrolled, so that the other widths follow; false where an edit or the workbench did. */
      byHand: boolean().strict(true).required()
    }),
  measured: () =>
    object({
      type: is('measured'),
      /** Width and height of the window, and height of the page, px. */
      viewport: number().min(0).required(),
      window: number().min(0).required(),
      page: number().min(0).required(),
      found: long(
        'found',
        (each) =>
          hasOnly(each, ['fact', 'node', 'value']) && isId(each.node) && isFact(String(each.fact), each.value)
      )
    }),
  /**
   * What is under the pointer, and the room it keeps, px: above, right, below, left; gap between rows and
   * columns.
   */
  hovered: () =>
    object({
      type: is('hovered'),
      pick: pick.nullable().defined(),
      width: number().required(),
      height: number().required(),
      padding: array().of(number().required()).max(4).required(),
      margin: array().of(number().required()).max(4).required(),
      gap: array().of(number().required()).max(2).nullable().defined(),
      collapsed: number().nullable().defined()
    }),
  /** What assistive technology gets of the part that specimens are drawn of, one for each state. */
  heard: () =>
    object({
      type: is('heard'),
      node: id().required(),
      part: id().required(),
      heard: array().of(heardSchema).max(30).required()
    }),
  /**
   * How high the cells of the specimens have to be, px, for the part to be drawn as wide as they are; null where the
   * page has no such part as it is.
   */
  specimenRoom: () =>
    object({
      type: is('specimenRoom'),
      node: id().required(),
      part: id().required(),
      height: number().min(0).defined().nullable()
    }),
  /** How high the page is, px, with all that collapses closed and with all of it open; how many there are. */
  unfolded: () =>
    object({
      type: is('unfolded'),
      count: number().integer().min(0).required(),
      closed: number().min(0).required(),
      open: number().min(0).required()
    }),
  /** What is read of the page, in its order. */
  ordered: () =>
    object({
      type: is('ordered'),
      read: array().of(readSchema).max(READ_MOST).required()
    }),
  fault: () =>
    object({
      type: is('fault'),
      sentence: string().strict(true).max(500).required()
    })
};

/**
 * Schemas by the type of message, each made when the first of its type comes: an app and many frames begin with
 * this, and each hears of few types.
 */
type Schemas = Readonly<Record<string, () => AnyObjectSchema>>;

type Union<Map extends Schemas> = {
  [K in keyof Map]: InferType<ReturnType<Map[K]>> & { type: K };
}[keyof Map];

export interface Measured {
  readonly type: 'measured';
  readonly viewport: number;
  readonly window: number;
  readonly page: number;
  readonly found: readonly Found[];
}

export type FromFrame = Union<Omit<typeof fromFrame, 'measured'>> | Measured;

export interface PatchNode {
  readonly id: string;
  readonly html: string;
  readonly behaviours: readonly string[];
}

/** Values of a node's custom properties, and the widths in px its marks are of. */
export interface PatchValues {
  readonly id: string;
  readonly stem: string;
  readonly values: readonly string[];
  readonly widths: readonly number[];
}

type Loose = Union<Omit<typeof toFrame, 'patch' | 'measure'>> | { type: 'measure'; asks: readonly Ask[] };
export type ToFrame =
  | Loose
  | {
      type: 'patch';
      seq: number;
      root: string;
      keyframes: string;
      nodes: readonly PatchNode[];
      sheets: readonly { readonly id: string; readonly css: string }[];
      values: readonly PatchValues[];
      removed: readonly string[];
      tokens: readonly { readonly id: string; readonly value: string }[] | null;
      said: { readonly lang: string; readonly dir: 'ltr' | 'rtl' } | null;
    };

/** @returns what a message says it is; empty where it says nothing. */
function typeOf(value: unknown): string {
  const type = (value as { type?: unknown } | null | undefined)?.type;
  return typeof type === 'string' ? type : '';
}

function reader<T>(schemas: Schemas): (value: unknown) => T | null {
  const made = new Map<string, AnyObjectSchema>();
  const schemaOf = (type: string) => {
    if (!made.has(type) && Object.hasOwn(schemas, type)) made.set(type, schemas[type]!().noUnknown());
    return made.get(type);
  };
  return (value) => (schemaOf(typeOf(value))?.isValidSync(value, { strict: true }) ? (value as T) : null);
}

/** @returns the message, or null where the value is none. */
export const readFromFrame = reader<FromFrame>(fromFrame);
export const readToFrame = reader<ToFrame>(toFrame);
