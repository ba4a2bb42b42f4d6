import { defineConfig } from '@playwright/test';

import { settings } from './settings';

export default defineConfig({
  ...settings,
  testMatch: 'shots.ts',
  outputDir: '../../var/shots/browser',
});
