import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeDemo } from '../demo/make';
import { planExport, requestOf } from '../src/core/compile/files';
import { NO_FACTS } from '../src/core/kinds/finding';
import type { PageId } from '../src/core/project/types';
import { printSpecification } from '../src/core/specification/page';
import { specificationOf } from '../src/core/specification/specification';
import { registry } from '../src/core/whole';
import { finish } from '../src/server/finish';
import { SiteStore } from '../src/server/host/store';

const { project, bytes } = makeDemo();

/** How long the specification of the demo’s visit page takes, ms. */
export function sheetMs(): number {
  const page = 'visit' as PageId;
  const began = performance.now();
  const measured = { facts: NO_FACTS, width: 1120 };
  const spec = specificationOf(registry, project, { page, piece: null, measured, findings: [], files: [] });
  printSpecification(spec, { registry, project, page, pictureOf: () => null });
  return performance.now() - began;
}

/** How long the host takes to publish all pages of the demo, ms; printing them is no part of it. */
export async function publishMs(): Promise<number> {
  const plan = planExport(registry, project, project.info.pageOrder, { single: false, dataUri: () => '' });
  const { files } = await finish({ ...requestOf(plan), minified: true });
  const texts = files.map(({ path, text }) => [path, new TextEncoder().encode(text)] as const);
  const pictures = plan.assets.map(({ id, file }) => [`assets/${file}`, bytes.get(id)!] as const);
  const folder = mkdtempSync(join(tmpdir(), 'kymation-bench-'));
  const began = performance.now();
  await new SiteStore(folder).publish('bench', new Map([...texts, ...pictures]));
  const ms = performance.now() - began;
  rmSync(folder, { recursive: true, force: true });
  return ms;
}
