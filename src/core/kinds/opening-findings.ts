import { type FindingRule, error } from './finding';
import { referencesInto } from './references';
import type { Node } from '../project/types';

const neverOpened = (node: Node) =>
  error({
    view: 'Fill',
    sentence: `Nothing opens ${node.name}`,
    cause: 'It has no button of its own, and no button of the page opens it. Nobody ever sees what is in it.',
    fix: {
      label: 'Give it a button',
      commands: [{ type: 'set-setting', id: node.id, key: 'label', value: node.name.slice(0, 120) }]
    }
  });

/**
 * A rule about a kind that is opened by a button of its own, or by another that names it: one of the two has to be
 * there.
 * @param label the words on its own button before anyone sets them; empty for none.
 */
export const neverOpenedRule = (kind: string, label: string): FindingRule => ({
  id: `${kind}-never-opened`,
  summary: 'Nothing opens what lies over the page',
  kinds: [kind],
  scope: 'project',
  check(node, project, _facts, of) {
    // A link to something in it leads there, and opens nothing.
    const isNamed = () => referencesInto({ of }, project, [node.id]).some(({ to }) => to === node.id);
    const isOpened = (node.settings.label ?? label) !== '' || isNamed();
    return isOpened ? null : neverOpened(node);
  }
});
