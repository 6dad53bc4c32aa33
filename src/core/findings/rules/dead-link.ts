import { visit } from 'unist-util-visit';
import { cleanHtml } from '../../html/clean';
import { type FindingRule, warning } from '../../kinds/finding';
import { pageFiles } from '../../project/files';
import type { Node, Project } from '../../project/types';
import type { Loose } from '../../data/record';
import { anchoredAt } from './anchored';

/** A link of a list has to lead somewhere, unless it opens something or has a list of its own. */
const hasToLead = ({ kind, settings, slots }: Node): boolean =>
  kind === 'link' && !settings.opens && (slots.links ?? []).length === 0;

function hrefsOf(settings: Loose, isLink: boolean): string[] {
  const found = typeof settings.href === 'string' && settings.href ? [settings.href] : [];
  if (isLink && found.length === 0) found.push('');
  if (typeof settings.html === 'string' && settings.html.includes('href')) {
    visit(cleanHtml(settings.html), 'element', (element) => {
      if (element.tagName === 'a') found.push(String(element.properties.href ?? ''));
    });
  }
  return found;
}

/** A page of this project by its file name; anything in a folder is not ours to know. */
const isLostPage = (project: Project, href: string) => {
  const file = /^([\w-]+\.html)(?:#.*)?$/.exec(href)?.[1];
  return file !== undefined && !pageFiles(project).includes(file);
};

const isLostAnchor = (project: Project, href: string): boolean =>
  href.startsWith('#') && anchoredAt(project, href.slice(1)).length === 0;

const leadsNowhere = (project: Project, href: string): boolean =>
  href === '' || isLostAnchor(project, href) || isLostPage(project, href);

function causeOf(project: Project, href: string): string {
  if (isLostPage(project, href)) return 'The project has no such page. Add it, or change the link.';
  if (href.length > 1) return 'No section has this anchor. Give a section the anchor, or change the link.';
  return 'It has no address. Write one under Fill.';
}

const dead = (node: Node, href: string, cause: string) =>
  warning({
    view: 'Fill',
    sentence: `A link in ${node.name} leads nowhere${href.length > 1 ? `: ${href}` : ''}`,
    cause
  });

export const deadLink: FindingRule = {
  id: 'dead-link',
  summary: 'A link leads nowhere: it is empty, a bare #, or its anchor is on no page',
  kinds: ['button', 'text', 'link'],
  scope: 'project',
  check: (node, project) =>
    hrefsOf(node.settings, hasToLead(node))
      .filter((href) => leadsNowhere(project, href))
      .map((href) => dead(node, href, causeOf(project, href)))
};
