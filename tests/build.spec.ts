import { readFileSync } from 'node:fs';
import { makeDemo } from '../demo/make';
import { readProjectFile } from '../src/core/formats/project-file';
import { makeWith } from '../src/core/kinds/make';
import type { FieldMeta } from '../src/core/kinds/contract';
import { tokensIn } from '../src/core/css/tokens';
import { STYLE_PROPERTIES } from '../src/core/css/properties';
import type { AssetId, ConditionName, Json, Node, NodeId, PageId, Project } from '../src/core/project/types';
import { registry } from '../src/core/registry';
import { axeViolations } from './support/axe';
import { exported } from './support/exported';
import { expect, test, type Page } from './support/test';
import { Hand } from './support/hand';

// The whole visit page of the demo is built from an empty project with mouse and keys alone. What comes out is held to the demo
// piece by piece: kinds, names, settings, looks, tokens and pictures.

const { project: demo, bytes } = makeDemo();
const VISIT = 'visit' as PageId;

const metaOf = (node: Node, key: string) => registry.kindOf(node.kind).settings.fields[key] as unknown as { meta(): { field: FieldMeta }; spec: { label: string } };

/** What a page is, apart from ids, which are told by names, and from what says again what is so anyway. */
function shape(project: Project, id: NodeId): Json {
  const node = project.nodes[id]!;
  const kind = registry.kindOf(node.kind);
  const defaults = kind.settings.getDefault() as Record<string, Json>;
  const named = (text: string) => tokensIn(text).reduce((now, token) => now.replace(`{${token}}`, `{${project.tokens[token]?.name ?? token}}`), text);
  const setting = (key: string, value: Json): Json => {
    const { control } = metaOf(node, key).meta().field;
    if (control === 'asset') return project.assets[value as AssetId]?.file ?? '';
    return control === 'item' ? (project.nodes[value as NodeId]?.name ?? '') : value;
  };
  const own = (settings: Record<string, Json>) => Object.fromEntries(Object.entries(settings).filter(([key, value]) => JSON.stringify(defaults[key]) !== JSON.stringify(value)).map(([key, value]) => [key, setting(key, value)]));
  const cells = Object.entries(node.styles).flatMap(([part, states]) =>
    Object.entries(states).flatMap(([state, conditions]) =>
      Object.entries(conditions!).flatMap(([condition, declarations]) =>
        Object.entries(declarations!)
          .filter(([property, value]) => kind.look[part]?.[state as 'rest']?.[condition as 'always']?.[property] !== value)
          .map(([property, value]) => `${part} ${state} ${condition} ${property}: ${named(value)}`)
      )
    )
  );
  return {
    kind: node.kind,
    name: node.kind === 'page' ? '' : node.name,
    settings: own(node.settings as Record<string, Json>),
    adapt: Object.fromEntries(Object.entries(node.adapt).map(([condition, settings]) => [condition, settings as Json])),
    cells: cells.sort(),
    slots: Object.fromEntries(Object.entries(node.slots).filter(([, children]) => children.length > 0).map(([slot, children]) => [slot, children.map((child) => shape(project, child))]))
  };
}

/** The demo with what no hand can give it: icons are packaged ones, so the filled twins are left out. */
function byHand(project: Project): Project {
  const nodes = Object.fromEntries(
    Object.entries(project.nodes).map(([id, node]) => {
      const { iconChosen, ...settings } = node.settings;
      const isFilled = typeof iconChosen === 'object' && iconChosen !== null && String((iconChosen as { name?: string }).name).endsWith('filled');
      return [id, isFilled ? { ...node, settings } : node];
    })
  );
  return { ...project, nodes } as Project;
}


const wanted = byHand(demo);

async function settings(hand: Hand, node: Node): Promise<void> {
  for (const [key, value] of Object.entries(node.settings)) {
    const field = metaOf(node, key);
    const meta = field.meta().field;
    if (meta.control === 'rich') await hand.write(value as string);
    else if (meta.control === 'track') await hand.track(field.spec.label, value as never, meta, 'always');
    else await hand.set(meta, field.spec.label, meta.control === 'item' ? wanted.nodes[value as NodeId]!.name : value, wanted, bytes);
  }
  for (const [condition, own] of Object.entries(node.adapt)) {
    for (const [key, value] of Object.entries(own!)) {
      const field = metaOf(node, key);
      if (field.meta().field.control === 'track') await hand.track(field.spec.label, value as never, field.meta().field, condition as ConditionName);
      else await hand.fallback(field.spec.label, condition, typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value));
    }
  }
}

async function looks(hand: Hand, node: Node): Promise<void> {
  for (const [part, states] of Object.entries(node.styles)) {
    for (const [state, conditions] of Object.entries(states)) {
      for (const [condition, cells] of Object.entries(conditions!)) {
        for (const [property, value] of Object.entries(cells!)) {
          const token = tokensIn(value)[0];
          await hand.cell(registry.kindOf(node.kind).anatomy[part]!.label, state, condition as ConditionName, STYLE_PROPERTIES.get(property)!, token ? wanted.tokens[token]!.name : value, Boolean(token));
        }
      }
    }
  }
}

const make = makeWith();

/** Puts what is in a piece into it: first all that stands in it, then, piece by piece, what they are. */
async function fill(hand: Hand, node: Node): Promise<void> {
  const kind = registry.kindOf(node.kind);
  const start = kind.create(make);
  for (const [slot, children] of Object.entries(node.slots)) {
    const own = kind.slots[slot]!;
    const named = children.map((child) => wanted.nodes[child]!);
    if (own.items) {
      const first = start.nodes[start.root]!.slots[slot] ?? [];
      await hand.items(node.name, own.label, first.map((id) => ({ name: start.nodes[id]!.name, content: Object.values(start.nodes[id]!.slots).flat().map((each) => start.nodes[each]!.name) })), named.map(({ name }) => name));
    } else {
      for (const child of named) await hand.insert(node.name, registry.kindOf(child.kind).label, child.name);
    }
    for (const child of named) await piece(hand, child);
  }
}

async function piece(hand: Hand, node: Node): Promise<void> {
  await fill(hand, node);
  await hand.pick(node.name);
  await settings(hand, node);
  await looks(hand, node);
}

async function tokens(hand: Hand): Promise<void> {
  for (const { type, name, value } of Object.values(wanted.tokens)) await hand.token(type, name, value);
}

async function builtProject(page: Page): Promise<{ project: Project; bytes: ReadonlyMap<AssetId, Uint8Array> }> {
  await page.goto('/');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^More for|^Actions|^More/ }).first().click();
  await page.getByRole('menuitem', { name: /Export/ }).click();
  const read = readProjectFile(registry, new Uint8Array(readFileSync((await (await download).path())!)));
  if (!read.ok) throw new Error(read.sentence);
  expect(read.notes).toEqual([]);
  return read;
}

test('the whole visit page is built from nothing with mouse and keys, is what the demo is, and leaves whole', async ({ page }) => {
  test.setTimeout(600_000);
  page.setDefaultTimeout(6000);
  const hand = await Hand.openNew(page);
  await tokens(hand);
  const root = wanted.nodes[wanted.pages[VISIT]!.root]!;
  const sections = root.slots.sections!.map((id) => wanted.nodes[id]!);
  await hand.rename('First section', sections[0]!.name);
  for (const [i, section] of sections.entries()) if (i > 0) await hand.insert(sections[i - 1]!.name, 'Section', section.name);
  for (const section of sections) await piece(hand, section);
  await hand.about({ 'Name in Kymation': wanted.pages[VISIT]!.name, Title: wanted.pages[VISIT]!.title, Description: wanted.pages[VISIT]!.description });
  await looks(hand, root);
  await hand.bench.saved();

  const built = await builtProject(page);
  const [id] = built.project.info.pageOrder;
  expect(built.project.pages[id!]).toMatchObject({ name: wanted.pages[VISIT]!.name, title: wanted.pages[VISIT]!.title, description: wanted.pages[VISIT]!.description, language: wanted.pages[VISIT]!.language });
  expect(shape(built.project, built.project.pages[id!]!.root)).toEqual(shape(wanted, root.id));

  const made = await exported(built.project, built.bytes);
  expect(made.problems).toEqual([]);
  await page.goto(made.url);
  await expect(page.getByRole('tab')).toHaveCount(4);
  expect(await axeViolations(page)).toEqual([]);
});
