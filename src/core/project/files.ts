import type { PageId, Project } from './types';

/** File name a page has when exported: the first one is `index.html`. */
export const pageFile = (project: Pick<Project, 'info'>, id: PageId): string =>
  project.info.pageOrder[0] === id ? 'index.html' : `${id}.html`;
