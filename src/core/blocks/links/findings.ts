import { settingFix, type FindingRule, type Remark, warning } from '../../kinds/finding';
import { fitFrom, NARROWEST, WIDEST } from '../../layout/fit';
import { neverFits } from '../../layout/never-fits';
import type { Node } from '../../project/types';
import { FOLD_MOST, settings, type LinksSettings } from './settings';

const settingsOf = (node: Node) => settings.cast(node.settings) as LinksSettings;

function wrapsUnder({ id, name }: Node, from: number, foldUnder: number): Remark {
  const fold = foldUnder > 0 ? `, and go behind the menu button only under ${foldUnder} px` : '';
  return warning({
    part: 'list',
    view: 'Fallbacks',
    number: `${from} px`,
    width: from,
    sentence: `The links of ${name} wrap under ${from} px${fold}`,
    cause: 'Between the two they stand on more lines, and the header grows.',
    fix: settingFix(`Menu button under ${from} px`, id, 'foldUnder', from)
  });
}

/** Where no window has the room for them. */
const tooLong = ({ id }: Node) => ({
  what: 'links',
  advice: 'Shorten their words, or have a menu button.',
  fix: settingFix('Menu button at every width', id, 'foldUnder', FOLD_MOST)
});

export const findings: readonly FindingRule[] = [
  {
    id: 'links-wrap',
    summary: 'Links of a navigation wrap before they go behind a menu button',
    kinds: ['links'],
    scope: 'node',
    needs: ['fits'],
    check(node, _project, { fits }) {
      const { element, flow, foldUnder } = settingsOf(node);
      const fit = fits.get(node.id);
      if (!fit || element !== 'navigation' || flow === 'column') return null;
      const from = fitFrom(fit);
      if (from === null) return foldUnder > WIDEST ? null : neverFits(node, fit, tooLong(node));
      return from > Math.max(foldUnder, NARROWEST) ? wrapsUnder(node, from, foldUnder) : null;
    }
  }
];
