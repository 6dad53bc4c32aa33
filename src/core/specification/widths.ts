import { compact } from '../data/compact';
import type { Registry } from '../kinds/registry';
import type { NodeId, Project } from '../project/types';
import { laneKindOf } from '../sweep/lanes';
import { worstInWords, wrongOver, type Lane, type Run } from '../sweep/runs';
import { cell, make, note, row, rowHead, table } from './tables';
import type { WidthLane, WidthSpan, WidthsSpec } from './types';
import { SWEEP_FROM, SWEEP_TO } from '../sweep/span';

function laneWords(registry: Registry, project: Project, { what, node, part }: Lane): string {
  const piece = project.nodes[node as NodeId]!;
  const { label } = registry.of(piece).anatomy[part] ?? {};
  const name = part === 'root' || !label ? piece.name : `${piece.name}, ${label}`;
  return `${name} ${laneKindOf(what).label}`;
}

const spanOf = ({ from, to, value }: Run, { what }: Lane): WidthSpan => ({
  from,
  to,
  words: laneKindOf(what).words(value)
});

/** @returns what happens over all widths to some pieces, the worst first. */
export function widthsOf(
  registry: Registry,
  project: Project,
  nodes: ReadonlySet<NodeId>,
  lanes: readonly Lane[]
): WidthsSpec {
  const here = lanes.filter(({ node }) => nodes.has(node as NodeId));
  const spec = (lane: Lane): WidthLane => ({
    words: laneWords(registry, project, lane),
    tone: laneKindOf(lane.what).tone,
    spans: lane.runs.map((run) => spanOf(run, lane))
  });
  return { from: SWEEP_FROM, to: SWEEP_TO, lanes: here.map(spec), seen: here };
}

const COLOURS: Readonly<Record<WidthLane['tone'], string>> = {
  error: '#a3241a',
  warning: '#c98a2b',
  plain: '#7d8a83'
};

/** A lane as it stands on the scale of widths. */
function laneBar({ tone, spans }: WidthLane, { from, to }: WidthsSpec) {
  const bars = spans.map((span, i) => {
    // Spans that follow one another without a gap are told apart by their strength.
    const opacity = i % 2 === 0 ? '1' : '0.55';
    const place = { x: String(span.from - from), width: String(span.to - span.from + 1) };
    return make('rect', { ...place, height: '8', fill: COLOURS[tone], opacity });
  });
  const properties = { viewBox: `0 0 ${to - from + 1} 8`, preserveAspectRatio: 'none', ariaHidden: 'true' };
  return make('svg', { className: ['s-bar'], ...properties }, ...bars);
}

const spanWords = ({ from, to, words }: WidthSpan): string => `${from} to ${to}: ${words}`;

/** How many things go wrong at which width, as it was drawn; the same in words. */
function chartOf({ seen }: WidthsSpec, address: string) {
  const over = wrongOver(seen);
  const words = worstInWords(over);
  // An empty chart shows nothing.
  if (over.every(({ errors, warnings }) => errors + warnings === 0)) return note(words);
  const picture = make('img', {
    className: ['s-chart'],
    src: address,
    alt: `What goes wrong over all widths. ${words}`
  });
  return make(
    'figure',
    {},
    picture,
    make('figcaption', {}, `How many things go wrong at each width, px. ${words}`)
  );
}

/**
 * What happens over all widths, as a table with a bar for each.
 * @param chart address of a picture of all of them; null for none.
 */
export function widthTable(spec: WidthsSpec, chart: string | null) {
  const { from, to, lanes } = spec;
  if (lanes.length === 0)
    return [note(`Nothing breaks from ${from} to ${to} px, and no heading changes its lines.`)];
  const rows = lanes.map((lane) =>
    row(rowHead(lane.words), cell(lane.spans.map(spanWords).join(' · ')), make('td', {}, laneBar(lane, spec)))
  );
  return compact([
    chart === null ? null : chartOf(spec, chart),
    note(`Each edge is right to the px, in a window of the usual height.`),
    table(['What', 'At widths, px', `${from} to ${to} px`], rows, ['30%', '35%', '35%'])
  ]);
}
