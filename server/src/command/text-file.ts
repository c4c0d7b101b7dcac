import { readFile, stat } from 'node:fs/promises';

/** The text of a file, or a sentence on why it cannot be read. */
export async function readText(file: string): Promise<{ readonly text: string } | { readonly refused: string }> {
  try {
    return textOf(await readFile(file));
  } catch (error) {
    const folder = await stat(file).then(
      (found) => found.isDirectory(),
      () => false,
    );
    const why = folder ? 'it is a folder. Name the files in it' : error instanceof Error ? error.message : String(error);
    return { refused: `${file} cannot be read: ${why}.` };
  }
}

/** The text in a file's bytes: UTF-8, or UTF-16 where its first bytes say so. */
function textOf(bytes: Uint8Array): { readonly text: string } | { readonly refused: string } {
  const wide = bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null;
  if (wide === null && hasZeros(bytes)) return { refused: 'This is no text: save the pattern as plain text in UTF-8.' };
  const text = new TextDecoder(wide ?? 'utf-8').decode(bytes);
  return text.trim() === '' ? { refused: 'The file is empty: there is no pattern in it.' } : { text };
}

/** A text may have a stray zero; pictures, archives and wide text without its mark have many. */
function hasZeros(bytes: Uint8Array): boolean {
  const looked = bytes.subarray(0, 4_000);
  return looked.filter((byte) => byte === 0).length > looked.length / 20;
}
