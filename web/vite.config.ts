import { svelte } from '@sveltejs/vite-plugin-svelte';
import { wuchale } from 'wuchale/vite';
import { defineConfig } from 'vitest/config';
import { markdown } from './markdown';

export default defineConfig({
  // Django serves the built files below /static/, and asks the dev server for the same addresses.
  base: '/static/',
  // tests read the texts where they are written
  plugins: [markdown(), process.env.VITEST ? [] : wuchale(), svelte()],
  build: {
    manifest: 'manifest.json',
    assetsInlineLimit: 0, // the content policy lets no data: fonts in
    rollupOptions: { input: ['src/main.ts', 'src/drawings/fish.svg'] },
  },
  server: {
    fs: { allow: ['..'] },
    port: 5173,
    strictPort: true,
    cors: true,
    origin: 'http://localhost:5173',
  },
  test: {
    include: ['tests/**/*.test.ts'],
    environment: 'happy-dom',
    isolate: false, // one page for all files: each begins with what it needs
    setupFiles: ['tests/page.ts'], // before the client takes hold of `fetch`
  },
  resolve: process.env.VITEST ? { conditions: ['browser'] } : {},
});
