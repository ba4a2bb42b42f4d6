import { defineConfig } from '@playwright/test';

import { settings } from './settings';

export default defineConfig({
  ...settings,
  testMatch: 'shots.ts',
  workers: 1,
  outputDir: '../../var/shots/browser',
});
