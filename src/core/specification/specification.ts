import { usedTokens } from '../compile/rules';
import { analysesUnder } from '../compile/body';
import { sheetsOf } from '../compile/parts';
import { spelt } from '../css/tokens';
import { splitAside, type Facts, type Finding } from '../kinds/finding';
import type { Registry } from '../kinds/registry';
import { bandAt } from '../kinds/conditions';
import { pageFile } from '../project/files';
import { nodeOf, pageOf, subtreeOf } from '../project/tree';
import type { Node, NodeId, PageId, Project, SupportTarget } from '../project/types';
import { expanded } from '../rows/rows';
import { rangesOf } from '../scroll/ranges';
import type { Lane } from '../sweep/runs';
import { widthsOf } from './widths';
import { likeness, pieceSpec, type Source } from './pieces';
import type { FileSpec, FindingSpec, ScrollSpec, Specification, TokenSpec } from './types';

const BROWSERS: Readonly<Record<SupportTarget, string>> = {
  widely: 'widely available (Baseline)',
  newly: 'newly available (Baseline)',
  current: 'the current ones'
};

export interface Asked {
  readonly page: PageId;
  /** Describes this piece and what is in it; null for the whole page. */
  readonly piece: NodeId | null;
  /** What was measured of the page, in a window of so many px; null where nothing was. */
  readonly measured: { readonly facts: Facts; readonly width: number } | null;
  /** What the sweep over all widths saw of the page; null where there was none. */
  readonly lanes: readonly Lane[] | null;
  readonly findings: readonly Finding[];
  readonly files: readonly FileSpec[];
}

function tokensOf(registry: Registry, project: Project, root: NodeId): readonly TokenSpec[] {
  const sheets = sheetsOf(registry, analysesUnder(registry, project, root)).map(({ sheet }) => sheet);
  return usedTokens(sheets, project.tokens).map(({ id, name, type, value }) => {
    const spelled = spelt(value, project.tokens);
    return { name, property: `--${id}`, type, written: value, value: spelled.ok ? spelled.value : value };
  });
}

function findingsOf(
  project: Project,
  nodes: ReadonlySet<NodeId>,
  all: readonly Finding[]
): readonly FindingSpec[] {
  const { open, aside } = splitAside(
    all.filter(({ node }) => nodes.has(node)),
    project.info.aside
  );
  const spec = ({ severity, sentence, cause }: Finding, reason: string | null): FindingSpec => ({
    severity,
    sentence,
    cause,
    aside: reason
  });
  return [...open.map((each) => spec(each, null)), ...aside.map((each) => spec(each, each.reason))];
}

function scrollOf(
  registry: Registry,
  project: Project,
  nodes: ReadonlySet<NodeId>,
  asked: Asked
): ScrollSpec | null {
  if (!asked.measured) return null;
  const { facts, width } = asked.measured;
  const ranges = rangesOf(registry, project, facts.boxes, bandAt(project.info.bands, width));
  return { width, ranges: ranges.filter(({ node, scroller }) => nodes.has(node) && scroller === null) };
}

/** Pieces that draw themselves, those that look and behave the same together, in the order of the page. */
function groupsOf(registry: Registry, nodes: readonly Node[]): readonly (readonly Node[])[] {
  const groups = new Map<string, Node[]>();
  for (const node of nodes) {
    if (!registry.of(node).markup) continue;
    const key = likeness(registry, node);
    groups.set(key, [...(groups.get(key) ?? []), node]);
  }
  return [...groups.values()];
}

/** @returns a page, or one piece of it, as it is handed over. */
export function specificationOf(registry: Registry, given: Project, asked: Asked): Specification {
  const { project, templateOf } = expanded(registry, given);
  const page = pageOf(project, asked.page);
  const root = asked.piece ?? page.root;
  const nodes = subtreeOf(project, root);
  const ids = new Set(nodes.flatMap(({ id }) => [id, templateOf(id)]));
  const source: Source = { registry, project, fits: asked.measured?.facts.fits ?? new Map() };
  return {
    project: project.info.name,
    page: {
      name: asked.piece ? `${nodeOf(project, root).name}, of ${page.name}` : page.name,
      file: pageFile(project, page.id),
      title: page.title,
      description: page.description,
      language: page.language,
      bands: project.info.bands,
      browsers: BROWSERS[project.info.support]
    },
    tokens: tokensOf(registry, project, root),
    pieces: groupsOf(registry, nodes).map(([first, ...others]) => pieceSpec(source, first!, others)),
    scroll: scrollOf(registry, project, ids, asked),
    widths: asked.lanes && widthsOf(registry, project, ids, asked.lanes),
    findings: findingsOf(project, ids, asked.findings),
    files: asked.files
  };
}
