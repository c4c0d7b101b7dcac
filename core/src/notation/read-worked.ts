import type { Meaning } from './phrases.js';
import type { Item, Times, Work } from './pattern.js';
import { FoundationReader } from './read-foundation.js';
import type { Into } from './round-cursor.js';
import type { Loop, StitchName } from './stitch.js';
import type { Token } from './tokens.js';

export type WorkedMeaning = Extract<Meaning, { is: 'stitch' | 'increase' | 'decrease' }>;

export function isWorked(meaning: Meaning): meaning is WorkedMeaning {
  return meaning.is === 'stitch' || meaning.is === 'increase' || meaning.is === 'decrease';
}

/** Work that does not know yet how often it is worked, and into how many. */
type Begun = Omit<Work, 'per' | 'together' | 'count'>;

/** Reads what follows a stitch's name: how many, where they go, in which loop, through what. */
export abstract class WorkedReader extends FoundationReader {
  /** The suffixes of a stitch already named: its count, where it goes, its loop. */
  protected worked(meaning: WorkedMeaning, lead: number | null, from: number, items: readonly Item[]): Item[] {
    let count: Times | null = null;
    let into: Into | null = null;
    let loop: Loop = 'both';
    let through: string | null = null;
    for (;;) {
      const times: Times | null = count === null ? this.times() : null;
      if (times !== null) {
        count = times;
        continue;
      }
      if (count === null && lead === null && into === null) {
        const bare = this.bareCount();
        if (bare !== null) {
          count = bare;
          continue;
        }
      }
      if (this.foundation !== null || !this.leftLoopsAt(this.at)) {
        const suffix = this.loopSuffix();
        if (suffix) {
          loop = suffix;
          continue;
        }
      }
      const phrase = this.phrase();
      if (phrase?.meaning.is === 'through') {
        this.at += phrase.length;
        through = this.limb(items);
        continue;
      }
      if (phrase?.meaning.is === 'starting' || phrase?.meaning.is === 'along') {
        this.where(phrase.length, this.tokens[this.at]!);
        continue;
      }
      const place: Into | null = into === null || phrase?.meaning.is === 'around' ? this.into() : null;
      if (!place) break;
      if (place.into === 'edge' || place.into === 'layers') this.workedOn(place.into, from);
      else into = place;
    }
    if (count === null && lead === null && into === null && (this.is('until') || this.is('as liked'))) count = 'around';
    const span = this.spanFrom(from);
    const base: StitchName = meaning.stitch ?? 'sc';
    const number = typeof count === 'number' ? count : (lead ?? 1);
    if (into?.into === 'ring') return [this.start('ring', base, number, from)];
    if (into?.into === 'chain' && this.foundation?.from !== 'chain') return [this.start('chain 2', base, number, from)];
    if (this.awaiting && meaning.is === 'stitch' && !into) return [this.start(this.awaiting.from, base, number, from)];
    if (into?.into === 'chain') {
      this.firstChain(into.nth);
      into = { into: 'one' };
    }
    const whole: Begun = {
      kind: 'work',
      stitch: base,
      school: meaning.is === 'decrease' ? meaning.school : 'open',
      loop,
      through,
      span,
    };
    return [...this.placed(whole, meaning, { lead, count, into }), ...this.sameInMore(whole, meaning, into)];
  }

  /** "sc in 2nd ch from hook and in each ch across": the same stitch in a second place. */
  private sameInMore(whole: Begun, meaning: WorkedMeaning, first: Into | null): Item[] {
    const back = this.at;
    if (!first || this.tokens[this.at]?.key !== 'and' || !this.is('with', this.at + 1)) return [];
    this.at++;
    const from = this.tokens[this.at]!.from;
    const into = this.into();
    if (into && into.into !== 'ring' && into.into !== 'chain')
      return this.placed({ ...whole, span: this.spanFrom(from) }, meaning, { lead: null, count: null, into });
    this.at = back;
    return [];
  }

  /** Decides between "3 in each" and "one in each of 3" and the like. */
  private placed(
    whole: Begun,
    meaning: WorkedMeaning,
    { lead, count, into }: { readonly lead: number | null; readonly count: Times | null; readonly into: Into | null },
  ): Item[] {
    const per = meaning.is === 'increase' ? meaning.per : 1;
    const together = meaning.is === 'decrease' ? meaning.together : 1;
    const { kind, stitch, school, loop, through, span } = whole;
    // Written out, as spreading objects takes most of the reading's time.
    const work = (own: Pick<Work, 'per' | 'together' | 'count'>): Item[] => [
      { kind, stitch, school, loop, through, span, per: own.per, together: own.together, count: own.count },
    ];
    if (into === null) return work({ per, together, count: count ?? lead ?? 1 });
    if (into.into === 'every') {
      const plain = into.step - together;
      const change: Work = { ...whole, per: lead !== null && lead > 1 ? lead : per, together, count: 1 };
      const before: Work = { ...whole, per: 1, together: 1, school: 'open', count: plain };
      return [{ kind: 'group', items: plain > 0 ? [before, change] : [change], times: 'around', span: whole.span }];
    }
    if (into.into === 'to last')
      return work({ per: lead !== null && lead > 1 ? lead : per, together, count: { toLast: into.count } });
    // "12 sc around" is twelve; "2 sc in each st around" is two in each.
    if (into.into === 'around' && lead !== null) return work({ per, together, count: lead });
    const spread: Times = into.into === 'each' || into.into === 'around' ? 'around' : into.into === 'next' ? into.count : 1;
    // "3 sc in next 3 sts" is one in each, "3 sc in each of next 3 sts" three; "dec over next 4 sts" is two decreases.
    const apart = into.into === 'next' && !into.each;
    const oneInEach = apart && lead === spread && lead > 1 && !this.doubtful('in-next');
    const several = meaning.is === 'stitch' && lead !== null && lead > 1 && !oneInEach;
    if (several) return work({ per: lead, together: 1, count: typeof count === 'number' && spread === 1 ? count : spread });
    if (spread === 1) return work({ per, together, count: count ?? lead ?? 1 });
    const fits = typeof spread === 'number' && spread % together === 0 ? spread / together : spread;
    return work({ per, together, count: fits });
  }

  /** Words that say where the stitches go and change no count: "starting in 2nd ch from hook", "along the chain". */
  protected where(length: number, token: Token): Item[] {
    const { meaning } = this.phrase()!;
    const back = this.at;
    this.at += length;
    if (meaning.is === 'along') {
      this.passPart();
      return [];
    }
    const place = this.into();
    if (place?.into === 'chain') this.firstChain(place.nth);
    else if (meaning.is === 'into' && !place) {
      this.at = back;
      return this.unread();
    } else if (!place) return [this.remark(token)];
    return [];
  }

  private passPart(): void {
    const part = this.partReference(this.at);
    if (part) this.at += part.length;
    else if (this.tokens[this.at]?.key === 'leg') this.at++;
  }
}
