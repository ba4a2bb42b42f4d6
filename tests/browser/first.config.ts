import { defineConfig } from '@playwright/test';

import { settings } from './settings';

/** The one walk that begins in an installation without a practice. */
export default defineConfig({
  ...settings,
  testMatch: 'first-owner.ts',
  outputDir: '../../var/test/browser',
  // What a first try made is not there a second time.
  retries: 0,
});
