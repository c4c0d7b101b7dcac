import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { BrowserStorage } from '../test/browser-storage';
import { Pedal } from './pedal';
import { ReadAloud, spoken } from './read-aloud';

let said: string[];
beforeEach(() => {
  said = [];
  const speech = { speak: ({ text }: { text: string }) => said.push(text), cancel: vi.fn() };
  vi.stubGlobal('speechSynthesis', speech);
  vi.stubGlobal('window', { speechSynthesis: speech });
  vi.stubGlobal('localStorage', new BrowserStorage());
  vi.stubGlobal(
    'SpeechSynthesisUtterance',
    class {
      constructor(readonly text: string) {}
    },
  );
});
afterEach(() => vi.unstubAllGlobals());

describe('reading aloud', () => {
  it('says words once, only while it is on, and remembers that it is', () => {
    const aloud = new ReadAloud();
    aloud.say('3 sc');
    aloud.toggle();
    for (const words of ['3 sc', '3 sc', 'inc']) aloud.say(words);
    expect(said).toEqual(['3 sc', 'inc']);
    expect(new ReadAloud().on()).toBe(true);
    aloud.toggle();
    aloud.say('2 sc');
    expect(said).toHaveLength(2);
  });

  it.each([
    ['(3 sc, inc) × 6', 'US', '(3 single, increase) times 6'],
    ['2 sc, invdec, sl st', 'US', '2 single, decrease, slip stitch'],
    // "dc" is a double here and a single there: in UK terms it stays as it is written.
    ['3 dc, inc', 'UK', '3 dc, increase'],
  ] as const)('%s in %s terms is %s', (words, terms, aloud) => expect(spoken(words, terms)).toBe(aloud));
});

describe('a pedal', () => {
  it('is learned by pressing it, kept on the device, and forgotten', () => {
    const pedal = new Pedal();
    expect(pedal.pressed('F9')).toBe(false);
    pedal.learning.set(true);
    expect(pedal.pressed('Escape')).toBe(true);
    expect(pedal.key()).toBeNull();
    pedal.learning.set(true);
    expect(pedal.pressed('F9')).toBe(true);
    expect(new Pedal().key()).toBe('F9');
    pedal.forget();
    expect(new Pedal().key()).toBeNull();
  });
});
