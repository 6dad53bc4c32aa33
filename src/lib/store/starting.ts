import { makeWith } from '$core/kinds/make';
import { assetsIn } from '$core/kinds/mapping';
import { createProject } from '$core/project/create';
import { fragmentOf } from '$core/project/tree';
import type { AssetId, Node, PageId, Project, ProjectId, SourceId } from '$core/project/types';
import { registry } from '$core/registry';
import { expanded } from '$core/rows/rows';
import { emptyPage, skeletons } from '$core/templates/pages';
import { bringTools } from '$lib/state/tools';
import { addProject, openProject } from './projects';

/** What a new project starts from. */
export type Start =
  | { readonly from: 'empty' }
  | { readonly from: 'skeleton'; readonly skeleton: string }
  | { readonly from: 'page'; readonly project: ProjectId; readonly page: PageId };

/** Makes a project and stores it. @returns its id; null where the page it should be a copy of is gone. */
export async function startProject(name: string, start: Start): Promise<ProjectId | null> {
  await bringTools();
  if (start.from === 'page') return copyOfPage(name, start.project, start.page);
  const make = makeWith();
  const skeleton =
    start.from === 'skeleton' ? skeletons.find((each) => each.skeleton === start.skeleton) : undefined;
  return addProject(createProject(name, (skeleton?.build ?? emptyPage)(make)), new Map());
}

/**
 * A project of one page of another one, with the pictures and tokens it takes. What was linked stands on its
 * own.
 */
async function copyOfPage(name: string, from: ProjectId, pageId: PageId): Promise<ProjectId | null> {
  const stored = await openProject(from);
  const page = stored?.project.pages[pageId];
  if (!stored || !page) return null;
  const { project } = stored;
  const { root, nodes } = fragmentOf(project, page.root);
  const free = Object.entries(nodes).map(([id, { linked: _linked, ...node }]) => [id, node as Node]);
  const made = createProject(name, { root, nodes: Object.fromEntries(free) });
  const [copy] = Object.values(made.pages);
  const about = {
    name: page.name,
    title: page.title,
    description: page.description,
    language: page.language
  };
  const used = assetsIn(registry, fragmentOf(expanded(registry, project).project, page.root));
  const assets = Object.fromEntries(Object.entries(project.assets).filter(([id]) => used.has(id as AssetId)));
  const shown = new Set(Object.values(nodes).map(({ query }) => query?.source));
  const sources = Object.entries(project.sources).filter(([id]) => shown.has(id as SourceId));
  const whole: Project = {
    ...made,
    info: { ...made.info, bands: project.info.bands, support: project.info.support },
    pages: { [copy!.id]: { ...copy!, ...about } },
    assets: assets as Project['assets'],
    tokens: project.tokens,
    sources: Object.fromEntries(sources)
  };
  const blobs = new Map([...stored.blobs].filter(([id]) => used.has(id)));
  return addProject(whole, blobs);
}
