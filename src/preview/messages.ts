import { array, boolean, lazy, mixed, number, object, string, type InferType, type ObjectSchema } from 'yup';

/** What the app and the preview frame tell each other. Both sides check what they get; what does not fit is dropped and counted. */

const id = () => string().strict(true).max(80);
const list = <T>(of: T) => array().of(of as never).max(25_000).required();

const pick = object({
  node: id().required(),
  part: id().required(),
  /** The item (a panel) whose label or body was picked; null for none. */
  item: id().nullable().defined()
});

export type Pick = InferType<typeof pick>;

/** Conditions that can be tried by a switch. Widths are real in the frame and need none. */
export const SWITCHES = ['touch', 'less-motion', 'no-script', 'print'] as const;
export type Switch = (typeof SWITCHES)[number];

const toFrame = {
  patch: object({
    type: string().oneOf(['patch']).required(),
    seq: number().integer().required(),
    root: id().required(),
    keyframes: string().strict(true).defined(),
    nodes: list(
      object({
        id: id().required(),
        html: string().strict(true).max(2_000_000).defined(),
        behaviours: array().of(id().required()).required()
      }).noUnknown()
    ) as never,
    sheets: list(object({ id: id().required(), css: string().strict(true).max(2_000_000).defined() }).noUnknown()) as never,
    removed: list(id().required())
  }),
  asset: object({
    type: string().oneOf(['asset']).required(),
    id: id().required(),
    blob: mixed<Blob>((value): value is Blob => value instanceof Blob).required()
  }),
  show: object({
    type: string().oneOf(['show']).required(),
    mode: string().oneOf(['select', 'try']).required(),
    switches: array().of(string().oneOf(SWITCHES).required()).required(),
    picked: pick.nullable().defined(),
    /** The name on the picked part's tag. */
    name: string().strict(true).max(200).defined()
  }),
  reveal: object({ type: string().oneOf(['reveal']).required(), node: id().required() }),
  specimens: object({
    type: string().oneOf(['specimens']).required(),
    node: id().required(),
    part: id().required(),
    /** One cell for each; null leaves the cell empty. */
    states: array().of(id().nullable()).required(),
    /** Width and height of a cell, in px. */
    cell: object({ width: number().required(), height: number().required() }).required(),
    /** Attributes that carry a state of the part; taken off so that each cell shows just its own. */
    strip: array().of(id().required()).required()
  })
};

const fromFrame = {
  ready: object({ type: string().oneOf(['ready']).required() }),
  patched: object({
    type: string().oneOf(['patched']).required(),
    seq: number().integer().required(),
    /** Work on the patch, style and layout included, in ms. */
    work: number().min(0).required()
  }),
  picked: object({ type: string().oneOf(['picked']).required(), pick: pick.required(), opens: boolean().required() }),
  key: object({
    type: string().oneOf(['key']).required(),
    key: string().strict(true).max(20).required(),
    code: string().strict(true).max(20).defined(),
    ctrl: boolean().required(),
    shift: boolean().required(),
    alt: boolean().required()
  }),
  fault: object({ type: string().oneOf(['fault']).required(), sentence: string().strict(true).max(500).required() })
};

type Union<Map extends Record<string, ObjectSchema<any>>> = { [K in keyof Map]: InferType<Map[K]> & { type: K } }[keyof Map];

export type FromFrame = Union<typeof fromFrame>;

export interface PatchNode {
  readonly id: string;
  readonly html: string;
  readonly behaviours: readonly string[];
}

type Loose = Union<Omit<typeof toFrame, 'patch'>>;
export type ToFrame =
  | Loose
  | { type: 'patch'; seq: number; root: string; keyframes: string; nodes: readonly PatchNode[]; sheets: readonly { readonly id: string; readonly css: string }[]; removed: readonly string[] };

function reader<T>(schemas: Record<string, ObjectSchema<any>>): (value: unknown) => T | null {
  const any = lazy((value: { type?: unknown } | null) => {
    const name = value && typeof value === 'object' ? value.type : null;
    const schema = typeof name === 'string' && Object.hasOwn(schemas, name) ? schemas[name] : null;
    return schema ? schema.noUnknown() : mixed().test('known', 'unknown message', () => false);
  });
  return (value) => (any.isValidSync(value, { strict: true }) ? (value as T) : null);
}

/** @returns the message, or null where the value is none. */
export const readFromFrame = reader<FromFrame>(fromFrame);
export const readToFrame = reader<ToFrame>(toFrame);
