import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { projectSchema } from '../scripts/schema';
import { writeProjectFile } from '../src/core/formats/project-file';
import { makeDemo } from './make';

const root = join(import.meta.dirname, '..');
const read = (path: string) => readFileSync(join(root, path));

describe('what is shipped', () => {
  it('the demo file is what the demo’s commands make', () => {
    const { project, bytes } = makeDemo();
    expect(Buffer.from(writeProjectFile(project, bytes)).equals(read('demo/orchard.kymation'))).toBe(true);
  });

  it('the JSON Schema in docs is that of the kinds', () => {
    expect(JSON.parse(read('docs/project.schema.json').toString())).toEqual(JSON.parse(JSON.stringify(projectSchema())));
  });
});

describe('command line', () => {
  const kymation = (...args: string[]) => {
    try {
      return { code: 0, text: execFileSync(process.execPath, ['--import', 'tsx', 'src/cli/main.ts', ...args], { cwd: root, encoding: 'utf8', stdio: 'pipe' }) };
    } catch (error) {
      const { status, stderr } = error as { status: number; stderr: string };
      return { code: status, text: stderr };
    }
  };

  it('exports all pages as a folder, or one page as one file', () => {
    const out = mkdtempSync(join(tmpdir(), 'kymation-'));
    expect(kymation('export', 'demo/orchard.kymation', '--out', join(out, 'all'))).toMatchObject({ code: 0, text: expect.stringMatching(/index\.html[\s\S]*harvest\.html[\s\S]*assets\/press-house\.svg/) });
    expect(existsSync(join(out, 'all/assets/orchard-blossom.svg'))).toBe(true);
    expect(kymation('export', 'demo/orchard.kymation', '--out', join(out, 'one'), '--page', 'harvest', '--single').code).toBe(0);
    expect(readFileSync(join(out, 'one/harvest.html'), 'utf8')).toContain('data:image/svg+xml;base64,');
    expect(existsSync(join(out, 'one/harvest.css'))).toBe(false);
  });

  it.each([
    [['export', 'nowhere.kymation', '--out', 'x'], /nowhere\.kymation cannot be read/],
    [['export', 'README.md', '--out', 'x'], /not a zip/],
    [['export', 'demo/orchard.kymation'], /--out DIR/],
    [['export', 'demo/orchard.kymation', '--out', 'x', '--page', 'attic'], /no page “attic”[\s\S]*visit, harvest/],
    [['melt'], /no command “melt”/],
    [['export', '--nonsense'], /nonsense/]
  ])('%j: one sentence, exit code 2', (args, expected) => {
    expect(kymation(...args)).toEqual({ code: 2, text: expect.stringMatching(expected) });
  });
}, 60_000);
