import type { ColumnType, Row } from '../project/types';

export type Cell = Row[string];

/** More digits than a number keeps exactly (IEEE 754, binary64). */
const DIGITS_MOST = 15;

const PLAIN = /^[-+]?(?:0|[1-9]\d*|[1-9]\d{0,2}(?:,\d{3})+)(?:\.\d+)?$/;
const WITH_COMMA = /^[-+]?(?:0|[1-9]\d*|[1-9]\d{0,2}(?:[. \u00a0\u202f]\d{3})+)(?:,\d+)?$/;

const YES = ['yes', 'true'];
const NO = ['no', 'false'];

const digitsIn = (text: string): number => text.replace(/\D/g, '').length;

/** @returns a number written with a point or a comma before its decimals; null for anything else, `007` among it. */
export function numberIn(text: string): number | null {
  if (digitsIn(text) > DIGITS_MOST) return null;
  if (PLAIN.test(text)) return Number(text.replaceAll(',', ''));
  return WITH_COMMA.test(text) ? Number(text.replace(/[. \u00a0\u202f]/g, '').replace(',', '.')) : null;
}

function truthIn(text: string): boolean | null {
  const word = text.toLowerCase();
  if (YES.includes(word)) return true;
  return NO.includes(word) ? false : null;
}

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];

const isLeap = (year: number): boolean => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

/** @returns how many days a month has, counted from 1, in the calendar of ISO 8601; 0 where there is no such month. */
const daysIn = (year: number, month: number): number =>
  month === 2 && isLeap(year) ? 29 : (DAYS[month - 1] ?? 0);

const DAY = /^(\d{4})-(\d{2})-(\d{2})(?:T[\d:.]+(?:Z|[-+]\d{2}:?\d{2})?)?$/;

/** @returns a day of the calendar as ISO 8601 writes it, with or without a time; null for anything else. */
function dayIn(text: string): string | null {
  const [, year, month, day] = DAY.exec(text) ?? [];
  if (!year) return null;
  const isDay = Number(day) >= 1 && Number(day) <= daysIn(Number(year), Number(month));
  return isDay ? `${year}-${month}-${day}` : null;
}

const READERS: Readonly<Record<ColumnType, (text: string) => Cell>> = {
  text: (text) => text,
  number: numberIn,
  'yes-no': truthIn,
  date: dayIn
};

/** @returns what a text is as a value of a column; null where it is none, and for nothing. */
export const cellOf = (text: string, type: ColumnType): Cell => (text === '' ? null : READERS[type](text));

/** So many of a hundred values may be something else: one “n/a” does not make a text of a column of prices. */
const STRANGE_MOST = 0.1;

/** @returns what the values of a column are, empty ones left out: what nine of ten can be read as. */
export function typeOf(texts: readonly string[]): ColumnType {
  const filled = texts.filter((text) => text !== '');
  if (filled.length === 0) return 'text';
  const fits = (type: ColumnType): boolean => {
    const most = Math.floor(filled.length * STRANGE_MOST);
    let strange = 0;
    for (const text of filled) if (cellOf(text, type) === null && (strange += 1) > most) return false;
    return true;
  };
  return (['yes-no', 'number', 'date'] as const).find(fits) ?? 'text';
}
