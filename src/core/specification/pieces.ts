import { cells } from '../cascade/look';
import { stateMoves } from '../cascade/moves';
import { textContrast } from '../cascade/contrast';
import { resolve, type Resolved } from '../cascade/resolve';
import { statesOf } from '../cascade/states';
import { analyse } from '../compile/analyse';
import { settingsAt } from '../compile/context';
import { drawnParts } from '../compile/parts';
import { STYLE_PROPERTIES } from '../css/properties';
import type { Kind } from '../kinds/contract';
import { CONTROLS } from '../kinds/controls';
import type { Fit } from '../kinds/finding';
import { isOffered } from '../kinds/offered';
import type { Registry } from '../kinds/registry';
import { fieldsOf, settingsWithDefaults } from '../kinds/settings';
import { fitFrom } from '../layout/fit';
import { curveFigures, easingOf } from '../motion/easing';
import { barsOf, type Track } from '../motion/track';
import { maybeSoleToken, spelt } from '../css/tokens';
import {
  CONDITIONS,
  type ConditionName,
  type Node,
  type NodeId,
  type Project,
  type StateName
} from '../project/types';
import { elementOf } from './element';
import type {
  FallbackSpec,
  MoveSpec,
  PartSpec,
  PieceSpec,
  PropertySpec,
  SettingSpec,
  ValueSpec
} from './types';
import { maybeField, settingWords, type FieldWords } from './words';

/** What a piece is described from. */
export interface Source {
  readonly registry: Registry;
  readonly project: Project;
  readonly fits: ReadonlyMap<NodeId, Fit>;
}

const everyField = (kind: Kind): readonly FieldWords[] =>
  fieldsOf(kind).flatMap((entry) => maybeField(entry) ?? []);

/** What a page says, links to and shows stands on the page; a specification has how that is drawn. */
const isContent = ({ control }: FieldWords): boolean =>
  CONTROLS[control].says !== undefined || control === 'icon';

/** Settings as people chose them, and as they come; movements stand in a table of their own. */
function settingsOf({ registry, project }: Source, node: Node): readonly SettingSpec[] {
  const kind = registry.of(node);
  const settings = settingsWithDefaults(kind, node);
  return everyField(kind)
    .filter((field) => !isContent(field) && field.control !== 'track' && isOffered(field, settings))
    .map((field) => ({
      label: field.label,
      value: settingWords(settings[field.key], field, project),
      isOwn: Object.hasOwn(node.settings, field.key)
    }));
}

const tokenName = ({ tokens }: Project, token: string | null | undefined): string | null =>
  token ? (tokens[token as keyof typeof tokens]?.name ?? null) : null;

function valueOf(project: Project, found: Resolved, rest: Resolved): ValueSpec {
  return {
    value: found.value,
    token: tokenName(project, found.token),
    isAsRest: found.written === rest.written
  };
}

const isSaid = ({ origin }: Resolved): boolean => origin.from === 'own' || origin.from === 'look';

/** Rows of the state sheet: what is said of a part in any of its states. */
function propertyRows({ registry, project }: Source, node: Node, part: string, states: readonly StateName[]) {
  const byState = states.map((state) => resolve(registry, project, { node: node.id, part, state }));
  const rest = byState[0]!;
  // How it changes from state to state stands under Timing.
  const known = [...STYLE_PROPERTIES.keys()].filter(
    (property) => property !== 'transition' && rest.has(property)
  );
  const said = known.filter((property) => byState.some((each) => isSaid(each.get(property)!)));
  return said.map((property): PropertySpec => ({
    property,
    label: STYLE_PROPERTIES.get(property)?.label ?? property,
    values: byState.map((each) => valueOf(project, each.get(property)!, rest.get(property)!))
  }));
}

/** Whether anything is said of a part in a state; a state that looks like rest needs no column. */
function isToldApart({ registry, project }: Source, node: Node, part: string, state: StateName): boolean {
  const rest = resolve(registry, project, { node: node.id, part });
  const found = resolve(registry, project, { node: node.id, part, state });
  return [...found].some(([property, { written }]) => written !== rest.get(property)!.written);
}

function speltOut({ tokens }: Project, written: string): string {
  const spelled = spelt(written, tokens);
  return spelled.ok ? spelled.value : written;
}

const maybeContrast = (
  { registry, project }: Source,
  node: Node,
  part: string,
  state: StateName
): number | null => textContrast(registry, project, { node: node.id, part, state })?.least ?? null;

function partSpec(source: Source, node: Node, part: string): PartSpec {
  const { registry, project } = source;
  const kind = registry.of(node);
  const { label, states: own, hasText, keys = {} } = kind.anatomy[part]!;
  const all = statesOf(kind).filter((state) => state === 'rest' || own[state] !== undefined);
  const analysis = analyse(registry, project, node);
  // A state that brings out what is out of sight looks otherwise though nothing is said of the part in it.
  const broughtIn = (part === 'root' && analysis.markup?.data?.bringsOut?.states) || [];
  const states = all.filter(
    (state) => state === 'rest' || broughtIn.includes(state) || isToldApart(source, node, part, state)
  );
  return {
    part,
    label,
    element: elementOf(analysis, part),
    keys,
    states: states.map((state) => ({
      state,
      label: kind.states?.[state]?.label ?? state,
      contrast: hasText && state !== 'disabled' ? maybeContrast(source, node, part, state) : null
    })),
    rows: propertyRows(source, node, part, states),
    conditional: cells(kind, node, part)
      .filter(({ condition }) => condition !== 'always')
      .map(({ condition, state, property, value }) => ({
        condition,
        state,
        property,
        value: speltOut(project, value),
        token: tokenName(project, maybeSoleToken(value))
      }))
  };
}

/** Share of a curve's length after which it has come to rest; null for one that names a token that is gone. */
function maybeSettled(project: Project, easing: string): number | null {
  try {
    return curveFigures(easingOf(speltOut(project, easing))).settled;
  } catch {
    return null;
  }
}

/** What the kind and the effects move, where it moves at all. */
function trackMoves(
  { registry, project }: Source,
  node: Node,
  parts: readonly string[]
): readonly MoveSpec[] {
  const kind = registry.of(node);
  const settings = settingsWithDefaults(kind, node);
  const isDrawn = ({ part }: FieldWords) => part === undefined || parts.includes(part);
  const fields = everyField(kind).filter((field) => field.control === 'track' && isDrawn(field));
  return fields.flatMap((field) => {
    const track = settings[field.key] as Track;
    const isMoving = barsOf(track).length > 0 && isOffered(field, settings);
    const { ms, delay, easing, step } = track;
    return isMoving
      ? moveOf(project, field.label, `on ${field.event ?? 'pick'}`, { ms, delay, easing, step })
      : [];
  });
}

type Times = Pick<Track, 'ms' | 'delay' | 'easing' | 'step'>;

const moveOf = (project: Project, label: string, event: string, times: Times): MoveSpec => ({
  label,
  event,
  ...times,
  settled: maybeSettled(project, times.easing)
});

/** What changes when a part comes into a state. */
function changeMoves({ registry, project }: Source, node: Node, part: string): readonly MoveSpec[] {
  const { label } = registry.of(node).anatomy[part]!;
  const moving = stateMoves(registry, project, node, part, []).filter(({ timing }) => timing.ms > 0);
  return moving.map(({ state, properties, timing }) => {
    const event = state === 'rest' ? 'any change of state' : `into ${state}`;
    return moveOf(project, `${label}: ${properties.join(', ')}`, event, { ...timing, step: 0 });
  });
}

const movesOf = (source: Source, node: Node, parts: readonly string[]) => [
  ...trackMoves(source, node, parts),
  ...parts.flatMap((part) => changeMoves(source, node, part))
];

type At = <S = Record<string, unknown>>(condition: ConditionName) => S;

/** The settings of a piece under a condition. */
const settingsUnderOf =
  (kind: Kind, node: Node): At =>
  <S>(condition: ConditionName) =>
    (condition === 'always' ? settingsWithDefaults(kind, node) : settingsAt(kind, node, condition)) as S;

/** A setting under each condition; none where it is the same under all. */
function setOtherwise(project: Project, at: At, field: FieldWords): readonly FallbackSpec[] {
  const words = CONDITIONS.map((name) => settingWords(at(name)[field.key], field, project));
  const [wide] = words;
  if (words.every((each) => each === wide)) return [];
  const cells = CONDITIONS.map((name, i) => [name, i > 0 && words[i] === wide ? null : words[i]!] as const);
  return [{ label: field.label, cells: Object.fromEntries(cells) }];
}

/** What becomes of it under each condition: what its kind works out, then what is set otherwise there. */
function fallbacksOf({ registry, project, fits }: Source, node: Node): readonly FallbackSpec[] {
  const kind = registry.of(node);
  const at = settingsUnderOf(kind, node);
  const { bands } = project.info;
  const computed = kind.fallbacks(node, { bands, settings: at, fit: fits.get(node.id) ?? null });
  const responsive = everyField(kind).filter((field) => field.responsive && !isContent(field));
  return [
    ...computed.map(({ label, wide, cells: own }) => ({ label, cells: { always: wide, ...own } })),
    ...responsive.flatMap((field) => setOtherwise(project, at, field))
  ];
}

function fitOf({ registry, fits }: Source, node: Node): PieceSpec['fit'] {
  const fit = fits.get(node.id);
  const { fit: gauge } = registry.of(node);
  if (!fit || !gauge) return null;
  const from = fitFrom(fit);
  return from === null ? null : { from, what: gauge.what };
}

/** @param others pieces that look and behave the same. */
export function pieceSpec(source: Source, node: Node, others: readonly Node[]): PieceSpec {
  const { registry, project } = source;
  const kind = registry.of(node);
  const drawn = drawnParts(analyse(registry, project, node));
  const parts = Object.keys(kind.anatomy).filter((part) => part === 'root' || drawn.has(part));
  return {
    node: node.id,
    name: node.name,
    kind: kind.label,
    others: others.map(({ name }) => name),
    settings: settingsOf(source, node),
    parts: parts.map((part) => partSpec(source, node, part)),
    moves: movesOf(source, node, parts),
    fallbacks: fallbacksOf(source, node),
    fit: fitOf(source, node)
  };
}

/** What two pieces have in common that are described once: all but what they say and what stands in them. */
export function likeness(registry: Registry, node: Node): string {
  const keys = new Set(
    everyField(registry.of(node))
      .filter(isContent)
      .map(({ key }) => key)
  );
  const bare = (settings: Readonly<Record<string, unknown>>) =>
    Object.entries(settings)
      .filter(([key]) => !keys.has(key))
      .toSorted(([a], [b]) => (a < b ? -1 : 1));
  return JSON.stringify([node.kind, bare(node.settings), node.adapt, node.styles, node.effects ?? []]);
}
