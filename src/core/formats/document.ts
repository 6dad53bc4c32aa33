import { array, number, object, string, ValidationError, type AnySchema } from 'yup';
import type { Anatomy } from '../kinds/contract';
import { STYLE_PROPERTIES } from '../css/properties';
import { checkToken, checkValue } from '../css/values';
import { emptyRecord, inWords, isDeeperThan, isRecord, ownOf, type Loose } from '../data/record';
import { DEPTH_MOST } from '../project/tree';
import { migratedNode } from './migrate';
import { tokenFault } from '../kinds/fields';
import type { Registry } from '../kinds/registry';
import { ADDRESS, addressOf } from '../project/files';
import { hasWords, ID_PATTERN } from '../project/ids';
import {
  CONDITIONS,
  FACE_TYPES,
  FILM_TYPES,
  FORMAT,
  PICTURE_TYPES,
  SUPPORT_TARGETS,
  TOKEN_TYPES,
  type Former,
  type Fragment,
  type Node,
  type NodeId,
  type PageId,
  type Project,
  type Row,
  type ShelfId,
  type Source,
  type Token
} from '../project/types';
import { schemaFault } from '../commands/define';
import { MOST_NODES } from '../commands/structure';
import { SHOWN } from '../rows/binding';
import { maybeFormat, maybeQuery, maybeSource } from '../tables/schemas';
import { defined } from '../data/compact';

/** Something wrong in a document that could be left out while the rest still works. */
export interface Fault {
  readonly code: string;
  readonly sentence: string;
  /** Where in project.json, as a JSON Pointer (RFC 6901). */
  readonly path: string;
}

export type ReadDocument =
  | { readonly ok: true; readonly project: Project; readonly faults: readonly Fault[] }
  | { readonly ok: false; readonly sentence: string };

const id = string().strict(true).matches(ID_PATTERN).required();
const words = (most: number) => string().strict(true).max(most).defined();
const name = (most: number) =>
  words(most).test('seen', 'its name has nothing that can be seen', (value) => hasWords(value ?? ''));

/** A document is a table of records whose values are small: settings of a list of icons are the deepest. */
const NESTED_MOST = 40;

const pageSchema = object({
  id,
  name: name(120),
  title: words(500),
  description: words(2000),
  language: words(40).matches(/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/),
  root: id,
  picture: string().strict(true).matches(ID_PATTERN),
  address: string().strict(true).max(60).matches(ADDRESS)
});

const em = () => number().strict(true).min(0).max(10).required();
const weight = () => number().strict(true).min(1).max(1000).required();

/** A name that goes into a style sheet between quotes. */
const FAMILY = /^[^"\\\n\r{};<>]{1,100}$/;

const faceSchema = object({
  family: words(100).matches(FAMILY),
  style: string().oneOf(['normal', 'italic']).required(),
  weight: array(weight()).length(2).required(),
  ascent: em(),
  descent: em(),
  lineGap: em(),
  width: em(),
  allows: string().oneOf(['all', 'whole', 'none']).required(),
  late: string().oneOf(['changes'])
})
  .noUnknown()
  .default(undefined);

const assetSchema = object({
  id,
  file: words(100).matches(/^[a-z0-9][a-z0-9._-]{0,99}$/),
  type: string()
    .oneOf([...PICTURE_TYPES, ...FILM_TYPES, ...FACE_TYPES])
    .required(),
  width: number().strict(true).min(1).nullable().defined(),
  height: number().strict(true).min(1).nullable().defined(),
  bytes: number().strict(true).integer().min(0).required(),
  tones: array(
    string()
      .strict(true)
      .matches(/^#[0-9a-f]{8}$/)
      .required()
  ).max(32),
  face: faceSchema
});

const tokenSchema = object({
  id,
  name: name(80),
  type: string().oneOf(TOKEN_TYPES).required(),
  value: words(500).min(1)
});

const infoSchema = object({
  name: name(120),
  bands: object({
    medium: number().strict(true).integer().min(280).max(2400).required(),
    narrow: number().strict(true).integer().min(280).max(2400).required()
  }).required(),
  support: string().oneOf(SUPPORT_TARGETS),
  pageOrder: array().of(id).min(1).max(200).required()
}).required();

/** Rows of one list; more than a page can show of any. */
const ROWS_MOST = 2000;

/** A value of a row. */
const isPlain = (value: unknown): value is Row[string] =>
  value === null ||
  ['number', 'boolean'].includes(typeof value) ||
  (typeof value === 'string' && value.length <= 50_000);

const no = (sentence: string): ReadDocument => ({ ok: false, sentence });

/**
 * Reads a parsed project.json of this or any earlier format. Structure must hold (pages, ids, the tree); settings and styles
 * that do not are left out one by one, each with a fault. Nothing in the result is shared with the input.
 */
export function readDocument(registry: Registry, value: unknown): ReadDocument {
  if (!isRecord(value)) return no('The project.json in this file is not a project.');
  if (isDeeperThan(value, NESTED_MOST))
    return no(
      `The project.json in this file is nested more than ${NESTED_MOST} deep, which no project needs. It was not opened.`
    );
  if (typeof value.format !== 'number')
    return no('The project.json in this file does not say which format it has.');
  if (value.format > FORMAT)
    return no(
      `This project was made by a newer Kymation (format ${value.format}; this one reads format ${FORMAT}). Update, then open it again.`
    );
  if (!Number.isInteger(value.format) || value.format < 1)
    return no(`This project has format ${value.format}, which Kymation never wrote.`);
  try {
    id.validateSync(value.id);
    infoSchema.validateSync(value.info, { strict: true });
  } catch (error) {
    if (error instanceof ValidationError) return no(`The project’s own entry is damaged: ${error.message}`);
    throw error;
  }
  const reader = new Reader(registry, {}, value.format);
  return reader.read(value as unknown as Project);
}

/**
 * Reads pieces that come from outside, a clipboard for one, as strictly as a file.
 * @param tokens those its values may name.
 * @returns the pieces; null where there is nothing that could stand on a page.
 */
export function readFragment(
  registry: Registry,
  value: unknown,
  tokens: Project['tokens'] = {}
): Fragment | null {
  if (
    !isRecord(value) ||
    isDeeperThan(value, NESTED_MOST) ||
    typeof value.root !== 'string' ||
    !isRecord(value.nodes) ||
    Object.keys(value.nodes).length > MOST_NODES
  )
    return null;
  return new Reader(registry, tokens).fragment(value.root, value.nodes);
}

/** @returns the tokens in something from outside, those that hold; none where it holds none. */
export const readTokens = (registry: Registry, value: unknown): Project['tokens'] =>
  isDeeperThan(value, NESTED_MOST) ? {} : new Reader(registry).readTokens(value);

/** Collects faults while reading; one for each document. */
class Reader {
  private readonly faults: Fault[] = [];
  /** Ids of the pieces on the shelf; what is linked to another one stands on its own. */
  private shelved: ReadonlySet<string> = new Set();
  constructor(
    private readonly registry: Registry,
    private tokens: Project['tokens'] = {},
    /** The format it was written in; what does not say comes from any. */
    private readonly format = 1
  ) {}

  read(raw: Project): ReadDocument {
    if (![raw.pages, raw.nodes, raw.assets].every(isRecord))
      return no('The project.json in this file lacks its pages, nodes or pictures.');
    const count = Object.keys(raw.nodes).length;
    if (count > MOST_NODES)
      return no(`This project holds ${count} pieces; ${MOST_NODES} are the most that can be opened.`);
    this.tokens = this.readTokens((raw as { tokens?: unknown }).tokens);
    this.shelved = new Set(entries((raw as { shelf?: unknown }).shelf).map(([key]) => key));
    const nodes = emptyRecord<Node>();
    for (const [key, node] of Object.entries(raw.nodes)) {
      const read = this.node(key, node);
      if (read) nodes[key] = read;
    }
    const pages = emptyRecord<Project['pages'][PageId]>();
    const pageOrder = [...new Set(raw.info.pageOrder)];
    if (pageOrder.length < raw.info.pageOrder.length)
      this.fault(
        'pages',
        'A page stood twice in the order of the pages; it stands there once now.',
        '/info/pageOrder'
      );
    for (const pageId of pageOrder) {
      const page = ownOf(raw.pages as Record<string, Project['pages'][PageId]>, pageId);
      const fault = page ? schemaFault(pageSchema, page) : 'it is missing';
      if (fault || page?.id !== pageId)
        return no(`The page “${pageId}” in this file is damaged: ${fault ?? 'its id differs'}.`);
      if (!Object.hasOwn(nodes, page.root) || nodes[page.root]!.kind !== 'page')
        return no(`The page “${page.name}” in this file has lost its content.`);
      pages[pageId] = pick(page, pageSchema);
    }
    this.freeAddresses(pages, pageOrder);
    const kept = this.tree(
      nodes,
      Object.values(pages).map((page) => page.root)
    );
    if (typeof kept === 'string') return no(kept);
    const { id: projectId, info } = raw;
    const bands = info.bands.narrow < info.bands.medium ? info.bands : { medium: 960, narrow: 640 };
    if (bands !== info.bands)
      this.fault('bands', 'The width bands overlap and were set to 640 and 960 px.', '/info/bands');
    const project: Project = {
      format: FORMAT,
      id: projectId,
      info: {
        name: info.name,
        bands: { medium: bands.medium, narrow: bands.narrow },
        support: info.support ?? 'widely',
        aside: this.aside(info.aside),
        pageOrder
      },
      pages: { ...pages },
      nodes: kept as Project['nodes'],
      assets: this.assets(raw.assets),
      tokens: this.tokens,
      shelf: this.shelf((raw as { shelf?: unknown }).shelf),
      sources: this.sources((raw as { sources?: unknown }).sources)
    };
    return { ok: true, project, faults: this.faults };
  }

  /** Two pages at one address would be one file; the later one goes by its id. */
  private freeAddresses(pages: Record<string, Project['pages'][PageId]>, order: readonly PageId[]): void {
    const taken = new Set<string>(['index', ...order.filter((id) => pages[id]!.address === undefined)]);
    for (const id of order) {
      const { address, ...rest } = pages[id]!;
      if (address === undefined) continue;
      if (taken.has(address)) {
        pages[id] = rest;
        this.fault(
          'addresses',
          `${rest.name} has the address of another page; it is at ${id}.html now.`,
          `/pages/${id}`
        );
      }
      taken.add(addressOf({ pages }, id));
    }
  }

  fragment(root: string, raw: Loose): Fragment | null {
    const nodes = emptyRecord<Node>();
    for (const [key, node] of Object.entries(raw)) {
      const read = this.node(key, node);
      if (read) nodes[key] = read;
    }
    if (!Object.hasOwn(nodes, root)) return null;
    const kept = this.tree(nodes, [root as NodeId]);
    return typeof kept === 'string' ? null : { root: root as NodeId, nodes: kept as Fragment['nodes'] };
  }

  private shelf(raw: unknown): Project['shelf'] {
    const kept = emptyRecord<unknown>();
    for (const [key, piece] of entries(raw)) {
      const content =
        isRecord(piece) && piece.id === key && ID_PATTERN.test(key) && isRecord(piece.fragment)
          ? piece.fragment
          : null;
      const isSmall = content && isRecord(content.nodes) && Object.keys(content.nodes).length <= MOST_NODES;
      const fragment =
        isSmall && typeof content.root === 'string'
          ? this.fragment(content.root, content.nodes as Loose)
          : null;
      if (!fragment)
        this.fault('shelf', 'A piece on the shelf was left out: it is damaged.', `/shelf/${key}`);
      else
        kept[key] = {
          id: key,
          name: name(80).isValidSync((piece as Loose).name)
            ? (piece as Loose).name
            : fragment.nodes[fragment.root]!.name,
          fragment
        };
    }
    return { ...kept } as Project['shelf'];
  }

  private sources(raw: unknown): Project['sources'] {
    const kept = emptyRecord<Source>();
    for (const [key, each] of entries(raw)) {
      const source = ID_PATTERN.test(key) ? maybeSource(each) : null;
      if (source?.id === key) kept[key] = source;
      else this.fault('source', 'A source of rows was left out: it is damaged.', `/sources/${key}`);
    }
    return { ...kept } as Project['sources'];
  }

  private fault(code: string, sentence: string, path: string): void {
    if (this.faults.length < 200) this.faults.push({ code, sentence, path });
  }

  private node(key: string, raw: unknown): Node | null {
    const path = `/nodes/${key}`;
    const drop = (why: string) => (this.fault('node', `A piece was left out: ${why}.`, path), null);
    if (!ID_PATTERN.test(key) || !isRecord(raw) || raw.id !== key) return drop('its id is damaged');
    const plain = typeof raw.kind === 'string' ? this.registry.maybeKindOf(raw.kind) : null;
    if (!plain) return drop(`this version has no kind “${inWords(raw.kind).slice(0, 40)}”`);
    const written =
      typeof raw.name === 'string' && hasWords(raw.name) ? raw.name.trim().slice(0, 120) : plain.label;
    const { settings, adapt } = migratedNode(this.registry, raw, this.format);
    const effects = this.effects(raw.effects, `${path}/effects`);
    const kind = this.registry.of(defined({ kind: plain.kind, effects }));
    const fields = kind.settings.fields as Record<string, AnySchema>;
    return defined({
      id: key as NodeId,
      kind: kind.kind,
      name: written,
      settings: this.settings(fields, settings, `${path}/settings`),
      adapt: this.adapt(fields, adapt, `${path}/adapt`),
      effects,
      slots: this.slots(Object.keys(kind.slots), raw.slots),
      styles: this.styles(kind.anatomy, raw.styles, `${path}/styles`),
      rows: this.rows(raw.rows, `${path}/rows`),
      query: this.query(raw.query, `${path}/query`),
      binds: this.binds(raw.binds, [...Object.keys(fields), 'name', SHOWN], `${path}/binds`),
      was: this.formers(raw.was, `${path}/was`),
      linked:
        typeof raw.linked === 'string' && this.shelved.has(raw.linked) ? (raw.linked as ShelfId) : undefined
    });
  }

  /** Rows of a list, their values as they are; undefined where it repeats nothing. */
  private rows(raw: unknown, path: string): Node['rows'] {
    if (raw === undefined) return undefined;
    const all = Array.isArray(raw) ? raw.slice(0, ROWS_MOST) : [];
    const known = all.filter((row): row is Row => isRecord(row) && Object.values(row).every(isPlain));
    if (!Array.isArray(raw) || known.length < raw.length)
      this.fault(
        'rows',
        `Some rows of a list were left out: they are damaged, or more than ${ROWS_MOST}.`,
        path
      );
    return Array.isArray(raw) ? known.map((row) => ({ ...row })) : undefined;
  }

  /** Which rows of a source a list shows; undefined where it shows none. */
  private query(raw: unknown, path: string): Node['query'] {
    const query = maybeQuery(raw);
    if (raw !== undefined && !query)
      this.fault('query', 'What a list shows of its source was left out: it is damaged.', path);
    return query ?? undefined;
  }

  /** Where settings come from, by their keys; undefined where none comes from a column. */
  private binds(raw: unknown, keys: readonly string[], path: string): Node['binds'] {
    if (raw === undefined) return undefined;
    const all = entries(raw);
    const known = all.flatMap(([key, binding]) => {
      if (!keys.includes(key) || !isRecord(binding) || typeof binding.column !== 'string') return [];
      const { column, otherwise } = binding;
      const instead = isPlain(otherwise) && otherwise !== null ? otherwise : undefined;
      const format = maybeFormat(binding.format) ?? undefined;
      return [[key, defined({ column: column.slice(0, 120), otherwise: instead, format })] as const];
    });
    if (known.length < all.length)
      this.fault(
        'binding',
        'A setting that comes from a column was left out: there is no such setting.',
        path
      );
    return known.length > 0 ? Object.fromEntries(known) : undefined;
  }

  /** Names of effects there are, each once; undefined for none. */
  private effects(raw: unknown, path: string): readonly string[] | undefined {
    if (raw === undefined) return undefined;
    const names = new Set(Array.isArray(raw) ? raw.map(String) : []);
    const known = [...names].filter((name) => this.registry.maybeEffectOf(name));
    if (!Array.isArray(raw) || known.length < raw.length)
      this.fault(
        'effect',
        'An effect was left out: this version has none of that name, or it stood twice.',
        path
      );
    return known.length > 0 ? known : undefined;
  }

  /** What it had as other kinds, each as strictly as what it has now; undefined for nothing. */
  private formers(raw: unknown, path: string): Node['was'] {
    const known = entries(raw).flatMap(([name, former]) => {
      const kind = this.registry.maybeKindOf(name);
      if (!kind || !isRecord(former)) return [];
      const fields = kind.settings.fields as Record<string, AnySchema>;
      const read: Former = defined({
        settings: this.settings(fields, former.settings, `${path}/${name}/settings`),
        adapt: this.adapt(fields, former.adapt, `${path}/${name}/adapt`),
        styles: this.styles(kind.anatomy, former.styles, `${path}/${name}/styles`),
        slots: isRecord(former.slots) ? this.slots(Object.keys(kind.slots), former.slots) : undefined
      });
      return [[name, read] as const];
    });
    return known.length > 0 ? Object.fromEntries(known) : undefined;
  }

  private settings(fields: Record<string, AnySchema>, raw: unknown, path: string): Node['settings'] {
    const kept = emptyRecord<unknown>();
    for (const [key, value] of Object.entries(isRecord(raw) ? raw : {})) {
      const field = Object.hasOwn(fields, key) ? fields[key] : undefined;
      const fault = field
        ? (schemaFault(field, value) ?? tokenFault(field, value, this.tokens))
        : 'there is no such setting';
      if (fault) this.fault('setting', `A setting was left out: ${fault}`, `${path}/${key}`);
      else kept[key] = value;
    }
    return { ...kept } as Node['settings'];
  }

  private adapt(fields: Record<string, AnySchema>, raw: unknown, path: string): Node['adapt'] {
    const kept = emptyRecord<Node['settings']>();
    for (const [condition, settings] of entries(raw)) {
      if (condition === 'always' || !CONDITIONS.includes(condition as 'print')) {
        this.fault('setting', 'Settings were left out: there is no such condition.', `${path}/${condition}`);
        continue;
      }
      const responsive = Object.fromEntries(
        Object.entries(fields).filter(
          ([, field]) =>
            field.meta()?.field?.responsive && !field.meta()?.field?.fixed?.[condition as 'print']
        )
      );
      const own = this.settings(responsive, settings, `${path}/${condition}`);
      if (Object.keys(own).length > 0) kept[condition] = own;
    }
    return { ...kept };
  }

  /**
   * Tokens one by one, each checked against those kept before it and then all together, so that no ring is
   * let in.
   */
  readTokens(raw: unknown): Project['tokens'] {
    const found = emptyRecord<Token>();
    for (const [key, token] of entries(raw)) {
      const fault =
        isRecord(token) && token.id === key && !key.startsWith('k-')
          ? schemaFault(tokenSchema, token)
          : 'its id is damaged';
      if (fault) this.fault('token', `A token was left out: ${fault}.`, `/tokens/${key}`);
      else found[key] = pick(token as unknown as Token, tokenSchema);
    }
    for (let dropped = true; dropped;) {
      dropped = false;
      for (const token of Object.values(found)) {
        const checked = checkToken(token, found);
        if (checked.ok) continue;
        this.fault('token', `A token was left out: ${checked.sentence}`, `/tokens/${token.id}`);
        delete found[token.id];
        dropped = true;
      }
    }
    return { ...found } as Project['tokens'];
  }

  private aside(raw: unknown): Project['info']['aside'] {
    return Object.fromEntries(entries(raw).filter(isReason).slice(0, 2000));
  }

  private slots(names: readonly string[], raw: unknown): Node['slots'] {
    const own = isRecord(raw) ? raw : emptyRecord<unknown>();
    return Object.fromEntries(names.map((slot) => [slot, idsIn(ownOf(own, slot))]));
  }

  private styles(anatomy: Anatomy, raw: unknown, path: string): Node['styles'] {
    const kept = emptyRecord<Record<string, Record<string, Record<string, string>>>>();
    for (const [part, states] of entries(raw)) {
      for (const [state, conditions] of entries(states)) {
        for (const [condition, declarations] of entries(conditions)) {
          for (const [property, value] of entries(declarations)) {
            const isKnown =
              isStateOf(ownOf(anatomy, part), state) &&
              CONDITIONS.includes(condition as 'always') &&
              STYLE_PROPERTIES.has(property);
            const checked =
              isKnown && typeof value === 'string' ? checkValue(property, value, this.tokens) : null;
            if (checked?.ok)
              (((kept[part] ??= {})[state] ??= {})[condition] ??= {})[property] = checked.value;
            else
              this.fault(
                'style',
                `A style was left out: ${checked?.sentence ?? 'there is no such part, state or property.'}`,
                `${path}/${part}/${state}/${condition}/${property}`
              );
          }
        }
      }
    }
    return { ...kept } as Node['styles'];
  }

  /** Walks from the roots: every child once, in a slot that takes it. What hangs nowhere is left out. */
  private tree(nodes: Record<string, Node>, roots: readonly NodeId[]): Record<string, Node> | string {
    const kept = emptyRecord<Node>();
    const visit = (id: NodeId, depth: number): string | null => {
      if (depth >= DEPTH_MOST) return `The pieces in this file are nested more than ${DEPTH_MOST} deep.`;
      const node = nodes[id]!;
      // The node stands there before its children are looked at, so that none of them can be one it stands in.
      const slots: Record<string, readonly NodeId[]> = { ...node.slots };
      kept[id] = { ...node, slots };
      for (const [name, children] of Object.entries(node.slots)) {
        const accepted: NodeId[] = [];
        for (const child of children) {
          const known = Object.hasOwn(nodes, child) ? nodes[child]! : null;
          const fits =
            known && this.registry.of(node).slots[name]!.accepts.includes(this.registry.of(known).category);
          if (!fits || Object.hasOwn(kept, child)) {
            this.fault(
              'tree',
              `A piece was left out: ${fits ? 'it stands in two places' : 'it cannot stand here or is missing'}.`,
              `/nodes/${id}/slots/${name}`
            );
            continue;
          }
          const wrong = visit(child, depth + 1);
          if (wrong) return wrong;
          accepted.push(child);
        }
        slots[name] = accepted;
      }
      return null;
    };
    for (const root of roots) {
      if (Object.hasOwn(kept, root)) return 'Two pages in this file share their content.';
      const wrong = visit(root, 0);
      if (wrong) return wrong;
    }
    return { ...kept };
  }

  private assets(raw: unknown): Project['assets'] {
    const kept = emptyRecord<unknown>();
    const files = new Set<string>();
    for (const [key, asset] of entries(raw)) {
      const fault =
        isRecord(asset) && asset.id === key ? schemaFault(assetSchema, asset) : 'its id is damaged';
      const file = isRecord(asset) ? inWords(asset.file) : '';
      if (fault || files.has(file))
        this.fault(
          'asset',
          `A picture was left out: ${fault ?? 'its file name stands twice'}.`,
          `/assets/${key}`
        );
      else kept[key] = pick(asset as object, assetSchema);
      files.add(file);
    }
    return { ...kept } as Project['assets'];
  }
}

/** Whether a part can be in a state; every part can be at rest. */
const isStateOf = (part: Anatomy[string] | undefined, state: string): boolean =>
  part !== undefined && (state === 'rest' || ownOf(part.states as Loose, state) !== undefined);

const entries = (value: unknown): [string, unknown][] => (isRecord(value) ? Object.entries(value) : []);

const idsIn = (list: unknown): NodeId[] =>
  Array.isArray(list) ? list.filter((child): child is NodeId => typeof child === 'string') : [];

/** Only what the schema knows, so nothing unknown travels on. */
function pick<T extends object>(value: T, schema: { readonly fields: object }): T {
  return Object.fromEntries(
    Object.keys(schema.fields)
      .filter((key) => (value as Loose)[key] !== undefined)
      .map((key) => [key, (value as Loose)[key]])
  ) as T;
}

/** A finding that was put aside: its key, and why. */
const isReason = (entry: readonly [string, unknown]): entry is [string, string] =>
  entry[0].length <= 160 && typeof entry[1] === 'string' && entry[1].length <= 300;
