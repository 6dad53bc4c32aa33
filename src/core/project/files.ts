import { maybePageOf } from './tree';
import type { NodeId, PageId, Project } from './types';

/** File name a page has when exported: the first one is `index.html`. */
export const pageFile = (project: Pick<Project, 'info'>, id: PageId): string =>
  project.info.pageOrder[0] === id ? 'index.html' : `${id}.html`;

/** @returns the files of all pages, in their order. */
export const pageFiles = (project: Project): readonly string[] =>
  project.info.pageOrder.map((id) => pageFile(project, id));

/** @returns the file of the page that a piece stands on; null for one that stands on none. */
export function maybeFileOf(project: Project, id: NodeId): string | null {
  const page = project.nodes[id] && maybePageOf(project, id);
  return page ? pageFile(project, page.id) : null;
}
