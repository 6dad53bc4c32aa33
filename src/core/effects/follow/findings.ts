import { effectKey, ownValues } from '../../kinds/effects';
import { error, settingFix, warning, type FindingRule, type Fix } from '../../kinds/finding';
import { momentsOf } from '../../kinds/moments';
import type { Node, NodeId, Project } from '../../project/types';
import { pathTo } from '../../project/tree';
import { settings, type FollowSettings } from './settings';
import { COSTLY, TIED_PROPERTIES } from './tied';

const key = (name: string): string => effectKey('follow', name);
const follows = ({ effects }: Node): boolean => effects?.includes('follow') ?? false;

const ownOf = (node: Node): FollowSettings => ownValues('follow', settings, node);

const ofFollowing = (
  id: string,
  summary: string,
  say: (node: Node, own: FollowSettings) => ReturnType<FindingRule['check']>
): FindingRule => ({
  id,
  summary,
  kinds: null,
  scope: 'node',
  check: (node) => (follows(node) ? say(node, ownOf(node)) : null)
});

const backwards = ofFollowing(
  'follow-backwards',
  'What follows the scroll ends before it starts',
  (node, { over, from, to, start, end }) => {
    const [first, last, unit] = over === 'px' ? [start, end, 'px'] : [from, to, '%'];
    if (last > first) return null;
    const [endKey, far] = over === 'px' ? [key('end'), first + 300] : [key('to'), first + 100];
    return error({
      view: 'Scroll',
      number: `${last - first} ${unit}`,
      sentence: `${node.name} jumps: it is to end at ${last} ${unit} of the scroll, and starts at ${first} ${unit}`,
      cause: 'Nothing lies between, so it is at its end at once. Its end has to come after its start.',
      fix: settingFix(`End at ${far} ${unit}`, node.id, endKey, far)
    });
  }
);

const unwritten = ofFollowing('follow-unwritten', 'What follows the scroll changes nothing', (node, own) => {
  if (TIED_PROPERTIES.some((property) => momentsOf(own[property]).length > 0)) return null;
  return warning({
    view: 'Behaviour',
    sentence: `${node.name} follows the scroll, and nothing of it changes`,
    cause: 'Say where it goes, grows, turns or fades, at two moments or more: 0 40px → 0 0.',
    fix: settingFix('Let it come up by 40 px', node.id, key('translate'), '0 40px → 0 0')
  });
});

/** The growth that does nearly the same as a change of size, where both ends are in one unit. */
function asGrowth(text: string): string | null {
  const values = momentsOf(text).map((each) => /^([\d.]+)(\D*)$/.exec(each));
  const last = Number(values.at(-1)?.[1]);
  if (!(last > 0) || values.some((each) => !each || each[2] !== values[0]![2])) return null;
  return values.map((each) => String(Number((Number(each![1]) / last).toFixed(3)))).join(' → ');
}

function cheaper(node: Node, own: FollowSettings, property: (typeof COSTLY)[number]): Fix | null {
  const grown = property === 'letter-spacing' || own.scale !== '' ? null : asGrowth(own[property]);
  if (grown === null) return null;
  const set = (name: string, value: string) => ({ type: 'set-setting', id: node.id, key: key(name), value });
  return { label: `Let it grow instead: ${grown}`, commands: [set(property, ''), set('scale', grown)] };
}

const costly = ofFollowing(
  'follow-costly',
  'What follows the scroll changes something that lays the page out anew',
  (node, own) => {
    const found = COSTLY.filter((property) => momentsOf(own[property]).length > 0);
    const [first] = found;
    if (!first) return null;
    return warning({
      view: 'Behaviour',
      number: found.join(', '),
      sentence: `${node.name} changes its ${found.join(' and ')} with the scroll: the page is laid out at each step`,
      cause:
        'On a slow device the scroll stutters, and what stands below moves. ' +
        'Growing, moving and fading cost next to nothing.',
      fix: cheaper(node, own, first)
    });
  }
);

const doesSideways = (project: Project, id: NodeId): boolean =>
  pathTo(project, id).some((each) => project.nodes[each]!.effects?.includes('sideways') ?? false);

const notSideways: FindingRule = {
  id: 'follow-not-sideways',
  summary: 'Something follows a sideways section and stands in none',
  kinds: null,
  scope: 'around',
  check(node, project) {
    if (!follows(node) || ownOf(node).over !== 'sideways' || doesSideways(project, node.id)) return null;
    return warning({
      view: 'Behaviour',
      sentence: `${node.name} does not move: it waits for its section to go sideways, and that does not`,
      cause: 'Let the section go sideways, or tie it to the section as it crosses the window.',
      fix: settingFix('Tie it to its section', node.id, key('over'), 'section')
    });
  }
};

export const findings: readonly FindingRule[] = [backwards, unwritten, costly, notSideways];
