import { defineConfig } from '@playwright/test';

import { settings } from './settings';

export default defineConfig({
  ...settings,
  testMatch: '*.spec.ts',
  outputDir: '../../var/test/browser',
});
