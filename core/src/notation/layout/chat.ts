import type { RawLine } from './raw-line.js';
import { rawLine } from './raw-line.js';

const TIME = String.raw`\d{1,2}[:.]\d{2}(?:[:.]\d{2})?(?:\s?[ap]\.?m\.?)?`;
const DATE = String.raw`\d{1,4}[./-]\d{1,2}[./-]\d{1,4}`;
const NAME = String.raw`[\p{L}~+][\p{L}\p{N} .’'~-]{0,30}`;
/** "[12:34, 3/5/2026] Anna: ", "12:34 – Anna: ", "03.05.26, 12:34 - Anna: " */
const STAMP = new RegExp(
  String.raw`^\s*[\[(]?(?:${DATE},?\s+${TIME}|${TIME},?\s+${DATE}|${TIME})[\])]?\s*[-–—]?\s*(?:${NAME}:\s+)?`,
  'iu',
);
const SENDER = new RegExp(String.raw`^\s*(\p{Lu}[\p{L}’'.-]{1,20}(?: \p{L}[\p{L}’'.-]{0,20})?):\s+(?=\S)`, 'u');
const NO_SENDER = /^(?:r|rnd|rd|row|round|rounds|rows|rnds|note|notes|tip|caption|photo|yarn|hook|colou?rs?|step)\b/i;

/** How often one name has to stand before lines for it to be who wrote them. */
const OFTEN = 3;

/** The lines of a chat without the times and names before them. */
export function withoutSenders(text: string, lines: readonly RawLine[]): RawLine[] {
  const names = new Map<string, number>();
  for (const { from, to } of lines) {
    const name = SENDER.exec(text.slice(from, Math.min(to, from + 80)))?.[1];
    if (name && !NO_SENDER.test(name)) names.set(name, (names.get(name) ?? 0) + 1);
  }
  const stamped = lines.filter(({ from, to }) => STAMP.test(text.slice(from, Math.min(to, from + 80)))).length;
  return lines.map((line) => {
    const words = text.slice(line.from, Math.min(line.to, line.from + 120));
    const stamp = stamped > 1 ? STAMP.exec(words) : null;
    const sender = stamp ? null : SENDER.exec(words);
    const often = sender !== null && (names.get(sender[1]!) ?? 0) >= OFTEN;
    const length = stamp?.[0].length ?? (often ? sender[0].length : 0);
    return length > 0 ? rawLine(text, line.from + length, line.to) : line;
  });
}
