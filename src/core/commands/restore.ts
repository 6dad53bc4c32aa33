import type { ConditionName, Node, NodeId, StateName } from '../project/types';
import type { Command } from './commands';

type Cell = readonly [
  part: string,
  state: StateName,
  condition: ConditionName,
  property: string,
  value: string
];

type PartStyles = Node['styles'][string];
type StateStyles = NonNullable<PartStyles[StateName]>;

const cellsOf = ({ styles }: Node): Cell[] =>
  Object.entries(styles).flatMap(([part, states]) => cellsOfPart(part, states));

const cellsOfPart = (part: string, states: PartStyles): Cell[] =>
  Object.entries(states).flatMap(([state, conditions]) =>
    cellsOfState(part, state as StateName, conditions!)
  );

const cellsOfState = (part: string, state: StateName, conditions: StateStyles): Cell[] =>
  Object.entries(conditions).flatMap(([condition, declarations]) =>
    Object.entries(declarations!).map((each): Cell => [part, state, condition as ConditionName, ...each])
  );

function settingCommands(
  id: NodeId,
  now: Node['settings'],
  then: Node['settings'],
  condition: ConditionName
): Command[] {
  const keys = new Set([...Object.keys(now), ...Object.keys(then)]);
  return [...keys].flatMap((key): Command[] => {
    if (JSON.stringify(now[key]) === JSON.stringify(then[key])) return [];
    return [
      then[key] === undefined
        ? { type: 'clear-setting', id, key, condition }
        : { type: 'set-setting', id, key, value: then[key], condition }
    ];
  });
}

/** Effects come before their settings, and go after nothing else of them is left to set. */
function effectCommands({ id, effects: now = [] }: Node, { effects: then = [] }: Node): Command[] {
  const gone = now.filter((effect) => !then.includes(effect));
  const added = then.filter((effect) => !now.includes(effect));
  return [
    ...gone.map((effect): Command => ({ type: 'remove-effect', id, effect })),
    ...added.map((effect): Command => ({ type: 'add-effect', id, effect }))
  ];
}

/** @returns commands that set and tune a piece as it was at another time; what stands inside it is left alone. */
export function restoreCommands(now: Node, then: Node): Command[] {
  const id = now.id;
  const conditions = new Set([...Object.keys(now.adapt), ...Object.keys(then.adapt)]) as Set<
    keyof Node['adapt']
  >;
  const kept = new Map(cellsOf(then).map((cell) => [cell.slice(0, 4).join(' '), cell]));
  const gone = cellsOf(now).filter((cell) => !kept.has(cell.slice(0, 4).join(' ')));
  const style = ([part, state, condition, property]: Cell, value: string | null): Command => ({
    type: 'set-style',
    id,
    part,
    state,
    condition,
    property,
    value
  });
  return [
    ...effectCommands(now, then),
    ...settingCommands(id, now.settings, then.settings, 'always'),
    ...[...conditions].flatMap((condition) =>
      settingCommands(id, now.adapt[condition] ?? {}, then.adapt[condition] ?? {}, condition)
    ),
    ...gone.map((cell) => style(cell, null)),
    ...[...kept.values()].map((cell) => style(cell, cell[4]))
  ];
}
