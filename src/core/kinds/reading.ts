import { pathTo, subtreeOf } from '../project/tree';
import type { Node, Project } from '../project/types';
import { CONTROLS } from './controls';
import type { Described, KindOf } from './finding';
import { fieldsOf } from './settings';
import { sum } from '../data/sum';

/**
 * Words a minute in silent reading of English prose, grown-ups on average (Brysbaert 2019, J. Mem. Lang. 109,
 * 104047; from memory).
 */
const WORDS_A_MINUTE = 238;

/** @param words how many, from 0. @returns how long they take to read, s. */
export const readingSeconds = (words: number): number => (words / WORDS_A_MINUTE) * 60;

/** @returns words of a piece and of all in it. */
export const wordsIn = (project: Project, node: Node, of: KindOf): number =>
  countAll(subtreeOf(project, node.id), of);

/** @returns words that stand above a piece on its page. */
export function wordsAbove(project: Project, node: Node, of: KindOf): number {
  const all = subtreeOf(project, pathTo(project, node.id)[0]!);
  const at = all.findIndex(({ id }) => id === node.id);
  return countAll(all.slice(0, at), of);
}

const countAll = (nodes: readonly Node[], of: KindOf): number =>
  sum(nodes.map((node) => wordsOf(of(node), node)));

const countIn = (text: string): number =>
  text.replace(/<[^>]*>/g, ' ').match(/[\p{L}\p{N}][\p{L}\p{N}'’-]*/gu)?.length ?? 0;

/** @returns how many words a piece has for its readers, without those in it; markup is no word. */
export function wordsOf(kind: Pick<Described, 'settings'>, { settings }: Pick<Node, 'settings'>): number {
  const read = fieldsOf(kind).filter(([, field]) => {
    const meta = field.meta()?.field;
    return meta !== undefined && CONTROLS[meta.control].says === 'words' && !meta.names;
  });
  const texts = read.map(([key]) => settings[key]).filter((value) => typeof value === 'string');
  return sum(texts.map(countIn));
}
