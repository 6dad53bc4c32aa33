import Papa from 'papaparse';
import { CONDITIONS, type ConditionName } from '../project/types';
import type {
  FallbackSpec,
  FileSpec,
  FindingSpec,
  MoveSpec,
  PartSpec,
  PieceSpec,
  PropertySpec,
  RangeSpec,
  SettingSpec,
  Specification,
  TokenSpec,
  WidthLane,
  WidthSpan
} from './types';

const COLUMNS = [
  'about',
  'piece',
  'kind',
  'part',
  'state',
  'condition',
  'property',
  'value',
  'token'
] as const;

type Line = Readonly<Partial<Record<(typeof COLUMNS)[number], string>>>;

type Of = Pick<Line, 'piece' | 'kind'>;

const styleLine = (
  of: Of,
  part: string,
  told: Pick<Line, 'state' | 'condition' | 'property' | 'value' | 'token'>
): Line => ({
  about: 'style',
  ...of,
  part,
  ...told
});

/** A value for each state. */
const valueLines = (of: Of, { label, states }: PartSpec, { property, values }: PropertySpec): Line[] =>
  values.map(({ value, token }, i) =>
    styleLine(of, label, {
      state: states[i]!.label,
      condition: 'always',
      property,
      value,
      token: token ?? ''
    })
  );

const conditionalLines = (of: Of, { label, conditional }: PartSpec): Line[] =>
  conditional.map(({ token, ...told }) => styleLine(of, label, { ...told, token: token ?? '' }));

const partLines = (of: Of, part: PartSpec): Line[] => [
  ...part.rows.flatMap((row) => valueLines(of, part, row)),
  ...conditionalLines(of, part)
];

const settingLine = (of: Of, { label, value }: SettingSpec): Line => ({
  about: 'setting',
  ...of,
  condition: 'always',
  property: label,
  value
});

const timesOf = ({ ms, delay, step, easing }: MoveSpec): string =>
  `${ms} ms ${easing}, delay ${delay} ms, step ${step} ms`;

const moveLine = (of: Of, move: MoveSpec): Line => ({
  about: 'timing',
  ...of,
  state: move.event,
  property: move.label,
  value: timesOf(move)
});

const wordsUnder = ({ cells }: FallbackSpec, condition: ConditionName): string =>
  cells[condition] ?? cells.always ?? '';

const fallbackLines = (of: Of, row: FallbackSpec): Line[] =>
  CONDITIONS.map((condition) => ({
    about: 'fallback',
    ...of,
    condition,
    property: row.label,
    value: wordsUnder(row, condition)
  }));

function pieceLines({ name: piece, kind, settings, parts, moves, fallbacks }: PieceSpec): Line[] {
  const of = { piece, kind };
  return [
    ...settings.map((each) => settingLine(of, each)),
    ...parts.flatMap((each) => partLines(of, each)),
    ...moves.map((each) => moveLine(of, each)),
    ...fallbacks.flatMap((each) => fallbackLines(of, each))
  ];
}

const tokenLine = ({ name, property, value }: TokenSpec): Line => ({
  about: 'token',
  property,
  value,
  token: name
});

const rangeLine = ({ words, sort, start, end }: RangeSpec): Line => ({
  about: 'scroll',
  piece: words,
  property: sort,
  value: `${Math.round(start)} to ${Math.round(end)} px`
});

const widthLine = (piece: string, { from, to, words }: WidthSpan): Line => ({
  about: 'width',
  piece,
  property: `${from} to ${to} px`,
  value: words
});

const widthLines = ({ words, spans }: WidthLane): Line[] => spans.map((span) => widthLine(words, span));

const findingLine = ({ severity, sentence, aside }: FindingSpec): Line => ({
  about: 'finding',
  property: severity,
  value: sentence,
  state: aside === null ? 'open' : `set aside: ${aside}`
});

const fileLine = ({ path, raw, gzip }: FileSpec): Line => ({
  about: 'file',
  property: path,
  value: `${raw} B, ${gzip} B with gzip`
});

const otherLines = ({ tokens, scroll, widths, findings, files }: Specification): Line[] => [
  ...tokens.map(tokenLine),
  ...(scroll?.ranges ?? []).map(rangeLine),
  ...(widths?.lanes ?? []).flatMap(widthLines),
  ...findings.map(findingLine),
  ...files.map(fileLine)
];

/**
 * @returns a specification as CSV (RFC 4180), one value a line. What a spreadsheet would take for a formula is
 * written so that it does not.
 */
export function specificationCsv(spec: Specification): string {
  const lines = [...spec.pieces.flatMap(pieceLines), ...otherLines(spec)];
  const rows = lines.map((line) => COLUMNS.map((column) => line[column] ?? ''));
  return `${Papa.unparse({ fields: [...COLUMNS], data: rows }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}
