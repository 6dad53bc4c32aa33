import type { AnySchema } from 'yup';
import { STYLE_PROPERTIES } from '../css/properties';
import { tokensIn } from '../css/tokens';
import { ownOf } from '../data/record';
import { CONDITION_TABLE } from '../kinds/conditions';
import type { Registry } from '../kinds/registry';
import type { Track } from '../motion/track';
import type { ConditionName, Node, NodeId, Project, StateName, TokenId } from '../project/types';

interface Told {
  /** In words, for lists. */
  readonly where: string;
  /** Whether it is of a piece of the shelf, which stands on no page. */
  readonly isOnShelf: boolean;
}

/** A token that stands for what another one is. */
interface UseInToken extends Told {
  readonly kind: 'token';
  readonly id: TokenId;
}

interface UseInSetting extends Told {
  readonly kind: 'setting';
  readonly id: NodeId;
  readonly key: string;
}

/** A cell of the state sheet. */
interface UseInCell extends Told {
  readonly kind: 'cell';
  readonly id: NodeId;
  readonly part: string;
  readonly state: StateName;
  readonly condition: ConditionName;
  readonly property: string;
}

/** One place that names a token. */
export type TokenUse = UseInToken | UseInSetting | UseInCell;

/** @returns every place that names the token: other tokens, then pieces of the pages, then those of the shelf. */
export function usesOf(registry: Registry, project: Project, id: TokenId): TokenUse[] {
  const names = (text: string) => tokensIn(text).includes(id);
  const ofShelf = Object.values(project.shelf).flatMap(({ name, fragment }) =>
    Object.values(fragment.nodes).map((node) => ({ ...node, name: `${node.name} (${name}, on the shelf)` }))
  );
  return [
    ...inTokens(project, names),
    ...Object.values(project.nodes).flatMap((node) => inPiece(registry, node, false, names)),
    ...ofShelf.flatMap((node) => inPiece(registry, node, true, names))
  ];
}

type Names = (text: string) => boolean;

const inTokens = ({ tokens }: Project, names: Names): readonly TokenUse[] =>
  Object.values(tokens)
    .filter(({ value }) => names(value))
    .map(({ id, name }) => ({ kind: 'token', id, where: `the token ${name}`, isOnShelf: false }));

const inPiece = (registry: Registry, node: Node, isOnShelf: boolean, names: Names): readonly TokenUse[] => [
  ...inSettings(registry, node, names).map((use) => ({ ...use, isOnShelf })),
  ...inCells(registry, node, names).map((use) => ({ ...use, isOnShelf }))
];

/** Settings that name it, each once, whatever it is in other widths. */
function inSettings(
  registry: Registry,
  node: Node,
  names: Names
): readonly Omit<UseInSetting, 'isOnShelf'>[] {
  const fields = registry.of(node).settings.fields as Record<string, AnySchema>;
  const found = new Set(
    [node.settings, ...Object.values(node.adapt)].flatMap((settings) =>
      Object.entries(settings!)
        .filter(([key, value]) => names(writtenIn(ownOf(fields, key), value)))
        .map(([key]) => key)
    )
  );
  return [...found].map((key) => {
    const label = String(fields[key]!.spec.label ?? key).toLowerCase();
    return { kind: 'setting', id: node.id, key, where: `${label} of ${node.name}` };
  });
}

/** The part of a setting that may name tokens. */
function writtenIn(field: AnySchema | undefined, value: unknown): string {
  const control = field?.meta()?.field?.control;
  if (control === 'css') return String(value);
  if (control !== 'track') return '';
  const { lasts = '', eases = '' } = value as Track;
  return `${lasts}${eases}`;
}

type Cell = Pick<UseInCell, 'part' | 'state' | 'condition' | 'property'>;

function inCells(registry: Registry, node: Node, names: Names): readonly Omit<UseInCell, 'isOnShelf'>[] {
  const parts = registry.of(node).anatomy;
  return cellsWith(node, names).map((cell) => ({
    kind: 'cell',
    id: node.id,
    ...cell,
    where: cellInWords(node, cell, parts[cell.part]?.label ?? cell.part)
  }));
}

/** Cells of a piece whose value names it. */
const cellsWith = ({ styles }: Node, names: Names): readonly Cell[] =>
  Object.entries(styles).flatMap(([part, states]) =>
    Object.entries(states).flatMap(([state, conditions]) =>
      Object.entries(conditions!).flatMap(([condition, declarations]) =>
        Object.entries(declarations!)
          .filter(([, value]) => names(value))
          .map(([property]) => ({
            part,
            state: state as StateName,
            condition: condition as ConditionName,
            property
          }))
      )
    )
  );

/** @returns such as `background of Season tabs, tab on selected (narrow)`. */
function cellInWords({ name }: Node, { part, state, condition, property }: Cell, partLabel: string): string {
  const label = (STYLE_PROPERTIES.get(property)?.label ?? property).toLowerCase();
  const ofPart = part === 'root' ? '' : `, ${partLabel}`;
  const inState = state === 'rest' ? '' : ` on ${state}`;
  const under = condition === 'always' ? '' : ` (${CONDITION_TABLE[condition].label})`;
  return `${label} of ${name}${ofPart}${inState}${under}`;
}
