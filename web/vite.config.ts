import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vitest/config';
import type { Plugin } from 'vite';

const FIRST_USE_LIMIT_KB = 120;
/** Scripts that a phone is given with a sheet, each under a name of its own. */
const SHEETS = ['sheet', 'seat'];

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
        if (chunk.type === 'chunk' && chunk.isEntry && !SHEETS.includes(chunk.name)) add(chunk.fileName);
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

/** What a phone is given with a sheet, under names of its own: one script, one style, two fonts. */
function sheetFiles(): Plugin {
  const font = 'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin';
  const files = {
    'sheet.css': 'src/sheet/sheet.css',
    'seat.css': 'src/sheet/seat.css',
    'regular.woff2': `${font}-400-normal.woff2`,
    'bold.woff2': `${font}-600-normal.woff2`
  };
  return {
    name: 'sheet-files',
    generateBundle() {
      for (const [name, from] of Object.entries(files))
        this.emitFile({ type: 'asset', fileName: `sheet/${name}`, source: readFileSync(from) });
    }
  };
}

export default defineConfig(() => ({
  plugins: [tailwindcss(), svelte(), firstUseSize(), sheetFiles()],
  resolve: process.env.VITEST ? { conditions: ['browser'] } : undefined,
  build: {
    outDir: '../src/fallow_sieve/web_dist',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2022',
    rollupOptions: {
      input: { index: 'index.html', sheet: 'src/sheet/sheet.ts', seat: 'src/sheet/seat.ts' },
      output: {
        entryFileNames: (chunk) =>
          SHEETS.includes(chunk.name) ? `sheet/${chunk.name}.js` : 'assets/[name]-[hash].js'
      }
    }
  },
  server: { port: 5173, proxy: { '/api': 'http://127.0.0.1:8765' }, fs: { allow: ['..'] } },
  test: { environment: 'happy-dom', include: ['src/**/*.test.ts'] }
}));
