import { describe, expect, it } from 'vitest';
import { readTalk } from '@lemniscus/core/notation/talk';
import { textOfLines } from '@lemniscus/core/decoding';
import { openFile } from '@lemniscus/core/opening';
import { takeFound, takeJson, type TakenFile } from './pattern-files';

async function take(name: string, content: string): Promise<TakenFile> {
  const bytes = new TextEncoder().encode(content);
  if (name.endsWith('.json')) return takeJson(name, bytes);
  const opened = await openFile(bytes);
  const talk = opened.ok ? readTalk(textOfLines(opened.lines)) : null;
  return takeFound({ name, opened, talk });
}
const DOCUMENT = { format: 'lemniscus-pattern', version: 1, title: 'Buoy', terms: 'US', parts: [] };

describe('files that are dropped on the pattern', () => {
  it('are read as text, whatever ends their lines', async () => {
    expect(await take('buoy.TXT', 'R1: 6 sc in ring\r\nR2: inc × 6\rR3')).toEqual({ text: 'R1: 6 sc in ring\nR2: inc × 6\nR3' });
    expect(await take('buoy', 'R1')).toEqual({ text: 'R1' });
  });

  it('are read as the documented JSON, with or without a text', async () => {
    expect(await take('buoy.json', JSON.stringify({ ...DOCUMENT, text: 'as written' }))).toEqual({ text: 'as written' });
    const round = { label: 'R1', instruction: '6 sc in ring', makes: [6], stated: 6, notes: ['Begin.'] };
    const parts = [{ name: 'Float', copies: 2, rounds: [round] }];
    expect(await take('buoy.json', JSON.stringify({ ...DOCUMENT, parts }))).toEqual({
      text: '# Buoy\nUS terms\n\n## Float (make 2)\nBegin.\nR1: 6 sc in ring (6)\n',
    });
  });

  it.each([
    ['puffin.docx', 'PK\u0003\u0004', '“puffin.docx”: This Word file is damaged'],
    ['junk.txt', 'a\0b', '“junk.txt”: There is no text in it'],
    ['long.txt', 'x'.repeat(2_000_001), '“long.txt” is larger than 2 MB'],
    ['pie.vtt', 'WEBVTT\n\n00:01.000 --> 00:04.000\nbake it for twelve minutes', 'no rounds are worked in it'],
    ['cut.json', '{"format":', '“cut.json” is no JSON.'],
    ['other.json', '{"a":1}', '“other.json” cannot be read as a pattern: format: This JSON file is no Lemniscus pattern.'],
    ['newer.json', JSON.stringify({ ...DOCUMENT, version: 2 }), 'version: This file was written by a newer Lemniscus.'],
    ['copies.json', JSON.stringify({ ...DOCUMENT, parts: [{ name: 'x', copies: 0, rounds: [] }] }), 'parts.0.copies:'],
  ])('%s is refused with a reason', async (name, content, reason) => {
    const taken = await take(name, content);
    expect('refused' in taken && taken.refused).toContain(reason);
  });

  it('are looked over before they are taken where they are more than a text', async () => {
    const page = await take('seal.html', '<!doctype html><nav>Home</nav><p>R1: 6 sc in ring (6)</p>');
    expect(page).toMatchObject({ review: { name: 'seal.html', opened: { kind: 'html' } } });
    const talk = 'round one six single crochet in a magic ring, round two increase in every stitch, round three one in each';
    expect(await take('seal.vtt', `WEBVTT\n\n00:01.000 --> 00:09.000\n${talk}`)).toMatchObject({
      review: { talk: { seconds: 9 } },
    });
  });
});
