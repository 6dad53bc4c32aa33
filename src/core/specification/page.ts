import type { Element } from 'hast';
import { groundBehind } from '../cascade/contrast';
import type { At } from '../cascade/resolve';
import { hexOf } from '../colour/hex';
import { spelt } from '../css/tokens';
import { text } from '../html/build';
import { printHtml } from '../html/print';
import type { Registry } from '../kinds/registry';
import { CONDITIONS, type AssetId, type NodeId, type Project, type PageId } from '../project/types';
import { expanded } from '../rows/rows';
import { Drawings, pictureName, type Drawing } from './drawings';
import { sheetStyle } from './style';
import {
  aboutPage,
  conditionalTable,
  contrastRow,
  fallbackTable,
  fileTable,
  findingTable,
  make,
  moveTable,
  note,
  row,
  rowHead,
  scrollTable,
  settingList,
  table,
  tokenTable,
  valueCell
} from './tables';
import type { PartSpec, PieceSpec, Specification } from './types';
import { widthTable } from './widths';

/** px that all states of a part have between them on A4, beside the names of properties, and one at most. */
const ROOM = 564;
const ROOM_MOST = 520;
/** px of it that the edges of one cell and of its drawing take. */
const EDGES = 24;
const FALLBACK_ROOM = 64;
/** px a small part has about itself, and for each letter; words in it break where that is too little. */
const SMALL_ROOM = 64;
const LETTER_ROOM = 9.5;
const WORDLESS_ROOM = 48;
/** What is small is drawn no smaller, or nobody could read it. */
const ZOOM_LEAST = 0.43;

const zoomFor = (letters: number, room: number): number =>
  Math.min(1, Math.max(ZOOM_LEAST, room / (SMALL_ROOM + LETTER_ROOM * letters)));

/** What has no words, such as a line, is as wide as it is let. */
const leastWidth = (letters: number, most: number): number =>
  letters === 0 ? Math.min(WORDLESS_ROOM, most) : 0;

/** How what is small is made to fit into so many px. */
function fittingSmall(letters: number, room: number): string {
  const zoom = zoomFor(letters, room);
  const most = Math.floor(room / zoom);
  return `zoom: ${zoom.toFixed(3)}; min-width: ${leastWidth(letters, most)}px; max-width: ${most}px`;
}

const fittingLarge = (width: number, room: number): string =>
  `zoom: ${Math.min(1, room / width).toFixed(3)}; width: ${width}px`;

/** A drawing in a cell of a table; what is large is as small as makes it fit in width. */
function drawn(drawing: Drawing | null, ground: string, room: number): Element {
  if (!drawing) return make('td', { className: ['s-same'] }, 'not drawn');
  const { letters, width } = drawing;
  const style = letters === null ? fittingLarge(width, room) : fittingSmall(letters, room);
  const scaled = make(
    'div',
    { style, className: [letters === null ? 's-large' : 's-small'] },
    drawing.element
  );
  return make(
    'td',
    {},
    make(
      'div',
      { className: ['s-cell'], style: `background: ${ground}`, ariaHidden: 'true', inert: true },
      scaled
    )
  );
}

/** What a specification is printed with, beside itself. */
export interface PrintOptions {
  readonly registry: Registry;
  /** As it was when the specification was made. */
  readonly project: Project;
  readonly page: PageId;
  /** A picture as a data address; null draws a grey box in its place. */
  readonly pictureOf: (asset: AssetId) => string | null;
  /** What goes wrong over all widths, drawn, as a data address; left out where nobody can draw it. */
  readonly chart?: string;
}

const HEAD_SHARE = 18;

/** The names of properties at the left, then the states, which share the rest. */
const stateWidths = (states: number): readonly string[] => [
  `${HEAD_SHARE}%`,
  ...Array.from({ length: states }, () => `${((100 - HEAD_SHARE) / states).toFixed(2)}%`)
];

/** Everything of a specification as one HTML document, without a script and with nothing to be fetched. */
class SheetPrinter {
  private readonly drawings: Drawings;
  private readonly project: Project;

  constructor(
    private readonly spec: Specification,
    private readonly options: PrintOptions
  ) {
    this.project = expanded(options.registry, options.project).project;
    this.drawings = new Drawings(options.registry, this.project, options.page);
  }

  print(): string {
    const { page, project } = this.spec;
    const title = `${page.name}: specification`;
    const sections = this.sections();
    const contents = sections.map(({ id, label }) => make('li', {}, make('a', { href: `#${id}` }, label)));
    const main = make(
      'main',
      { className: ['s-sheet'] },
      make('h1', {}, page.name),
      aboutPage(page, project),
      make('h2', {}, 'Contents'),
      make('ol', { className: ['s-contents'] }, ...contents),
      ...sections.flatMap(({ id, label, content }) => [make('h2', { id }, label), ...content])
    );
    const style = `${sheetStyle(`${project} · ${page.name}`)}${this.pictures()}${this.drawings.css()}`;
    return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="content-security-policy" content="default-src 'none'; style-src 'unsafe-inline'; img-src data:">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${printHtml(text(title))}</title>
<style>${style.replaceAll('</', '<\\/')}</style>
</head>
<body>
${printHtml(main)}
</body>
</html>
`;
  }

  private pictures(): string {
    const lines = [...this.drawings.shown].map((id) => this.pictureLine(id));
    return `:root {${lines.join('')} }\n`;
  }

  private pictureLine(id: AssetId): string {
    const address = this.options.pictureOf(id);
    return address ? ` ${pictureName(id)}: url("${address}");` : '';
  }

  private sections(): readonly { id: string; label: string; content: readonly Element[] }[] {
    const { spec } = this;
    const pieces = spec.pieces.map((piece) => ({
      id: `s-${piece.node}`,
      label: `${piece.name} (${piece.kind.toLowerCase()})`,
      content: this.piece(piece)
    }));
    const all = [
      { id: 's-tokens', label: 'Tokens', content: spec.tokens.length > 0 ? [tokenTable(spec.tokens)] : [] },
      ...pieces,
      {
        id: 's-scroll',
        label: 'What moves with the scroll',
        content: spec.scroll ? scrollTable(spec.scroll) : []
      },
      {
        id: 's-widths',
        label: 'Over all widths',
        content: spec.widths ? widthTable(spec.widths, this.options.chart ?? null) : []
      },
      {
        id: 's-findings',
        label: 'Findings',
        content: spec.findings.length > 0 ? [findingTable(spec.findings)] : []
      },
      {
        id: 's-files',
        label: 'Files of the export',
        content: spec.files.length > 0 ? [fileTable(spec.files)] : []
      }
    ];
    return all.filter(({ content }) => content.length > 0);
  }

  private piece(piece: PieceSpec): readonly Element[] {
    const { others, settings, parts, moves, fallbacks, fit } = piece;
    const content: Element[] = [];
    if (others.length > 0) content.push(note(`The same: ${others.join(', ')}.`));
    if (fit) content.push(make('p', {}, `The ${fit.what} fit on one line from ${fit.from} px on.`));
    if (settings.length > 0) content.push(make('h3', {}, 'Settings (bold: chosen)'), settingList(settings));
    for (const part of parts) content.push(...this.part(piece, part));
    if (moves.length > 0)
      content.push(
        make('h3', {}, 'Timing'),
        moveTable(moves, (easing) => this.speltOut(easing))
      );
    if (fallbacks.length > 0)
      content.push(make('h3', {}, 'Fallbacks'), fallbackTable(fallbacks, this.fallbackDrawings(piece.node)));
    return content;
  }

  private part(piece: PieceSpec, part: PartSpec): readonly Element[] {
    const { states, rows, conditional, keys, element: tag } = part;
    const said = [tag && `Element: ${tag}`, ...Object.entries(keys).map(([key, does]) => `${key}: ${does}`)];
    const looks = states.map(({ state }) =>
      drawn(
        this.drawings.maybePart(piece.node, part.part, state),
        this.groundOf({ node: piece.node, part: part.part }),
        this.room(states.length)
      )
    );
    const values = rows.map(({ property, label, values: all }) =>
      row(rowHead(label), ...all.map((value, i) => valueCell(value, property, i === 0)))
    );
    const head = ['Property', ...states.map(({ label }) => label)];
    const label = part.label.charAt(0).toUpperCase() + part.label.slice(1);
    const found = [
      make('h3', {}, label),
      note(said.filter(Boolean).join(' · ')),
      table(
        head,
        [row(rowHead('Looks like'), ...looks), ...values, ...contrastRow(part)],
        stateWidths(states.length)
      )
    ];
    return conditional.length > 0 ? [...found, conditionalTable(part, conditional)] : found;
  }

  /** Width of a drawing's cell, px. */
  private readonly room = (states: number): number => Math.min(ROOM_MOST, ROOM / states - EDGES);

  /** What is drawn brings its own background. */
  private groundOf(at: At): string {
    const { r, g, b } = groundBehind(this.options.registry, this.project, at);
    return hexOf([r, g, b]);
  }

  private fallbackDrawings(node: NodeId): readonly Element[] {
    const ground = this.groundOf({ node, part: 'root' });
    return CONDITIONS.map((name) => drawn(this.drawings.maybePiece(node, name), ground, FALLBACK_ROOM));
  }

  private speltOut(easing: string): string {
    const spelled = spelt(easing, this.project.tokens);
    return spelled.ok ? spelled.value : easing;
  }
}

/** @returns a specification as one HTML document that prints on A4. */
export const printSpecification = (spec: Specification, options: PrintOptions): string =>
  new SheetPrinter(spec, options).print();
