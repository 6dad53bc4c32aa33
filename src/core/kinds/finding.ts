import type { AnyObject, ObjectSchema } from 'yup';
import type { Box } from '../facts/box';
import type { Stops } from '../facts/stops';
import type { Lane } from '../sweep/runs';
import type { Landmark } from './landmark';
import type { Json, Node, NodeId, Project } from '../project/types';

/** Whether a row of labels fits its place, measured on the page. Widths in px. */
export interface Fit {
  /** The smaller side of the smallest thing in the row that can be pressed. */
  readonly target?: number;
  /** Room the row needs on one line. */
  readonly needed: number;
  /** Room there was when it was measured, and the width of the window then. */
  readonly available: number;
  readonly viewport: number;
  /**
   * Least width of the window at which the row fits, found by trying; null where it never does. Left out
   * until it is known.
   */
  readonly from?: number | null;
  /** Heights of the panels, in their order. */
  readonly heights: readonly number[];
}

/** What a rule reports. `fix` is a list of commands as data; null where only a person can decide. */
export interface Finding {
  readonly rule: string;
  readonly severity: 'error' | 'warning';
  readonly node: NodeId;
  readonly part: string | null;
  /** The number that decides, with its unit. */
  readonly number?: string;
  /** View of the tuning sheet where it is seen and mended. */
  readonly view?: 'Fill' | 'Behaviour' | 'States' | 'Timing' | 'Scroll' | 'Fallbacks' | 'Widths';
  /** The width, px, from which on downwards it shows; marked on the ruler. */
  readonly width?: number;
  /** What is seen, in plain words, with its number. */
  readonly sentence: string;
  /** Why it is so and what to do. */
  readonly cause: string;
  readonly fix: { readonly label: string; readonly commands: readonly object[] } | null;
  /** Another way to mend it, where there are two that people would want. */
  readonly or?: Finding['fix'];
}

/** What was measured on the page, and may not be known yet. */
export interface Facts {
  readonly fits: ReadonlyMap<NodeId, Fit>;
  /** Where pieces that do something with the scroll stand, at the width on show. */
  readonly boxes: ReadonlyMap<NodeId, Box>;
  /** The same at other widths that have been tried, by their px. */
  readonly elsewhere: ReadonlyMap<number, ReadonlyMap<NodeId, Box>>;
  /** Where the Tab key stops, by the root of the page. */
  readonly stops: ReadonlyMap<NodeId, Stops>;
  /** What the last sweep over all widths found, by the root of the page; none where the page has changed since. */
  readonly sweeps: ReadonlyMap<NodeId, readonly Lane[]>;
}

export const NO_FACTS: Facts = {
  fits: new Map(),
  boxes: new Map(),
  elsewhere: new Map(),
  stops: new Map(),
  sweeps: new Map()
};

/**
 * A rule looks at one node at a time; `kinds` names the kinds it is for, null for all. `scope` says what else
 * its answer hangs on, so that an edit runs only what it may change: just the node and its items (`node`),
 * all that the node stands in (`around`, the default), or anything in the project (`project`).
 */
export interface FindingRule {
  readonly id: string;
  readonly summary: string;
  readonly kinds: readonly string[] | null;
  readonly scope?: 'node' | 'around' | 'project';
  /** Facts it looks at; when what was measured of a node changes, the rules that look at that are run again. */
  readonly needs?: readonly (keyof Facts)[];
  /** @param of the kind of any piece, with its effects. @returns null where it has nothing to say. */
  check(node: Node, project: Project, facts: Facts, of: KindOf): Remark | readonly Remark[] | null;
}

/** What a rule may ask of the kind of a piece. */
export interface Described {
  readonly category: string;
  /** Null for what its owner draws: a panel. */
  readonly markup: unknown;
  readonly anatomy: Readonly<
    Record<string, { readonly states: Readonly<Record<string, string | undefined>> }>
  >;
  readonly settings: ObjectSchema<AnyObject>;
  readonly headingLevel?: string;
  readonly backdrop?: string;
  readonly opens?: object;
  landmark?(settings: Node['settings']): Landmark | null;
  readonly slots: Readonly<
    Record<string, { readonly row?: { readonly equal: readonly [key: string, value: Json] } }>
  >;
}

export type KindOf = (piece: Pick<Node, 'kind' | 'effects'>) => Described;

/** What a rule has to say of one node; the runner adds which rule and which node. */
export type Remark = Omit<Finding, 'rule' | 'node'> & {
  /** The piece it is about, where a rule looks at what is around it; left out: the one that is looked at. */
  readonly about?: NodeId;
};

type Said = Omit<Remark, 'severity' | 'part' | 'fix'> & Partial<Pick<Remark, 'part' | 'fix'>>;

const remark =
  (severity: Remark['severity']) =>
  (said: Said): Remark => ({ severity, part: 'root', fix: null, ...said });

/** What makes a page worse; about the whole piece, and for a person to decide, where it says nothing else. */
export const warning = remark('warning');
/** What keeps people from using the page; else as `warning`. */
export const error = remark('error');

export type Fix = NonNullable<Finding['fix']>;

/** A fix that sets one setting of a piece. */
export const settingFix = (label: string, id: NodeId, key: string, value: unknown): Fix => ({
  label,
  commands: [{ type: 'set-setting', id, key, value }]
});

/** A fix that takes an effect off a piece. */
export const takeOffFix = (id: NodeId, effect: string): Fix => ({
  label: 'Take that off',
  commands: [{ type: 'remove-effect', id, effect }]
});

/** The command that gives a part one value at rest, under no condition. */
export const styleAtRest = (id: NodeId, part: string, property: string, value: string) =>
  ({ type: 'set-style', id, part, state: 'rest', condition: 'always', property, value }) as const;

/** A fix that gives a part one value at rest, under no condition. */
export const styleFix = (label: string, id: NodeId, part: string, property: string, value: string): Fix => ({
  label,
  commands: [styleAtRest(id, part, property, value)]
});

/** How a finding set aside is remembered. */
export const asideKey = ({ rule, node }: Pick<Finding, 'rule' | 'node'>): string => `${rule} ${node}`;

/** @returns findings that are not set aside, and those that are, with the reasons given. */
export function splitAside(
  findings: readonly Finding[],
  aside: Project['info']['aside']
): { readonly open: readonly Finding[]; readonly aside: readonly (Finding & { readonly reason: string })[] } {
  const isAside = (finding: Finding) => Object.hasOwn(aside, asideKey(finding));
  return {
    open: findings.filter((finding) => !isAside(finding)),
    aside: findings.filter(isAside).map((finding) => ({ ...finding, reason: aside[asideKey(finding)]! }))
  };
}
