import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { oldNameIn, read } from './index.js';
import { speaksOf } from './part-ref.js';

const FIGURE = `Bean
US terms

## Leg (make 2)
R1: 6 sc in ring
R2: inc × 6
R3: sc around

## Left flipper
R1: 4 sc in ring
R2: sc around

## Body
Join the legs with ch 3.
R1: sc around (30)
R2: 6 sc, 4 sc through left flipper, 20 sc
R3: same as R2 of the leg, 24 sc
R4–R6: sc around

## Skirt
In the front loops of R4 of the body:
R1: inc around (72)

## Tail
R1: 4 sc in ring
R2: 2 sc, 2 sc through tassel

## Tassel
R1: 3 sc in ring`;

describe('parts that rounds speak of', () => {
  const { pattern } = read(FIGURE);
  const spoken = pattern.parts.map(({ lines }) =>
    pattern.parts.map((_, i) => (lines.some((line) => speaksOf(line, i)) ? i : '-')),
  );

  it('are resolved to the part, wherever in the text that stands', () => {
    expect(checkPattern(read(FIGURE)).diagnostics).toEqual([]);
    expect(spoken.map((each) => each.join(''))).toEqual(['------', '------', '01----', '--2---', '-----5', '------']);
  });

  it.each([
    ['Leg', 'Foot', ['legs > feet', 'leg > foot']],
    ['Left flipper', 'Port fin', ['left flipper > port fin']],
    ['Body', 'Hull', ['body > hull']],
    ['Tassel', 'End', ['tassel > end']],
  ])('keep what is joined to them under a new name: %s is %s', (from, to, edits) => {
    const text = FIGURE.replace(`## ${from}`, `## ${to}`);
    const old = oldNameIn(pattern, read(text).pattern, text)!;
    expect([old.from, old.to]).toEqual([from, to]);
    expect(old.edits.map((edit) => `${text.slice(edit.from, edit.to)} > ${edit.insert}`)).toEqual(edits);
    const mended = old.edits.reduceRight((all, edit) => all.slice(0, edit.from) + edit.insert + all.slice(edit.to), text);
    const count = checkPattern(read(mended));
    const again = count.pattern.parts.map(({ lines }) =>
      pattern.parts.map((_, i) => (lines.some((line) => speaksOf(line, i)) ? i : '-')),
    );
    expect([again, count.diagnostics]).toEqual([spoken, []]);
    expect(oldNameIn(pattern, count.pattern, mended)).toBeNull();
  });

  it('are left alone where more than a name is different', () => {
    const others = [
      FIGURE.replace('## Leg', '## Foot').replace('## Body', '## Hull'),
      FIGURE.replace('## Tassel', 'R3: sc around\n'),
    ];
    for (const text of [FIGURE, ...others]) expect(oldNameIn(pattern, read(text).pattern, text)).toBeNull();
  });
});
