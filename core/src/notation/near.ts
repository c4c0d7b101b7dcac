import distance from 'damerau-levenshtein';
import { firstWords } from './vocabulary.js';

/** The known word a typing slip was most likely meant to be: one slip in short words, two in long ones; null for none. */
export function nearestWord(word: string): string | null {
  const key = word.toLowerCase();
  if (key.length < 2 || key.length > 24) return null;
  const most = key.length > 5 ? 2 : 1;
  let best: string | null = null;
  let least = most + 1;
  for (const known of firstWords()) {
    if (Math.abs(known.length - key.length) > most) continue;
    const { steps } = distance(key, known);
    if (steps < least || (steps === least && best !== null && COMMON.has(known) && !COMMON.has(best))) {
      best = known;
      least = steps;
    }
  }
  return best;
}

/** Words meant most often, which win a tie. */
const COMMON: ReadonlySet<string> = new Set([
  'sc',
  'inc',
  'dec',
  'invdec',
  'hdc',
  'dc',
  'tr',
  'ch',
  'sl',
  'around',
  'ring',
  'stitch',
]);
