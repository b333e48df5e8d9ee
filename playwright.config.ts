import os from 'node:os';
import path from 'node:path';
import { defineConfig } from '@playwright/test';

/** Journeys that are acted on a desk; all others on a phone. The test of layout goes through all sizes itself. */
const ON_A_DESK = ['bench', 'build', 'forecast', 'journey', 'stock', 'storage'].map(
  (name) => `**/${name}.spec.ts`,
);

const PORT = Number(process.env.E2E_PORT ?? 8391);

export default defineConfig({
  testDir: 'e2e',
  fullyParallel: true,
  workers: 2,
  // A second try is counted and named; a machine that is busy elsewhere should not fail a change.
  retries: 1,
  timeout: 90_000,
  expect: { timeout: 20_000 },
  outputDir: 'test-results',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    colorScheme: 'light',
    // Kept on a device by tests of that alone: every other would fetch the whole app for nothing.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        // A journey is over before most of what is compiled in the background pays (docs/decisions.md, 70).
        '--js-flags=--efficiency-mode',
      ],
    },
  },
  projects: [
    {
      name: 'phone',
      testIgnore: ON_A_DESK,
      use: { viewport: { width: 390, height: 844 } },
    },
    {
      name: 'wide',
      testMatch: ON_A_DESK,
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
  webServer: {
    command: 'npx tsx server/main.ts',
    url: `http://127.0.0.1:${PORT}/`,
    // An hour of the past, so that the monitor soon measures now.
    env: {
      PORT: String(PORT),
      DAYS: '0.05',
      TOKENS: path.join(os.tmpdir(), `zoarium-tokens-${PORT}.json`),
    },
    reuseExistingServer: false,
  },
});
