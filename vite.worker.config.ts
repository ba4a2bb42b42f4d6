import { defineConfig } from 'vite';

/** The worker that keeps the athlete's side on the phone: one file, as a browser wants it. */
export default defineConfig({
  publicDir: false,
  build: {
    outDir: 'public/build',
    emptyOutDir: false,
    rolldownOptions: { input: 'web/worker/worker.ts', output: { format: 'iife', entryFileNames: 'worker.js' } },
  },
});
