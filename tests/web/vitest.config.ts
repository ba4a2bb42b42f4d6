import { fileURLToPath } from 'node:url';

import { defineConfig } from 'vitest/config';

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url));

export default defineConfig({
  root: here('../..'),
  cacheDir: here('../../var/vitest'),
  test: {
    include: ['tests/web/**/*.test.{ts,tsx}'],
    restoreMocks: true,
    unstubGlobals: true,
  },
});
