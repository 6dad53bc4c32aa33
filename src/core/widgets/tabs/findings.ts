import type { FindingRule } from '../../kinds/finding';
import { fitFrom, heightJump } from '../../layout/fit';
import { barsOf, mostAtOnce, type Track } from '../../motion/track';
import type { Node, NodeId, Project } from '../../project/types';
import { settings, type TabsSettings } from './settings';
import { compact } from '../../data/compact';

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

export const findings: readonly FindingRule[] = [
  {
    id: 'labels-wrap',
    summary: 'Labels wrap onto more lines before the tabs fold',
    kinds: ['tabs'],
    scope: 'node',
    check(node, _project, { fits }) {
      const fit = fits.get(node.id);
      const { foldUnder, form, side } = settingsOf(node);
      if (!fit || form !== 'tabs' || side === 'left' || side === 'right') return [];
      if (fit.from === null) {
        return [
          {
            severity: 'warning',
            part: 'list',
            view: 'Fallbacks',
            number: `${Math.ceil(fit.needed)} px`,
            sentence: `The labels of ${node.name} never fit on one line: they need ${Math.ceil(fit.needed)} px`,
            cause: `Their place gives ${Math.floor(fit.available)} px at most. Shorten the labels, or let the list scroll.`,
            fix: {
              label: 'Let the list scroll',
              commands: [{ type: 'set-setting', id: node.id, key: 'form', value: 'scroll' }]
            }
          }
        ];
      }
      const from = Math.ceil(fitFrom(fit));
      if (from <= Math.max(foldUnder, 280)) return [];
      return [
        {
          severity: 'warning',
          part: 'list',
          view: 'Fallbacks',
          number: `${from} px`,
          width: from,
          sentence: `The labels of ${node.name} wrap under ${from} px${foldUnder > 0 ? `, and fold only under ${foldUnder} px` : ''}`,
          cause: 'Between the two they stand on more lines, and everything below moves down.',
          fix: {
            label: `Fold under ${from} px`,
            commands: [{ type: 'set-setting', id: node.id, key: 'foldUnder', value: from }]
          }
        }
      ];
    }
  },
  {
    id: 'panel-height-jump',
    summary: 'Panels of different heights move what stands below',
    kinds: ['tabs'],
    scope: 'node',
    check(node, _project, { fits }) {
      const fit = fits.get(node.id);
      const { equal, form, height } = settingsOf(node);
      const jump = fit ? Math.round(heightJump(fit.heights)) : 0;
      if (equal || height.form !== 'none' || jump < JUMP_LEAST || (form !== 'tabs' && form !== 'scroll'))
        return [];
      return [
        {
          severity: 'warning',
          part: 'panel',
          view: 'Behaviour',
          number: `${jump} px`,
          sentence: `What stands below ${node.name} jumps by up to ${jump} px`,
          cause: `Its panels are ${Math.round(Math.min(...fit!.heights))} to ${Math.round(Math.max(...fit!.heights))} px high.`,
          fix: {
            label: 'Make them equally high',
            commands: [{ type: 'set-setting', id: node.id, key: 'equal', value: true }]
          }
        }
      ];
    }
  },
  {
    id: 'small-target',
    summary: 'A tab is too small to be hit well (WCAG 2.2, 2.5.8)',
    kinds: ['tabs'],
    scope: 'node',
    check(node, _project, { fits }) {
      const target = fits.get(node.id)?.target;
      if (target === undefined || target >= TARGET_LEAST) return [];
      return [
        {
          severity: 'error',
          part: 'tab',
          view: 'States',
          number: `${target.toFixed(0)} px`,
          sentence: `A tab of ${node.name} is only ${target.toFixed(0)} px high or wide`,
          cause: `Fingers need ${TARGET_LEAST} px. Give the tab more padding.`,
          fix: {
            label: 'Give it 8px 12px padding',
            commands: [
              {
                type: 'set-style',
                id: node.id,
                part: 'tab',
                state: 'rest',
                condition: 'always',
                property: 'padding',
                value: '8px 12px'
              }
            ]
          }
        }
      ];
    }
  },
  {
    id: 'empty-panel',
    summary: 'A panel holds nothing',
    kinds: ['tabs'],
    scope: 'node',
    check: (node, project) =>
      panelsOf(node, project)
        .filter((panel) => (panel.slots.content ?? []).length === 0)
        .map((panel) => ({
          severity: 'warning' as const,
          part: 'panel',
          view: 'Fill' as const,
          sentence: `Panel ${panel.name} of ${node.name} is empty`,
          cause: 'Choosing it shows nothing. Fill it, or take it out.',
          fix: { label: 'Take the panel out', commands: [{ type: 'remove', ids: [panel.id] }] }
        }))
  },
  {
    id: 'placeholder-label',
    summary: 'A tab still has the label it came with',
    kinds: ['tabs'],
    scope: 'node',
    check: (node, project) => {
      const labels = panelsOf(node, project)
        .map(({ name }) => name)
        .filter((name) => PLACEHOLDER.test(name));
      if (labels.length === 0) return [];
      return [
        {
          severity: 'warning',
          part: 'tab',
          view: 'Fill',
          number: `${labels.length}`,
          sentence: `${node.name} still has ${labels.length === 1 ? 'a label' : 'labels'} that ${labels.length === 1 ? 'says' : 'say'} nothing: ${labels.slice(0, 3).join(', ')}`,
          cause: 'People choose by the label. Say what is behind it.',
          fix: null
        }
      ];
    }
  },
  {
    id: 'label-direction',
    summary: 'Labels run from right to left on a page that runs from left to right',
    kinds: ['tabs'],
    scope: 'project',
    check(node, project) {
      const turned = panelsOf(node, project).filter(({ name }) => RIGHT_TO_LEFT.test(name));
      const isTurnedPage = Object.values(project.pages).some(({ language }) =>
        /^(?:ar|he|fa|ur|yi)\b/.test(language)
      );
      if (turned.length === 0 || isTurnedPage) return [];
      return [
        {
          severity: 'warning',
          part: 'tab',
          view: 'Fill',
          number: `${turned.length} of ${panelsOf(node, project).length}`,
          sentence: `${turned.length} of the labels of ${node.name} run from right to left`,
          cause:
            'Each is set in its own direction, but the tabs still stand in the order of the page. Give the page its language if all of it runs that way.',
          fix: null
        }
      ];
    }
  },
  {
    id: 'no-open-panel',
    summary: 'Every panel is disabled, so none can be chosen',
    kinds: ['tabs'],
    scope: 'node',
    check: (node, project) => {
      const panels = panelsOf(node, project);
      if (panels.some((panel) => panel.settings.disabled !== true)) return [];
      return [
        {
          severity: 'error',
          part: 'tab',
          view: 'Fill',
          sentence: `All ${panels.length} panels of ${node.name} are disabled`,
          cause: 'Nobody can choose one. Enable at least one under Fill.',
          fix: panels[0]
            ? {
                label: `Enable ${panels[0].name}`,
                commands: [{ type: 'set-setting', id: panels[0].id, key: 'disabled', value: false }]
              }
            : null
        }
      ];
    }
  },
  {
    id: 'many-movements',
    summary: 'More than three things move at once',
    kinds: ['tabs'],
    scope: 'node',
    check(node) {
      const all = settingsOf(node);
      const tracks = (['out', 'enter', 'rise', 'height', 'swap'] as const).map((name) => all[name] as Track);
      const bars = compact([...tracks, all.indicator ? (all.glide as Track) : null]).flatMap((track) =>
        barsOf(track, 3)
      );
      const most = mostAtOnce(bars);
      if (most <= AT_ONCE_MOST) return [];
      return [
        {
          severity: 'warning',
          part: 'panel',
          view: 'Timing',
          number: `${most}`,
          sentence: `${most} things move at once when a tab of ${node.name} is picked`,
          cause: `The eye follows ${AT_ONCE_MOST} at most. Start some later, or let them be still.`,
          fix: null
        }
      ];
    }
  }
];
