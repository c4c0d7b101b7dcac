import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** The folders of core in the order of the craft: each may import those before it, by their index. */
const CORE_ORDER = [
  ['bounds', 'constants', 'random', 'vector', 'merging', 'decoding'],
  ['strand'],
  ['notation', 'opening'],
  ['fabric'],
  ['spacing', 'gauge'],
  ['shape'],
  ['making', 'assembly', 'design'],
  ['supply', 'history', 'technique'],
  ['planning', 'drawn', 'resize'],
  ['practice', 'sketch'],
  ['exchange'],
];

/** The folders of the server: each resource knows those before it; what follows from several is folded last. */
const SERVER_ORDER = [
  ['http', 'database'],
  ['live'],
  ['home'],
  ['makes', 'basket', 'measurements', 'plan', 'photos', 'practice', 'sketches'],
  ['events'],
  ['folds', 'backup'],
];

/** The folders of the web application, the screens in one row: they share controls, drawings and data, and nothing else. */
const WEB_ORDER = [
  ['workers', 'data/device', 'data/server'],
  ['data/sync'],
  ['data/owned'],
  ['data/open'],
  ['data/follows'],
  ['drawing'],
  ['controls'],
  ['shelf', 'make', 'pattern', 'gather', 'work', 'assemble', 'log', 'basket', 'devices', 'plan', 'knowhow', 'studio'],
  ['app'],
];

/** What may not be imported from a folder of such an order: everything in its own row and after it. */
function laterFolders(order, folder) {
  const level = order.findIndex((folders) => folders.includes(folder));
  const later = order
    .slice(level)
    .flat()
    .filter((each) => each !== folder);
  if (later.length === 0) return [];
  const message = `${folder} comes before this: imports go one way only.`;
  return [{ group: later.map((each) => `**/${each.split('/').at(-1)}/**`), message }];
}

/** The arrows of one folder; tests may read anything to test what comes before it. */
function arrows(root, order, folder, more = []) {
  return {
    files: [`${root}/src/${folder}/**/*.ts`],
    ignores: ['**/*.spec.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [...laterFolders(order, folder.replace('/*', '')), ...more] }] },
  };
}

const PURE_CORE = {
  'no-restricted-globals': ['error', 'window', 'document', 'process', 'performance', 'fetch', 'setTimeout', 'setInterval'],
  'no-restricted-properties': [
    'error',
    { object: 'Date', property: 'now', message: 'The core has no clock: take the time as a value.' },
    { object: 'Math', property: 'random', message: 'The core has no randomness without a seed.' },
  ],
};
const PURE_IMPORTS = {
  group: ['node:*', '@angular/*', '@lemniscus/*', 'rxjs', 'express', 'd3*'],
  message: 'The core knows no DOM, no Node API and no framework.',
};
const THROUGH_INDEX = 'Import another folder through its index.';
const CORE_ONLY = [{ group: ['../*/*', '!../*/index.js'], message: THROUGH_INDEX }, PURE_IMPORTS];
/** Within a folder its parts know one another; what lies outside is a step further up. */
const CORE_INSIDE = [{ group: ['../../*/*', '!../../*/index.js'], message: THROUGH_INDEX }, PURE_IMPORTS];
const SERVER_ONLY = [{ group: ['@lemniscus/web*', '@angular/*'], message: 'The server never imports the web application.' }];
const WEB_ONLY = [
  {
    group: ['@lemniscus/server*', 'node:*', 'express', '@mikro-orm/*'],
    message: 'The web application reaches the server only through api.',
  },
];
/** Drawing and workers take core values and know no data. */
const NO_DATA = { group: ['**/data/**'], message: 'Drawing and workers take core values; they know no data.' };

const forbid = (files, group, message) => ({
  files,
  // Tests read demo patterns and published files.
  ignores: ['api/**/*.spec.ts'],
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
});

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', '.build/**', 'e2e/results/**', '**/.bench-*/**'] },
  js.configs.recommended,
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        // One program for all packages, and one for the web: each file belongs to one of them.
        project: ['./tsconfig.lint.json', './web/tsconfig.json'],
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
  ...CORE_ORDER.flat().map((folder) => arrows('core', CORE_ORDER, folder, CORE_ONLY)),
  ...CORE_ORDER.flat().map((folder) => arrows('core', CORE_ORDER, `${folder}/*`, CORE_INSIDE)),
  { files: ['core/src/**/*.ts'], ignores: ['**/*.spec.ts'], rules: PURE_CORE },
  {
    files: ['core/src/notation/**/*.ts'],
    ignores: ['**/*.spec.ts'],
    rules: { 'max-lines-per-function': ['error', { max: 40, skipComments: true, skipBlankLines: true }] },
  },
  forbid(
    ['api/src/**/*.ts'],
    ['@lemniscus/server*', '@lemniscus/web*', 'node:*', '@angular/*', 'express'],
    'api is shared by server and web: it knows only core.',
  ),
  { files: ['server/src/*.ts'], rules: { 'no-restricted-imports': ['error', { patterns: SERVER_ONLY }] } },
  ...SERVER_ORDER.flat().map((folder) => arrows('server', SERVER_ORDER, folder, SERVER_ONLY)),
  { files: ['web/src/**/*.ts'], extends: [...angular.configs.tsRecommended], processor: angular.processInlineTemplates },
  ...WEB_ORDER.flat().map((folder) =>
    arrows('web', WEB_ORDER, folder, ['drawing', 'workers'].includes(folder) ? [...WEB_ONLY, NO_DATA] : WEB_ONLY),
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
  {
    files: ['server/pages/**/*.js'],
    languageOptions: { globals: { document: 'readonly', fetch: 'readonly', location: 'readonly', navigator: 'readonly' } },
  },
  {
    files: ['**/*.mjs'],
    languageOptions: {
      globals: { process: 'readonly', console: 'readonly', URL: 'readonly', fetch: 'readonly', setTimeout: 'readonly' },
    },
  },
);
