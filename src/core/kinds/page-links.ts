import type { Node, Project } from '../project/types';
import type { FieldMeta, Kind } from './contract';
import { CONTROLS } from './controls';
import { withChangedSettings } from './mapping';

/** What tells the kind of any piece. */
interface Kinds {
  of(piece: Node): Kind;
}

/** A page of the same site by its file, with whatever follows the name. */
const PAGE = /^(?:\.\/)?([\w-]+\.html)(?=$|[#?])/;
const HREF = /(href=["'])([^"']*)/g;

const renamed = (href: string, rename: (file: string) => string): string =>
  href.replace(PAGE, (_whole, file: string) => rename(file));

function withLinks(text: string, { control }: FieldMeta, rename: (file: string) => string): string {
  if (control === 'rich')
    return text.replace(HREF, (_whole, before: string, href: string) => before + renamed(href, rename));
  return CONTROLS[control].says === 'link' ? renamed(text, rename) : text;
}

/**
 * @returns the piece with every link to a page of the site leading where `rename` says, under conditions and in
 * its words too; the same object where nothing changed.
 */
export const withPageLinks = (kind: Kind, node: Node, rename: (file: string) => string): Node =>
  withChangedSettings(kind, node, (value, field) =>
    typeof value === 'string' ? withLinks(value, field, rename) : value
  );

/** @returns the pieces of the project that have a link to a page, by its file. */
export function piecesLinkingTo(kinds: Kinds, project: Project, file: string): readonly Node[] {
  return Object.values(project.nodes).filter((node) => {
    let leads = false;
    withPageLinks(kinds.of(node), node, (each) => {
      leads ||= each === file;
      return each;
    });
    return leads;
  });
}
