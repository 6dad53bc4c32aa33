import { maybeColour } from '../../colour/contrast';
import { readTypeStyle, TYPE_MEMBERS } from '../../css/type-style';
import { emptyRecord, ownOf } from '../../data/record';
import { KEYWORD_CURVES } from '../../motion/easing';
import type { Token, TokenType } from '../../project/types';
import { MEMBERS, OWN, ROOT, TYPES } from './format';
import { defined } from '../../data/compact';
import { clamp } from '../../data/clamp';
import { hexOf } from '../../colour/hex';

const round = (value: number, digits = 5) => Math.round(value * 10 ** digits) / 10 ** digits;

function colourValue(text: string): object | null {
  const colour = maybeColour(text);
  if (!colour) return null;
  const parts = [colour.r, colour.g, colour.b];
  return defined({
    colorSpace: 'srgb',
    components: parts.map((part) => round(clamp(part, 0, 1))),
    alpha: colour.alpha < 1 ? round(colour.alpha, 4) : undefined,
    hex: hexOf(parts)
  });
}

function quantity(text: string, units: readonly string[]): { value: number; unit: string } | null {
  const match = /^([+-]?(?:\d+\.?\d*|\.\d+))([a-z]*)$/i.exec(text.trim());
  if (!match) return null;
  const [value, unit] = [Number(match[1]), match[2]!.toLowerCase()];
  if (unit === '' && value === 0) return { value, unit: units[0]! };
  return units.includes(unit) ? { value, unit } : null;
}

/** Splits at commas or spaces that stand in no bracket. */
function split(text: string, at: ',' | ' '): string[] {
  const parts = [''];
  let depth = 0;
  for (const sign of text.trim()) {
    if (sign === '(') depth += 1;
    if (sign === ')') depth -= 1;
    if (depth === 0 && (at === ',' ? sign === ',' : /\s/.test(sign))) parts.push('');
    else parts[parts.length - 1] += sign;
  }
  return parts.map((part) => part.trim()).filter(Boolean);
}

function shadowValue(text: string): unknown {
  const layers = split(text, ',').map((layer) => {
    const words = split(layer, ' ');
    const lengths = words.flatMap((word) => quantity(word, ['px', 'rem']) ?? []);
    const colour = words.find((word) => word !== 'inset' && !quantity(word, ['px', 'rem']));
    const value = colour && colourValue(colour);
    if (!value || lengths.length < 2 || lengths.length + (words.includes('inset') ? 2 : 1) !== words.length)
      return null;
    const zero = { value: 0, unit: 'px' };
    return defined({
      color: value,
      offsetX: lengths[0],
      offsetY: lengths[1],
      blur: lengths[2] ?? zero,
      spread: lengths[3] ?? zero,
      inset: words.includes('inset') ? true : undefined
    });
  });
  if (layers.length === 0 || layers.includes(null)) return null;
  return layers.length === 1 ? layers[0] : layers;
}

/** @returns a value of the format; null where it has none for it. */
function valueOf(type: TokenType, text: string): unknown {
  switch (type) {
    case 'colour':
      return colourValue(text);
    case 'length':
      return quantity(text, ['px', 'rem']);
    case 'duration':
      return quantity(text, ['ms', 's']);
    case 'easing': {
      const curve =
        text === 'linear'
          ? [0, 0, 1, 1]
          : (ownOf(KEYWORD_CURVES, text) ??
            /^cubic-bezier\(([^)]*)\)$/.exec(text)?.[1]?.split(',').map(Number));
      return curve?.length === 4 ? [...curve] : null;
    }
    case 'shadow':
      return shadowValue(text);
    case 'typeface': {
      const names = split(text, ',').map((name) => name.replace(/^["']|["']$/g, ''));
      return names.length === 1 ? names[0] : names;
    }
    case 'weight':
      return /^\d+$/.test(text) ? Number(text) : null;
    case 'number':
      return Number.isFinite(Number(text)) ? Number(text) : null;
    case 'type-style':
      return null;
  }
}

/** @returns the five values of a type style; null where the format has no word for one of them. */
function typographyValue(text: string, aliasOf: (value: string) => string | null): unknown {
  const read = readTypeStyle(text);
  if (!read.ok) return null;
  const found = emptyRecord<unknown>();
  for (const member of TYPE_MEMBERS) {
    const [name, type] = MEMBERS[member];
    const own = read.style[member];
    const value = aliasOf(own) ?? valueOf(type, member === 'letter-spacing' && own === 'normal' ? '0' : own);
    if (value === null) return null;
    found[name] = value;
  }
  return found;
}

const keyOf = (name: string) => name.trim().replace(/[{}.]/g, '-').replace(/^\$+/, '') || 'token';

type Group = { [name: string]: unknown };

/**
 * @returns where each token stands in the document, by id. A “/” in a name makes groups; a token that has the
 * name of a group is that group's root, and of two names that are written alike the later one takes a number.
 */
function pathsOf(tokens: readonly Token[]): ReadonlyMap<string, readonly string[]> {
  const wanted = tokens.map(({ id, name }) => ({ id, path: name.split('/').map(keyOf) }));
  const groups = new Set<string>();
  for (const { path } of wanted)
    for (let length = 1; length < path.length; length += 1) groups.add(path.slice(0, length).join('.'));
  const taken = new Set<string>();
  const maybeFree = (path: readonly string[]): readonly string[] | null => {
    const own = groups.has(path.join('.')) ? [...path, ROOT] : path;
    return taken.has(own.join('.')) ? null : own;
  };
  const paths = new Map<string, readonly string[]>();
  for (const { id, path } of wanted) {
    let own = maybeFree(path);
    for (let count = 2; !own; count += 1) own = maybeFree([...path.slice(0, -1), `${path.at(-1)!} ${count}`]);
    taken.add(own.join('.'));
    paths.set(id, own);
  }
  return paths;
}

/**
 * @returns the tokens as a document of the format. A “/” in a name makes groups. Values the format has no
 * type for (`5vw`, `spring(0.3)`) stand as strings in our own extension beside the nearest value it has.
 */
export function writeDesignTokens(tokens: Readonly<Record<string, Token>>): string {
  const root: Group = emptyRecord();
  const paths = pathsOf(Object.values(tokens));
  const aliasOf = (value: string): string | null => {
    const path = paths.get(/^\{([a-z][a-z0-9-]*)\}$/.exec(value)?.[1] ?? '');
    return path ? `{${path.join('.')}}` : null;
  };
  for (const token of Object.values(tokens)) {
    const path = paths.get(token.id)!;
    let group = root;
    for (const step of path.slice(0, -1)) group = (group[step] ??= emptyRecord()) as Group;
    group[path.at(-1)!] = writtenToken(token, aliasOf);
  }
  return `${JSON.stringify(root, null, 2)}\n`;
}

function writtenToken(token: Token, aliasOf: (value: string) => string | null): object {
  const { id, name, type } = token;
  const own = type === 'type-style' ? typographyValue(token.value, aliasOf) : valueOf(type, token.value);
  const value = aliasOf(token.value) ?? own;
  // A token needs a value of its type; one that cannot be said in the format is given as text, which has no
  // type there.
  if (value === null)
    return { $value: token.value, $extensions: { [OWN]: { id, name, type, value: token.value } } };
  return { $type: TYPES[type], $value: value, $extensions: { [OWN]: { id, name, type } } };
}
