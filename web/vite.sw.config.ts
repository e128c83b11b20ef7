import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { defineConfig } from 'vite';

// Runs after the pages are built: their files, by hashed names, are what the worker keeps.
const built = readFileSync('dist/manifest.json', 'utf8');
const page = readFileSync('../dace/project/templates/page.html', 'utf8');
const revision = createHash('sha256').update(built).update(page).digest('hex').slice(0, 16);
const files = readdirSync('dist/assets')
  .filter((name) => !name.endsWith('.png'))
  .map((name) => ({
    url: `/static/assets/${name}`,
    revision: null,
  }));

export default defineConfig({
  publicDir: 'root', // the manifest and its pictures stand beside the worker
  build: {
    outDir: 'dist/root',
    emptyOutDir: true,
    rollupOptions: { input: 'src/sw.ts', output: { entryFileNames: 'sw.js', format: 'iife' } },
  },
  define: {
    __SHELL__: JSON.stringify([{ url: '/', revision }, ...files]),
    'process.env.NODE_ENV': '"production"',
  },
});
