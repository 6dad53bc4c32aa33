import type { Batch } from '$core/commands/commands';
import { addingPage, copyOf, skeletonOf } from '$core/commands/new-page';
import { placesOf, placingOn, sharingOnAll, takingOff } from '$core/commands/sharing';
import { freeName } from '$core/data/free-name';
import { makeWith } from '$core/kinds/make';
import { newId, slug } from '$core/project/ids';
import { isAsShelved } from '$core/project/shelf';
import { nodeOf } from '$core/project/tree';
import type { Fragment, Node, Page, PageId, ShelfId } from '$core/project/types';
import { registry } from '$core/registry';
import { emptyPage } from '$core/templates/pages';
import type { Workbench } from './workbench.svelte';

/** What a new page starts as. */
export type NewPage = { readonly as: 'empty' } | { readonly as: 'copy' | 'skeleton'; readonly of: PageId };

const make = makeWith();

function contentOf(wb: Workbench, start: NewPage): Fragment {
  if (start.as === 'empty') return emptyPage(make);
  const page = wb.project.pages[start.of]!;
  return start.as === 'copy' ? copyOf(registry, wb.project, page) : skeletonOf(registry, wb.project, page);
}

/** Adds a page with what most pages share, and shows it. @returns why it could not; null where it could. */
export function addPage(wb: Workbench, name: string, start: NewPage): string | null {
  const from = start.as === 'empty' ? null : wb.project.pages[start.of]!;
  const fragment = contentOf(wb, start);
  const page: Page = {
    id: newId<PageId>(slug(name) || 'page'),
    name,
    title: start.as === 'copy' ? from!.title : name,
    description: start.as === 'copy' ? from!.description : '',
    language: (from ?? wb.page).language,
    root: fragment.root
  };
  // A copy has what its page has, and nothing else.
  const command =
    start.as === 'empty'
      ? addingPage(registry, wb.project, page, fragment)
      : ({ type: 'add-page', page, fragment } as const);
  const refusal = wb.dispatch(command);
  if (refusal) return refusal.sentence;
  wb.select([]);
  wb.pageId = page.id;
  wb.view = 'Fill';
  return null;
}

/** @returns a name that no page has yet. */
export const freePageName = ({ project }: Workbench, name: string): string =>
  freeName(name, new Set(Object.values(project.pages).map((page) => page.name)), ' ');

/** How a piece of the shelf stands on a page. */
export type Standing = 'absent' | 'same' | 'changed';

/** @returns how each piece of the shelf stands on each page. */
export function standings({ project }: Workbench): ReadonlyMap<ShelfId, ReadonlyMap<PageId, Standing>> {
  const rows = Object.values(project.shelf).map(({ id }) => {
    const places = placesOf(project, id);
    const onPages = project.info.pageOrder.map((page) => {
      const nodes = places.get(page) ?? [];
      if (nodes.length === 0) return [page, 'absent'] as const;
      return [page, nodes.every((node) => isAsShelved(project, node.id, id)) ? 'same' : 'changed'] as const;
    });
    return [id, new Map<PageId, Standing>(onPages)] as const;
  });
  return new Map(rows);
}

/** Places a piece of the shelf on pages or takes it off. @returns why it could not; null where it could. */
export function share(wb: Workbench, shelf: ShelfId, pages: readonly PageId[], isOn: boolean): string | null {
  const command: Batch | null = isOn
    ? placingOn(registry, wb.project, shelf, pages)
    : takingOff(wb.project, shelf, pages);
  if (!command) return `${wb.project.shelf[shelf]!.name} finds no place there.`;
  return wb.dispatch(command)?.sentence ?? null;
}

/** @returns the sections of the page on show that follow nothing yet. */
export const unsharedSections = ({ project, page }: Workbench): readonly Node[] =>
  Object.values(nodeOf(project, page.root).slots)
    .flat()
    .map((id) => nodeOf(project, id))
    .filter(({ linked }) => !linked || !project.shelf[linked]);

/** Shares a section of this page with all others. @returns why it could not; null where it could. */
export function shareOnAll(wb: Workbench, { id, name }: Node): string | null {
  const taken = new Set(Object.values(wb.project.shelf).map((piece) => piece.name));
  const free = freeName(name.slice(0, 70), taken, ' ');
  const shelf = newId<ShelfId>(slug(free));
  return wb.dispatch(sharingOnAll(registry, wb.project, id, shelf, free))?.sentence ?? null;
}
