import type { FallbackRow, Kind } from '../../kinds/contract';
import type { Bands, Node } from '../../project/types';
import { anatomy, look } from './anatomy';
import { findings } from './findings';
import { markup } from './markup';
import { settings, type TabsSettings } from './settings';
import { style } from './style';

function fallbacks(node: Node, { bands }: { readonly bands: Bands }): readonly FallbackRow[] {
  const { foldUnder, side, several } = settings.cast(node.settings) as TabsSettings;
  const tabs = `tabs on ${side === 'top' || side === 'bottom' ? side : `the ${side}`}`;
  // Bands include their upper edge and the fold does not, so a fold at the edge counts as folding the band.
  const isFolded = (upper: number) => foldUnder >= upper;
  const formIn = (upper: number, lower: number) =>
    isFolded(upper) ? 'accordion' : foldUnder > lower ? `accordion under ${foldUnder}` : null;
  const drawn = (upper: number) => (isFolded(upper) ? 'accordion' : 'tabs');
  const openAtOnce = several ? 'several' : 'one at a time';
  return [
    {
      label: 'Form',
      wide: tabs,
      cells: {
        medium: formIn(bands.medium, bands.narrow),
        narrow: formIn(bands.narrow, 0),
        'no-script': 'all panels open',
        print: 'all panels open'
      },
      forms: {
        always: 'tabs',
        medium: drawn(bands.medium),
        narrow: foldUnder > 0 ? 'accordion' : 'tabs',
        touch: 'tabs',
        'less-motion': 'tabs',
        'no-script': 'open',
        print: 'open'
      }
    },
    { label: 'Fold under', wide: foldUnder > 0 ? `${foldUnder} px` : 'never', cells: { 'no-script': '—', print: '—' } },
    {
      label: 'Panels open',
      wide: 'one',
      cells: { narrow: foldUnder > 0 ? openAtOnce : null, 'no-script': 'all', print: 'all' }
    },
    { label: 'Hover look', wide: 'colour', cells: { touch: 'pressed only', print: '—' } },
    { label: 'Movement', wide: 'none', cells: {} }
  ];
}

export const tabs: Kind = {
  kind: 'tabs',
  label: 'Tabs',
  summary: 'Panels behind tabs, folded into an accordion where it is narrow',
  category: 'block',
  icon: 'M2 6V3h4v3h8v7H2zM7.5 3.5H10M11.5 3.5H14',
  insertable: true,
  anatomy,
  settings,
  slots: { panels: { label: 'Panels', accepts: ['panel'], items: true, least: 1, part: 'panel' } },
  forms: [
    { form: 'tabs', label: 'tabs', text: 'one panel behind a list of tabs', drawing: { dark: 'M2 4h8v5H2z', light: 'M12 4h8v5h-8zM22 4h8v5h-8zM2 10h44v18H2z' } },
    { form: 'accordion', label: 'accordion', text: 'a header on each panel', drawing: { dark: 'M14 2h20v4H14zM14 20h20v4H14zM14 26h20v4H14z', light: 'M14 7h20v12H14z' } },
    { form: 'open', label: 'all open', text: 'every panel under its heading', drawing: { dark: 'M8 3h14v2H8zM8 13h14v2H8zM8 23h14v2H8z', light: 'M8 6h32v5H8zM8 16h32v5H8zM8 26h32v4H8z' } }
  ],
  look,
  create: (make) =>
    make('tabs', 'Tabs', {}, {
      panels: ['First', 'Second', 'Third'].map((label) =>
        make('panel', label, {}, {
          content: [make('text', `${label} text`, { html: `<p>What stands in the ${label.toLowerCase()} panel.</p>` })]
        })
      )
    }),
  markup,
  style,
  behaviours: () => ['tabs'],
  fallbacks,
  findings
};
