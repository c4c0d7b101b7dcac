/** How a file wrote its letters down. */
export type Encoding = 'utf-8' | 'utf-16le' | 'utf-16be' | 'windows-1252';

/** The text in a file, or why there is none to read. */
export type FileText =
  | { readonly ok: true; readonly text: string; readonly encoding: Encoding }
  | { readonly ok: false; readonly why: 'empty' | 'pdf' | 'packed' | 'no text' };

/** So many bytes tell what a file is. */
const LOOKED_AT = 4_000;
/** A text may have a stray zero byte; pictures and programs have more than one in twenty. */
const ZEROS = 1 / 20;
/** Of wide letters every second byte is mostly zero, where they are those of western languages. */
const WIDE = 0.3;

/**
 * The text of a file, in whichever of the usual encodings it was saved: UTF-8 and UTF-16 with or without their mark, or
 * Windows-1252, which is what bytes are that cannot be UTF-8. So no letter becomes a question mark.
 */
export function textOf(bytes: Uint8Array): FileText {
  const known = signatureOf(bytes);
  if (known) return { ok: false, why: known };
  const encoding = encodingOf(bytes);
  if (encoding === null) return { ok: false, why: 'no text' };
  const text = encoding === 'windows-1252' ? fromWindows(bytes) : new TextDecoder(encoding).decode(bytes);
  return text.trim() === '' ? { ok: false, why: 'empty' } : { ok: true, text, encoding };
}

/** 0x80 to 0x9f in Windows-1252 (the WHATWG Encoding Standard's index, from memory); some decoders take them for controls. */
const HIGH = '€\u0081‚ƒ„…†‡ˆ‰Š‹Œ\u008dŽ\u008f\u0090‘’“”•–—˜™š›œ\u009džŸ';

/** The letters that bytes of Windows-1252 stand for. */
export function fromWindows(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += byte >= 0x80 && byte <= 0x9f ? HIGH[byte - 0x80]! : String.fromCharCode(byte);
  return text;
}

/** Files that begin with what no text begins with. */
function signatureOf(bytes: Uint8Array): 'pdf' | 'packed' | null {
  const begins = (...head: readonly number[]): boolean => head.every((byte, i) => bytes[i] === byte);
  // "%PDF-" (ISO 32000), and "PK" with its two numbers, as .docx, .odt and .zip begin.
  if (begins(0x25, 0x50, 0x44, 0x46, 0x2d)) return 'pdf';
  return begins(0x50, 0x4b, 0x03, 0x04) ? 'packed' : null;
}

function encodingOf(bytes: Uint8Array): Encoding | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const looked = bytes.subarray(0, LOOKED_AT);
  const [even, odd] = [zerosAt(looked, 0), zerosAt(looked, 1)];
  const pairs = bytes.length % 2 === 0;
  if (pairs && odd > WIDE && even < ZEROS) return 'utf-16le';
  if (pairs && even > WIDE && odd < ZEROS) return 'utf-16be';
  if ((even + odd) / 2 > ZEROS) return null;
  return isUtf8(bytes) ? 'utf-8' : 'windows-1252';
}

/** Share of zero bytes among those at even or odd places. */
function zerosAt(bytes: Uint8Array, from: 0 | 1): number {
  let zeros = 0;
  for (let i = from; i < bytes.length; i += 2) if (bytes[i] === 0) zeros++;
  return zeros / Math.max(1, bytes.length >> 1);
}

function isUtf8(bytes: Uint8Array): boolean {
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}

const REFUSALS = {
  empty: 'The file is empty: there is no pattern in it.',
  pdf: 'This is a PDF. Open it, mark its text, copy it, and paste that.',
  packed: 'This is a packed file, such as a .docx, .odt or .zip. Save the pattern as plain text (.txt).',
  'no text': 'This is no text: save the pattern as plain text (.txt).',
} as const;

/** What to do about a file without text, as a sentence. */
export function describeNoText({ why }: Extract<FileText, { ok: false }>): string {
  return REFUSALS[why];
}
