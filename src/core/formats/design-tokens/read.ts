import { printTypeStyle, TYPE_MEMBERS, type TypeStyle } from '../../css/type-style';
import { checkToken } from '../../css/values';
import { emptyRecord, inWords, isDeeperThan, isRecord, ownOf, type Loose } from '../../data/record';
import { easingOf, KEYWORD_CURVES, readEasing } from '../../motion/easing';
import { hasWords, ID_PATTERN, slug } from '../../project/ids';
import type { Token, TokenId, TokenType } from '../../project/types';
import { MEMBERS, OURS, OWN, ROOT, TYPES, WEIGHTS } from './format';
import { hexOf } from '../../colour/hex';
import { freeName } from '../../data/free-name';

export type ReadTokens =
  | { readonly ok: true; readonly tokens: readonly Token[]; readonly notes: readonly string[] }
  | { readonly ok: false; readonly sentence: string };

interface Found {
  readonly path: readonly string[];
  readonly type: string | null;
  readonly value: unknown;
  readonly own: Loose;
}

const MOST = 2000;
const DEPTH_MOST = 20;
/** Groups, and in the innermost a token with its value's own lists. */
const NESTED_MOST = 40;

function collect(
  node: Loose,
  path: readonly string[],
  type: string | null,
  into: Found[],
  notes: string[]
): void {
  const own = typeof node.$type === 'string' ? node.$type : type;
  if (Object.hasOwn(node, '$value')) {
    const extensions = isRecord(node.$extensions) ? node.$extensions[OWN] : null;
    into.push({ path, type: own, value: node.$value, own: isRecord(extensions) ? extensions : {} });
  }
  if (path.length > DEPTH_MOST)
    return void notes.push(
      `${path.slice(0, 3).join('.')}… is nested more than ${DEPTH_MOST} deep and was left out.`
    );
  for (const [name, child] of Object.entries(node)) {
    if (name.startsWith('$') && name !== ROOT) continue;
    if (isRecord(child)) collect(child, name === ROOT ? path : [...path, name], own, into, notes);
  }
}

const ALIAS = /^\{([^{}]+)\}$/;

/**
 * Reads a document of the format, of this version or of its drafts (colours and lengths as text).
 * @param before tokens of the project: one of the same name keeps its id, so that every cell that takes it
 * follows.
 * @returns tokens, those that others name first, and what was left out and why. Never throws.
 */
export function readDesignTokens(text: string, before: Readonly<Record<string, Token>> = {}): ReadTokens {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    return {
      ok: false,
      sentence: 'This file is not JSON. Design tokens are a JSON file (.tokens or .tokens.json).'
    };
  }
  if (!isRecord(document)) return { ok: false, sentence: 'This file holds no group of tokens.' };
  if (isDeeperThan(document, NESTED_MOST))
    return {
      ok: false,
      sentence: `This file is nested more than ${NESTED_MOST} deep, which no tokens need. It was not read.`
    };
  const notes: string[] = [];
  const found: Found[] = [];
  collect(document, [], null, found, notes);
  if (found.length === 0)
    return { ok: false, sentence: 'This file holds no tokens: nothing in it has a $value.' };
  if (found.length > MOST)
    return {
      ok: false,
      sentence: `This file holds ${found.length} tokens; ${MOST} are the most that can be read at once.`
    };
  return new Reader(found, before, notes).read();
}

/** Aliases that lead from one to the next; more cannot be followed step by step. */
const ALIASES_MOST = 32;

/** What stands for a token that another one names: whole for a style of text, else as a reference. */
const valueThrough = (named: Token, type: TokenType) =>
  type === 'type-style' ? named.value : `{${named.id}}`;

class Reader {
  private readonly byPath: ReadonlyMap<string, Found>;
  private readonly made = new Map<string, Token | null>();
  private readonly order: Token[] = [];
  private readonly taken: Set<string>;
  /** Tokens of the project and those read so far, by id. */
  private readonly known = emptyRecord<Token>();
  private readonly idsByName: ReadonlyMap<string, TokenId>;

  constructor(
    private readonly found: readonly Found[],
    before: Readonly<Record<string, Token>>,
    private readonly notes: string[]
  ) {
    this.byPath = new Map(found.map((each) => [each.path.join('.'), each]));
    this.taken = new Set(Object.keys(before));
    for (const token of Object.values(before)) this.known[token.id] = token;
    this.idsByName = new Map(Object.values(before).map(({ id, name }) => [name, id]));
  }

  read(): ReadTokens {
    for (const each of this.found) this.token(each, []);
    if (this.order.length === 0)
      return {
        ok: false,
        sentence: `None of the tokens in this file can be used here. ${this.notes[0] ?? ''}`.trim()
      };
    return { ok: true, tokens: this.order, notes: this.notes };
  }

  /**
   * What an alias names; the root of a group is named with `$root` and, in drafts of the format, by the group
   * alone.
   */
  private maybeTarget(alias: string | undefined): Found | null {
    if (!alias) return null;
    return this.byPath.get(alias) ?? this.byPath.get(alias.replace(/\.\$root$/, '')) ?? null;
  }

  private token(each: Found, above: readonly string[]): Token | null {
    const path = each.path.join('.');
    const known = this.made.get(path);
    if (known !== undefined) return known;
    if (above.includes(path)) {
      this.notes.push(`${[...above, path].join(' → ')} name each other in a ring and were left out.`);
      return null;
    }
    if (above.length > ALIASES_MOST) {
      this.notes.push(`${above[0]} goes through more than ${ALIASES_MOST} aliases and was left out.`);
      return null;
    }
    const made = this.fresh(each, path, above);
    if (this.made.has(path)) return this.made.get(path)!;
    this.made.set(path, made);
    if (made) {
      this.order.push(made);
      this.known[made.id] = made;
    }
    return made;
  }

  private fresh(each: Found, path: string, above: readonly string[]): Token | null {
    const skip = (why: string) => (this.notes.push(`${path} was left out: ${why}.`), null);
    const alias = typeof each.value === 'string' ? ALIAS.exec(each.value)?.[1] : undefined;
    const target = this.maybeTarget(alias);
    if (alias !== undefined && !target) return skip(`there is no token ${alias} in this file`);
    const named = target ? this.token(target, [...above, path]) : null;
    if (target && !named) return skip(`${alias} could not be used`);
    const ours =
      typeof each.own.type === 'string' && Object.hasOwn(TYPES, each.own.type)
        ? (each.own.type as TokenType)
        : null;
    const type = named?.type ?? (each.type === null ? ours : (OURS.get(each.type) ?? null));
    if (!type)
      return skip(each.type === null ? 'it has no type' : `Kymation has no tokens of the type ${each.type}`);
    const value = named ? valueThrough(named, type) : this.ownValue(each, type, path, above);
    if (value === null) return skip(`its value is none of the type ${each.type ?? type}`);
    const written = (typeof each.own.name === 'string' ? each.own.name : each.path.join(' / ')).slice(0, 80);
    const name = hasWords(written) ? written : 'token';
    const checked = checkToken({ type, value }, this.known);
    return checked.ok
      ? { id: this.idFor(name, each), name, type, value: checked.value }
      : skip(checked.sentence.replace(/\.$/, ''));
  }

  /** A value as it is written in the file; null where it is none of its type. */
  private ownValue(each: Found, type: TokenType, path: string, above: readonly string[]) {
    if (typeof each.own.value === 'string') return each.own.value;
    return type === 'type-style' ? this.typography(each.value, path, above) : this.css(type, each.value);
  }

  private idFor(name: string, { own, path }: Found): TokenId {
    const twin = this.idsByName.get(name);
    if (twin) return twin;
    const stem =
      (typeof own.id === 'string' && /^[a-z][a-z0-9-]{0,40}$/.test(own.id)
        ? own.id
        : slug(path.join('-')).slice(0, 40)
      ).replace(/^k-/, '') || 'token';
    const id = freeName(ID_PATTERN.test(stem) ? stem : `t-${stem}`, this.taken);
    this.taken.add(id);
    return id as TokenId;
  }

  /** A value that may itself name another token, as parts of a shadow do: only plain values are read there. */
  private css(type: TokenType, value: unknown): string | null {
    switch (type) {
      case 'colour':
        return typeof value === 'string' ? value : this.colour(value);
      case 'length':
        return this.quantity(value, ['px', 'rem']);
      case 'duration':
        return this.quantity(value, ['ms', 's']);
      case 'easing': {
        if (!Array.isArray(value) || value.length !== 4 || !value.every((each) => typeof each === 'number'))
          return null;
        const text = `cubic-bezier(${value.join(', ')})`;
        const word = Object.entries(KEYWORD_CURVES).find(([, curve]) =>
          curve.every((each, i) => each === value[i])
        )?.[0];
        return readEasing(text).ok ? (word ?? easingOf(text).text) : null;
      }
      case 'shadow': {
        const layers = (Array.isArray(value) ? value : [value]).map((layer) => this.shadow(layer));
        return layers.includes(null) ? null : layers.join(', ');
      }
      case 'typeface': {
        const names = Array.isArray(value) ? value : [value];
        if (!names.every((each) => typeof each === 'string')) return null;
        return names
          .map((each: string) => (/^[a-z-]+$/i.test(each) ? each : `"${each.replace(/["\\]/g, '')}"`))
          .join(', ');
      }
      case 'weight':
        return this.weight(value);
      case 'number':
        return typeof value === 'number' || (typeof value === 'string' && Number.isFinite(Number(value)))
          ? String(value)
          : null;
      case 'type-style':
        return null;
    }
  }

  /** The values of a type style, each its own or another token's; a spacing that is left out is none. */
  private typography(value: unknown, path: string, above: readonly string[]): string | null {
    if (!isRecord(value)) return null;
    const style = emptyRecord<string>();
    for (const member of TYPE_MEMBERS) {
      const [name, type] = MEMBERS[member];
      const own =
        value[name] ?? { 'letter-spacing': { value: 0, unit: 'px' }, 'line-height': 1.2 }[member as string];
      const alias = typeof own === 'string' ? ALIAS.exec(own)?.[1] : undefined;
      const target = this.maybeTarget(alias);
      const named = target ? this.token(target, [...above, path]) : null;
      const css = alias === undefined ? this.css(type, own) : named && `{${named.id}}`;
      if (css === null || css === undefined) return null;
      style[member] = css;
    }
    return printTypeStyle(style as TypeStyle);
  }

  private weight(value: unknown): string | null {
    if (typeof value === 'number') return String(value);
    const named = ownOf(WEIGHTS, inWords(value));
    return named?.toString() ?? null;
  }

  private quantity(value: unknown, units: readonly string[]): string | null {
    if (typeof value === 'string') return value;
    if (
      !isRecord(value) ||
      typeof value.value !== 'number' ||
      typeof value.unit !== 'string' ||
      !units.includes(value.unit)
    )
      return null;
    return `${value.value}${value.unit}`;
  }

  private shadow(value: unknown): string | null {
    if (!isRecord(value)) return null;
    const lengths = [
      value.offsetX,
      value.offsetY,
      value.blur ?? { value: 0, unit: 'px' },
      value.spread ?? { value: 0, unit: 'px' }
    ].map((each) => this.quantity(each, ['px', 'rem']));
    const colour = typeof value.color === 'string' ? value.color : this.colour(value.color);
    if (lengths.includes(null) || !colour) return null;
    return `${value.inset === true ? 'inset ' : ''}${lengths.join(' ')} ${colour}`;
  }

  private colour(value: unknown): string | null {
    if (!isRecord(value) || !Array.isArray(value.components) || value.components.length !== 3) return null;
    const parts = value.components.map((each) =>
      each === 'none' || typeof each === 'number' ? (each as number | 'none') : null
    );
    if (parts.includes(null)) return null;
    const alpha = typeof value.alpha === 'number' && value.alpha < 1 ? value.alpha : null;
    const space = inWords(value.colorSpace);
    const after = alpha === null ? '' : ` / ${alpha}`;
    const [a, b, c] = parts as [number | 'none', number | 'none', number | 'none'];
    if (space === 'srgb' && parts.every((each) => typeof each === 'number'))
      return alpha === null ? hexOf(parts as number[]) : hexOf([...(parts as number[]), alpha]);
    const share = (each: number | 'none') => (each === 'none' ? each : `${each}%`);
    if (space === 'hsl' || space === 'hwb') return `${space}(${a} ${share(b)} ${share(c)}${after})`;
    if (['lab', 'lch', 'oklab', 'oklch'].includes(space)) return `${space}(${a} ${b} ${c}${after})`;
    const known = [
      'srgb',
      'srgb-linear',
      'display-p3',
      'a98-rgb',
      'prophoto-rgb',
      'rec2020',
      'xyz-d65',
      'xyz-d50'
    ];
    return known.includes(space) ? `color(${space} ${a} ${b} ${c}${after})` : null;
  }
}
