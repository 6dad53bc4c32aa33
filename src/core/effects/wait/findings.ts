import { effectKey, ownValues } from '../../kinds/effects';
import { settingFix, type FindingRule, type KindOf, type Remark, warning, error } from '../../kinds/finding';
import { readingSeconds, wordsAbove, wordsIn } from '../../kinds/reading';
import { maybeFileOf } from '../../project/files';
import type { Node, Project } from '../../project/types';
import { settings, type WaitSettings } from './settings';

/** A rule about pieces that wait. @param check of its own settings. */
const ruleOf = (
  id: string,
  summary: string,
  check: (own: WaitSettings, node: Node, project: Project, of: KindOf) => Remark | null
): FindingRule => ({
  id,
  summary,
  kinds: null,
  scope: 'project',
  check: (node, project, _facts, of) => (waits(node) ? check(ownOf(node), node, project, of) : null)
});

const ownOf = (node: Node): WaitSettings => ownValues('wait', settings, node);

const waits = ({ effects }: Node): boolean => effects?.includes('wait') ?? false;

const leavesReader = (node: Node, words: number, { seconds }: WaitSettings): Remark => {
  const reading = Math.ceil(readingSeconds(words));
  return warning({
    view: 'Behaviour',
    number: `${seconds} of ${reading} s`,
    sentence: `The page goes to ${node.name} after ${seconds} s, and what stands above takes ${reading} s to read`,
    cause: `${words} words at 238 a minute. Whoever still reads is taken away from it.`,
    fix: settingFix(`Wait ${reading} s`, node.id, effectKey('wait', 'seconds'), reading)
  });
};

const grows = (node: Node, px: number) =>
  warning({
    view: 'Behaviour',
    number: `${px} px`,
    sentence: `When ${node.name} comes, what stands below it moves down by ${px} px`,
    cause: 'Whoever reads there loses the line, or presses what has come in the place of something else.',
    fix: settingFix('Keep its room', node.id, effectKey('wait', 'room'), true)
  });

const leavesTooSoon = (node: Node, words: number, { leaveAfter }: WaitSettings): Remark => {
  const reading = Math.ceil(readingSeconds(words));
  return warning({
    view: 'Behaviour',
    number: `${leaveAfter} of ${reading} s`,
    sentence: `The page is left ${leaveAfter} s after ${node.name} has come, which takes ${reading} s to read`,
    cause: `${words} words at 238 a minute. It is gone before it is read.`,
    fix: settingFix(`Leave after ${reading} s`, node.id, effectKey('wait', 'leaveAfter'), reading)
  });
};

const leavesForItself = (node: Node, { leaveFor }: WaitSettings) =>
  error({
    view: 'Behaviour',
    number: leaveFor,
    sentence: `The page of ${node.name} leaves for itself`,
    cause: 'It would be loaded anew for ever. Let it leave for another page, or not at all.',
    fix: settingFix('Do not leave', node.id, effectKey('wait', 'leaveFor'), '')
  });

/** Whether an address leads to the page a piece stands on, or to a place of it. */
const leadsToItself = (project: Project, node: Node, address: string): boolean =>
  address.startsWith('#') || address.split('#')[0] === maybeFileOf(project, node.id);

export const findings: readonly FindingRule[] = [
  ruleOf(
    'wait-leaves-too-soon',
    'The page is left before what has come can be read',
    (own, node, project, of) => {
      const words = own.leaveFor ? wordsIn(project, node, of) : 0;
      return readingSeconds(words) > own.leaveAfter ? leavesTooSoon(node, words, own) : null;
    }
  ),
  ruleOf('wait-leaves-for-itself', 'The page leaves for itself', (own, node, project) => {
    const isSame = own.leaveFor !== '' && leadsToItself(project, node, own.leaveFor);
    return isSame ? leavesForItself(node, own) : null;
  }),
  ruleOf(
    'wait-leaves-reader',
    'The page goes to something before what stands above can be read',
    (own, node, project, of) => {
      if (!own.scroll || own.after !== 'load') return null;
      const words = wordsAbove(project, node, of);
      return readingSeconds(words) > own.seconds ? leavesReader(node, words, own) : null;
    }
  ),
  {
    id: 'wait-grows-page',
    summary: 'What comes later moves what stands below it',
    kinds: null,
    scope: 'node',
    needs: ['boxes'],
    check(node, _project, { boxes }) {
      const box = waits(node) && !ownOf(node).room ? boxes.get(node.id) : undefined;
      return box ? grows(node, Math.round(box.bottom - box.top)) : null;
    }
  }
];
