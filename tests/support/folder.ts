import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Files of this process, which are gone when it is. */
const own = mkdtempSync(join(tmpdir(), 'kymation-'));
process.on('exit', () => rmSync(own, { recursive: true, force: true }));

/** @returns a folder of its own. */
export const newFolder = (): string => mkdtempSync(join(own, 'files-'));
