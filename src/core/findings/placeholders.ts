import { analyse } from '../compile/analyse';
import { makeWith } from '../kinds/make';
import type { Registry } from '../kinds/registry';
import { expanded } from '../rows/rows';
import { settingsWithDefaults } from '../kinds/settings';
import { nodeOf, pageOf, subtreeIds } from '../project/tree';
import type { Fragment, Node, NodeId, PageId, Project } from '../project/types';
import { templates } from '../templates';
import { sayingFields } from './saying';
import { compact } from '../data/compact';
import { remembered } from '../data/remembered';

/** Something on a page that came with a piece and that nobody has put anything of their own in place of. */
export interface Placeholder {
  readonly node: NodeId;
  readonly what: 'words' | 'label' | 'picture' | 'film' | 'frame';
  /** The words that still stand there; empty for a picture, film or frame that is none yet. */
  readonly text: string;
}

const known = new WeakMap<Registry, ReadonlySet<string>>();

const wordsKey = (kind: string, key: string, value: unknown) => JSON.stringify([kind, key, value]);

/** A label that its owner draws is the name of the item. */
const labelKey = ({ kind, name }: Node) => wordsKey(kind, 'name', name);

function* wordsOf(registry: Registry, node: Node): Generator<string> {
  const kind = registry.of(node);
  const settings = settingsWithDefaults(kind, node);
  for (const [key, what] of sayingFields(registry, node.kind))
    if (what === 'words' && settings[key]) yield wordsKey(node.kind, key, settings[key]);
}

/** All words that kinds and templates start with. */
const startingWords = (registry: Registry): ReadonlySet<string> =>
  remembered(known, registry, () => freshWords(registry));

function freshWords(registry: Registry): ReadonlySet<string> {
  const found = new Set<string>();
  const make = makeWith();
  const add = (fragment: Fragment, withLabels: boolean) => {
    for (const node of Object.values(fragment.nodes)) {
      for (const word of wordsOf(registry, node)) found.add(word);
      if (withLabels && !registry.of(node).markup) found.add(labelKey(node));
    }
  };
  for (const kind of registry.everyKind()) if (kind.insertable) add(kind.create(make), true);
  // The labels of a template are words one may well keep: a link called Contact is no placeholder.
  for (const template of templates) add(template.build(make), false);
  return found;
}

/** Whether what a piece says in one of its settings is what it came with. */
export function isAsItCame(registry: Registry, node: Node, key: string): boolean {
  const value = settingsWithDefaults(registry.of(node), node)[key];
  return startingWords(registry).has(wordsKey(node.kind, key, value));
}

const EMPTY: Readonly<Record<string, Placeholder['what']>> = {
  picture: 'picture',
  video: 'film',
  embed: 'frame'
};

const plain = (text: string) =>
  text
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/**
 * @param pages whose pieces are looked through; left out, all of them.
 * @returns what is still as it came, page by page in the order of each.
 */
export function placeholdersOf(
  registry: Registry,
  given: Project,
  pages: readonly PageId[] = given.info.pageOrder
): readonly Placeholder[] {
  const words = startingWords(registry);
  const { project, templateOf } = expanded(registry, given);
  const found = pages.flatMap((page) => inTree(registry, project, pageOf(project, page).root, words));
  const ofTemplates = found.map((each) => ({ ...each, node: templateOf(each.node) }));
  return [...new Map(ofTemplates.map((each) => [`${each.node} ${each.what} ${each.text}`, each])).values()];
}

function inTree(
  registry: Registry,
  project: Project,
  root: NodeId,
  words: ReadonlySet<string>
): readonly Placeholder[] {
  return subtreeIds(project, root).flatMap((id): Placeholder[] => {
    const node = nodeOf(project, id);
    const kind = registry.of(node);
    const settings = settingsWithDefaults(kind, node);
    const empty = EMPTY[String(analyse(registry, project, node).markup?.properties.dataEmpty)];
    return compact([
      !kind.markup && words.has(labelKey(node))
        ? { node: id, what: 'label' as const, text: node.name }
        : null,
      ...sayingFields(registry, node.kind).flatMap(([key, what]) =>
        what === 'words' && isAsItCame(registry, node, key)
          ? [{ node: id, what: 'words' as const, text: plain(String(settings[key])) }]
          : []
      ),
      empty ? { node: id, what: empty, text: '' } : null
    ]);
  });
}
