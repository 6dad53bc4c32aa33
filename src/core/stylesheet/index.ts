import { keyframesText } from '../kinds/entrance';
import { asksToFill, isOfFilling } from '../kinds/filling';
import { asksFromRight } from '../kinds/rule';
import { keyframesNamed } from '../kinds/moments';
import type { Registry } from '../kinds/registry';
import type { Analysis } from '../compile/analyse';
import type { UsedFaces } from '../compile/faces';
import type { Sheet } from '../compile/sheet';
import { isSerif, withFallbacks } from '../faces/faces';
import { faceRules } from '../faces/rules';
import type { Bands, Node, NodeId, Token } from '../project/types';
import { customProperties } from '../css/tokens';
import { baseRules, SYMBOL_CLASSES, type Needs } from './base';
import { printBlock, wrapped, type ClassOf } from './block';
import { shortBorders } from './borders';
import { cellsOf, partsIn, type Cell } from './cells';
import { constantsOf, type Constant } from './constants';
import { addDrawn, nothingDrawn, type Drawn } from './drawn';
import { withoutIdle } from './idle';
import { jointParts } from './joint';
import { modesOf } from './modes';
import { Names, partClass } from './names';
import { share } from './share';
import { shortTransitions } from './transitions';
import { writtenValue } from './values';
import { compact } from '../data/compact';
import { remembered } from '../data/remembered';

/** Pieces of one kind that have one sheet between them. */
interface Group {
  readonly sheet: Sheet;
  readonly pieces: Analysis[];
  readonly drawn: Drawn;
  cells: readonly Cell[];
}

/** What some pieces have beside their kind, under one name. */
interface Own {
  readonly kind: string;
  readonly pieces: readonly Analysis[];
  readonly name: string;
  readonly title: string;
  readonly cells: readonly Cell[];
}

export interface StyleSheet {
  readonly css: string;
  /** Whether rules stand in rules. */
  readonly nests: boolean;
  /**
   * @returns the classes that stand in markup for a part of a piece, in the order of the style sheet; empty
   * where no rule needs one.
   */
  classesOf(id: NodeId, part: string): readonly string[];
}

export interface StyleSheetOptions {
  readonly registry: Registry;
  readonly nodes: Readonly<Record<string, Node>>;
  readonly bands: Bands;
  /** Tokens that the pieces name. */
  readonly tokens: readonly Token[];
  /** Typefaces that they name. */
  readonly faces: UsedFaces;
  /** Whether markup has `picture` elements around its images. */
  readonly hasPictures: boolean;
  /** Whether a page among them is written from right to left. */
  readonly isFromRight: boolean;
  /**
   * What every class and every name starts with, for a piece that goes into a page of any site; left out for
   * pages of ours.
   */
  readonly prefix?: string;
}

/**
 * One style sheet for some pieces, as it would be written by hand: tokens, base, what the pieces of a kind
 * share, and what single pieces have beside it in the order of the page.
 * @param found the pieces of one page or of several, in the order of the pages.
 */
export function styleSheetFor(found: readonly Analysis[], options: StyleSheetOptions): StyleSheet {
  const { registry, tokens, hasPictures, prefix = '' } = options;
  const named = (name: string) => (prefix ? `${prefix}-${name}` : name);
  const kinds = [...groupsByKind(found, options)].map(([kind, groups]) => sharedKind(kind, groups, registry));
  // What weighs most comes last, as one reads: plain blocks, then widgets whose selectors ask about their state.
  kinds.sort((a, b) => Number(isHeavy(a)) - Number(isHeavy(b)));
  const keyframes = new Set<string>();
  const said = withNamedValues(kinds, tokens, keyframes, registry.keyframes, named);
  const classes = new Map<NodeId, { readonly kind: string; own: string | null }>();
  const used = new Set<string>();
  const known = new Map<string, readonly string[]>();
  const use = (name: string): string => {
    used.add(name);
    return name;
  };

  const ofKinds = said.kinds.flatMap(({ kind, cells }) => {
    const blocks = blocksOf(cells, (part) => use(named(partClass(kind, part))));
    return blocks.length > 0 ? [section(registry.kindOf(kind).label, blocks)] : [];
  });

  const ofParts = said.kinds.flatMap(({ kind, parts }) => parts.map((part) => partClass(kind, part)));
  const names = new Names(registry, [...ofParts, ...SYMBOL_CLASSES]);
  const owns = said.kinds.flatMap(({ kind, groups, own }) => sameOwn(kind, groups, own, options, names));
  for (const { pieces, name, kind } of owns) pieces.forEach(({ id }) => classes.set(id, { kind, own: name }));
  for (const { id, kind } of found) if (!classes.has(id)) classes.set(id, { kind, own: null });
  const place = new Map(found.map(({ id }, i) => [id, i]));
  owns.sort((a, b) => place.get(a.pieces[0]!.id)! - place.get(b.pieces[0]!.id)!);
  const ofPieces = owns.map(({ name, kind, title, cells }) =>
    section(
      title,
      blocksOf(cells, (part, isLast) => use(named(partClass(isLast ? name : kind, part))))
    )
  );

  const ofTokens = tokens.flatMap(customProperties);
  const values = [
    ...ofTokens.map(({ id, value }) => ({ name: id, value: withFallbacks(value, options.faces.faces) })),
    ...said.constants
  ];
  const parts = compact([
    values.length > 0 ? section('Tokens', [rootRule(prefix ? `.${prefix}` : ':root', values)]) : null,
    options.faces.faces.length > 0 ? section('Typefaces', facesText(options.faces)) : null,
    section('Base', baseRules({ prefix, hasPictures, ...symbolsIn(kinds) })),
    ...ofKinds,
    ...ofPieces,
    keyframes.size > 0
      ? section(
          'Movements',
          [...keyframes].map((name) =>
            keyframesText(keyframesNamed(registry.keyframes, name)!, named(plainName(name)))
          )
        )
      : null
  ]);
  return {
    css: `${parts.join('\n\n')}\n`,
    nests: said.kinds.some(({ cells, own }) => [...cells, ...own.flat()].some(isNested)),
    classesOf(id, part) {
      const { kind, own } = classes.get(id)!;
      const key = `${kind} ${own ?? ''} ${part}`;
      const bases = own === null ? [kind] : [kind, own];
      return remembered(known, key, () =>
        bases.map((base) => named(partClass(base, part))).filter((name) => used.has(name))
      );
    }
  };
}

const isNested = ({ at, selector }: Cell): boolean => at.length > 0 || /[:[ ]/.test(selector);

const HEAVY = 4000;
/** Of one class, as `baseRules` has it. */
const RESET_WEIGHT = 1000;

const isHeavy = ({ cells }: SharedKind): boolean => cells.some(({ weight }) => weight >= HEAVY);

interface SharedKind {
  readonly kind: string;
  readonly groups: readonly Group[];
  readonly cells: readonly Cell[];
  readonly own: readonly (readonly Cell[])[];
  /** Parts that some piece of the kind says something of. */
  readonly parts: readonly string[];
}

function sharedKind(kind: string, groups: readonly Group[], registry: Registry): SharedKind {
  const { anatomy } = registry.kindOf(kind);
  const alike = groups.map(({ cells, pieces, drawn }) => ({
    cells,
    count: pieces.length,
    draws: (selector: string) => isDrawn(selector, drawn, anatomy)
  }));
  const { kind: cells, own } = share(alike);
  const parts = new Set(groups.flatMap((group) => group.cells.map(({ part }) => part)));
  return { kind, groups, cells, own, parts: [...parts] };
}

const isDrawn = (selector: string, { parts }: Drawn, anatomy: object): boolean =>
  partsIn(selector).every((part) => part === 'root' || !Object.hasOwn(anatomy, part) || parts.has(part));

function symbolsIn(kinds: readonly SharedKind[]): Pick<Needs, 'hasSymbols' | 'hasFilledSymbols'> {
  const drawn = kinds.flatMap(({ groups }) => groups.map((group) => group.drawn));
  return {
    hasSymbols: drawn.some(({ icons }) => icons.line),
    hasFilledSymbols: drawn.some(({ icons }) => icons.filled)
  };
}

/** A family is serifed where it stands before letters with serifs. */
function facesText({ faces, values, addressOf }: UsedFaces): readonly string[] {
  const isSerifed = (family: string) => values.some((value) => value.includes(family) && isSerif(value));
  return faceRules(faces, addressOf, isSerifed);
}

const emptyGroup = (sheet: Sheet): Group => ({ sheet, pieces: [], drawn: nothingDrawn(), cells: [] });

function groupsByKind(found: readonly Analysis[], options: StyleSheetOptions): Map<string, readonly Group[]> {
  const { registry } = options;
  const kinds = new Map<string, Map<Sheet, Group>>();
  const seen = new Set<NodeId>();
  for (const piece of found) {
    if (seen.has(piece.id)) continue;
    seen.add(piece.id);
    const groups = remembered(kinds, piece.kind, () => new Map<Sheet, Group>());
    const group = remembered(groups, piece.sheet, () => emptyGroup(piece.sheet));
    group.pieces.push(piece);
    addDrawn(piece, group.drawn);
  }
  const sheets = [...kinds.values()].flatMap((groups) => [...groups.keys()]);
  const isFilled = sheets.some(({ build }) => build.some(asksToFill));
  for (const [kind, groups] of kinds) {
    const { anatomy } = registry.kindOf(kind);
    for (const group of groups.values()) {
      const cells = tidied(group, anatomy, options);
      group.cells = isFilled ? cells : cells.filter(({ property, value }) => !isOfFilling(property, value));
    }
  }
  return new Map([...kinds].map(([kind, groups]) => [kind, [...groups.values()]]));
}

/**
 * Elements, and with them whatever opens as a popover, that browsers draw a border around (HTML standard,
 * 15.3 and 15.5).
 */
const BORDERED = ['button', 'dialog', 'fieldset', 'hr', 'iframe', 'input', 'select', 'textarea'];

/**
 * What has no weight on pages of ours would lose to the reset around a piece that goes into any site. What is about
 * the page itself stands outside of that.
 */
function heavierThanReset(cell: Cell, prefix: string): Cell {
  const isOfPage = /^:where\((?:html|body)\b/.test(cell.selector);
  if (cell.weight > 0 || isOfPage) return cell;
  return { ...cell, selector: `:is(.${prefix}, .${prefix} *)${cell.selector}`, weight: RESET_WEIGHT };
}

/** The declarations of a sheet as they are written for what its pieces draw. */
function tidied(
  { sheet, drawn }: Group,
  anatomy: object,
  { bands, faces: { faces }, prefix, isFromRight }: StyleSheetOptions
): readonly Cell[] {
  const written = (cell: Cell): string => {
    const value = writtenValue(cell.property, cell.value);
    return cell.property === 'font-family' ? withFallbacks(value, faces) : value;
  };
  const cells = cellsOf(sheet, { bands, isContained: sheet.isContained })
    .filter(({ selector }) => isDrawn(selector, drawn, anatomy) && (isFromRight || !asksFromRight(selector)))
    .map((cell) => ({ ...cell, value: written(cell) }));
  const hasBorder = (part: string) =>
    drawn.attributes.has('popover') || BORDERED.some((tag) => drawn.tags.get(part)?.has(tag));
  const short = shortTransitions(withoutIdle(shortBorders(cells, hasBorder), drawn));
  return prefix ? short.map((cell) => heavierThanReset(cell, prefix)) : short;
}

/** The same with names in the place of values that stand in many places, and of keyframes. */
function withNamedValues(
  kinds: readonly SharedKind[],
  tokens: readonly Token[],
  keyframes: Set<string>,
  known: Registry['keyframes'],
  named: (name: string) => string
): { readonly kinds: readonly SharedKind[]; readonly constants: readonly Constant[] } {
  const all = kinds.flatMap(({ cells, own }) => [...cells, ...own.flat()]);
  const { constants, write } = constantsOf(
    all,
    new Set(tokens.flatMap(customProperties).map(({ id }) => id))
  );
  const renamed = (cell: Cell): Cell => {
    const played = NAMING.has(cell.property) ? playedIn(cell.value, known) : [];
    if (played.length === 0) return { ...cell, value: write(cell) };
    played.forEach((name) => keyframes.add(name));
    return { ...cell, value: played.reduce((value, name) => playing(value, name, named), cell.value) };
  };
  const said = kinds.map((each) => ({
    ...each,
    cells: each.cells.map(renamed),
    own: each.own.map((cells) => cells.map(renamed))
  }));
  return { kinds: said, constants };
}

/** Properties whose values begin with names of keyframes. */
const NAMING = new Set(['animation', 'animation-name']);

/** Keyframes that a value of `animation` names; each of several comes first in its own. */
const playedIn = (value: string, known: Registry['keyframes']): readonly string[] =>
  value
    .split(', ')
    .map((each) => each.split(' ')[0]!)
    .filter((name) => keyframesNamed(known, name) !== null);

const playing = (value: string, name: string, named: (name: string) => string): string =>
  value.replace(
    new RegExp(`(^|, )${name}(?= |,|$)`),
    (_whole, before: string) => before + named(plainName(name))
  );

const plainName = (keyframes: string): string => keyframes.replace(/^k-/, '');

/** What groups of one kind have beside it, once for all that have the same. */
function sameOwn(
  kind: string,
  groups: readonly Group[],
  own: SharedKind['own'],
  { registry, nodes }: StyleSheetOptions,
  names: Names
): Own[] {
  const bySame = new Map<string, { pieces: Analysis[]; cells: readonly Cell[] }>();
  groups.forEach(({ pieces }, i) => {
    const cells = own[i]!;
    if (cells.length === 0) return;
    const key = JSON.stringify(cells);
    const known = bySame.get(key);
    if (known) known.pieces.push(...pieces);
    else bySame.set(key, { pieces: [...pieces], cells });
  });
  return [...bySame.values()].map(({ pieces, cells }) => {
    const others = groups.flatMap((group) => group.pieces).filter((piece) => !pieces.includes(piece));
    const nodesOf = (some: readonly Analysis[]) => some.map(({ id }) => nodes[id]!);
    const parts = [...new Set(cells.map(({ part }) => part))];
    const name = names.take(nodesOf(pieces), nodesOf(others), cells, parts);
    return { kind, pieces, cells, name, title: titleOf(nodesOf(pieces), registry) };
  });
}

const NAMES_MOST = 4;

function titleOf(nodes: readonly Node[], registry: Registry): string {
  const names = nodes
    .slice(0, NAMES_MOST)
    .map(({ name }) => name)
    .join(', ');
  const more = nodes.length - NAMES_MOST;
  const label = registry.of(nodes[0]!).label.toLowerCase();
  return more > 0 ? `${names} and ${more} more (${label})` : `${names} (${label})`;
}

function blocksOf(cells: readonly Cell[], classOf: ClassOf): string[] {
  const { modes, rest } = modesOf(cells);
  const ofModes = modes.map((mode) => wrapped(mode.at, partBlocks(mode.cells, classOf).join('\n\n')));
  return [...partBlocks(rest, classOf), ...ofModes];
}

/** One block for each part, and one more for two that are nearly alike. */
function partBlocks(cells: readonly Cell[], classOf: ClassOf): string[] {
  const { joints, rest } = jointParts(cells);
  const blocks: string[] = [];
  const done = new Set<string>();
  for (const part of new Set(cells.map((cell) => cell.part))) {
    const joint = joints.find(({ parts }) => parts.includes(part));
    if (joint && !done.has(joint.parts[0])) {
      done.add(joint.parts[0]);
      blocks.push(printBlock(joint.cells, classOf, [classOf(joint.parts[1], true)]));
    }
    const own = rest.filter((cell) => cell.part === part);
    if (own.length > 0) blocks.push(printBlock(own, classOf));
  }
  return blocks;
}

const rootRule = (root: string, values: readonly Constant[]): string =>
  `${root} {\n${values.map(({ name, value }) => `  --${name}: ${value};`).join('\n')}\n}`;

/** People may name a piece in any way; nothing they write ends the comment. */
const section = (title: string, blocks: readonly string[]): string =>
  `/* ${title.replaceAll('*/', '* /')} */\n\n${blocks.join('\n\n')}`;
