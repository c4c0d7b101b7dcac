import { Injectable, signal } from '@angular/core';
import * as z from 'zod';
import { keep, recall } from '../data/device/local';

const KEY = 'aloud';

/** Says the words for now through the browser's speech, where it has one. */
@Injectable({ providedIn: 'root' })
export class ReadAloud {
  readonly possible = 'speechSynthesis' in window;
  readonly on = signal(this.possible && z.boolean().catch(false).parse(recall(KEY)));
  private said = '';

  toggle(): void {
    this.on.update((on) => !on);
    keep(KEY, this.on());
    if (!this.on()) speechSynthesis.cancel();
    this.said = '';
  }

  /** Says the words, once, in place of what is still being said. */
  say(words: string): void {
    if (!this.on() || words === this.said) return;
    this.said = words;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(words));
  }
}

const SPOKEN: readonly (readonly [RegExp, string])[] = [
  [/\bsc\b/g, 'single'],
  [/\bhdc\b/g, 'half double'],
  [/\bdc\b/g, 'double'],
  [/\binc\b/g, 'increase'],
  [/\b(inv)?dec\b/g, 'decrease'],
  [/\bch\b/g, 'chain'],
  [/\bsl st\b/g, 'slip stitch'],
  [/×/g, 'times'],
];

/** The words of a pattern as they are spoken. In UK terms only what does not change its meaning is written out. */
export function spoken(words: string, terms: 'US' | 'UK'): string {
  return SPOKEN.filter(([, name]) => terms === 'US' || !['single', 'half double', 'double'].includes(name)).reduce(
    (text, [short, name]) => text.replace(short, name),
    words,
  );
}
