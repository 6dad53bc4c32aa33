import {
  settingFix,
  styleFix,
  type FindingRule,
  type Fix,
  type Remark,
  warning,
  error
} from '../../kinds/finding';
import { fitFrom, heightJump, NARROWEST } from '../../layout/fit';
import { neverFits } from '../../layout/never-fits';
import { barsOf, mostAtOnce, type Track } from '../../motion/track';
import type { Node, NodeId, Project } from '../../project/types';
import { settings, type TabsSettings } from './settings';
import { compact } from '../../data/compact';
import { isDisabled } from '../../kinds/disabled';

const settingsOf = (node: Node) => settings.cast(node.settings) as TabsSettings;
const panelsOf = (node: Node, project: Project) =>
  (node.slots.panels ?? []).map((id) => project.nodes[id as NodeId]!);

/** A jump smaller than this is hardly seen: common practice, no source. */
const JUMP_LEAST = 8;
/** WCAG 2.2, success criterion 2.5.8: a target is at least 24 by 24 CSS px. */
const TARGET_LEAST = 24;
/** More than three things that move at once are a bustle: common practice, no source. */
const AT_ONCE_MOST = 3;
const PLACEHOLDER = /^(?:first|second|third|panel(?: \d+)?|tab(?: \d+)?|untitled)$/i;
/** Strong right-to-left letters: Hebrew, Arabic and their neighbours (Unicode blocks, from memory). */
const RIGHT_TO_LEFT = /[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/;

type Rule = Pick<FindingRule, 'id' | 'summary' | 'check'> & Partial<FindingRule>;

/** A rule about tabs, whose answer hangs on the tabs and their panels alone unless it says otherwise. */
const ofTabs = (rule: Rule): FindingRule => ({ kinds: ['tabs'], scope: 'node', ...rule });

/** Where no window has the room for them. */
const tooLong = ({ id }: Node) => ({
  what: 'labels',
  advice: 'Shorten the labels, or let the list scroll.',
  fix: settingFix('Let the list scroll', id, 'form', 'scroll')
});

function wrapsUnder({ id, name }: Node, from: number, foldUnder: number): Remark {
  const fold = foldUnder > 0 ? `, and fold only under ${foldUnder} px` : '';
  return warning({
    part: 'list',
    view: 'Fallbacks',
    number: `${from} px`,
    width: from,
    sentence: `The labels of ${name} wrap under ${from} px${fold}`,
    cause: 'Between the two they stand on more lines, and everything below moves down.',
    fix: settingFix(`Fold under ${from} px`, id, 'foldUnder', from)
  });
}

const labelsWrap = ofTabs({
  id: 'labels-wrap',
  summary: 'Labels wrap onto more lines before the tabs fold',
  needs: ['fits'],
  check(node, _project, { fits }) {
    const fit = fits.get(node.id);
    const { foldUnder, form, side } = settingsOf(node);
    if (!fit || form !== 'tabs' || side === 'left' || side === 'right') return [];
    const from = fitFrom(fit);
    if (from === null) return neverFits(node, fit, tooLong(node));
    return from > Math.max(foldUnder, NARROWEST) ? wrapsUnder(node, from, foldUnder) : null;
  }
});

/** Whether panels of different heights move what stands below: some settings keep that from happening. */
function canJump(node: Node): boolean {
  const { equal, form, height } = settingsOf(node);
  return !equal && height.form === 'none' && (form === 'tabs' || form === 'scroll');
}

const jumpsBy = ({ id, name }: Node, jump: number, heights: readonly number[]) =>
  warning({
    part: 'panel',
    view: 'Behaviour',
    number: `${jump} px`,
    sentence: `What stands below ${name} jumps by up to ${jump} px`,
    cause: `Its panels are ${Math.round(Math.min(...heights))} to ${Math.round(Math.max(...heights))} px high.`,
    fix: settingFix('Make them equally high', id, 'equal', true)
  });

const panelHeightJump = ofTabs({
  id: 'panel-height-jump',
  summary: 'Panels of different heights move what stands below',
  needs: ['fits'],
  check(node, _project, { fits }) {
    const heights = fits.get(node.id)?.heights;
    if (!heights || !canJump(node)) return [];
    const jump = Math.round(heightJump(heights));
    return jump < JUMP_LEAST ? null : jumpsBy(node, jump, heights);
  }
});

const tooSmall = ({ id, name }: Node, target: number) =>
  error({
    part: 'tab',
    view: 'States',
    number: `${target.toFixed(0)} px`,
    sentence: `A tab of ${name} is only ${target.toFixed(0)} px high or wide`,
    cause: `Fingers need ${TARGET_LEAST} px. Give the tab more padding.`,
    fix: styleFix('Give it 8px 12px padding', id, 'tab', 'padding', '8px 12px')
  });

const smallTarget = ofTabs({
  id: 'small-target',
  summary: 'A tab is too small to be hit well (WCAG 2.2, 2.5.8)',
  needs: ['fits'],
  check(node, _project, { fits }) {
    const target = fits.get(node.id)?.target ?? TARGET_LEAST;
    return target < TARGET_LEAST ? tooSmall(node, target) : null;
  }
});

const holdsNothing = ({ slots }: Node): boolean => (slots.content ?? []).length === 0;

const emptyPanel = ofTabs({
  id: 'empty-panel',
  summary: 'A panel holds nothing',
  check: (node, project) =>
    panelsOf(node, project)
      .filter(holdsNothing)
      .map(({ id, name }) =>
        warning({
          part: 'panel',
          view: 'Fill',
          sentence: `Panel ${name} of ${node.name} is empty`,
          cause: 'Choosing it shows nothing. Fill it, or take it out.',
          fix: { label: 'Take the panel out', commands: [{ type: 'remove', ids: [id] }] }
        })
      )
});

function saysNothing(node: Node, labels: readonly string[]): Remark {
  const those = labels.length === 1 ? 'a label that says' : 'labels that say';
  return warning({
    part: 'tab',
    view: 'Fill',
    number: `${labels.length}`,
    sentence: `${node.name} still has ${those} nothing: ${labels.slice(0, 3).join(', ')}`,
    cause: 'People choose by the label. Say what is behind it.'
  });
}

const placeholderLabel = ofTabs({
  id: 'placeholder-label',
  summary: 'A tab still has the label it came with',
  check(node, project) {
    const labels = panelsOf(node, project).map(({ name }) => name);
    const left = labels.filter((name) => PLACEHOLDER.test(name));
    return left.length > 0 ? saysNothing(node, left) : null;
  }
});

/** Whether a page of the project is in a language that is written from right to left. */
const hasTurnedPage = ({ pages }: Project): boolean =>
  Object.values(pages).some(({ language }) => /^(?:ar|he|fa|ur|yi)\b/.test(language));

const turnedLabels = (node: Node, turned: number, all: number) =>
  warning({
    part: 'tab',
    view: 'Fill',
    number: `${turned} of ${all}`,
    sentence: `${turned} of the labels of ${node.name} run from right to left`,
    cause:
      'Each is set in its own direction, but the tabs still stand in the order of the page. Give the page its language if all of it runs that way.'
  });

const labelDirection = ofTabs({
  id: 'label-direction',
  summary: 'Labels run from right to left on a page that runs from left to right',
  scope: 'project',
  check(node, project) {
    const panels = panelsOf(node, project);
    const turned = panels.filter(({ name }) => RIGHT_TO_LEFT.test(name)).length;
    return turned > 0 && !hasTurnedPage(project) ? turnedLabels(node, turned, panels.length) : null;
  }
});

const enable = ({ id, name }: Node): Fix => settingFix(`Enable ${name}`, id, 'disabled', false);

const noneToChoose = (node: Node, panels: readonly Node[]) =>
  error({
    part: 'tab',
    view: 'Fill',
    sentence: `All ${panels.length} panels of ${node.name} are disabled`,
    cause: 'Nobody can choose one. Enable at least one under Fill.',
    fix: panels[0] ? enable(panels[0]) : null
  });

const noOpenPanel = ofTabs({
  id: 'no-open-panel',
  summary: 'Every panel is disabled, so none can be chosen',
  check(node, project) {
    const panels = panelsOf(node, project);
    const isClosed = panels.every(isDisabled);
    return isClosed ? noneToChoose(node, panels) : null;
  }
});

/** Everything that moves when a tab is picked. */
function tracksOf(node: Node): readonly Track[] {
  const { out, enter, rise, height, swap, indicator, glide } = settingsOf(node);
  return compact([out, enter, rise, height, swap, indicator ? glide : null]) as readonly Track[];
}

const tooMany = (node: Node, most: number) =>
  warning({
    part: 'panel',
    view: 'Timing',
    number: `${most}`,
    sentence: `${most} things move at once when a tab of ${node.name} is picked`,
    cause: `The eye follows ${AT_ONCE_MOST} at most. Start some later, or let them be still.`
  });

const manyMovements = ofTabs({
  id: 'many-movements',
  summary: 'More than three things move at once',
  check(node) {
    const most = mostAtOnce(tracksOf(node).flatMap((track) => barsOf(track, 3)));
    return most > AT_ONCE_MOST ? tooMany(node, most) : null;
  }
});

export const findings: readonly FindingRule[] = [
  labelsWrap,
  panelHeightJump,
  smallTarget,
  emptyPanel,
  placeholderLabel,
  labelDirection,
  noOpenPanel,
  manyMovements
];
