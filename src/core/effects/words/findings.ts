import { effectKey, ownValues } from '../../kinds/effects';
import { settingFix, warning, type FindingRule } from '../../kinds/finding';
import { settings } from './settings';

const backwards: FindingRule = {
  id: 'words-backwards',
  summary: 'Words are to be out before the first begins to come',
  kinds: null,
  scope: 'node',
  check(node) {
    if (!node.effects?.includes('words')) return null;
    const { from, to } = ownValues('words', settings, node);
    if (to > from) return null;
    const end = Math.min(100, from + 40);
    return warning({
      view: 'Scroll',
      number: `${from} to ${to} %`,
      sentence: `The words of ${node.name} come out all at once: from ${from} % to ${to} % of its way`,
      cause: 'The last word comes out after the first.',
      fix: settingFix(`Until ${end} %`, node.id, effectKey('words', 'to'), end)
    });
  }
};

export const findings: readonly FindingRule[] = [backwards];
