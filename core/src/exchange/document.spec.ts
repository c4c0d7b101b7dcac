import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { documentText, toDocument } from './index.js';

const TEXT = '# Buoy\nUK terms\n\n## Float (make 2)\nR1: 6 dc in ring (6)\nStuff it.\nR2–R4: dc around (6)\n';

describe('the pattern as a document', () => {
  it('says what every round makes, and gives the text back', () => {
    const document = toDocument(TEXT, checkPattern(read(TEXT)));
    expect(document.parts[0]!.rounds[1]).toEqual({
      label: 'R2–R4',
      instruction: 'dc around',
      makes: [6, 6, 6],
      stated: 6,
      notes: ['Stuff it.'],
      remarks: [],
    });
    expect(documentText(document)).toBe(TEXT);
  });

  it('loses no words: above the parts, before and after a round, and after the last', () => {
    const text =
      '# Buoy\nUS terms\nFor the harbour.\nTwo colours.\n\n## Float\nWith red:\nR1: 6 sc in ring (6). Pull it tight\nSet the eyes now.\nR2: sc around (6)\nStuff firmly.\nFasten off, leave a tail of 20 cm.\n\n## Rope\nR1: 4 sc in ring\nLeave it open.';
    const { text: _text, ...bare } = toDocument(text, checkPattern(read(text)));
    const words = (own: string): string[] => {
      const { pattern } = read(own);
      const notes = pattern.parts.flatMap(({ notes: all, lines }) => [
        ...all.map((note) => `${note.before} ${note.text}`),
        ...lines.map((line) => JSON.stringify(line.items)),
      ]);
      return [...pattern.notes.map((note) => note.text), ...notes];
    };
    expect(words(documentText(bare))).toEqual(words(text));
    expect(documentText(bare)).toContain('For the harbour.\nTwo colours.');
  });

  it('makes a text of the parts where there is none, which reads to the same counts', () => {
    const { text: _text, ...bare } = toDocument(TEXT, checkPattern(read(TEXT)));
    expect(documentText(bare)).toBe(TEXT);
  });
});
