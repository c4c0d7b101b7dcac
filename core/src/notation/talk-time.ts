import { wholeNumber } from './ordinals.js';
import type { Token } from './tokens.js';

/** "4:26" or "1:04:26" at `at`: its seconds, and how many tokens it takes; null for anything else. */
export function timeAt(tokens: readonly Token[], at: number): { readonly seconds: number; readonly length: number } | null {
  const numbers: number[] = [];
  let i = at;
  while (numbers.length < 3) {
    const number = wholeNumber(tokens[i]);
    if (number === null || (numbers.length > 0 && (tokens[i]!.text.length !== 2 || number > 59))) return null;
    numbers.push(number);
    if (tokens[i + 1]?.key !== ':' || tokens[i + 1]!.from !== tokens[i]!.to) break;
    i += 2;
  }
  if (numbers.length < 2) return null;
  return { seconds: numbers.reduce((sum, number) => 60 * sum + number, 0), length: i + 1 - at };
}

/** Seconds as a talk's player shows them: "4:26", "1:04:26". */
export function printTime(seconds: number): string {
  const whole = Math.floor(seconds);
  const two = (value: number): string => String(value).padStart(2, '0');
  const [hours, minutes] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(whole % 60)}` : `${minutes}:${two(whole % 60)}`;
}
