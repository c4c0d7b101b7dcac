// node scripts/fonts.mjs: makes the small fonts of web/src/theme/fonts/ anew, for when the font packages change. They hold
// what English patterns and our own words are written with; the full fonts are fetched when a text needs more.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { root } from './install.mjs';

/** ASCII, and what stands between words and numbers. */
const RANGES = [
  [0x20, 0x7e],
  ...['\u00a0', '°', '·', '×', '½', '–', '—', '‘', '’', '“', '”', '…', '−'].map((one) => {
    const code = one.codePointAt(0);
    return [code, code];
  }),
];
const text = RANGES.map(([from, to]) =>
  Array.from({ length: to - from + 1 }, (_, i) => String.fromCodePoint(from + i)).join(''),
).join('');
const hex = (code) => code.toString(16).toUpperCase().padStart(4, '0');
const unicodeRange = RANGES.map(([from, to]) => (from === to ? `U+${hex(from)}` : `U+${hex(from)}-${hex(to)}`)).join(', ');

const faces = [];
for (const [name, family] of [
  ['next', 'Atkinson Hyperlegible Next Variable'],
  ['mono', 'Atkinson Hyperlegible Mono Variable'],
]) {
  const full = `@fontsource-variable/atkinson-hyperlegible-${name}/files/atkinson-hyperlegible-${name}-latin-wght-normal.woff2`;
  const small = await subsetFont(readFileSync(join(root, 'node_modules', full)), text, {
    targetFormat: 'woff2',
    variationAxes: { wght: { min: 400, max: 800 } },
  });
  writeFileSync(join(root, 'web/src/theme/fonts', `${name}.woff2`), small);
  faces.push(`@font-face {
  font-family: '${family}';
  font-style: normal;
  font-display: swap;
  font-weight: 200 800;
  src: url(./fonts/${name}.woff2) format('woff2-variations');
  unicode-range: ${unicodeRange};
}
`);
}
writeFileSync(join(root, 'web/src/theme/fonts.css'), `/* Made by scripts/fonts.mjs. */\n${faces.join('\n')}`);
