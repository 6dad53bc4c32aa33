import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { turnAsked } from './scripts/turn.mjs';
import { isThorough, tagsLeftOut } from './tests/support/thorough';

/** Published sites of one run, apart from those that people have. */
const SITES = mkdtempSync(join(tmpdir(), 'kymation-sites-'));
process.on('exit', () => rmSync(SITES, { recursive: true, force: true }));

const PORT = Number(process.env.TEST_PORT ?? 4317);

export default defineConfig({
  testDir: 'tests',
  testMatch: '**/*.spec.ts',
  fullyParallel: true,
  // `npm test` says whose turn it is; where nobody does, all have it.
  grepInvert: isThorough ? [] : tagsLeftOut(turnAsked()),
  workers: 2,
  retries: 0,
  // A machine shared with others may be slow for a while; what is waited for is what counts. Each wait has a limit of
  // its own, so that what does not come is named; a test of many waits may take its time.
  timeout: 300_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/browser.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    actionTimeout: 120_000,
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync'
      ]
    }
  },
  webServer: {
    command: 'node scripts/start.mjs',
    url: `http://localhost:${PORT}`,
    env: {
      PORT: String(PORT),
      KYMATION_ASK_LOOPBACK: '1',
      REQUEST_TIMEOUT_MS: '5000',
      KYMATION_SITES: SITES
    },
    reuseExistingServer: false,
    timeout: 180_000
  }
});
