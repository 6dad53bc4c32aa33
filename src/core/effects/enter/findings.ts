import type { Box } from '../../facts/box';
import { ownValues } from '../../kinds/effects';
import { type FindingRule, type Fix, type KindOf, warning } from '../../kinds/finding';
import { pathTo } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { settings, type EnterSettings } from './settings';

/** Hardly any window is lower, px: what stands above is seen when the page opens (common practice, no source). */
const FIRST_SCREEN = 600;

const enters = ({ effects }: Node): boolean => effects?.includes('enter') ?? false;

const takeOff = ({ id }: Node): Fix => ({
  label: 'Let it be there from the start',
  commands: [{ type: 'remove-effect', id, effect: 'enter' }]
});

const shareOf = (node: Node): number => Number(ownValues<EnterSettings>('enter', settings, node).share) / 100;

/** Whether so much of a piece is in sight when the page opens that it enters at once. */
function isInFirstScreen(node: Node, { top, bottom }: Box): boolean {
  return top + shareOf(node) * (bottom - top) < FIRST_SCREEN;
}

const tooSoon = (node: Node, { top }: Box) =>
  warning({
    view: 'Scroll',
    number: `${Math.round(top)} px`,
    sentence: `${node.name} is in sight when the page opens, and is not there yet: it begins ${Math.round(top)} px from the top`,
    cause:
      'It enters while the page is still coming, so people wait for what they came for. Entrances are for what comes into view later.',
    fix: takeOff(node)
  });

const firstScreen: FindingRule = {
  id: 'enter-first-screen',
  summary: 'What enters is in sight when the page opens',
  kinds: null,
  scope: 'node',
  needs: ['boxes'],
  check(node, _project, { boxes }) {
    const box = enters(node) ? boxes.get(node.id) : undefined;
    return box && isInFirstScreen(node, box) ? tooSoon(node, box) : null;
  }
};

/** The panel around a piece that its owner opens and closes; null where none is. */
function maybePanel(project: Project, node: Node, of: KindOf): Node | null {
  const around = pathTo(project, node.id).slice(0, -1);
  return around.map((id) => project.nodes[id]!).find((each) => of(each).markup === null) ?? null;
}

const withPanel = (node: Node, panel: Node) =>
  warning({
    view: 'Behaviour',
    sentence: `${node.name} enters each time ${panel.name} is opened, not when it comes into view`,
    cause:
      'A closed panel is in no one’s view. How a panel comes in is set at what it belongs to, under Timing.',
    fix: takeOff(node)
  });

const inPanel: FindingRule = {
  id: 'enter-in-panel',
  summary: 'What enters stands in a panel that opens and closes',
  kinds: null,
  scope: 'around',
  check(node, project, _facts, of) {
    const panel = enters(node) ? maybePanel(project, node, of) : null;
    return panel && withPanel(node, panel);
  }
};

export const findings: readonly FindingRule[] = [firstScreen, inPanel];
