import { effectKey, ownValues } from '../../kinds/effects';
import { type FindingRule, type Fix, settingFix, warning } from '../../kinds/finding';
import { makeWith } from '../../kinds/make';
import { moves } from '../../motion/track';
import { nodeOf, pathTo, subtreeIds } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { lengthOf, loopOf } from './timing';
import { settings, type LoopSettings } from './settings';

/** What moves by itself for longer needs a way to hold it (WCAG 2.2, 2.2.2). */
const SECONDS_MOST = 5;

const ownOf = (node: Node): LoopSettings => ownValues('loop', settings, node);

/** As often as it can within the limit, once at least. */
function timesWithin(own: LoopSettings): number {
  const once = lengthOf({ ...own, count: 1 })!;
  return Math.max(1, Math.floor(SECONDS_MOST / once));
}

/** The page has a box that stops all that moves. */
function canBeStopped(project: Project, node: Node): boolean {
  const [page] = pathTo(project, node.id);
  return subtreeIds(project, page ?? node.id).some((id) => project.nodes[id]!.kind === 'still');
}

const make = makeWith({ exactIds: true });

/** The first of `Stop for movement`, `Stop for movement 2` and so on that nothing is named after. */
function freeName(project: Project): string {
  for (let count = 1; ; count += 1) {
    const name = count === 1 ? 'Stop for movement' : `Stop for movement ${count}`;
    if (!Object.hasOwn(project.nodes, make('still', name).root)) return name;
  }
}

/** A box to tick that stops all that moves, below all else of the section in which the piece stands. */
function maybeStop(project: Project, node: Node): Fix | null {
  const section = nodeOf(project, pathTo(project, node.id)[1] ?? node.id);
  const below = section.slots.content;
  if (!below) return null;
  return {
    label: 'Put a stop below it',
    commands: [
      {
        type: 'insert',
        fragment: make('still', freeName(project)),
        at: { parent: section.id, slot: 'content', index: below.length }
      }
    ]
  };
}

const goesOn: FindingRule = {
  id: 'loop-goes-on',
  summary: 'Something loops for longer than 5 s (WCAG 2.2, 2.2.2)',
  kinds: null,
  scope: 'project',
  check(node, project) {
    if (!node.effects?.includes('loop') || canBeStopped(project, node)) return null;
    const own = ownOf(node);
    const length = lengthOf(own);
    if (!moves(own.track) || (length !== null && length <= SECONDS_MOST)) return null;
    const [times, long] = [timesWithin(own), length === null ? 'without end' : `${length} s`];
    return warning({
      view: 'Behaviour',
      number: long,
      sentence: `${node.name} loops ${long}`,
      cause:
        'What moves beside what is read takes the eye away from it. Longer than 5 s it needs a way to hold it that ' +
        'works by every hand: pointing at it is none on a screen one touches. ' +
        'Put a stop for movement on the page, or let it end.',
      fix: settingFix(
        `Let it loop ${times === 1 ? 'once' : `${times} times`}`,
        node.id,
        effectKey('loop', 'count'),
        times
      ),
      or: maybeStop(project, node)
    });
  }
};

/** It loops as it is written, and nothing is. */
const unwritten: FindingRule = {
  id: 'loop-unwritten',
  summary: 'A movement of one’s own has nothing written for it',
  kinds: null,
  scope: 'node',
  check(node) {
    if (!node.effects?.includes('loop')) return null;
    const own = ownOf(node);
    if (own.track.form !== 'own' || loopOf(own) !== 'none') return null;
    return warning({
      view: 'Behaviour',
      sentence: `${node.name} loops as it is written, and nothing is written`,
      cause: 'Say where it goes, turns, grows or fades, at two moments or more: 0 0 → 0 -12px → 0 0.',
      fix: settingFix('Let it float', node.id, effectKey('loop', 'translate'), '0 0 → 0 -12px → 0 0')
    });
  }
};

export const findings: readonly FindingRule[] = [goesOn, unwritten];
