import { choosing } from '../../kinds/choosing';
import type { FallbackContext, FallbackRow, Kind, Make } from '../../kinds/contract';
import type { Fit } from '../../kinds/finding';
import type { ConditionName, Fragment, Node } from '../../project/types';
import { about } from './about';
import { anatomy, look } from './anatomy';
import { behaviours, markup, uses } from './markup';
import { adapt, settings, type TabsSettings } from './settings';
import { style } from './style';
import type { Loose } from '../../data/record';
import { panelWith } from '../../kinds/make';

/** The form that is shown: the one set, but for what folding and the conditions make of it. */
function formUnder({ form, foldUnder, foldInto }: Loose, width: number): string {
  return form === 'open' || Number(foldUnder) <= width ? String(form) : String(foldInto);
}

/** Equal or own, with the number that was measured at the width on show. */
function heightWords({ equal }: TabsSettings, fit: Fit | null): string {
  if (!fit || fit.heights.length === 0) return equal ? 'equal' : 'own';
  const [least, most] = [Math.round(Math.min(...fit.heights)), Math.round(Math.max(...fit.heights))];
  if (equal) return `equal ${most} px`;
  return least === most ? `own, ${most} px` : `own, ${least} to ${most} px`;
}

function fallbacks(_node: Node, { bands, fit, settings: under }: FallbackContext): readonly FallbackRow[] {
  const shown = (condition: ConditionName, width: number) => formUnder(under(condition), width);
  const words = Object.fromEntries(tabs.forms.map(({ form, label }) => [form, label]));
  const { foldUnder, several } = under<TabsSettings>('always');
  const atOnce = several ? 'several' : 'one at a time';
  const inBand = (condition: ConditionName, upper: number, lower: number) => {
    const [at, below] = [shown(condition, upper), shown(condition, lower + 1)];
    return at === below ? words[at]! : `${words[below]} under ${foldUnder}`;
  };
  const wide = shown('always', 1e4);
  return [
    {
      label: 'Shows',
      wide: words[wide]!,
      cells: {
        medium: inBand('medium', bands.medium, bands.narrow),
        narrow: inBand('narrow', bands.narrow, 0),
        touch: words[shown('touch', 1e4)]!,
        'no-script': 'all open',
        print: 'all open'
      }
    },
    {
      label: 'Panels open',
      wide: 'one',
      cells: {
        narrow: shown('narrow', bands.narrow) === 'accordion' ? atOnce : null,
        'no-script': 'all',
        print: 'all'
      }
    },
    {
      label: 'Panel height',
      wide: heightWords(under('always'), fit),
      cells: {
        medium: heightWords(under('medium'), null),
        narrow:
          shown('narrow', bands.narrow) === 'tabs' || shown('narrow', bands.narrow) === 'scroll'
            ? heightWords(under('narrow'), null)
            : 'own',
        'no-script': 'own',
        print: 'own'
      }
    },
    { label: 'Hover look', wide: 'changes', cells: { touch: 'pressed only', print: '—' } }
  ];
}

export const tabs: Kind = {
  ...about,
  anatomy,
  states: choosing,
  settings,
  slots: {
    panels: { label: 'Panels', accepts: ['panel'], items: true, repeats: true, least: 1, part: 'panel' }
  },
  forms: [
    { form: 'tabs', label: 'tabs', text: 'one panel behind a list of tabs' },
    { form: 'scroll', label: 'scrolling tabs', text: 'one row of tabs that scrolls sideways' },
    { form: 'accordion', label: 'accordion', text: 'a header on each panel' },
    { form: 'open', label: 'all open', text: 'every panel under its heading' }
  ],
  look,
  adapt,
  create: (make) =>
    make(
      'tabs',
      'Tabs',
      {},
      {
        panels: ['First', 'Second', 'Third'].map((label) => panel(make, label))
      }
    ),
  markup,
  style,
  behaviours,
  uses,
  fallbacks,
  findings: () => import('./findings'),
  fit: { row: 'list', what: 'labels' },
  play: { part: 'tab', label: 'Pick the next tab' }
};

function panel(make: Make, label: string): Fragment {
  return panelWith(make, label, `What stands in the ${label.toLowerCase()} panel.`);
}
