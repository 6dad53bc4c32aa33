import { effectKey } from '../../kinds/effects';
import { settingFix, type FindingRule, type KindOf, error } from '../../kinds/finding';
import { maybePlaceOf, subtreeIds } from '../../project/tree';
import type { Node, Project } from '../../project/types';

const FOCUSABLE = effectKey('reveal', 'focusable');

/** A part of it takes the focus; words do only where there is a link among them. */
function takesFocus(node: Node, of: KindOf): boolean {
  const { anatomy } = of(node);
  const hasFocus = Object.values(anatomy).some(({ states }) => states.focus !== undefined);
  const html = node.settings.html;
  const isWords = typeof html === 'string';
  return (hasFocus && (!isWords || /<a[\s>]/.test(html))) || node.settings[FOCUSABLE] === true;
}

/** Whether something in the box around a piece takes the focus. */
function isReachable(project: Project, node: Node, of: KindOf): boolean {
  const box = maybePlaceOf(project, node.id)?.parent;
  return box !== undefined && subtreeIds(project, box).some((id) => takesFocus(project.nodes[id]!, of));
}

const onlyByHover = (node: Node) =>
  error({
    view: 'Behaviour',
    sentence: `${node.name} shows on hover only: nothing in its box takes the focus`,
    cause: 'Whoever uses the page by keys never sees it (WCAG 2.2, 2.1.1). It can take the focus itself.',
    fix: settingFix('Let it take the focus', node.id, FOCUSABLE, true)
  });

export const findings: readonly FindingRule[] = [
  {
    id: 'reveal-by-hover-only',
    summary: 'What shows on hover cannot be reached by keys',
    kinds: null,
    scope: 'project',
    check(node, project, _facts, of) {
      const { effects, settings } = node;
      const isShown =
        effects?.includes('reveal') && (settings[effectKey('reveal', 'as')] ?? 'show') === 'show';
      return isShown && !isReachable(project, node, of) ? onlyByHover(node) : null;
    }
  }
];
