import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { CONSTANTS, type Constant } from './index.js';

const core = join(import.meta.dirname, '..');
const docs = join(core, '../../docs');
const sources = readdirSync(core, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.spec.ts') && !file.startsWith('constants'))
  .map((file) => ({ file, text: readFileSync(join(core, file), 'utf8') }));

const usedIn = (name: string): string[] =>
  sources.filter(({ text }) => text.includes(`constant('${name}')`)).map(({ file }) => file);
const short = (value: number): string => String(Number(value.toPrecision(3)));

/** docs/constants.md as the table has it; `vitest -u` writes it. */
function page(): string {
  const rows = Object.entries<Constant>(CONSTANTS).map(([name, { value, unit, range, source, what }]) => {
    const from = range.map(short).join(' to ');
    return `| ${name} | ${short(value)} ${unit}`.trimEnd() + ` | ${from} | ${source} | ${what} | ${usedIn(name).join(', ')} |`;
  });
  return [
    '# The numbers the core goes by',
    '',
    'Printed from `core/src/constants/table.ts`; a test holds this page to it. What has no unit is a share or a ratio. The range is',
    'from where to where a number may lie and still be called right.',
    '',
    '| name | value | range | from | what it is | used in |',
    '| --- | --- | --- | --- | --- | --- |',
    ...rows,
    '',
  ].join('\n');
}

describe('constants', () => {
  it('are printed in docs/constants.md as they are, each with where it is used', async () => {
    await expect(page()).toMatchFileSnapshot(join(docs, 'constants.md'));
    for (const name of Object.keys(CONSTANTS)) expect(usedIn(name), name).not.toEqual([]);
  });

  it('lie within their own ranges', () => {
    for (const [name, { value, range }] of Object.entries<Constant>(CONSTANTS)) {
      expect(value >= range[0] && value <= range[1], name).toBe(true);
    }
  });

  it('are claimed by docs/supply.md as they are', () => {
    const supply = readFileSync(join(docs, 'supply.md'), 'utf8').replace(/\s+/g, ' ');
    const { tail, 'soft filling': soft, 'medium filling': medium, 'firm filling': firm } = CONSTANTS;
    const { 'small eye': small, 'large eye': large, 'small parts': parts } = CONSTANTS;
    for (const claim of [
      `${tail.value / 10} cm at a start`,
      `Volume times ${soft.value}, ${medium.value} or ${firm.value} g/cm³`,
      `${small.value} to ${large.value} of the head's diameter`,
      `${parts.value} mm across`,
    ]) {
      expect(supply).toContain(claim);
    }
    expect(CONSTANTS['carried rounds'].value).toBe(4);
    expect(supply).toContain('comes again within four rounds');
  });
});
