import { readFile, stat } from 'node:fs/promises';
import { readTalk, talkText } from '@lemniscus/core/notation/talk';
import { BOUNDS } from '@lemniscus/core/bounds';
import { describeNotOpened, textOfLines } from '@lemniscus/core/decoding';
import { openFile } from '@lemniscus/core/opening';

const NO_ROUNDS = 'This is a talk, and no rounds are worked in it. Is it the right one? It may also be in another language.';

/** The pattern in a file of any kind that is taken, a talk written down as one, or a sentence on why there is none. */
export async function readText(file: string): Promise<{ readonly text: string } | { readonly refused: string }> {
  try {
    const opened = await openFile(new Uint8Array(await readFile(file)));
    if (!opened.ok) return { refused: describeNotOpened(opened) };
    const text = textOfLines(opened.lines);
    if (text.length > BOUNDS.text) return { refused: `It is larger than ${BOUNDS.text / 1_000_000} MB, the most that is read.` };
    const talk = opened.kind === 'text' ? readTalk(text) : null;
    if (talk?.parts.length === 0) return { refused: NO_ROUNDS };
    return { text: talk ? talkText(talk) : text };
  } catch (error) {
    const folder = await stat(file).then(
      (found) => found.isDirectory(),
      () => false,
    );
    const why = folder ? 'it is a folder. Name the files in it' : error instanceof Error ? error.message : String(error);
    return { refused: `${file} cannot be read: ${why}.` };
  }
}
