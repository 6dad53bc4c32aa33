import { newId } from './ids';
import { FORMAT, type Fragment, type Page, type PageId, type Project, type ProjectId } from './types';

export const DEFAULT_BANDS = { medium: 960, narrow: 640 } as const;

/** A project with one page around `content`, whose root is a node of kind `page`. */
export function createProject(
  name: string,
  content: Fragment,
  ids: { readonly project?: ProjectId; readonly page?: PageId } = {}
): Project {
  const page: Page = {
    id: ids.page ?? newId<PageId>('page'),
    name: 'First page',
    title: name,
    description: '',
    language: 'en-GB',
    root: content.root
  };
  return {
    format: FORMAT,
    id: ids.project ?? newId<ProjectId>(name || 'project'),
    info: { name, bands: DEFAULT_BANDS, support: 'widely', aside: {}, pageOrder: [page.id] },
    pages: { [page.id]: page },
    nodes: content.nodes,
    assets: {},
    tokens: {},
    shelf: {},
    sources: {}
  };
}
