import { mapTokens, tokensIn } from '../css/tokens';
import { tokenTextsOf, withRenamedTokens } from '../kinds/mapping';
import type { Registry } from '../kinds/registry';
import { newId } from '../project/ids';
import type { Fragment, Project, Token, TokenId } from '../project/types';
import { numbered } from '../data/free-name';

export interface CarriedTokens {
  readonly fragments: readonly Fragment[];
  /** What the project lacks, those that others name first. */
  readonly added: readonly Token[];
}

/**
 * Makes pieces from elsewhere take the project's own tokens: one of the same id and value, or else of the
 * same name and type, stands in for the one they came with; what there is none for comes along.
 * @param tokens those of where they come from.
 * @param isOwn they come from this project, so an id means what it means here, whatever has become of its
 * value.
 */
export function withTokens(
  registry: Registry,
  project: Project,
  fragments: readonly Fragment[],
  tokens: Project['tokens'],
  isOwn: boolean
): CarriedTokens {
  const renamed = new Map<string, TokenId>();
  const added: Token[] = [];
  const taken = new Set(Object.keys(project.tokens));
  const names = new Set(Object.values(project.tokens).map(({ name }) => name));
  const bring = (id: TokenId): void => {
    const token = Object.hasOwn(tokens, id) ? tokens[id]! : null;
    if (!token || renamed.has(id)) return;
    tokensIn(token.value).forEach(bring);
    const value = mapTokens(token.value, renamed);
    const here = Object.hasOwn(project.tokens, id) ? project.tokens[id]! : null;
    const twin =
      here && (isOwn || (here.type === token.type && here.value === value))
        ? here
        : Object.values(project.tokens).find(({ name, type }) => name === token.name && type === token.type);
    if (twin) return void renamed.set(id, twin.id);
    const own = taken.has(id) ? newId<TokenId>(id) : id;
    // A name holds 80 letters, the number with it.
    const isFree = !names.has(token.name);
    const name = isFree ? token.name : numbered(token.name.slice(0, 74), names, ' ');
    taken.add(own);
    names.add(name);
    renamed.set(id, own);
    added.push({ ...token, id: own, name, value });
  };
  for (const text of fragments.flatMap((each) => tokenTextsOf(registry, each))) tokensIn(text).forEach(bring);
  const isSame = [...renamed].every(([from, to]) => from === to);
  return {
    fragments: isSame ? fragments : fragments.map((each) => withRenamedTokens(registry, each, renamed)),
    added
  };
}
