import type { FindingRule } from '../../kinds/finding';
import { subtreeIds } from '../../project/tree';
import type { Node } from '../../project/types';
import { covered, maybeCover } from '../../scroll/cover';
import { landmarksAlike } from './landmarks';

const leadsInPage = ({ settings }: Node): boolean => /^#./.test(String(settings.href ?? ''));

export const findings: readonly FindingRule[] = [
  {
    id: 'links-under-header',
    summary: 'Links lead to where a header that sticks covers what they lead to',
    kinds: ['page'],
    scope: 'project',
    needs: ['boxes'],
    check(page, project, facts, of) {
      const hasLinks = subtreeIds(project, page.id).some((id) => leadsInPage(project.nodes[id]!));
      const cover = hasLinks ? maybeCover(page, project, facts, of) : null;
      const why = 'People who follow a link do not see where they have come to.';
      return cover && covered(page, cover, 'What links lead to on this page', why);
    }
  },
  landmarksAlike
];
