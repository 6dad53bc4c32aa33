import { mixed, object, string, type AnySchema } from 'yup';
import { checkToken, checkValue } from '../css/values';
import { followingTokens } from '../css/timed';
import { readTypeStyle, TYPE_MEMBERS } from '../css/type-style';
import { emptyRecord, ownOf } from '../data/record';
import type { Registry } from '../kinds/registry';
import type { Track } from '../motion/track';
import { hasWords, ID_PATTERN } from '../project/ids';
import {
  TOKEN_TYPES,
  type Circumstance,
  type ConditionName,
  type Node,
  type NodeId,
  type Project,
  type StateName,
  type Token,
  type TokenId
} from '../project/types';
import { define, no, type Refusal } from './define';
import { usesOf } from './token-uses';

/** A cell that holds the very value of a token, written out. */
export interface EqualCell {
  /** What it could hold instead: `{id}`, or one value of a type style. */
  readonly use: string;
  readonly id: NodeId;
  readonly part: string;
  readonly state: StateName;
  readonly condition: ConditionName;
  readonly property: string;
}

const plainValue = (value: string) => value.trim().toLowerCase().replace(/\s+/g, ' ');

/**
 * @returns cells whose value equals the token's and whose property takes what the token is; they could take
 * the token instead. Of a type style only those that have all five of its values in one place.
 */
export function equalCells(project: Project, { id, type, value }: Token): EqualCell[] {
  const wanted = plainValue(value);
  const style = type === 'type-style' ? readTypeStyle(value) : null;
  const found: EqualCell[] = [];
  for (const node of Object.values(project.nodes)) {
    for (const [part, states] of Object.entries(node.styles)) {
      for (const [state, conditions] of Object.entries(states)) {
        for (const [condition, declarations] of Object.entries(conditions!)) {
          if (
            style?.ok &&
            TYPE_MEMBERS.every(
              (member) => plainValue(declarations[member] ?? '') === plainValue(style.style[member])
            )
          ) {
            for (const member of TYPE_MEMBERS)
              found.push({
                id: node.id,
                part,
                state: state as StateName,
                condition: condition as ConditionName,
                property: member,
                use: `{${id}.${member}}`
              });
          }
          for (const [property, own] of Object.entries(declarations)) {
            if (
              type === 'type-style' ||
              plainValue(own) !== wanted ||
              !isOfType(property, type) ||
              !checkValue(property, `{${id}}`, project.tokens).ok
            )
              continue;
            found.push({
              id: node.id,
              part,
              state: state as StateName,
              condition: condition as ConditionName,
              property,
              use: `{${id}}`
            });
          }
        }
      }
    }
  }
  return found;
}

/** Whether a property takes values of a type, for the types that few properties take. */
function isOfType(property: string, type: Token['type']): boolean {
  if (type === 'number') return ['line-height', 'opacity', 'scale'].includes(property);
  if (type === 'weight') return property === 'font-weight';
  return type !== 'colour' || property.endsWith('color');
}

const tokenShape = object({
  id: string().strict(true).matches(ID_PATTERN).max(60).required(),
  name: string().strict(true).trim().min(1, 'A token needs a name.').max(80).required(),
  type: mixed<Token['type']>().oneOf(TOKEN_TYPES).required(),
  value: string().strict(true).max(500).required('A token needs a value.')
}).noUnknown();

/**
 * Tokens that take this one held before; none of them may end because of it, by growing too long or by
 * leading too far.
 */
function brokenBy(project: Project, token: Token, tokens: Project['tokens']): Refusal | null {
  if (!Object.hasOwn(project.tokens, token.id)) return null;
  for (const other of Object.values(project.tokens)) {
    if (other.id === token.id || !other.value.includes('{') || !checkToken(other, project.tokens).ok)
      continue;
    const checked = checkToken(other, tokens);
    if (!checked.ok)
      return no(
        'breaks-others',
        `${other.name} takes ${token.name} and would no longer hold: ${checked.sentence}`
      );
  }
  return null;
}

/** Adds a token, or changes the one with its id. */
export const setToken = define<{ token: Token & object }>()({
  type: 'set-token',
  args: object({ token: tokenShape.required() }),
  label: ({ token }, project) => `${project.tokens[token.id] ? 'Change' : 'Add'} the token ${token.name}`,
  refusal(project, { token }) {
    if (!hasWords(token.name)) return no('no-name', 'A token needs a name that can be seen.');
    if (token.id.startsWith('k-'))
      return no('bad-id', 'Names that start with “k-” are Kymation’s own. Take another.');
    const twin = Object.values(project.tokens).find(
      (each) => each.id !== token.id && each.name === token.name
    );
    if (twin) return no('name-in-use', `There is already a token called “${token.name}”. Take another name.`);
    const tokens = { ...project.tokens, [token.id]: token };
    const checked = checkToken(token, tokens);
    return checked.ok ? brokenBy(project, token, tokens) : no('bad-value', checked.sentence);
  },
  run(draft, { token }, registry, project) {
    const before = draft.tokens[token.id];
    if (before && JSON.stringify(before) === JSON.stringify(token)) return;
    draft.tokens[token.id] = token;
    for (const { id, key, condition, value } of followers(registry, {
      ...project,
      tokens: { ...project.tokens, [token.id]: token }
    })) {
      const home = condition ? draft.nodes[id]!.adapt[condition]! : draft.nodes[id]!.settings;
      home[key] = value as never;
    }
    // Pieces on the shelf are whole records; one of them is written anew.
    for (const piece of Object.values(project.shelf)) {
      const { nodes } = piece.fragment;
      const changed = emptyRecord<Node>();
      for (const { id, key, condition, value } of followers(registry, {
        nodes,
        tokens: { ...project.tokens, [token.id]: token }
      })) {
        const node = changed[id] ?? nodes[id]!;
        changed[id] = condition
          ? {
              ...node,
              adapt: { ...node.adapt, [condition]: { ...node.adapt[condition], [key]: value as never } }
            }
          : { ...node, settings: { ...node.settings, [key]: value as never } };
      }
      if (Object.keys(changed).length > 0)
        draft.shelf[piece.id] = {
          ...piece,
          fragment: { ...piece.fragment, nodes: { ...nodes, ...changed } }
        };
    }
  }
});

interface Follower {
  readonly id: NodeId;
  readonly key: string;
  /** Null for the setting that holds everywhere. */
  readonly condition: Circumstance | null;
  readonly value: Track;
}

/** Movements that follow a token and have not the value it has now. */
function followers(registry: Registry, project: Pick<Project, 'nodes' | 'tokens'>): readonly Follower[] {
  const found: Follower[] = [];
  for (const node of Object.values(project.nodes)) {
    const { fields } = registry.of(node).settings;
    for (const [condition, settings] of [[null, node.settings], ...Object.entries(node.adapt)] as const) {
      for (const [key, value] of Object.entries(settings ?? {})) {
        if (ownOf(fields as Record<string, AnySchema>, key)?.meta()?.field?.control !== 'track') continue;
        const now = followingTokens(value as unknown as Track, project.tokens);
        if (now !== (value as unknown))
          found.push({ id: node.id, key, condition: condition as Circumstance | null, value: now });
      }
    }
  }
  return found;
}

export const removeToken = define<{ id: TokenId }>()({
  type: 'remove-token',
  args: object({ id: string().required() }),
  label: ({ id }, project) => `Delete the token ${project.tokens[id]?.name ?? id}`,
  refusal(project, { id }, registry) {
    if (!Object.hasOwn(project.tokens, id))
      return no('no-such-token', 'That token is no longer in the project.');
    const uses = usesOf(registry, project, id);
    if (uses.length === 0) return null;
    const more = uses.length > 3 ? ` and ${uses.length - 3} more places` : '';
    return no(
      'token-in-use',
      `${project.tokens[id]!.name} is used by ${uses
        .slice(0, 3)
        .map(({ where }) => where)
        .join(', ')}${more}. Give those another value first.`
    );
  },
  run(draft, { id }) {
    delete draft.tokens[id];
  }
});
