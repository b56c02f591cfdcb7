import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

// Nouns of the work in its order: each knows those before it; what stands below them knows none.
const NOUNS = ['ingredients', 'blends', 'briefs', 'formulas', 'recipes', 'schedule', 'trials'];
const BELOW = ['api', 'app', 'ui', 'bands', 'document', 'device'];
const pages = ['settings', 'method'];

/** Forbids imports of `folders` from within `folder`, tests apart. */
const keepsOff = (folder, folders, ignores = []) => ({
  files: [`src/lib/${folder}/**/*.{ts,svelte}`],
  ignores: ['**/*.test.ts', ...ignores],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [{ regex: `^(\\.\\./)+(${folders.join('|')})/`, message: 'against the order of the nouns' }]
      }
    ]
  }
});
const arrows = [
  ...BELOW.map((folder) => keepsOff(folder, [...NOUNS, ...pages])),
  ...NOUNS.map((folder, n) =>
    // A blend goes on to a formula from its head, the one place that looks ahead.
    keepsOff(folder, [...NOUNS.slice(n + 1), ...pages], ['src/lib/blends/bench/BlendHead.svelte'])
  ),
  ...pages.map((folder) => keepsOff(folder, [...NOUNS, ...pages.filter((p) => p !== folder)]))
].filter(({ rules }) => rules);

export default ts.config(
  { ignores: ['node_modules/', 'src/lib/api/schema.d.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...svelte.configs.recommended,
  ...arrows,
  { languageOptions: { globals: { ...globals.browser, ...globals.node } } },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { extraFileExtensions: ['.svelte'], parser: ts.parser, svelteConfig } }
  },
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      // Addresses are hash addresses of svelte-spa-router, not routes of a kit.
      'svelte/no-navigation-without-resolve': 'off',
      // Maps here are made anew and never changed in place.
      'svelte/prefer-svelte-reactivity': 'off'
    }
  }
);
