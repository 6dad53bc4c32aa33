import { mixed, number, object, string } from 'yup';
import { ownOf } from '../data/record';
import { pageFile } from '../project/files';
import { hasWords } from '../project/ids';
import { subtreeIds } from '../project/tree';
import type { NodeId, Page, PageId, Project } from '../project/types';
import { define, no } from './define';

const pageId = () => string().strict(true).required() as unknown as ReturnType<typeof mixed<PageId>>;
const gone = () => no('no-such-page', 'That page is no longer in the project.');

/** @returns pieces with a link to the page, as its file name with or without an anchor. */
export function linksTo(project: Project, id: PageId): NodeId[] {
  const file = pageFile(project, id);
  const leads = (value: unknown) =>
    typeof value === 'string' &&
    new RegExp(`(?:^|["'/])${file.replace('.', '\\.')}(?:#[\\w-]*)?(?:$|["'])`).test(value);
  return Object.values(project.nodes).flatMap((node) =>
    Object.values(node.settings).some(leads) ? [node.id] : []
  );
}

const LANGUAGE = /^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/;

interface SetPage {
  id: PageId;
  key: 'name' | 'title' | 'description' | 'language' | 'picture';
  value: string;
}

const MOST: Readonly<Record<SetPage['key'], number>> = {
  name: 120,
  title: 500,
  description: 2000,
  language: 40,
  picture: 64
};

/**
 * Sets what a page says of itself. The language is a BCP 47 tag; the picture is one of the project's, or
 * empty for none.
 */
export const setPage = define<SetPage>()({
  type: 'set-page',
  args: object({
    id: pageId(),
    key: mixed<SetPage['key']>().oneOf(['name', 'title', 'description', 'language', 'picture']).required(),
    value: string().strict(true).defined()
  }),
  label: ({ id, key }, project) => `Change the ${key} of ${project.pages[id]?.name ?? 'a page'}`,
  refusal(project, { id, key, value }) {
    if (!Object.hasOwn(project.pages, id)) return gone();
    if (value.length > MOST[key])
      return no('too-long', `The ${key} of a page can have ${MOST[key]} characters at most.`);
    if (key === 'name' && !hasWords(value)) return no('no-name', 'A page needs a name.');
    if (key === 'picture' && value !== '' && !Object.hasOwn(project.assets, value))
      return no('no-such-asset', 'That picture is not in the project. Add it first.');
    return key === 'language' && !LANGUAGE.test(value)
      ? no('bad-language', `“${value}” is no language tag. Write one such as en-GB, de or ar.`)
      : null;
  },
  run(draft, { id, key, value }) {
    if (key === 'picture' && value === '') {
      const { picture, ...rest } = draft.pages[id]!;
      if (picture !== undefined) draft.pages[id] = rest;
      return;
    }
    const kept = key === 'name' ? value.trim() : value;
    if (draft.pages[id]![key] !== kept) draft.pages[id] = { ...draft.pages[id]!, [key]: kept } as Page;
  }
});

export const removePage = define<{ id: PageId }>()({
  type: 'remove-page',
  args: object({ id: pageId() }),
  label: ({ id }, project) => `Delete the page ${project.pages[id]?.name ?? ''}`,
  refusal(project, { id }) {
    const page = ownOf(project.pages, id);
    if (!page) return gone();
    if (project.info.pageOrder.length === 1)
      return no('last-page', 'A project keeps at least one page. Add another first.');
    const links = linksTo(project, id).filter((node) => !subtreeIds(project, page.root).includes(node));
    if (links.length === 0) return null;
    const names = links
      .slice(0, 3)
      .map((node) => project.nodes[node]!.name)
      .join(', ');
    return no(
      'page-in-use',
      `${names}${links.length > 3 ? ` and ${links.length - 3} more` : ''} ${links.length === 1 ? 'leads' : 'lead'} to ${page.name}. Change ${links.length === 1 ? 'that link' : 'those links'} first.`
    );
  },
  run(draft, { id }, _registry, project) {
    for (const node of subtreeIds(project, project.pages[id]!.root)) delete draft.nodes[node];
    delete draft.pages[id];
    draft.info.pageOrder = draft.info.pageOrder.filter((each) => each !== id);
  }
});

export const movePage = define<{ id: PageId; index: number }>()({
  type: 'move-page',
  args: object({ id: pageId(), index: number().integer().min(0).required() }),
  label: ({ id }, project) => `Move the page ${project.pages[id]?.name ?? ''}`,
  refusal: (project, { id }) => (Object.hasOwn(project.pages, id) ? null : gone()),
  run(draft, { id, index }, _registry, project) {
    const others = project.info.pageOrder.filter((each) => each !== id);
    const next = others.toSpliced(Math.min(index, others.length), 0, id);
    if (next.some((each, i) => each !== project.info.pageOrder[i])) draft.info.pageOrder = next;
  }
});
