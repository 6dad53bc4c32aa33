import type { Node, NodeId, Project } from '../project/types';

/** What a rule reports. `fix` is a list of commands as data; null where only a person can decide. */
export interface Finding {
  readonly rule: string;
  readonly severity: 'error' | 'warning';
  readonly node: NodeId;
  readonly part: string | null;
  /** What is seen, in plain words, with its number. */
  readonly sentence: string;
  /** Why it is so and what to do. */
  readonly cause: string;
  readonly fix: { readonly label: string; readonly commands: readonly object[] } | null;
}

/** A rule looks at one node at a time; `applies` names the kinds it is for, null for all. */
export interface FindingRule {
  readonly id: string;
  readonly summary: string;
  readonly kinds: readonly string[] | null;
  check(node: Node, project: Project): readonly Omit<Finding, 'rule' | 'node'>[];
}
