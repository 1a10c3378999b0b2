import { defineConfig } from '@playwright/test';

export default defineConfig({
  testDir: '../tests/e2e',
  outputDir: '../tests/e2e/test-results',
  // One server and one demo household: tests that edit run one after the other, each in a household of its own.
  workers: 2,
  // A busy machine is slow, not wrong.
  timeout: 90_000,
  expect: { timeout: 15_000 },
  use: {
    baseURL: process.env.MERIENDA_URL ?? 'http://localhost:5080',
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    // Tests of the program without a network allow it.
    serviceWorkers: 'block',
    launchOptions: {
      // The same browser without a window: about a quarter less work for the machine.
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
