import { ValidationError, type AnyObjectSchema } from 'yup';
import type { Registry } from '../kinds/registry';
import { freezeDeep } from '../project/diff';
import type {
  Asset,
  Bands,
  Binding,
  Fragment,
  Node,
  NodeId,
  Page,
  PageId,
  Query,
  Row,
  ShelfId,
  ShelfPiece,
  Source,
  SupportTarget,
  Token,
  Project
} from '../project/types';

/** An expected "no": a stable code and a plain sentence that says what, where and what to do. */
export interface Refusal {
  readonly code: string;
  readonly sentence: string;
}

/**
 * A project under change: what `run` writes into. Written out, since a mapped type over JSON settings has no
 * end.
 */
export interface ProjectDraft {
  info: {
    name: string;
    bands: { -readonly [K in keyof Bands]: Bands[K] };
    support: SupportTarget;
    aside: Record<string, string>;
    pageOrder: PageId[];
  };
  pages: Record<PageId, Page>;
  nodes: Record<NodeId, NodeDraft>;
  assets: Record<string, Asset>;
  tokens: Record<string, Token>;
  shelf: Record<string, ShelfPiece>;
  sources: Record<string, Source>;
}

export interface NodeDraft extends Omit<
  Node,
  'name' | 'settings' | 'adapt' | 'slots' | 'styles' | 'effects' | 'linked' | 'rows' | 'query' | 'binds'
> {
  name: string;
  settings: Record<string, Node['settings'][string]>;
  adapt: Record<string, Record<string, Node['settings'][string]>>;
  slots: Record<string, NodeId[]>;
  styles: Record<string, Record<string, Record<string, Record<string, string>>>>;
  effects?: string[];
  linked?: ShelfId;
  rows?: readonly Row[];
  query?: Query;
  binds?: Readonly<Record<string, Binding>>;
}

/** A frozen node as a draft; only for putting a new one into a project. */
export const asDraft = (node: Node): NodeDraft => node as unknown as NodeDraft;

/**
 * Puts a new node into a project, as it stays: the library that tracks drafts does not look into what is
 * frozen.
 */
export function put(draft: ProjectDraft, node: Node): void {
  freezeDeep(node);
  draft.nodes[node.id] = asDraft(node);
}

/** Puts every node of a fragment into a project. */
export function putAll(draft: ProjectDraft, { nodes }: Fragment): void {
  for (const node of Object.values(nodes)) put(draft, node);
}

export interface CommandDefinition<Type extends string, Args extends object> {
  readonly type: Type;
  /** What the arguments must be; looked at before anything else is asked of them. */
  readonly args: AnyObjectSchema;
  /** For the history: what it did, as a short phrase. */
  label(args: Args, project: Project, registry: Registry): string;
  /** Null where the command may run. Must hold for `run` to be called. */
  refusal(project: Project, args: Args, registry: Registry): Refusal | null;
  run(draft: ProjectDraft, args: Args, registry: Registry, project: Project): void;
}

/** Names the arguments of a command first; its type is read off its definition. */
export const define =
  <Args extends object>() =>
  <const Type extends string>(definition: CommandDefinition<Type, Args>): CommandDefinition<Type, Args> =>
    definition;

export const no = (code: string, sentence: string): Refusal => ({ code, sentence });

/** @returns the first thing wrong with a value, in the schema's own words; null where it fits. */
export function schemaFault(
  schema: { validateSync(value: unknown, options?: object): unknown },
  value: unknown
): string | null {
  try {
    schema.validateSync(value, { strict: true, abortEarly: true });
    return null;
  } catch (error) {
    if (error instanceof ValidationError) return error.message;
    throw error;
  }
}
