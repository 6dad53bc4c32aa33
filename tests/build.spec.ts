import { readFileSync } from 'node:fs';
import { readProjectFile } from '../src/core/formats/project-file';
import { makeWith } from '../src/core/kinds/make';
import type { FieldMeta } from '../src/core/kinds/contract';
import { CONTROLS } from '../src/core/kinds/controls';
import { effectKey } from '../src/core/kinds/effects';
import { tokensIn } from '../src/core/css/tokens';
import { STYLE_PROPERTIES } from '../src/core/css/properties';
import type {
  AssetId,
  ConditionName,
  Fragment,
  Json,
  Node,
  NodeId,
  PageId,
  Project
} from '../src/core/project/types';
import { SHOWN } from '../src/core/rows/binding';
import { registry } from '../src/core/whole';
import { bytes, demo } from './support/demo';
import { axeViolations } from './support/axe';
import { exported } from './support/exported';
import { expect, test, type Page } from './support/test';
import { thorough } from './support/thorough';
import { Hand } from './support/hand';
import { addSource, askFor, bindTo } from './support/rows-by-hand';

// A whole page of the demo is built from an empty project with mouse and keys alone. What comes out is held to the
// demo piece by piece: kinds, names, settings, looks, tokens and pictures. The shop always is, whose rows and queries
// ask for the most ways of working at half the cost of the questions page; `npm run by-hand` builds all of them.

const PAGES = Object.keys(demo.pages) as PageId[];

const metaOf = (node: Node, key: string) =>
  registry.of(node).settings.fields[key] as unknown as {
    meta(): { field: FieldMeta };
    spec: { label: string };
  };

/** Equal columns are what columns are without a word. */
const areEqual = (shares: string): boolean => new Set(shares.split(' ')).size === 1;

/** Whether a setting names a piece. */
const refersTo = (control: FieldMeta['control']): boolean => CONTROLS[control].refers === 'piece';

/** Values that say what is so where nothing is said. */
const NOTHING: Readonly<Record<string, string>> = { 'background-color': 'transparent' };

/** The rows of a list, whose source is told by its name. */
const queryOf = (project: Project, { query }: Node): Json =>
  query ? ({ ...query, source: project.sources[query.source]!.name } as unknown as Json) : null;

/** What a page is, apart from ids, which are told by names, and from what says again what is so anyway. */
function shape(project: Project, id: NodeId): Json {
  const node = project.nodes[id]!;
  const kind = registry.of(node);
  const defaults = kind.settings.getDefault() as Record<string, Json>;
  const named = (text: string) =>
    tokensIn(text).reduce(
      (now, token) => now.replace(`{${token}}`, `{${project.tokens[token]?.name ?? token}}`),
      text
    );
  const setting = (key: string, value: Json): Json => {
    const { control } = metaOf(node, key).meta().field;
    if (control === 'asset') return project.assets[value as AssetId]?.file ?? '';
    return refersTo(control) ? (project.nodes[value as NodeId]?.name ?? '') : value;
  };
  const own = (settings: Record<string, Json>) =>
    Object.fromEntries(
      Object.entries(settings)
        .filter(([key, value]) => JSON.stringify(defaults[key]) !== JSON.stringify(value))
        .filter(
          ([key, value]) => metaOf(node, key).meta().field.control !== 'shares' || !areEqual(String(value))
        )
        .map(([key, value]) => [key, setting(key, value)])
    );
  const cells = Object.entries(node.styles).flatMap(([part, states]) =>
    Object.entries(states).flatMap(([state, conditions]) =>
      Object.entries(conditions!).flatMap(([condition, declarations]) =>
        Object.entries(declarations!)
          .filter(
            ([property, value]) =>
              (kind.look[part]?.[state as 'rest']?.[condition as 'always']?.[property] ??
                NOTHING[property]) !== value
          )
          .map(([property, value]) => `${part} ${state} ${condition} ${property}: ${named(value)}`)
      )
    )
  );
  return {
    kind: node.kind,
    name: node.kind === 'page' ? '' : node.name,
    settings: own(node.settings as Record<string, Json>),
    adapt: Object.fromEntries(
      Object.entries(node.adapt).map(([condition, settings]) => [condition, settings as Json])
    ),
    effects: [...(node.effects ?? [])],
    query: queryOf(project, node),
    binds: (node.binds ?? {}) as unknown as Json,
    cells: cells.sort(),
    slots: Object.fromEntries(
      Object.entries(node.slots)
        .filter(([, children]) => children.length > 0)
        .map(([slot, children]) => [slot, children.map((child) => shape(project, child))])
    )
  };
}

/** The demo with what no hand can give it: icons are packaged ones, so the filled twins are left out. */
function byHand(project: Project): Project {
  const nodes = Object.fromEntries(
    Object.entries(project.nodes).map(([id, node]) => {
      const { iconChosen, ...settings } = node.settings;
      const isFilled =
        typeof iconChosen === 'object' &&
        iconChosen !== null &&
        String((iconChosen as { name?: string }).name).endsWith('filled');
      return [id, isFilled ? { ...node, settings } : node];
    })
  );
  return { ...project, nodes } as Project;
}

const wanted = byHand(demo);

type Deed = (hand: Hand) => Promise<void>;

const isTrack = ({ control }: FieldMeta) => control === 'track';

/** What a piece comes with that the page does not have: there it is as it is where nothing is said. */
function takenBack(node: Node): readonly (readonly [key: string, value: Json])[] {
  const kind = registry.of(node);
  const defaults = kind.settings.getDefault() as Record<string, Json>;
  const starts = startOf(node).node.settings;
  return Object.keys(starts)
    .filter((key) => !Object.hasOwn(node.settings, key))
    .filter((key) => JSON.stringify(starts[key]) !== JSON.stringify(defaults[key]))
    .map((key) => [key, defaults[key]!]);
}

/** What is to be set in one view of the tuning sheet. */
const settingsIn =
  (view: FieldMeta['view']) =>
  (node: Node): readonly Deed[] =>
    [...Object.entries(node.settings), ...takenBack(node)].flatMap(([key, value]) => {
      const field = metaOf(node, key);
      const meta = field.meta().field;
      if (meta.view !== view) return [];
      if (meta.control === 'asset' && value === '') return [];
      if (meta.control === 'rich') return [(hand: Hand) => hand.write(value as string)];
      if (isTrack(meta))
        return [(hand: Hand) => hand.track(field.spec.label, value as never, meta, 'always')];
      return [
        (hand: Hand) =>
          hand.set(
            meta,
            field.spec.label,
            refersTo(meta.control) && value ? wanted.nodes[value as NodeId]!.name : value,
            wanted,
            bytes
          )
      ];
    });

/** What differs under a condition: movements in Timing, all else in the table of fallbacks. */
const adaptations =
  (tracks: boolean) =>
  (node: Node): readonly Deed[] =>
    Object.entries(node.adapt).flatMap(([condition, own]) =>
      Object.entries(own!).flatMap(([key, value]) => {
        const field = metaOf(node, key);
        const meta = field.meta().field;
        if (isTrack(meta) !== tracks) return [];
        if (tracks)
          return [
            (hand: Hand) => hand.track(field.spec.label, value as never, meta, condition as ConditionName)
          ];
        return [
          (hand: Hand) =>
            hand.fallback(
              field.spec.label,
              condition,
              { true: 'yes', false: 'no', ...meta.choices }[String(value)] ?? String(value)
            )
        ];
      })
    );

/** What it does, as one tells it to in Behaviour. */
const doings = (node: Node): readonly Deed[] =>
  (node.effects ?? []).flatMap((name) => [
    (hand: Hand) => hand.effect(registry.maybeEffectOf(name)!.label),
    ...startedOtherwise(node, name)
  ]);

/** What an effect starts with here, where the page has it as it comes. */
function startedOtherwise(node: Node, name: string): readonly Deed[] {
  const effect = registry.maybeEffectOf(name)!;
  const starts = effect.starts?.({ kind: registry.of(node), does: [], driven: {}, around: null }) ?? {};
  const defaults = effect.settings.getDefault() as Record<string, Json>;
  const others = Object.keys(starts).filter((key) => !Object.hasOwn(node.settings, effectKey(name, key)));
  return others.map((key) => {
    const field = metaOf(node, effectKey(name, key));
    return (hand: Hand) => hand.set(field.meta().field, field.spec.label, defaults[key]!, wanted, bytes);
  });
}

const rowsOf = ({ query }: Node): readonly Deed[] =>
  query ? [(hand: Hand) => askFor(hand, wanted.sources[query.source]!.name, query)] : [];

const bindings = (node: Node): readonly Deed[] =>
  Object.entries(node.binds ?? {}).map(([key, binding]) => {
    const label = key === SHOWN ? null : metaOf(node, key).spec.label;
    return (hand: Hand) => bindTo(hand, label, binding);
  });

const looks = (node: Node): readonly Deed[] =>
  Object.entries(node.styles).flatMap(([part, states]) =>
    Object.entries(states).flatMap(([state, conditions]) =>
      Object.entries(conditions!).flatMap(([condition, cells]) =>
        Object.entries(cells!).map(([property, value]) => {
          const token = tokensIn(value)[0];
          return (hand: Hand) =>
            hand.cell(
              registry.of(node).anatomy[part]!.label,
              state,
              condition as ConditionName,
              STYLE_PROPERTIES.get(property)!,
              token ? wanted.tokens[token]!.name : value,
              Boolean(token)
            );
        })
      )
    )
  );

const make = makeWith();

/** A piece as it comes, with what stands in it. */
interface Start {
  readonly node: Node;
  readonly nodes: Fragment['nodes'];
}

function startOf({ kind }: Node): Start {
  const { root, nodes } = registry.kindOf(kind).create(make);
  return { node: nodes[root]!, nodes };
}

/** Puts what stands in a piece into it, and what stands in that. @param start what the piece came with. */
async function fill(hand: Hand, node: Node, start: Start = startOf(node)): Promise<void> {
  const kind = registry.of(node);
  const cameWith = (from: Node, slot: string) => (from.slots[slot] ?? []).map((id) => start.nodes[id]!);
  for (const [slot, children] of Object.entries(node.slots)) {
    const own = kind.slots[slot]!;
    const named = children.map((child) => wanted.nodes[child]!);
    const given = cameWith(start.node, slot);
    if (own.items) {
      const content = (item: Node) => Object.keys(item.slots).flatMap((each) => cameWith(item, each));
      await hand.items(
        node.name,
        own.label,
        given.map((item) => ({ name: item.name, content: content(item).map(({ name }) => name) })),
        named.map(({ name }) => name)
      );
      for (const child of named) await fill(hand, child);
      continue;
    }
    await hand.contents(
      node.name,
      given,
      named.map((child) => ({ ...child, label: registry.of(child).label }))
    );
    for (const [n, child] of named.entries()) {
      const isKept = given[n]?.kind === child.kind;
      await fill(hand, child, isKept ? { node: given[n]!, nodes: start.nodes } : startOf(child));
    }
  }
}

const within = (node: Node): readonly Node[] => [
  node,
  ...Object.values(node.slots)
    .flat()
    .flatMap((id) => within(wanted.nodes[id]!))
];

/**
 * Goes through the pieces once for each view, as one does who has a page to tune: the look of everything,
 * then its timing.
 */
async function tune(hand: Hand, nodes: readonly Node[]): Promise<void> {
  for (const pass of [
    settingsIn('fill'),
    doings,
    settingsIn('behaviour'),
    settingsIn('timing'),
    adaptations(true),
    settingsIn('fallbacks'),
    adaptations(false),
    rowsOf,
    bindings,
    looks
  ]) {
    for (const node of nodes) {
      const deeds = pass(node);
      if (deeds.length > 0) await hand.pick(node.name);
      for (const deed of deeds) await deed(hand);
    }
  }
}

async function tokens(hand: Hand): Promise<void> {
  for (const { type, name, value } of Object.values(wanted.tokens)) await hand.token(type, name, value);
}

async function builtProject(
  page: Page
): Promise<{ project: Project; bytes: ReadonlyMap<AssetId, Uint8Array> }> {
  await page.goto('/');
  const download = page.waitForEvent('download');
  await page
    .getByRole('button', { name: /^More for|^Actions|^More/ })
    .first()
    .click();
  await page.getByRole('menuitem', { name: /Export/ }).click();
  const read = readProjectFile(registry, new Uint8Array(readFileSync((await (await download).path())!)));
  if (!read.ok) throw new Error(read.sentence);
  expect(read.notes).toEqual([]);
  return read;
}

for (const pageId of PAGES)
  test(
    `the ${pageId} page is built from nothing by hand, is what the demo is, and leaves whole`,
    thorough,
    async ({ page }) => {
      test.setTimeout(600_000);
      page.setDefaultTimeout(60_000);
      const hand = await Hand.openNew(page);
      await tokens(hand);
      const root = wanted.nodes[wanted.pages[pageId]!.root]!;
      const sections = root.slots.sections!.map((id) => wanted.nodes[id]!);
      await hand.rename('First section', sections[0]!.name);
      for (const [i, section] of sections.entries())
        if (i > 0) await hand.insert(sections[i - 1]!.name, 'Section', section.name);
      for (const section of sections) await fill(hand, section);
      const asked = sections.flatMap(within).flatMap(({ query }) => query?.source ?? []);
      for (const source of new Set(asked)) await addSource(hand, wanted.sources[source]!);
      await tune(hand, sections.flatMap(within));
      await hand.about({
        'Name in Kymation': wanted.pages[pageId]!.name,
        Title: wanted.pages[pageId]!.title,
        Description: wanted.pages[pageId]!.description
      });
      for (const deed of looks(root)) await deed(hand);
      await hand.bench.saved();

      const built = await builtProject(page);
      const [id] = built.project.info.pageOrder;
      expect(built.project.pages[id!]).toMatchObject({
        name: wanted.pages[pageId]!.name,
        title: wanted.pages[pageId]!.title,
        description: wanted.pages[pageId]!.description,
        language: wanted.pages[pageId]!.language
      });
      expect(shape(built.project, built.project.pages[id!]!.root)).toEqual(shape(wanted, root.id));

      const made = await exported(built.project, built.bytes);
      expect(made.problems).toEqual([]);
      // What comes in with the scroll is not yet to be read at the top of the page.
      await page.emulateMedia({ reducedMotion: 'reduce' });
      await page.goto(made.url);
      expect(await axeViolations(page)).toEqual([]);
    }
  );
