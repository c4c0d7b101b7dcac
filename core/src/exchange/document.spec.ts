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
    });
    expect(documentText(document)).toBe(TEXT);
  });

  it('makes a text of the parts where there is none, which reads to the same counts', () => {
    const { text: _text, ...bare } = toDocument(TEXT, checkPattern(read(TEXT)));
    expect(documentText(bare)).toBe(TEXT);
  });
});
