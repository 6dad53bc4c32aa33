import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { onTestFinished } from 'vitest';

/** @returns a folder of its own for the test that runs, which is gone when the test is. */
export function newFolder(): string {
  const folder = mkdtempSync(join(tmpdir(), 'kymation-'));
  onTestFinished(() => rmSync(folder, { recursive: true, force: true }));
  return folder;
}
