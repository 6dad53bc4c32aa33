import type { Element, ElementContent } from 'hast';
import { STYLE_PROPERTIES } from '../css/properties';
import { compact } from '../data/compact';
import { element, text } from '../html/build';
import { conditionWords, CONDITION_TABLE } from '../kinds/conditions';
import { easingOf } from '../motion/easing';
import { CONDITIONS, type ConditionName } from '../project/types';
import type {
  ConditionalSpec,
  FallbackSpec,
  FileSpec,
  FindingSpec,
  MoveSpec,
  PageAbout,
  PartSpec,
  RangeSpec,
  ScrollSpec,
  SettingSpec,
  TokenSpec,
  ValueSpec
} from './types';

type Content = ElementContent | string | null | false;

const asContent = (child: ElementContent | string): ElementContent =>
  typeof child === 'string' ? text(child) : child;

export const make = (
  tag: string,
  properties: Element['properties'],
  ...children: readonly Content[]
): Element => element(tag, properties, compact(children).map(asContent));

/** Words that are read after the rest. */
export const note = (words: string): Element => make('p', { className: ['s-note'] }, words);

export const cell = (words: string): Element => make('td', {}, words);
export const rowHead = (words: string): Element => make('th', { scope: 'row' }, words);
export const row = (...cells: readonly Element[]): Element => make('tr', {}, ...cells);

export function table(
  heads: readonly string[],
  rows: readonly Element[],
  widths: readonly string[] = []
): Element {
  const columns = widths.map((width) => make('col', { style: `width: ${width}` }));
  return make(
    'table',
    {},
    columns.length > 0 && make('colgroup', {}, ...columns),
    make('thead', {}, row(...heads.map((head) => make('th', { scope: 'col' }, head)))),
    make('tbody', {}, ...rows)
  );
}

const swatch = (colour: string): Element =>
  make('span', { className: ['s-swatch'], style: `background: ${colour}` });

export function valueCell(
  { value, token, isAsRest }: ValueSpec,
  property: string,
  isFirst: boolean
): Element {
  if (isAsRest && !isFirst) return make('td', { className: ['s-same'] }, 'as rest');
  const isColour = STYLE_PROPERTIES.get(property)?.control === 'colour';
  const words = make('span', { className: ['s-value'] }, value);
  const name = make('span', { className: ['s-token'] }, token ?? '');
  return make('td', {}, isColour && swatch(value), words, token !== null && name);
}

export function aboutPage(page: PageAbout, project: string): Element {
  const rows: readonly (readonly [string, string])[] = [
    ['Project', project],
    ['File', page.file],
    ['Title', page.title],
    ['Description', page.description || 'none'],
    ['Language', page.language],
    [
      'Width bands',
      `wide above ${page.bands.medium} px · medium to ${page.bands.medium} px · narrow to ${page.bands.narrow} px`
    ],
    ['Browsers', page.browsers]
  ];
  const pairs = rows.map(([name, value]) => make('div', {}, make('dt', {}, name), make('dd', {}, value)));
  return make('dl', { className: ['s-about'] }, ...pairs);
}

export function tokenTable(tokens: readonly TokenSpec[]): Element {
  const rows = tokens.map(({ name, property, type, written, value }) => {
    return row(
      rowHead(name),
      make('td', {}, type === 'colour' && swatch(value), make('span', { className: ['s-value'] }, value)),
      make('td', { className: ['s-value'] }, property),
      cell(written === value ? type : `${type}, from ${written}`)
    );
  });
  return table(['Token', 'Value', 'Custom property', 'Kind'], rows, ['24%', '34%', '22%', '20%']);
}

/** What was chosen stands out from what is as it comes. */
export function settingList(settings: readonly SettingSpec[]): Element {
  const pairs = settings.map(({ label, value, isOwn }) => {
    const said = isOwn ? make('dd', {}, make('b', {}, value)) : make('dd', { className: ['s-same'] }, value);
    return make('div', {}, make('dt', {}, label), said);
  });
  return make('dl', { className: ['s-settings'] }, ...pairs);
}

const ratio = (contrast: number | null): string => (contrast === null ? '—' : `${contrast.toFixed(1)} : 1`);

/** WCAG 2.2, 1.4.3: 4.5 : 1 for text. */
const isLow = (contrast: number | null): boolean => contrast !== null && contrast < 4.5;

export function contrastRow(part: PartSpec): readonly Element[] {
  if (part.states.every(({ contrast }) => contrast === null)) return [];
  const cells = part.states.map(({ contrast }) =>
    make('td', { className: isLow(contrast) ? ['s-bad'] : [] }, ratio(contrast))
  );
  return [row(rowHead('Text contrast'), ...cells)];
}

const withToken = (value: string, token: string | null): string => (token ? `${value} (${token})` : value);

export function conditionalTable(part: PartSpec, cells: readonly ConditionalSpec[]): Element {
  const labels = new Map(part.states.map(({ state, label }) => [state, label]));
  const rows = cells.map(({ condition, state, property, value, token }) =>
    row(
      rowHead(conditionWords(condition)),
      cell(labels.get(state) ?? state),
      cell(STYLE_PROPERTIES.get(property)?.label ?? property),
      make('td', { className: ['s-value'] }, withToken(value, token))
    )
  );
  return table(['Under', 'State', 'Property', 'Value'], rows, ['22%', '16%', '26%', '36%']);
}

/** How fast something goes, over its length; it may go past its end. */
function curve(easing: string): Element {
  const { progress } = easingOf(easing);
  const COUNT = 24;
  const points = Array.from({ length: COUNT + 1 }, (_, i) => {
    const time = i / COUNT;
    return `${(time * 30).toFixed(1)},${(18 - progress(time) * 16).toFixed(1)}`;
  });
  const line = make('polyline', {
    points: points.join(' '),
    fill: 'none',
    stroke: '#0b6a5f',
    strokeWidth: '1.2'
  });
  const end = make('path', { d: 'M0 2h30M0 18h30', stroke: '#d5cfc1', strokeWidth: '.6' });
  return make('svg', { className: ['s-curve'], viewBox: '0 0 30 20', ariaHidden: 'true' }, end, line);
}

export function moveTable(moves: readonly MoveSpec[], speltOut: (easing: string) => string): Element {
  const rows = moves.map(({ label, event, ms, delay, step, easing, settled }) =>
    row(
      rowHead(label),
      cell(event),
      cell(`${ms} ms${step > 0 ? `, ${step} ms apart` : ''}`),
      cell(delay === 0 ? '—' : `${delay} ms`),
      make('td', { className: ['s-value'] }, speltOut(easing)),
      make('td', {}, settled !== null && curve(speltOut(easing))),
      cell(settled === null ? '—' : `${Math.round(settled * ms)} ms`)
    )
  );
  const heads = ['What moves', 'When', 'Length', 'Delay', 'Easing', 'Curve', 'At rest after'];
  return table(heads, rows, ['24%', '17%', '13%', '9%', '17%', '9%', '11%']);
}

const conditionHead = (name: ConditionName): string => CONDITION_TABLE[name].label;

export function fallbackTable(rows: readonly FallbackSpec[], drawings: readonly Element[]): Element {
  const looks = drawings.length > 0 ? [row(rowHead('Looks like'), ...drawings)] : [];
  const said = rows.map(({ label, cells }) =>
    row(
      rowHead(label),
      ...CONDITIONS.map((name) => {
        const words = cells[name];
        return words == null ? make('td', { className: ['s-same'] }, 'as wide') : cell(words);
      })
    )
  );
  return table(['What', ...CONDITIONS.map(conditionHead)], [...looks, ...said]);
}

const px = (value: number): string => `${Math.round(value)} px`;

const LANE = 200;

/** Where it happens, on the way that the page is scrolled. */
function lane({ start, end }: RangeSpec, way: number): Element {
  const [x, long] = [(start / way) * LANE, Math.max(1, ((end - start) / way) * LANE)];
  const bar = make('rect', { x: x.toFixed(1), width: long.toFixed(1), height: '8', fill: '#0b6a5f' });
  const properties = { viewBox: `0 0 ${LANE} 8`, preserveAspectRatio: 'none', ariaHidden: 'true' };
  return make('svg', { className: ['s-bar'], ...properties }, bar);
}

const rangeRow = (range: RangeSpec, way: number): Element =>
  row(
    rowHead(range.words),
    cell(range.sort),
    cell(px(range.start)),
    cell(px(range.end)),
    cell(range.travel === null ? '—' : px(range.travel)),
    make('td', {}, lane(range, way))
  );

export function scrollTable({ ranges, width }: ScrollSpec): readonly Element[] {
  if (ranges.length === 0) return [note('Nothing moves with the scroll.')];
  const way = Math.max(...ranges.map(({ end }) => end), 1);
  const rows = ranges.map((range) => rangeRow(range, way));
  const heads = ['What', 'Motion', 'Start', 'End', 'Travel', `0 to ${px(way)}`];
  return [
    note(`From the top of the page, in a window ${width} px wide.`),
    table(heads, rows, ['30%', '12%', '11%', '11%', '11%', '25%'])
  ];
}

export function findingTable(findings: readonly FindingSpec[]): Element {
  const rows = findings.map(({ severity, sentence, cause, aside }) =>
    row(
      make('td', { className: severity === 'error' && aside === null ? ['s-bad'] : [] }, severity),
      make('td', {}, make('b', {}, sentence), make('br', {}), cause),
      cell(aside === null ? 'open' : `set aside: ${aside}`)
    )
  );
  return table(['Severity', 'Finding', 'State'], rows, ['12%', '58%', '30%']);
}

const bytes = (count: number): string => `${count.toLocaleString('en')} B`;

export const fileTable = (files: readonly FileSpec[]): Element =>
  table(
    ['File', 'Bytes', 'With gzip'],
    files.map(({ path, raw, gzip }) => row(rowHead(path), cell(bytes(raw)), cell(bytes(gzip))))
  );
