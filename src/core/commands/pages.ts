import { mixed, number, object, string } from 'yup';
import { ownOf } from '../data/record';
import { piecesLinkingTo, withPageLinks } from '../kinds/page-links';
import type { Registry } from '../kinds/registry';
import { ADDRESS, addressOf, pageFile } from '../project/files';
import { hasWords } from '../project/ids';
import { byId, subtreeIds } from '../project/tree';
import type { Node, Page, PageId, Project } from '../project/types';
import { asDraft, define, no, type ProjectDraft, type Refusal } from './define';

const pageId = () => string().strict(true).required() as unknown as ReturnType<typeof mixed<PageId>>;
const gone = () => no('no-such-page', 'That page is no longer in the project.');

/** Links to pages whose files are called otherwise now lead there, on all pages and on the shelf. */
function renewLinks(draft: ProjectDraft, registry: Registry, before: Project, after: Pages): void {
  const changed = after.info.pageOrder
    .map((id) => [pageFile(before, id), pageFile(after, id)] as const)
    .filter(([was, is]) => was !== is);
  if (changed.length === 0) return;
  const files = new Map(changed);
  const renew = (node: Node) => withPageLinks(registry.of(node), node, (file) => files.get(file) ?? file);
  for (const node of Object.values(before.nodes)) {
    const now = renew(node);
    if (now !== node) draft.nodes[node.id] = asDraft(now);
  }
  for (const piece of Object.values(before.shelf)) {
    const { root, nodes } = piece.fragment;
    const now = Object.values(nodes).map(renew);
    if (now.some((node) => node !== nodes[node.id]))
      draft.shelf[piece.id] = { ...piece, fragment: { root, nodes: byId(now) } };
  }
}

const LANGUAGE = /^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/;

const SET = ['name', 'title', 'description', 'language', 'picture', 'address'] as const;

type Pages = Pick<Project, 'info' | 'pages'>;

interface SetPage {
  id: PageId;
  key: (typeof SET)[number];
  value: string;
}

const MOST: Readonly<Record<SetPage['key'], number>> = {
  name: 120,
  title: 500,
  description: 2000,
  language: 40,
  picture: 64,
  address: 60
};

/** Whether another page is called so in addresses. */
const isTaken = (project: Project, id: PageId, address: string): boolean =>
  address === 'index' ||
  project.info.pageOrder.some((each) => each !== id && addressOf(project, each) === address);

function addressRefusal(project: Project, id: PageId, address: string): Refusal | null {
  if (address !== '' && !ADDRESS.test(address))
    return no(
      'bad-address',
      'An address has small letters, digits and hyphens between them, such as how-to-come.'
    );
  return isTaken(project, id, address || id)
    ? no('address-in-use', `Another page has the address ${address || id}.html. Take another one.`)
    : null;
}

/** What else each of them must be; null where it is. */
const REFUSALS: Readonly<
  Partial<Record<SetPage['key'], (project: Project, id: PageId, value: string) => Refusal | null>>
> = {
  name: (_project, _id, value) => (hasWords(value) ? null : no('no-name', 'A page needs a name.')),
  picture: ({ assets }, _id, value) =>
    value === '' || Object.hasOwn(assets, value)
      ? null
      : no('no-such-asset', 'That picture is not in the project. Add it first.'),
  language: (_project, _id, value) =>
    LANGUAGE.test(value)
      ? null
      : no('bad-language', `“${value}” is no language tag. Write one such as en-GB, de or ar.`),
  address: addressRefusal
};

/** What is left out of a page where it says nothing. */
const LEFT_OUT: readonly string[] = ['picture', 'address'] satisfies readonly SetPage['key'][];

function withSet(page: Page, { key, value }: SetPage): Page {
  if (value === '' && LEFT_OUT.includes(key))
    return Object.fromEntries(Object.entries(page).filter(([each]) => each !== key)) as unknown as Page;
  return { ...page, [key]: key === 'name' ? value.trim() : value };
}

/**
 * Sets what a page says of itself. The language is a BCP 47 tag; the picture is one of the project's, or
 * empty for none; the address is its file's name without `.html`, or empty for its id. Links to a page follow it
 * to a new address.
 */
export const setPage = define<SetPage>()({
  type: 'set-page',
  args: object({
    id: pageId(),
    key: mixed<SetPage['key']>().oneOf(SET).required(),
    value: string().strict(true).defined()
  }),
  label: ({ id, key }, project) => `Change the ${key} of ${project.pages[id]?.name ?? 'a page'}`,
  refusal(project, { id, key, value }) {
    if (!Object.hasOwn(project.pages, id)) return gone();
    if (value.length > MOST[key])
      return no('too-long', `The ${key} of a page can have ${MOST[key]} characters at most.`);
    return REFUSALS[key]?.(project, id, value) ?? null;
  },
  run(draft, args, registry, project) {
    const before = project.pages[args.id]!;
    const now = withSet(before, args);
    if ((now[args.key] ?? '') === (before[args.key] ?? '')) return;
    draft.pages[args.id] = now;
    if (args.key === 'address')
      renewLinks(draft, registry, project, { ...project, pages: { ...project.pages, [args.id]: now } });
  }
});

function inUse(page: Page, links: readonly Node[]): string {
  const names = links.slice(0, 3).map(({ name }) => name);
  const more = links.length > 3 ? ` and ${links.length - 3} more` : '';
  const [lead, change] = links.length === 1 ? ['leads', 'that link'] : ['lead', 'those links'];
  return `${names.join(', ')}${more} ${lead} to ${page.name}. Change ${change} first.`;
}

export const removePage = define<{ id: PageId }>()({
  type: 'remove-page',
  args: object({ id: pageId() }),
  label: ({ id }, project) => `Delete the page ${project.pages[id]?.name ?? ''}`,
  refusal(project, { id }, registry) {
    const page = ownOf(project.pages, id);
    if (!page) return gone();
    if (project.info.pageOrder.length === 1)
      return no('last-page', 'A project keeps at least one page. Add another first.');
    const own = new Set(subtreeIds(project, page.root));
    const links = piecesLinkingTo(registry, project, pageFile(project, id)).filter(
      (node) => !own.has(node.id)
    );
    return links.length === 0 ? null : no('page-in-use', inUse(page, links));
  },
  run(draft, { id }, registry, project) {
    const pageOrder = project.info.pageOrder.filter((each) => each !== id);
    renewLinks(draft, registry, project, { ...project, info: { ...project.info, pageOrder } });
    for (const node of subtreeIds(project, project.pages[id]!.root)) delete draft.nodes[node];
    delete draft.pages[id];
    draft.info.pageOrder = pageOrder;
  }
});

export const movePage = define<{ id: PageId; index: number }>()({
  type: 'move-page',
  args: object({ id: pageId(), index: number().integer().min(0).required() }),
  label: ({ id }, project) => `Move the page ${project.pages[id]?.name ?? ''}`,
  refusal: (project, { id }) => (Object.hasOwn(project.pages, id) ? null : gone()),
  run(draft, { id, index }, registry, project) {
    const others = project.info.pageOrder.filter((each) => each !== id);
    const next = others.toSpliced(Math.min(index, others.length), 0, id);
    if (next.every((each, i) => each === project.info.pageOrder[i])) return;
    draft.info.pageOrder = next;
    // Another page may be the first one now, and the first one is `index.html`.
    renewLinks(draft, registry, project, { ...project, info: { ...project.info, pageOrder: next } });
  }
});
