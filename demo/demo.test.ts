import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Ajv2020 from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import { projectSchema } from '../scripts/schema';
import { baselineData } from '../scripts/support';
import { registry } from '../src/core/registry';
import { demoFile, makeDemo } from './make';

const root = join(import.meta.dirname, '..');
const read = (path: string) => readFileSync(join(root, path));

describe('what is shipped', () => {
  it('the demo file is what the demo’s commands make', async () => {
    expect(Buffer.from((await demoFile()).file).equals(read('demo/orchard.kymation'))).toBe(true);
  });

  it('what browsers can do is what the web-features package says', () => {
    expect(JSON.parse(read('src/core/support/baseline.json').toString())).toEqual(baselineData());
  });

  it('the demo file fits the JSON Schema in docs', () => {
    const { project } = makeDemo();
    // Used once: making its code shorter first takes longer than running it.
    const ajv = new Ajv2020({ strict: false, code: { optimize: false } });
    ajv.validate(
      JSON.parse(read('docs/project.schema.json').toString()),
      JSON.parse(JSON.stringify(project))
    );
    expect(ajv.errors).toBeNull();
  });

  it('the JSON Schema in docs is that of the kinds', () => {
    expect(JSON.parse(read('docs/project.schema.json').toString())).toEqual(
      JSON.parse(JSON.stringify(projectSchema()))
    );
  });
});

it('the README lists every kind that is inserted and every effect, each in its own words', () => {
  const readme = readFileSync(join(root, 'README.md'), 'utf8');
  const listed = [...registry.kinds.filter(({ insertable }) => insertable), ...registry.effects];
  const missing = listed.filter(({ label, summary }) => !readme.includes(`| ${label} | ${summary} |`));
  expect(missing.map(({ label, summary }) => `| ${label} | ${summary} |`)).toEqual([]);
});

it('the command line runs as a program of its own, and tells its exit code', () => {
  const call = (...args: string[]) =>
    spawnSync(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', ...args], {
      cwd: root,
      encoding: 'utf8'
    });
  expect(call('check', 'demo/orchard.kymation')).toMatchObject({
    status: 0,
    stdout: expect.stringContaining('0 findings')
  });
  expect(call('melt')).toMatchObject({ status: 2, stderr: expect.stringContaining('no command “melt”') });
});
