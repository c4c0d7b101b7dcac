import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { toDocument } from '@lemniscus/core/exchange';
import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { Ajv } from 'ajv';
import { describe, expect, it } from 'vitest';
import { PatternDocument, patternSchema } from './index.js';

const root = join(import.meta.dirname, '../..');
const published = JSON.parse(readFileSync(join(root, 'docs/pattern.schema.json'), 'utf8')) as object;

describe('the published JSON Schema', () => {
  it('is the one the program reads by', () => {
    expect(published).toEqual(patternSchema());
  });

  it('lets through what is exported, and finds what the program refuses', () => {
    const valid = new Ajv({ strict: false }).compile(published);
    const text = readFileSync(join(root, 'demo/lamp-keeper.md'), 'utf8');
    const document: unknown = JSON.parse(JSON.stringify(toDocument(text, checkPattern(read(text)))));
    expect(valid(document), JSON.stringify(valid.errors)).toBe(true);
    expect(PatternDocument.safeParse(document).success).toBe(true);
    for (const wrong of [{}, { ...(document as object), terms: 'FR' }, { ...(document as object), parts: [{ name: 'x' }] }]) {
      expect(valid(wrong)).toBe(false);
      expect(PatternDocument.safeParse(wrong).success).toBe(false);
    }
  });
});
