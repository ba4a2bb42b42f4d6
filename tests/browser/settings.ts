import type { PlaywrightTestConfig } from '@playwright/test';

/** Debian's Chromium, without anything that would look for a network. */
export const settings: PlaywrightTestConfig = {
  testDir: '.',
  // The tests of one file follow each other, at a demo practice of their own.
  workers: 2,
  // What fails once and passes then is reported as flaky at the end and must be fixed.
  retries: 1,
  // A busy machine is slow, not wrong.
  timeout: 120_000,
  expect: { timeout: 30_000 },
  reporter: [['list']],
  use: {
    baseURL: process.env.RUNG_URL ?? 'http://127.0.0.1:8081',
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Lisbon',
    trace: 'off',
    launchOptions: {
      executablePath: '/usr/bin/chromium-headless-shell',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
};
