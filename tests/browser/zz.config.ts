import { defineConfig } from '@playwright/test';
import { settings } from './settings';
export default defineConfig({ ...settings, retries: 0, testMatch: ['zz-look.spec.ts'], outputDir: '../../var/test/browser' });
