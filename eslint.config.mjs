import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** The folders of core in the order of the craft: each may import those before it, by their index. */
const CORE_ORDER = [['notation'], ['fabric'], ['spacing', 'gauge'], ['shape'], ['making', 'assembly'], ['supply'], ['exchange']];

/** What a folder of core may not reach: everything at its level or after it, and the inside of any other folder. */
function coreArrows(folder) {
  const level = CORE_ORDER.findIndex((folders) => folders.includes(folder));
  const later = CORE_ORDER.slice(level)
    .flat()
    .filter((each) => each !== folder);
  return {
    files: [`core/src/${folder}/**/*.ts`],
    // Tests read patterns to test what comes before them.
    ignores: ['**/*.spec.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            // The last folder may reach all others.
            ...(later.length > 0
              ? [
                  {
                    group: later.map((each) => `../${each}/**`),
                    message: `core/${folder} comes before this in the order of the craft.`,
                  },
                ]
              : []),
            { group: ['../*/*', '!../*/index.js'], message: 'Import another folder through its index.' },
            {
              group: ['node:*', '@angular/*', '@lemniscus/*', 'rxjs', 'express', 'd3*'],
              message: 'The core knows no DOM, no Node API and no framework.',
            },
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'performance', 'fetch', 'setTimeout', 'setInterval'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core has no clock: take the time as a value.' },
        { object: 'Math', property: 'random', message: 'The core has no randomness without a seed.' },
      ],
    },
  };
}

const forbid = (files, group, message) => ({
  files,
  // Tests read demo patterns and published files.
  ignores: ['api/**/*.spec.ts'],
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
});

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', '.build/**', 'e2e/results/**'] },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          'core/tsconfig.json',
          'api/tsconfig.json',
          'server/tsconfig.json',
          'web/tsconfig.json',
          'bench/tsconfig.json',
          'bench/bare-page/tsconfig.json',
          'tsconfig.check.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowNullish: true }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/prefer-nullish-coalescing': ['error', { ignorePrimitives: { string: true } }],
      'max-lines-per-function': ['error', { max: 100, skipBlankLines: true, skipComments: true }],
      eqeqeq: 'error',
    },
  },
  { files: ['**/*.spec.ts', 'e2e/**/*.ts'], rules: { 'max-lines-per-function': 'off' } },
  ...CORE_ORDER.flat().map(coreArrows),
  forbid(
    ['api/src/**/*.ts'],
    ['@lemniscus/server*', '@lemniscus/web*', 'node:*', '@angular/*', 'express'],
    'api is shared by server and web: it knows only core.',
  ),
  forbid(['server/src/**/*.ts'], ['@lemniscus/web*', '@angular/*'], 'The server never imports the web application.'),
  { files: ['web/src/**/*.ts'], extends: [...angular.configs.tsRecommended], processor: angular.processInlineTemplates },
  forbid(
    ['web/src/**/*.ts'],
    ['@lemniscus/server*', 'node:*', 'express', '@mikro-orm/*'],
    'The web application reaches the server only through api.',
  ),
  forbid(
    ['web/src/drawing/**/*.ts', 'web/src/workers/**/*.ts'],
    [
      '../shell/**',
      '../shelf/**',
      '../pattern/**',
      '../gather/**',
      '../work/**',
      '../data/**',
      '@lemniscus/server*',
      'node:*',
      'express',
      '@mikro-orm/*',
    ],
    'Drawing and workers take core values; they know no screen and no data.',
  ),
  {
    files: ['web/src/**/*.ts'],
    rules: {
      '@angular-eslint/component-selector': ['error', { type: ['element', 'attribute'], prefix: 'lem', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'off',
    },
  },
  { files: ['web/src/drawing/silhouette.ts'], rules: { '@angular-eslint/component-selector': 'off' } },
  { files: ['web/src/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
  { files: ['**/*.mjs'], languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly' } } },
);
