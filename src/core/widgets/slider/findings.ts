import { error, settingFix, warning, type FindingRule, type KindOf, type Remark } from '../../kinds/finding';
import { isTooShort, readingRests, restToRead, roundOf, type RoundStep } from '../../kinds/round';
import { lookingIn, pictureOf } from '../../kinds/pictures';
import { bestShape, SHAPES } from '../../kinds/shapes';
import { moves } from '../../motion/track';
import { childrenIn } from '../../project/tree';
import type { Node, Project } from '../../project/types';
import { scheduleOf } from './schedule';
import { ownSettings } from '../../kinds/settings';
import { settings, type SliderSettings } from './settings';

/** What is set, and for each condition what is set there. */
const countOf = ({ slots }: Node): number => slots.panels?.length ?? 0;

type Check = (
  own: SliderSettings,
  node: Node,
  project: Project,
  of: KindOf
) => Remark | readonly Remark[] | null;

const ruleOf = (id: string, summary: string, check: Check): FindingRule => ({
  id: `slider-${id}`,
  summary,
  kinds: ['slider'],
  check: (node, project, _facts, of) => check(ownSettings(settings, node), node, project, of)
});

/** Slides that fill the window, and one more to come in while another goes out. */
const tooFew: Check = ({ ends, form, visible }, node) => {
  const [count, needed] = [countOf(node), Math.ceil(visible) + 1];
  if (ends !== 'loop' || form === 'fade' || count >= needed) return null;
  return warning({
    view: 'Behaviour',
    number: `${count} of ${needed}`,
    sentence: `${node.name} cannot go round: ${count} slides, ${visible} in sight`,
    cause: `It needs one more than can be seen. Until it has ${needed}, it goes back to the first instead.`,
    fix: settingFix('Let it go back to the first', node.id, 'ends', 'rewind')
  });
};

const evenCentre: Check = ({ align, visible, form }, node) => {
  const isOdd = Math.round(visible) % 2 === 1;
  if (align !== 'center' || form === 'fade' || isOdd) return null;
  const odd = Math.floor(visible / 2) * 2 + 1;
  return warning({
    view: 'Behaviour',
    number: `${visible} in sight`,
    sentence: `${visible} slides in sight have none in the middle, where the current one of ${node.name} stands`,
    cause:
      'Of an odd number one stands in the middle, and as many at each side. Now two are cut at the edges.',
    fix: settingFix(`Show ${odd}`, node.id, 'visible', odd)
  });
};

const noHold: Check = ({ plays, button }, node) => {
  if (!plays || button) return null;
  return error({
    view: 'Behaviour',
    sentence: `Nobody can hold ${node.name} while it plays`,
    cause:
      'What moves by itself for longer than 5 s needs a way to hold it (WCAG 2.2, 2.2.2). Pointing at it is none for hands on a screen.',
    fix: settingFix('Give it a hold button', node.id, 'button', true)
  });
};

const moveTooLong: Check = ({ plays, rest, move }, node) => {
  if (!plays || !moves(move) || move.ms <= rest * 1000) return null;
  return warning({
    view: 'Timing',
    number: `${move.ms} ms of ${rest} s`,
    sentence: `${node.name} moves for longer than its slides rest`,
    cause: 'Nothing on it stands still long enough to be read.',
    fix: settingFix('Move for 500 ms', node.id, 'move', { ...move, ms: 500 })
  });
};

/** How much wider the widest picture may be than the narrowest, of the same height (common practice, no source). */
const SPREAD_MOST = 1.05;

const asWords = (ratio: number): string => `${Math.round(100 / ratio) / 100} : 1`;

/** Pictures alone on their slides, of different shapes: it is as high as the highest, or jumps. */
const otherShapes: Check = ({ height, heights }, node, project) => {
  const pictures = childrenIn(project, node, 'panels').flatMap(
    (item) => pictureOf(item, lookingIn(project)) ?? []
  );
  const ratios = pictures.flatMap(({ ratio }) => ratio ?? []);
  const [least, most] = [Math.min(...ratios), Math.max(...ratios)];
  if (height || ratios.length < 2 || most / least <= SPREAD_MOST) return null;
  const does = heights === 'own' ? 'its height jumps' : 'some stand on empty room';
  const shape = bestShape(ratios.map((ratio) => 1 / ratio));
  return warning({
    view: 'Behaviour',
    number: `${asWords(most)} to ${asWords(least)}`,
    sentence: `Pictures of ${node.name} have different shapes, so ${does}`,
    cause:
      'Cut to one shape they are as high as one another. What stays in sight of each is set at the picture.',
    fix: {
      label: `Cut them to ${SHAPES[shape]}`,
      commands: pictures.map((each) => ({
        type: 'set-setting',
        id: each.node,
        key: 'shape',
        value: shape
      }))
    }
  });
};

const seconds = (value: number): string => `${Math.round(value * 10) / 10} s`;

const inSight = (step: RoundStep): string =>
  `it is in sight for ${seconds(step.inSight)}. It needs rests of ${restToRead(step)} s.`;

const goneTooSoon = (node: Node, steps: readonly RoundStep[], step: RoundStep): Remark =>
  warning({
    part: 'slide',
    view: 'Timing',
    number: `${seconds(step.inSight)} of ${seconds(step.reading)}`,
    sentence: `${step.name} of ${node.name} is gone before it is read`,
    cause: `${step.words} words take ${seconds(step.reading)} at 238 a minute; ${inSight(step)}`,
    fix: { label: 'Give every slide its reading time', commands: readingRests(steps) }
  });

const unread: Check = (own, node, project, of) => {
  const schedule = scheduleOf(own);
  if (!schedule) return null;
  const steps = roundOf(project, node, schedule, of);
  return steps.filter(isTooShort).map((step) => goneTooSoon(node, steps, step));
};

export const findings: readonly FindingRule[] = [
  ruleOf('too-few', 'A slider has too few slides to go round', tooFew),
  ruleOf('even-centre', 'The current slide cannot stand in the middle of an even number', evenCentre),
  ruleOf('no-hold', 'A slider plays and nothing holds it (WCAG 2.2, 2.2.2)', noHold),
  { ...ruleOf('other-shapes', 'Pictures of a slider have different shapes', otherShapes), scope: 'project' },
  ruleOf('move-too-long', 'A slider moves for longer than it rests', moveTooLong),
  { ...ruleOf('unread', 'A slide is gone before it is read', unread), scope: 'project' }
];
