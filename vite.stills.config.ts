import { defineConfig } from 'vite';

/** The program that draws figures for paper; it runs by itself and needs nothing beside it. */
export default defineConfig({
  publicDir: false,
  build: {
    ssr: 'web/figure/stills.ts',
    outDir: 'public/build',
    emptyOutDir: false,
    rolldownOptions: { output: { entryFileNames: 'stills.mjs' } },
  },
  ssr: { noExternal: true },
});
