import { defineConfig } from '@playwright/test';

import { settings } from './settings';

export default defineConfig({
  ...settings,
  testMatch: 'shots.ts',
  workers: 1,
  // What was entered for one picture stands in the way of a second try.
  retries: 0,
  outputDir: '../../var/shots/browser',
});
