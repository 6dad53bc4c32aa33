import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { AnySchema } from 'yup';
import { CONDITIONS, FORMAT, type Diff, type Node, type Project } from '../project/types';
import { registry } from '../whole';
import { sampleProject } from '../testing/project';
import { readDocument } from './document';
import { migratedDiff, migratedNode, migratedProject } from './migrate';

type Raw = Record<string, unknown>;

/** Values a setting could have in a file of format 1, good ones and others. */
function valuesOf(field: AnySchema): fc.Arbitrary<unknown> {
  const { oneOf } = field.describe() as { oneOf?: unknown[] };
  const known = [field.getDefault(), ...(oneOf ?? [])].filter((value) => value !== undefined);
  return fc.oneof(
    fc.constantFrom(...known),
    fc.boolean(),
    fc.integer({ min: 0, max: 2000 }),
    fc.string({ maxLength: 8 })
  );
}

/** Settings as format 1 had them: those of today's kinds without effects, and the old widths of two columns. */
function settingsOf(kind: string): fc.Arbitrary<Raw> {
  const fields = Object.entries(registry.kindOf(kind).settings.fields as Record<string, AnySchema>);
  const known = Object.fromEntries(fields.map(([key, field]) => [key, valuesOf(field)]));
  const old = kind === 'columns' ? { ratio: fc.constantFrom('1:1', '3:2', '1:3', 'wide', 7) } : {};
  return fc.record({ ...known, ...old }, { requiredKeys: [] });
}

const conditions = CONDITIONS.filter((name) => name !== 'always');

/** A node of the sample as some version of format 1 could have written it. */
const written = (node: Node): fc.Arbitrary<Raw> =>
  fc
    .record(
      {
        settings: settingsOf(node.kind),
        adapt: fc.dictionary(fc.constantFrom(...conditions), settingsOf(node.kind), { maxKeys: 2 })
      },
      { requiredKeys: ['settings'] }
    )
    .map(({ settings, adapt }) => {
      const { adapt: _adapt, ...rest } = node;
      return adapt ? { ...rest, settings, adapt } : { ...rest, settings };
    });

const sample = sampleProject();
const nodes = Object.values(sample.nodes);

const document: fc.Arbitrary<Raw> = fc.tuple(...nodes.map(written)).chain((all) =>
  fc.record(
    {
      format: fc.constant(1),
      id: fc.constant(sample.id),
      info: fc.constant({ name: 'Old', bands: sample.info.bands, pageOrder: sample.info.pageOrder }),
      pages: fc.constant(sample.pages),
      nodes: fc.constant(Object.fromEntries(all.map((node) => [node.id as string, node]))),
      assets: fc.constant({}),
      tokens: fc.constant({}),
      shelf: fc.constant({})
    },
    { requiredKeys: ['format', 'id', 'info', 'pages', 'nodes', 'assets'] }
  )
);

describe('files of older formats', () => {
  it('open as projects of today, with every piece and every setting that still holds', () => {
    fc.assert(
      fc.property(document, (raw) => {
        const read = readDocument(registry, JSON.parse(JSON.stringify(raw)));
        if (!read.ok) return false;
        const { project } = read;
        expect(project.format).toBe(FORMAT);
        expect(Object.keys(project.nodes).sort()).toEqual(Object.keys(sample.nodes).sort());
        for (const [id, node] of Object.entries(raw.nodes as Record<string, Raw>))
          expectKept(node, project.nodes[id as never]!);
        return true;
      }),
      { numRuns: 200 }
    );
  });

  it('are carried up the same way from what this browser had stored, and stay as they are the second time', () => {
    fc.assert(
      fc.property(document, (raw) => {
        const once = migratedProject(registry, raw as unknown as Project);
        expect(once.format).toBe(FORMAT);
        const twice = migratedProject(registry, { ...once, format: 1 as never });
        expect(twice.nodes).toBe(once.nodes);
      }),
      { numRuns: 200 }
    );
  });

  it('keep widths of two columns as shares, on the shelf and in the steps of the history too', () => {
    const columns = { ...sample.nodes['columns' as never]!, settings: { ratio: '3:2' } } as Node;
    const project = {
      ...sample,
      format: 1,
      shelf: { kept: { id: 'kept', name: 'Kept', fragment: { root: 'columns', nodes: { columns } } } }
    } as unknown as Project;
    const { shelf } = migratedProject(registry, project);
    expect(shelf['kept' as never]!.fragment.nodes['columns' as never]!.settings).toEqual({
      shares: '3/5 2/5'
    });
    const diff = { nodes: { columns: [null, columns] } } as unknown as Diff;
    expect(migratedDiff(registry, diff).nodes!.columns![1]!.settings).toEqual({ shares: '3/5 2/5' });
    // One that says it was written today is what it is.
    expect(migratedDiff(registry, diff, FORMAT)).toBe(diff);
    const same = { nodes: { heading: [null, sample.nodes['heading' as never]!] } } as unknown as Diff;
    expect(migratedDiff(registry, same)).toBe(same);
  });

  it('of format 2 keep their buttons where they stood, and those that say it themselves', () => {
    const button = (settings: Raw): Raw => ({ kind: 'button', settings, adapt: {} });
    expect(migratedNode(registry, button({ label: 'Go' }), 2).settings).toEqual({
      label: 'Go',
      align: 'start'
    });
    expect(migratedNode(registry, button({ align: 'end' }), 2).settings).toEqual({ align: 'end' });
    const today = button({ label: 'Go' });
    expect(migratedNode(registry, today, FORMAT)).toBe(today);
  });

  it('leave alone what is no piece', () => {
    const odd = { kind: 7, settings: null, adapt: 'x' };
    expect(migratedNode(registry, odd, 1)).toMatchObject({ kind: 7, settings: null });
  });
});

/** What of a written node fits today's fields is what was read, key by key. */
function expectKept(raw: Raw, node: Node): void {
  const fields = registry.kindOf(node.kind).settings.fields as Record<string, AnySchema>;
  for (const [key, value] of Object.entries(raw.settings as Raw)) {
    if (!Object.hasOwn(fields, key) || !fields[key]!.isValidSync(value, { strict: true })) continue;
    // The file has no tokens, so what names one is dropped, and told.
    if (/\{[a-z][a-z0-9-]*\}/.test(JSON.stringify(value))) continue;
    // An older way to say the same wins over what no version wrote beside it.
    if (key === 'shares' && isRatio((raw.settings as Raw).ratio)) continue;
    expect(node.settings[key]).toEqual(value);
  }
}

const isRatio = (value: unknown): boolean => typeof value === 'string' && /^\d:\d$/.test(value);
