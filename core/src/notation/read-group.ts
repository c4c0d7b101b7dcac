import { BOUNDS } from '../bounds/index.js';
import type { Cluster, Group, Item, Times, Work } from './pattern.js';
import { WorkedReader } from './read-worked.js';
import { CLOSER_OF, SEPARATORS, type Closer, type Into } from './round-cursor.js';
import type { Loop } from './stitch.js';
import type { Token } from './tokens.js';

/** The item with `loop` on every stitch in it that names no loop itself. */
export function inLoop(item: Item, loop: Loop): Item {
  if (loop === 'both') return item;
  if (item.kind === 'work' || item.kind === 'cluster') return item.loop === 'both' ? { ...item, loop } : item;
  if (item.kind === 'group') return { ...item, items: item.items.map((each) => inLoop(each, loop)) };
  return item;
}

/** Reads brackets and stars: repeats, and several stitches in one. */
export abstract class GroupReader extends WorkedReader {
  /** Reads items up to a closing mark, which is left for the caller. */
  protected abstract sequence(closer: Closer | null, depth: number): Item[];

  protected group(depth: number, prefix?: { readonly times: number; readonly from: number }): Item[] {
    const opener = this.tokens[this.at]!;
    const closer = CLOSER_OF[opener.key] ?? '*';
    if (depth >= BOUNDS.depth) {
      this.error({ code: 'too-deep' }, opener);
      this.at = this.tokens.length;
      return [];
    }
    this.at++;
    const star = closer === '*' ? 1 : 0;
    this.stars += star;
    const inside = this.sequence(closer, depth + 1);
    this.stars -= star;
    const closed = this.tokens[this.at]?.key === closer;
    let meant: number | null = null;
    if (closed) this.at++;
    else if (!this.is('from star')) meant = this.unclosed(opener, closer, inside);
    const span = this.spanFrom(prefix?.from ?? opener.from);
    const items = inside.map((item) => this.withoutAround(item));
    if (!items.some((item) => item.kind === 'work' || item.kind === 'group' || item.kind === 'cluster' || item.kind === 'chain'))
      return items;
    const cluster = prefix ? null : this.cluster(items, opener.from);
    if (cluster) return [cluster];
    const repeat = prefix?.times ?? meant ?? this.repeat();
    if (repeat === null && closed) this.report({ code: 'repeat-missing', severity: 'warning', span });
    const open = repeat !== null && typeof repeat !== 'number';
    if (open && depth > 0) this.error({ code: 'around-nested' }, span);
    const times = open && depth > 0 ? 1 : (repeat ?? 1);
    const group: Group = { kind: 'group', items, times, span: this.spanFrom(span.from) };
    return [inLoop(group, this.loopSuffix() ?? 'both')];
  }

  /**
   * Where the missing mark most likely belongs: before the number of repeats, else after the last stitch. A number that
   * was then meant for the group is taken off its last item and given back.
   */
  private unclosed(opener: Token, closer: Closer, inside: Item[]): number | null {
    const last = inside.at(-1);
    const times = last?.kind === 'work' && typeof last.count === 'number' ? this.timesAt(last) : -1;
    const closeAt = times > 0 ? this.tokens[times - 1]!.to : (last?.span.to ?? opener.to);
    this.error({ code: 'unclosed', opener: opener.text, closer, closeAt }, opener);
    if (times < 0 || last?.kind !== 'work') return null;
    inside[inside.length - 1] = { ...last, count: 1 };
    return last.count as number;
  }

  /** Index of the "×" that multiplies an item at its end, -1 for none. */
  private timesAt({ span }: Work): number {
    return this.tokens.findIndex((token) => token.key === 'x' && token.from > span.from && token.to <= span.to);
  }

  /** "(hdc, dc, tr) in next st": plain stitches in brackets that go into one stitch. */
  private cluster(items: readonly Item[], from: number): Cluster | null {
    const back = this.at;
    const place = this.into();
    const stitches = items.flatMap((item): Cluster['stitches'] => {
      if (item.kind === 'chain') return [{ stitch: 'ch', count: item.count }];
      const plain = item.kind === 'work' && item.per === 1 && item.together === 1 && typeof item.count === 'number';
      return plain ? [{ stitch: item.stitch, count: item.count }] : [];
    });
    const several = stitches.length > 1 || (stitches[0]?.count ?? 0) > 1;
    const count = place && stitches.length === items.length && several ? this.clusterTimes(place) : null;
    if (count === null) {
      this.at = back;
      return null;
    }
    const first = items[0]!;
    const loop = this.loopSuffix() ?? (first.kind === 'work' ? first.loop : 'both');
    return { kind: 'cluster', stitches, count, loop, span: this.spanFrom(from) };
  }

  /** How often a cluster is worked at a place; null where the place repeats a group instead. */
  private clusterTimes(place: Into): Times | null {
    if (place.into === 'one') return this.times() ?? 1;
    if (place.into === 'next') return place.count;
    if (place.into === 'each') return 'around';
    return place.into === 'to last' && place.each ? { toLast: place.count } : null;
  }

  private withoutAround(item: Item): Item {
    if ((item.kind !== 'work' && item.kind !== 'cluster') || typeof item.count === 'number') return item;
    this.error({ code: 'around-nested' }, item.span);
    return { ...item, count: 1 };
  }

  /** How often a group just closed is worked; null when nothing says so. */
  private repeat(): Times | null {
    const back = this.at;
    while (SEPARATORS.has(this.tokens[this.at]?.key ?? '') && this.tokens[this.at]?.key !== '.') this.at++;
    const phrase = this.phrase();
    if (phrase?.meaning.is === 'from star') {
      this.at += phrase.length;
      return this.repeatsSaid() ?? this.openEnd() ?? 'around';
    }
    if (phrase?.meaning.is === 'filler') {
      this.at += phrase.length;
      const times = this.repeatsSaid();
      if (times !== null) return times;
    }
    this.at = back;
    return this.times() ?? this.bareCount() ?? this.openEnd();
  }

  /** "repeat 5 times": five in all, unless once more fits better; "5 more times" leaves no doubt. */
  protected repeatsSaid(): Times | null {
    const from = this.at;
    const times = this.times();
    if (typeof times !== 'number') return times;
    const more = this.tokens.slice(from, this.at).some((token) => token.key === 'more');
    return !more && this.doubtful('star-repeat') ? times + 1 : times;
  }

  /** "around", "in each st around", "to last 2 sts" after a group. */
  protected openEnd(): Times | null {
    const back = this.at;
    const place = this.into();
    if (place?.into === 'around' || place?.into === 'each') return 'around';
    if (place?.into === 'to last') return { toLast: place.count };
    this.at = back;
    return null;
  }
}
