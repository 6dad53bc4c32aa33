import { effectKey, ownValues } from '../../kinds/effects';
import { error, settingFix, warning, type FindingRule } from '../../kinds/finding';
import { childIds, pathTo } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import type { Box } from '../../facts/box';
import { settings, type SidewaysSettings } from './settings';

const key = (name: string): string => effectKey('sideways', name);
const goes = ({ effects }: Node): boolean => effects?.includes('sideways') ?? false;

const ownOf = (node: Node): SidewaysSettings => ownValues('sideways', settings, node);

/** It has so little in it that there is nothing to go by. */
const alone: FindingRule = {
  id: 'sideways-alone',
  summary: 'A section goes sideways and all of it is in the window already',
  kinds: null,
  scope: 'node',
  check(node) {
    const own = goes(node) ? ownOf(node) : null;
    const count = childIds(node).length;
    if (!own || count * own.panel > 100) return null;
    return error({
      view: 'Scroll',
      number: `${count * own.panel} %`,
      sentence: `${node.name} goes nowhere: what is in it takes ${count * own.panel} % of the window`,
      cause: 'It needs more than one window of pieces, or one that is wider than the window.',
      fix: count === 1 ? settingFix('Make the piece 300 % wide', node.id, key('panel'), 300) : null
    });
  }
};

const boxOf = (node: Node, boxes: ReadonlyMap<string, Box>): Box | undefined =>
  goes(node) ? boxes.get(node.id) : undefined;

/** What it scrolls within clips it, or is not the page: it is never held in the window. */
const clipped: FindingRule = {
  id: 'sideways-clipped',
  summary: 'A section that goes sideways is not held in the window',
  kinds: null,
  scope: 'project',
  needs: ['boxes'],
  check(node, project, { boxes }) {
    const box = boxOf(node, boxes);
    if (!box || box.scroller === null) return null;
    const around = project.nodes[box.scroller as Node['id']]?.name ?? 'What is around it';
    return error({
      view: 'Scroll',
      sentence: `${node.name} is not held in the window: ${around} clips or scrolls`,
      cause: `It goes by as ${around} is scrolled, not the page. Take what clips off ${around}.`,
      fix: null
    });
  }
};

/** It moves faster than most people can follow, or hardly at all. */
const PACE_MOST = 3;

const speedOf = (box: Box, own: SidewaysSettings): number => {
  const rests = ((own.before + own.after) / 100) * box.height;
  const length = box.runBottom - box.runTop - (box.height - own.inset) - rests;
  return (box.runLength - box.runWidth) / length;
};

const rushed: FindingRule = {
  id: 'sideways-rushed',
  summary: 'A sideways section goes by much faster than the page is scrolled',
  kinds: null,
  scope: 'node',
  needs: ['boxes'],
  check(node, _project, { boxes }) {
    const box = boxOf(node, boxes);
    const own = box && ownOf(node);
    if (!box || !own || own.form === 'strip') return null;
    const speed = speedOf(box, own);
    if (speed > 0 && speed <= PACE_MOST) return null;
    const said = speed > 0 ? `${speed.toFixed(1)} px for each of the scroll` : 'no way to go at all';
    return warning({
      view: 'Scroll',
      number: speed > 0 ? `${speed.toFixed(1)} px` : '0 px',
      sentence: `${node.name} rushes by: its height of ${Math.round(box.runBottom - box.runTop)} px leaves ${said}`,
      cause: 'One to one is what a hand expects. Its height follows from the speed where none is typed.',
      fix: {
        label: 'Go 1 px for each of the scroll',
        commands: [
          { type: 'set-setting', id: node.id, key: key('height'), value: '' },
          { type: 'set-setting', id: node.id, key: key('pace'), value: 1 }
        ]
      }
    });
  }
};

/** Room at its sides keeps the pieces from filling the window (common practice, no source). */
const narrowed: FindingRule = {
  id: 'sideways-narrowed',
  summary: 'A sideways section keeps room at its sides, so its pieces do not fill the window',
  kinds: null,
  scope: 'node',
  check(node) {
    if (!goes(node)) return null;
    const padding = node.styles.root?.rest?.always?.padding ?? '56px 24px';
    if (/^0(?:px)?$/.test(padding.trim())) return null;
    return warning({
      view: 'States',
      number: padding,
      sentence: `${node.name} keeps a padding of ${padding}: its pieces do not reach the edges of the window`,
      cause: 'Panels that go sideways are as wide as what holds them. Give the room to the pieces instead.',
      fix: {
        label: 'Let them reach the edges',
        commands: [
          {
            type: 'set-style',
            id: node.id,
            part: 'root',
            state: 'rest',
            condition: 'always',
            property: 'padding',
            value: '0'
          }
        ]
      }
    });
  }
};

const isInsideOther = (project: Project, node: Node): boolean =>
  pathTo(project, node.id)
    .slice(0, -1)
    .some((each) => goes(project.nodes[each]!));

const nested: FindingRule = {
  id: 'sideways-nested',
  summary: 'A section goes sideways in one that does',
  kinds: null,
  scope: 'around',
  check(node, project) {
    if (!goes(node) || !isInsideOther(project, node)) return null;
    return error({
      view: 'Behaviour',
      sentence: `${node.name} goes sideways in a section that does: it is never held`,
      cause: 'A piece of a strip is as high as the window. Put it further down the page.',
      fix: {
        label: 'Let it be as any other',
        commands: [{ type: 'remove-effect', id: node.id, effect: 'sideways' }]
      }
    });
  }
};

export const findings: readonly FindingRule[] = [alone, clipped, rushed, narrowed, nested];
