import type { Element, ElementContent } from 'hast';
import { visit } from 'unist-util-visit';
import { analysesUnder } from '../compile/body';
import type { Analysis } from '../compile/analyse';
import { sheetsOf, type StemSheet } from '../compile/parts';
import { STEM } from '../compile/sheet';
import { drawingDialect, printSheet, tokenRule, usedTokens, widthsIn, type Dialect } from '../compile/rules';
import { element } from '../html/build';
import { heapOf } from '../kinds/circumstances';
import type { Condition, Part, Rule } from '../kinds/contract';
import type { Registry } from '../kinds/registry';
import type { AssetId, Bands, ConditionName, NodeId, PageId, Project, StateName } from '../project/types';
import { saidIn } from '../compile/language';
import { pageOf } from '../project/tree';
import { attributesIn } from '../cascade/state-attributes';
import { impliedStates } from '../cascade/states';

/** Every class of what is drawn starts with it, and what is drawn stands in an element of this class. */
export const DRAWN = 'ks';
const FORCED = 'data-k-force';

/** Widths pieces are drawn at, px: the bands' upper edges where those are lower. */
const WIDE = 1120;
const NARROW = 400;

const own = (name: string) => ({ root: `[data-k-${name}]` });

/**
 * Drawings of one page that lie side by side in another: no width is that of a window, no state comes by a hand,
 * nothing is ever scrolled. All of it is said by attributes of what is around a drawing.
 */
const dialect: Dialect = {
  rootElement: `.${DRAWN}`,
  condition(condition: Condition, sizes) {
    if (typeof condition === 'string') {
      if (condition === 'script') return { root: ':not([data-k-no-script], [data-k-print])' };
      const isDrawn = condition !== 'used' && condition !== 'timeline' && condition !== 'no-timeline';
      return isDrawn ? own(condition) : drawingDialect.condition('used', sizes);
    }
    if ('not' in condition) return { root: `:not([data-k-${condition.not}])` };
    if ('under' in condition) return { root: `[data-k-under~="${condition.under}"]` };
    return { root: `:not([data-k-under~="${condition.from}"])` };
  },
  // What is not forced is in the state it has on the page, as the tab that is chosen.
  state: ({ name, selector }) => ({
    suffix: `:is([${FORCED}~="${name}"], ${selector}:where(:not([${FORCED}])))`
  })
};

const isOfPart = ({ selector }: Rule, part: string): boolean =>
  selector === (part === 'root' ? `.${STEM}` : `.${STEM}-${part}`);

const hides = ({ declarations }: Rule): boolean => declarations.display === 'none';

const widthsUnder = ({ when }: Rule): readonly number[] => when.flatMap((each) => maybeUnder(each) ?? []);

const maybeUnder = (condition: Condition): number | null =>
  typeof condition === 'object' && 'under' in condition ? condition.under : null;

/** The width a window has in drawings under a condition; wide where that says nothing of it. */
const widthOf = (condition: ConditionName, { medium, narrow }: Bands): number =>
  ({ medium, narrow: Math.min(narrow, NARROW) })[condition as string] ?? Math.max(WIDE, medium + 1);

/** `data-k-on` as hast calls it: `dataKOn`. */
const propertyName = (attribute: string): string =>
  attribute.replace(/-(\w)/g, (_all, letter: string) => letter.toUpperCase());

/** What a part or an element so many above it has besides its own properties. */
type More = (above: number) => Element['properties'];

/** Attributes of a part in one state: what asks for another state is off, what asks for this one is on. */
function attributesInState({ states }: Part, state: StateName): More {
  const ofAll = Object.values(states).flatMap((selector) => attributesIn(selector!));
  const ofThis = state === 'rest' ? [] : attributesIn(states[state] ?? '').slice(0, 1);
  return (above) => {
    const here = ({ above: at }: { above: number }) => at === above;
    const off = ofAll.filter(here).map(({ name, outside }) => [propertyName(name), outside]);
    const on = ofThis.filter(here).map(({ name, value }) => [propertyName(name), value]);
    return Object.fromEntries([...off, ...on]) as Element['properties'];
  };
}

const asItIs: More = () => ({});

const WORDS_MOST = 24;

/** Files and frames of other pages: they are drawn as the boxes they have. */
const BOXES = new Set(['iframe', 'video', 'source', 'object']);
const NOT_TWICE = [
  'id',
  'name',
  'htmlFor',
  // A browser keeps back what is one until it is opened.
  'popover',
  'popoverTarget',
  'ariaControls',
  'ariaLabelledBy',
  'ariaDescribedBy',
  'href'
];

export interface Drawing {
  readonly element: Element;
  /** How many letters it has where it is small enough to be seen at its own size; null where it is not. */
  readonly letters: number | null;
  /** px; the width it is laid out in. */
  readonly width: number;
}

/** Draws parts and pieces of one page for a page of another kind. */
export class Drawings {
  private readonly root: Element;
  private readonly above = new Map<Element, Element | null>();
  private readonly byMark = new Map<string, Element>();
  private readonly found: readonly Analysis[];
  private readonly sheets: readonly StemSheet[];
  private readonly language: string;
  /** Widths that rules ask for, px. */
  private readonly widths: readonly number[];
  private readonly pictures = new Set<AssetId>();

  /** @param project with its rows made out. */
  constructor(
    private readonly registry: Registry,
    private readonly project: Project,
    page: PageId
  ) {
    const { root, language } = pageOf(project, page);
    this.language = language;
    this.found = analysesUnder(registry, project, root);
    this.sheets = sheetsOf(registry, this.found);
    const byId = new Map(this.found.map((each) => [each.id, each]));
    this.root = this.built(this.found[0]!.markup!, this.found[0]!, byId);
    visit(
      this.root,
      'element',
      (node: Element, _index, parent) => void this.above.set(node, (parent as Element) ?? null)
    );
    this.widths = widthsIn(this.sheets.flatMap(({ sheet }) => [...sheet.build, ...sheet.look]));
  }

  /** Pictures that the drawings show; each is to be given as the custom property `pictureName`. */
  get shown(): ReadonlySet<AssetId> {
    return this.pictures;
  }

  /** @returns the style of all drawings; every selector in it starts at what is drawn. */
  css(): string {
    const { tokens, info } = this.project;
    const used = usedTokens(
      this.sheets.map(({ sheet }) => sheet),
      tokens
    );
    const rules = this.sheets.map(({ stem, sheet }) =>
      printSheet(sheet, `${DRAWN}-${stem}`, dialect, info.bands)
    );
    const boxes = `.${DRAWN}, .${DRAWN} *, .${DRAWN} ::before, .${DRAWN} ::after { box-sizing: border-box; }\n`;
    const all = `.${DRAWN} *, .${DRAWN} ::before, .${DRAWN} ::after`;
    const still = `${all} { transition: none !important; animation: none !important; }\n`;
    return boxes + headingRules + tokenRule(`.${DRAWN}`, used) + rules.join('\n') + still;
  }

  /** @returns a part of a piece as it is in one state; null where the page does not draw it, or never shows it. */
  maybePart(node: NodeId, part: string, state: StateName): Drawing | null {
    const drawn = this.byMark.get(`${node} ${part}`);
    if (!drawn || this.isNeverShown(node, part)) return null;
    const kind = this.registry.of(this.project.nodes[node]!);
    const dataKForce = impliedStates(kind, state, []).join(' ');
    const attributes = attributesInState(kind.anatomy[part]!, state);
    const drawnOut = part === 'root' ? this.broughtOut(node, state) : {};
    const more: More = (above) =>
      above === 0 ? { ...attributes(0), ...drawnOut, dataKForce } : attributes(above);
    return this.drawing(drawn, more, 'always', this.widthOfPart(node, part));
  }

  /** @returns a piece as it is under one condition; null where the page does not draw it. */
  maybePiece(node: NodeId, condition: ConditionName): Drawing | null {
    const drawn = this.byMark.get(`${node} root`);
    return drawn ? this.drawing(drawn, asItIs, condition, widthOf(condition, this.project.info.bands)) : null;
  }

  /** What a piece has in a state in which it brings out what it keeps out of sight. */
  private broughtOut(node: NodeId, state: StateName): Element['properties'] {
    const { bringsOut } = this.found.find(({ id }) => id === node)!.markup!.data ?? {};
    return bringsOut?.states.includes(state) ? { [propertyName(`data-${bringsOut.attribute}`)]: '' } : {};
  }

  /** Rules of how a piece is built that set a property of one of its parts. */
  private rulesOf(node: NodeId, part: string, property: string): readonly Rule[] {
    const { sheet } = this.found.find(({ id }) => id === node)!;
    return sheet.build.filter((each) => isOfPart(each, part) && each.declarations[property]);
  }

  /** What only counts for the page, such as the round of a slider that shows none of it, is not seen. */
  private isNeverShown(node: NodeId, part: string): boolean {
    const rules = this.rulesOf(node, part, 'visibility');
    return rules.length > 0 && rules.every(({ declarations }) => declarations.visibility === 'hidden');
  }

  /** A part that is there only in narrow windows, as the button of a menu, is drawn in the widest of these. */
  private widthOfPart(node: NodeId, part: string): number {
    const displays = this.rulesOf(node, part, 'display');
    const under = displays.filter((each) => !hides(each)).flatMap(widthsUnder);
    const isHidden = displays.some((each) => hides(each) && each.when.length === 0);
    return isHidden && under.length > 0 ? Math.max(...under) - 1 : this.wide;
  }

  private get wide(): number {
    return widthOf('always', this.project.info.bands);
  }

  private drawing(drawn: Element, more: More, condition: ConditionName, width: number): Drawing {
    const holds = Object.fromEntries(heapOf(condition).map((name) => [propertyName(`data-k-${name}`), '']));
    const under = this.widths.filter((px) => px > width);
    const said = saidIn(this.language);
    const properties = { className: [DRAWN], ...said, ...holds, dataKUnder: under.join(' ') };
    return {
      element: element('div', properties, [this.amidOthers(drawn, more)]),
      letters: condition === 'always' ? lettersIfSmall(drawn) : null,
      width
    };
  }

  /** An element in all that is around it on the page, which has no box of its own in a drawing. */
  private amidOthers(drawn: Element, more: More): Element {
    let outer = element(boxName(drawn), { ...drawn.properties, ...more(0), dataKDrawn: '' }, drawn.children);
    let above = 1;
    for (let each = this.above.get(drawn) ?? null; each; each = this.above.get(each) ?? null) {
      const unboxed = { ...each.properties, style: 'display: contents', dataOpen: '' };
      outer = element(boxName(each), { ...unboxed, ...more(above) }, [outer]);
      above += 1;
    }
    return outer;
  }

  private built(markup: Element, of: Analysis, byId: ReadonlyMap<NodeId, Analysis>): Element {
    const children = markup.children.map((child): ElementContent => {
      if (child.type !== 'element') return child;
      const { child: id } = child.data ?? {};
      return id ? this.built(byId.get(id)!.markup!, byId.get(id)!, byId) : this.built(child, of, byId);
    });
    const made = element(boxName(markup), this.properties(markup), BOXES.has(markup.tagName) ? [] : children);
    const { mark } = markup.data ?? {};
    if (mark) {
      const key = `${of.id} ${mark.part}`;
      if (!this.byMark.has(key)) this.byMark.set(key, made);
    }
    return made;
  }

  private properties({ properties, data, tagName }: Element): Element['properties'] {
    const { className } = properties;
    const kept = Object.entries(properties).filter(
      ([name]) => !NOT_TWICE.includes(name) && !/^src/i.test(name)
    );
    const made: Element['properties'] = { ...Object.fromEntries(kept), ...data?.live };
    if (Array.isArray(className)) made.className = className.map((name) => `${DRAWN}-${name}`);
    // As its script would have it: what asks for a behaviour has been started.
    if (kept.some(([name]) => name.startsWith('dataK'))) made.dataKOn = '';
    const level = HEADING.exec(tagName)?.[1];
    if (level) made.dataKsLevel = level;
    if (data?.asset) {
      this.pictures.add(data.asset);
      made.style = `${String(made.style ?? '')};content: var(${pictureName(data.asset)})`;
    }
    return made;
  }
}

/** The custom property that a picture stands in, once for all drawings of it. */
export const pictureName = (asset: AssetId): string => `--${DRAWN}-picture-${asset}`;

/** Headings and landmarks of a drawing are none of the page it stands in; dialogs and disclosures are drawn open. */
const AS_BOX = /^(?:body|main|header|footer|nav|section|article|aside|dialog|details|summary|h[1-6])$/;

const boxName = ({ tagName }: Element): string =>
  AS_BOX.test(tagName) || BOXES.has(tagName) ? 'div' : tagName;

const HEADING = /^h([1-6])$/;

/** How browsers set headings that are not styled, font size and margins in em (HTML standard, 15.3.7). */
const HEADINGS = [
  [2, 0.67],
  [1.5, 0.83],
  [1.17, 1],
  [1, 1.33],
  [0.83, 1.67],
  [0.67, 2.33]
] as const;

const headingRules = HEADINGS.map(
  ([size, margin], i) =>
    `:where(.${DRAWN} [data-ks-level="${i + 1}"]) { margin-block: ${margin}em; font-size: ${size}em; font-weight: bold; }\n`
).join('');

const wordsIn = (node: ElementContent): string => {
  if (node.type === 'text') return node.value;
  return node.type === 'element' ? node.children.map(wordsIn).join('') : '';
};

const hasPicture = (node: ElementContent): boolean =>
  node.type === 'element' && (node.tagName === 'img' || node.children.some(hasPicture));

function lettersIfSmall(drawn: Element): number | null {
  const letters = wordsIn(drawn).trim().length;
  return letters <= WORDS_MOST && !hasPicture(drawn) ? letters : null;
}
