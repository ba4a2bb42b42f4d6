import { defineConfig } from '@playwright/test';
import settings from './playwright.config';
export default defineConfig({ ...settings, retries: 0, testMatch: ['zz-look.spec.ts'], outputDir: '../../var/test/browser' });
