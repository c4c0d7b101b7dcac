import { randomInt, timingSafeEqual } from 'node:crypto';

/** A code dies after so long. */
const CODE_MS = 10 * 60_000;
const TRIES = 5;
/** After so many wrong tries nobody is let in for a while, and the code is another. */
const PAUSE_MS = 60_000;

export type Tried = 'right' | 'wrong' | 'pause';

/** The six digits that let a device in: shown on this machine, typed on the other. */
export class Pairing {
  private code: { readonly digits: string; readonly until: number } | null = null;
  private tries = 0;
  private pausedUntil = 0;

  constructor(private readonly now: () => number) {}

  /** The code that holds now; another once it is used, dead or tried too often. */
  shown(): { readonly digits: string; readonly until: number } {
    if (!this.code || this.code.until <= this.now()) {
      this.code = { digits: String(randomInt(1_000_000)).padStart(6, '0'), until: this.now() + CODE_MS };
      this.tries = 0;
    }
    return this.code;
  }

  /** Tries a code. A right one is used up with it. */
  try(digits: string): Tried {
    const now = this.now();
    if (now < this.pausedUntil) return 'pause';
    const code = this.code && this.code.until > now ? this.code : null;
    if (code && sameDigits(code.digits, digits)) {
      this.code = null;
      this.tries = 0;
      return 'right';
    }
    if (++this.tries < TRIES) return 'wrong';
    this.tries = 0;
    this.code = null;
    this.pausedUntil = now + PAUSE_MS;
    return 'pause';
  }
}

/** Takes as long whatever is wrong. */
function sameDigits(code: string, tried: string): boolean {
  const [a, b] = [Buffer.from(code), Buffer.from(tried)];
  return a.length === b.length && timingSafeEqual(a, b);
}
