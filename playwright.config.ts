import { defineConfig } from '@playwright/test';
import { browserPath } from './scripts/browser.mjs';

const port = Number(process.env.E2E_PORT ?? 3217);

/** Browser tests against a production build on a store of their own, in Debian's Chromium. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  // Two files at a time, on copies of their own of the demo designs; what is about speed is measured by the bench, not here.
  workers: 2,
  retries: 1,
  // A machine with other work on it takes three times as long as a quiet one.
  timeout: 75_000,
  expect: { timeout: 8_000 },
  reporter: process.env.BROWSER_REPORT ? [['list'], ['json', { outputFile: process.env.BROWSER_REPORT }]] : [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    // Pages kept for later would answer in place of the server; the test of that allows it.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: browserPath(),
      // No page is here long enough for its code to be worth compiling once more, at its best.
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--js-flags=--no-turbofan'],
    },
  },
  webServer: { command: `node e2e/server.mjs ${port}`, url: `http://127.0.0.1:${port}/api/designs`, timeout: 60_000 },
});
