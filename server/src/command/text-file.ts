import { readFile, stat } from 'node:fs/promises';
import { describeNoText, textOf } from '@lemniscus/core/decoding';

/** The text of a file, or a sentence on why it cannot be read. */
export async function readText(file: string): Promise<{ readonly text: string } | { readonly refused: string }> {
  try {
    const found = textOf(await readFile(file));
    return found.ok ? found : { refused: describeNoText(found) };
  } catch (error) {
    const folder = await stat(file).then(
      (found) => found.isDirectory(),
      () => false,
    );
    const why = folder ? 'it is a folder. Name the files in it' : error instanceof Error ? error.message : String(error);
    return { refused: `${file} cannot be read: ${why}.` };
  }
}
