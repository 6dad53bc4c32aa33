import { stateMoves } from '$core/cascade/moves';
import { CIRCUMSTANCES, heapOf, settingsUnder } from '$core/kinds/circumstances';
import { conditionWords } from '$core/kinds/conditions';
import { settingsAt } from '$core/compile/context';
import type { EffectSpan, Kind } from '$core/kinds/contract';
import { effectValues } from '$core/kinds/effects';
import { readingSeconds, wordsAbove, wordsIn } from '$core/kinds/reading';
import { settingsWithDefaults } from '$core/kinds/settings';
import { drawnParts } from '$core/compile/parts';
import { analyse } from '$core/compile/analyse';
import { barsOf, withTiming, type Bar, type Track } from '$core/motion/track';
import { transitionText, type Transition } from '$core/css/transition';
import { STYLE_PROPERTIES } from '$core/css/properties';
import { subtreeOf } from '$core/project/tree';
import {
  type Circumstance,
  type ConditionName,
  type Json,
  type Node,
  type Project,
  type StateName
} from '$core/project/types';
import { registry } from '$core/registry';
import { fieldsOf, type FieldSpec } from './fields';
import type { Workbench } from './workbench.svelte';
import { roundOf, type RoundStep } from '$core/kinds/round';

/** What a hand can set of a movement, however it is stored. */
export type Timing = Pick<Track, 'ms' | 'delay' | 'easing'>;

export interface TimingRow {
  readonly key: string;
  readonly label: string;
  /** What sets it going, in a few words. */
  readonly event: string;
  readonly tone: 'in' | 'out' | 'size' | 'state';
  readonly bars: readonly Bar[];
  /** Why it has no bars though it is set to move: a condition that is tried stills it. */
  readonly stilled: string | null;
  readonly timing: Timing;
  /** Set for a movement of the kind; null for a change of state. */
  readonly track: { readonly field: FieldSpec; readonly value: Track; readonly isOwn: boolean } | null;
  set(timing: Partial<Track>, merge: string | null): void;
}

/** Children drawn as bars of their own where they follow one another. */
const FOLLOWERS = 3;

/** Conditions that are tried at the moment, beside the band that is edited. */
const triedOf = (wb: Workbench): readonly Circumstance[] =>
  CIRCUMSTANCES.filter((name) => (wb.preview.switches as readonly string[]).includes(name));

const eventOf = ({ event = 'pick' }: FieldSpec, step: number): string =>
  step > 0 ? `step ${step} ms` : `on ${event}`;

function trackRow(wb: Workbench, node: Node, field: FieldSpec): TimingRow {
  const kind = registry.of(node);
  const condition = wb.at;
  const settings =
    condition === 'always' ? settingsWithDefaults(kind, node) : settingsAt(kind, node, condition);
  const value = settings[field.key] as Track;
  const tried = triedOf(wb);
  const shown = settingsUnder(kind, node, settings, tried)[field.key] as Track;
  const isRow = field.staggered === true && (!field.follows || settings[field.follows] === true);
  const bars = isRow ? barsOf(shown, FOLLOWERS) : barsOf({ ...shown, step: 0 });
  const isStilled = bars.length === 0 && barsOf(value).length > 0;
  const isOwn =
    condition === 'always'
      ? Object.hasOwn(node.settings, field.key)
      : node.adapt[condition]?.[field.key] !== undefined;
  const isOfTuned = node.id === wb.tuned.id;
  return {
    key: isOfTuned ? field.key : `${node.id} ${field.key}`,
    label: isOfTuned ? field.label : node.name,
    event: isOfTuned ? eventOf(field, isRow ? value.step : 0) : 'in view',
    tone: field.tone ?? 'in',
    bars,
    stilled: isStilled ? `does not move with ${tried.map((name) => conditionWords(name)).join(', ')}` : null,
    timing: value,
    track: { field, value, isOwn },
    set: (timing, merge) =>
      void wb.dispatch(
        {
          type: 'set-setting',
          id: node.id,
          key: field.key,
          value: withTiming(value, timing) as Json,
          condition
        },
        merge && `${merge} ${node.id} ${field.key}`
      )
  };
}

const nameOf = (property: string) => STYLE_PROPERTIES.get(property)?.label.toLowerCase() ?? property;

/** Several properties are the look of a part in one word. */
const namesOf = (properties: readonly string[]) =>
  properties.length > 2 || properties.includes('all') ? 'look' : properties.map(nameOf).join(', ');

/** Changes of state of one part: what moves when the pointer comes, the focus, a press. */
function stateRows(wb: Workbench, part: string): TimingRow[] {
  const { label } = wb.kind.anatomy[part]!;
  const conditions: readonly ConditionName[] = [...heapOf(wb.at), ...triedOf(wb)];
  const found = stateMoves(registry, wb.project, wb.tuned, part, conditions);
  const nth = (i: number) => found.slice(0, i).filter(({ state }) => state === found[i]!.state).length;
  return found.map(({ state, properties, timing, entries }, i) => ({
    key: `${part} ${state} ${nth(i)}`,
    label: `${label[0]!.toUpperCase()}${label.slice(1)} ${namesOf(properties)}`,
    event: state === 'rest' ? 'any change' : `into ${state}`,
    tone: 'state',
    stilled: null,
    bars:
      timing.ms > 0 ? [{ start: Math.max(0, timing.delay), end: Math.max(0, timing.delay) + timing.ms }] : [],
    timing,
    track: null,
    set: (next, merge) => setGroup(wb, part, state, entries, properties, next, merge)
  }));
}

function setGroup(
  wb: Workbench,
  part: string,
  state: StateName,
  entries: readonly Transition[],
  properties: readonly string[],
  next: Partial<Track>,
  merge: string | null
): void {
  const changed = entries.map((entry) =>
    properties.includes(entry.property)
      ? {
          ...entry,
          ms: next.ms ?? entry.ms,
          delay: next.delay ?? entry.delay,
          easing: next.easing ?? entry.easing
        }
      : entry
  );
  wb.dispatch(
    {
      type: 'set-style',
      id: wb.tuned.id,
      part,
      state,
      condition: wb.at,
      property: 'transition',
      value: transitionText(changed)
    },
    merge && `${merge} ${wb.tuned.id} ${part} ${state} transition`
  );
}

/** Times that effects of the picked piece give people, beside what they have to read in them. */
export function spansOf({ kind, tuned, project }: Workbench): readonly EffectSpan[] {
  const settings = settingsWithDefaults(kind, tuned);
  const reading = () => ({
    above: readingSeconds(wordsAbove(project, tuned, registry.of)),
    within: readingSeconds(wordsIn(project, tuned, registry.of))
  });
  return (kind.effects ?? []).flatMap(
    (effect) => effect.spans?.(effectValues(effect, settings), reading(), tuned) ?? []
  );
}

const tracksOf = (kind: Kind) => fieldsOf(kind, 'timing').filter(({ control }) => control === 'track');

/** One round of the picked piece, as it is set where one looks; null where it does not play by itself. */
export function maybeRound({ tuned, project, at }: Workbench): readonly RoundStep[] | null {
  return roundIn(project, tuned, at);
}

/** The round of what was kept to be played beside it; null where nothing was, or it did not play. */
export function maybeKeptRound({ tuned, kept, at }: Workbench): readonly RoundStep[] | null {
  const before = kept?.project.nodes[tuned.id];
  return before ? roundIn(kept!.project, before, at) : null;
}

function roundIn(project: Project, node: Node, at: ConditionName): readonly RoundStep[] | null {
  const kind = registry.of(node);
  const settings = at === 'always' ? settingsWithDefaults(kind, node) : settingsAt(kind, node, at);
  const schedule = kind.schedule?.(settings);
  return schedule ? roundOf(project, node, schedule, registry.of) : null;
}

/** As many as one can follow; what is further in is tuned by itself. */
const WITHIN_MOST = 12;

/** Pieces in the picked one that come into view by a movement: with its own they make one sequence. */
function withinRows(wb: Workbench): readonly TimingRow[] {
  const inside = subtreeOf(wb.project, wb.tuned.id).slice(1);
  const entering = inside.filter((node) => registry.of(node).effects?.some(({ clock }) => clock));
  const rows = entering.flatMap((node) =>
    tracksOf(registry.of(node))
      .filter(({ effect }) => effect)
      .map((field) => trackRow(wb, node, field))
  );
  return rows.slice(0, WITHIN_MOST);
}

/**
 * Everything that moves on the picked piece, as rows of bars: what the kind moves, then the changes of state
 * of each part; `within` what pieces in it do when they come into view.
 */
export function timingRows(wb: Workbench): {
  readonly moves: readonly TimingRow[];
  readonly within: readonly TimingRow[];
  readonly states: readonly TimingRow[];
} {
  const drawn = drawnParts(analyse(registry, wb.project, wb.tuned));
  const moves = tracksOf(wb.kind)
    .filter((field) => field.part === undefined || drawn.has(field.part))
    .map((field) => trackRow(wb, wb.tuned, field));
  const parts = Object.keys(wb.kind.anatomy).filter(
    (part) => drawn.has(part) && Object.keys(wb.kind.anatomy[part]!.states).length > 0
  );
  // The picked part first.
  parts.sort((a, b) => Number(b === wb.currentPart) - Number(a === wb.currentPart));
  return { moves, within: withinRows(wb), states: parts.flatMap((part) => stateRows(wb, part)) };
}
