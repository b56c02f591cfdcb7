import { gzipSync } from 'node:zlib';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import type { Plugin } from 'vite';

const FIRST_USE_LIMIT_KB = 160;

/** Prints what a first visit has to load, and fails the build where it grows over the limit. */
function firstUseSize(): Plugin {
  return {
    name: 'first-use-size',
    generateBundle(_options, bundle) {
      const needed = new Set<string>();
      const add = (name: string): void => {
        const chunk = bundle[name];
        if (needed.has(name) || chunk?.type !== 'chunk') return;
        needed.add(name);
        chunk.imports.forEach(add);
      };
      for (const chunk of Object.values(bundle))
        if (chunk.type === 'chunk' && chunk.isEntry) add(chunk.fileName);
      const bench = Object.values(bundle).find((c) => c.type === 'chunk' && c.name === 'BenchPage');
      if (bench) add(bench.fileName);
      let bytes = 0;
      for (const name of needed) {
        const chunk = bundle[name];
        if (chunk?.type === 'chunk') bytes += gzipSync(chunk.code).length;
      }
      const kb = bytes / 1000;
      console.log(
        `\nJavaScript to first use of the bench: ${kb.toFixed(1)} kB gzip (limit ${FIRST_USE_LIMIT_KB})`
      );
      if (kb > FIRST_USE_LIMIT_KB) this.error(`over ${FIRST_USE_LIMIT_KB} kB gzip to first use`);
    }
  };
}

export default defineConfig(() => ({
  plugins: [tailwindcss(), svelte(), firstUseSize()],
  resolve: process.env.VITEST ? { conditions: ['browser'] } : undefined,
  build: {
    outDir: '../src/fallow_sieve/web_dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2022'
  },
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:8765' }, fs: { allow: ['..'] } },
  test: { environment: 'happy-dom', include: ['src/**/*.test.ts'] }
}));
