import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { describeNoText, textOf } from './index.js';

/** Letters that Windows-1252 has at 0x80 to 0x9f, as a word processor of those days wrote them (recalled one by one). */
const HIGH: Readonly<Record<string, number>> = {
  '€': 0x80,
  '…': 0x85,
  '‘': 0x91,
  '’': 0x92,
  '“': 0x93,
  '”': 0x94,
  '–': 0x96,
  '—': 0x97,
};
const western = fc
  .array(fc.constantFrom(...Array.from('R1: 6 sc in ring (18) × – — “inc” ‘dec’ é ü ñ ½ … € °\n')), {
    minLength: 1,
    maxLength: 200,
  })
  .map((chars) => `R1: ${chars.join('')}`);

const wide = (text: string, little: boolean, mark: boolean): Uint8Array => {
  const units = Array.from(`${mark ? '\ufeff' : ''}${text}`, (char) => char.charCodeAt(0));
  return Uint8Array.from(units.flatMap((unit) => (little ? [unit & 255, unit >> 8] : [unit >> 8, unit & 255])));
};
const windows = (text: string): Uint8Array => Uint8Array.from(text, (char) => HIGH[char] ?? char.charCodeAt(0));
const isUtf8ByChance = (bytes: Uint8Array): boolean =>
  bytes.some((byte) => byte > 127) && !new TextDecoder().decode(bytes).includes('\ufffd');
const read = (bytes: Uint8Array): string => {
  const found = textOf(bytes);
  if (!found.ok) throw new Error(found.why);
  return found.text;
};

describe('the text of a file', () => {
  it('is the same in every encoding it may have been saved in, × and all', () => {
    fc.assert(
      fc.property(western, (text) => {
        const utf8 = new TextEncoder().encode(text);
        expect(read(utf8)).toBe(text);
        expect(read(Uint8Array.from([0xef, 0xbb, 0xbf, ...utf8]))).toBe(text);
        for (const little of [true, false]) expect(read(wide(text, little, true))).toBe(text);
        // A few letters beside one another may be one letter of UTF-8 by chance: nobody can tell then.
        if (!isUtf8ByChance(windows(text))) expect(read(windows(text))).toBe(text);
      }),
    );
  });

  it('is found in wide letters without their mark, while most of them are those of a pattern', () => {
    const text = 'R2: inc × 6 (12)\nR3: (1 sc, inc) × 6 (18)\n';
    expect(textOf(wide(text, true, false))).toEqual({ ok: true, text, encoding: 'utf-16le' });
    expect(textOf(wide(text, false, false))).toEqual({ ok: true, text, encoding: 'utf-16be' });
  });

  it('of whatever bytes never throws and never has the mark of a letter that was lost where it was not in them', () => {
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 300 }), (bytes) => {
        const found = textOf(bytes);
        if (found.ok && found.encoding === 'windows-1252') expect(found.text).not.toContain('\ufffd');
      }),
    );
  });

  it('is missed with a sentence that says what to do', () => {
    const why = (head: string | readonly number[]): string => {
      const found = textOf(typeof head === 'string' ? new TextEncoder().encode(head) : Uint8Array.from(head));
      return found.ok ? '' : describeNoText(found);
    };
    expect(why('%PDF-1.7 …')).toMatch(/copy it/);
    expect(why('PK\u0003\u0004')).toMatch(/\.docx/);
    expect(why(' \n')).toMatch(/empty/);
    expect(why('a\0b')).toMatch(/no text/);
    expect(why(Array.from({ length: 400 }, (_, i) => (i % 3 === 0 ? 0 : i % 251)))).toMatch(/no text/);
  });
});
