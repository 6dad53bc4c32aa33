import type { Box } from '../../facts/box';
import { effectKey, ownValues } from '../../kinds/effects';
import { settingFix, warning, type FindingRule, type Remark } from '../../kinds/finding';
import { maybePlaceOf, nodeOf } from '../../project/tree';
import type { Node, NodeId, Project } from '../../project/types';
import { maybeStuck } from '../../scroll/sticky';
import { WINDOW_LEAST } from '../../scroll/window';
import { settings, type ScreenSettings } from './settings';

const key = (name: string): string => effectKey('screen', name);
const fills = ({ effects }: Node): boolean => effects?.includes('screen') ?? false;

const ownOf = (node: Node): ScreenSettings => ownValues('screen', settings, node);

interface Screen {
  readonly node: Node;
  readonly project: Project;
  readonly own: ScreenSettings;
  readonly box: Box;
  readonly boxes: ReadonlyMap<NodeId, Box>;
}

const ofScreen = (id: string, summary: string, say: (screen: Screen) => Remark | null): FindingRule => ({
  id,
  summary,
  kinds: null,
  scope: 'project',
  needs: ['boxes'],
  check(node, project, { boxes }) {
    const box = fills(node) ? boxes.get(node.id) : undefined;
    return box ? say({ node, project, own: ownOf(node), box, boxes }) : null;
  }
});

const heightOf = ({ top, bottom }: Box): number => bottom - top;

const tooTall = ofScreen(
  'screen-too-tall',
  'What is to fill the screen is higher than it',
  ({ node, own, box }) => {
    // The preview may be lower than any window is: what is too high for it alone is no fault of the page.
    const height = Math.max(box.height, WINDOW_LEAST);
    const over = Math.round(heightOf(box) + own.less - height);
    if (over < 1) return null;
    const isHeld = own.snap === 'mandatory';
    return warning({
      view: 'Scroll',
      number: `${over} px`,
      sentence: `${node.name} is ${over} px higher than the window of ${height} px, and than every lower one`,
      cause: isHeld
        ? 'A page that always comes to rest leaves its end hard to reach. ' +
          'Let it rest where it is near, or give it less.'
        : 'It is read by scrolling within it, and is no screen of its own. Give it less, or smaller type.',
      fix: isHeld ? settingFix('Rest only where it is near', node.id, key('snap'), 'proximity') : null
    });
  }
);

/** The section before it on the page, where that fills the screen too. */
function maybeBefore(project: Project, node: Node): Node | null {
  const at = maybePlaceOf(project, node.id);
  const before = at && nodeOf(project, at.parent).slots[at.slot]?.[at.index - 1];
  const section = before ? nodeOf(project, before) : null;
  return section && fills(section) ? section : null;
}

const apart = ofScreen(
  'screen-gap',
  'Between two screens there is a gap',
  ({ node, project, box, boxes }) => {
    const before = maybeBefore(project, node);
    const above = before && boxes.get(before.id);
    const gap = above ? Math.round(box.top - above.bottom) : 0;
    if (!before || gap < 1) return null;
    return warning({
      view: 'States',
      number: `${gap} px`,
      sentence: `${gap} px lie between ${before.name} and ${node.name}: each rest shows a strip of what is between`,
      cause: 'Screens that follow one another have no margin, and what holds them no gap.',
      fix: null
    });
  }
);

/** How far down from the top something stuck reaches over all the page, px. */
function coverOver(node: Node, box: Box, boxes: ReadonlyMap<NodeId, Box>): number {
  const reaches = [...boxes].map(([id, other]) => {
    const stuck = id === node.id || other.insetTop === null ? null : maybeStuck(other);
    const isThere = stuck && stuck.start <= box.top && stuck.end > box.top && other.right - other.left > 300;
    return isThere ? other.insetTop! + heightOf(other) : 0;
  });
  return Math.max(0, ...reaches);
}

const covered = ofScreen(
  'screen-covered',
  'A sticky header covers the top of a screen',
  ({ node, own, box, boxes }) => {
    const cover = Math.ceil(coverOver(node, box, boxes));
    if (cover <= own.less) return null;
    return warning({
      view: 'Scroll',
      number: `${cover} px`,
      sentence: `What sticks above covers ${cover} px of ${node.name}, which leaves ${own.less} px free`,
      cause: 'The usable screen is the window without what sticks at its top.',
      fix: settingFix(`Leave ${cover} px free`, node.id, key('less'), cover)
    });
  }
);

/** Two sections of one page cannot ask for different rests: the page has one. */
const mixed: FindingRule = {
  id: 'screen-mixed',
  summary: 'Sections of one page ask for different ways to rest',
  kinds: null,
  scope: 'project',
  check(node, project) {
    if (!fills(node)) return null;
    const before = maybeBefore(project, node);
    const [mine, other] = [ownOf(node).snap, before && ownOf(before).snap];
    if (!before || mine === other) return null;
    return warning({
      view: 'Behaviour',
      sentence: `${node.name} and ${before.name} ask for different ways to come to rest, and a page has one`,
      cause: 'The one that comes last on the page decides for all.',
      fix: settingFix(`As ${before.name}`, node.id, key('snap'), other)
    });
  }
};

/** The page as it is on a low window, where what is set in px no longer fits. */
const lowWindow = ofScreen(
  'screen-low-window',
  'On a low window a screen no longer fits',
  ({ node, own, box }) => {
    const fixed = Number(/^(\d+)px$/.exec(String(node.settings.height ?? ''))?.[1] ?? 0);
    if (fixed + own.less <= WINDOW_LEAST || fixed > heightOf(box)) return null;
    return warning({
      view: 'Fill',
      number: `${fixed} px`,
      sentence: `${node.name} is ${fixed} px high at least: a window of ${WINDOW_LEAST} px does not show all of it`,
      cause: 'A screen takes its height from the window. A least height in px keeps it from doing so.',
      fix: settingFix('Leave its height to the window', node.id, 'height', '')
    });
  }
);

export const findings: readonly FindingRule[] = [tooTall, apart, covered, mixed, lowWindow];
