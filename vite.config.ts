import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  publicDir: false,
  build: {
    outDir: 'public/build',
    manifest: 'manifest.json',
    emptyOutDir: true,
    rolldownOptions: { input: ['web/desk.tsx', 'web/athlete.tsx'] },
  },
  base: '/build/',
});
