import type { FindingRule } from '../../kinds/finding';
import { fitFrom } from '../../layout/fit';
import { settings, type LinksSettings } from './settings';

export const findings: readonly FindingRule[] = [
  {
    id: 'links-wrap',
    summary: 'Links of a navigation wrap before they go behind a menu button',
    kinds: ['links'],
    scope: 'node',
    check(node, _project, { fits }) {
      const { element, flow, foldUnder } = settings.cast(node.settings) as LinksSettings;
      const fit = fits.get(node.id);
      if (!fit || element !== 'navigation' || flow === 'column' || fit.from === null) return [];
      const from = Math.ceil(fitFrom(fit));
      if (from <= Math.max(foldUnder, 280)) return [];
      return [
        {
          severity: 'warning',
          part: 'list',
          view: 'Fallbacks',
          number: `${from} px`,
          width: from,
          sentence: `The links of ${node.name} wrap under ${from} px${foldUnder > 0 ? `, and go behind the menu button only under ${foldUnder} px` : ''}`,
          cause: 'Between the two they stand on more lines, and the header grows.',
          fix: {
            label: `Menu button under ${from} px`,
            commands: [{ type: 'set-setting', id: node.id, key: 'foldUnder', value: from }]
          }
        }
      ];
    }
  }
];
