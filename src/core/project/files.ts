import { maybePageOf } from './tree';
import type { NodeId, PageId, Project } from './types';

/** What a page may be called in an address. */
export const ADDRESS = /^[a-z0-9]+(?:-[a-z0-9]+)*$/;

type Pages = Pick<Project, 'info' | 'pages'>;

/** @returns what a page is called in addresses where it is not the first: unique in the project. */
export const addressOf = ({ pages }: Pick<Project, 'pages'>, id: PageId): string => pages[id]?.address ?? id;

/** @returns the name of a page's file without `.html`; the first page is `index`. */
export const pageStem = (project: Pages, id: PageId): string =>
  project.info.pageOrder[0] === id ? 'index' : addressOf(project, id);

/** File name a page has when exported: the first one is `index.html`. */
export const pageFile = (project: Pages, id: PageId): string => `${pageStem(project, id)}.html`;

/** @returns the files of all pages, in their order. */
export const pageFiles = (project: Pages): readonly string[] =>
  project.info.pageOrder.map((id) => pageFile(project, id));

/** @returns the file of the page that a piece stands on; null for one that stands on none. */
export function maybeFileOf(project: Project, id: NodeId): string | null {
  const page = project.nodes[id] && maybePageOf(project, id);
  return page ? pageFile(project, page.id) : null;
}
