import type { StitchName } from '../stitch.js';
import type { Shape } from './shape.js';
import type { Sign } from './sign.js';

/** A way a part may begin, and the signs that say it. */
export interface Start {
  readonly shape: Shape;
  readonly from: number;
  readonly to: number;
}

/** "Make a magic ring. … six single crochet": so many words on, stitches still go into it. */
const RING_REACH = 16;
/** Fewer stitches without "into the ring" may be anything. */
const LEAST_STITCHES = 3;

/** How a part may begin with these signs. */
export function startsIn(signs: readonly Sign[]): readonly Start[] {
  const ring = signs.findIndex(({ is }) => is === 'ring');
  const second = signs.findIndex(({ is }) => is === 'second chain');
  const chain = signs.findIndex(({ is }) => is === 'chain');
  const into = signs.findIndex(({ is }) => is === 'into');
  const chains = chain < 0 ? 0 : countOf(signs[chain]!);
  const starts: Start[] = [];
  if (chain < 0 || chains <= 2) starts.push(...intoRing(signs, ring, chain));
  if (into < 0 && chains <= 2) starts.push(...afterRing(signs, ring, second, chain));
  if (chain >= 0 && (second >= 0 || into >= 0) && chains > 2) starts.push(...alongChain(signs, chain, chains));
  const join = signs.findIndex(({ is }) => is === 'join');
  if (join >= 0) starts.push({ shape: { is: 'joined', chains }, from: join, to: Math.max(join, chain) });
  return starts;
}

function countOf(sign: Sign): number {
  return 'count' in sign ? sign.count : 0;
}

/** "Six single crochet into the ring", "four in the second chain from the hook". */
function intoRing(signs: readonly Sign[], ring: number, chain: number): Start[] {
  return signs.flatMap((sign, to): Start[] => {
    if (sign.is !== 'into') return [];
    const from = sign.from === 'chain 2' || (chain >= 0 && chain < to) ? 'chain 2' : 'ring';
    const begins = [chain, ring].find((at) => at >= 0 && at < to) ?? to;
    return [{ shape: { is: 'ring', from, stitch: sign.stitch, count: sign.count }, from: begins, to }];
  });
}

/** "A magic ring, and you want six single crochet", "in the second chain from the hook we put seven". */
function afterRing(signs: readonly Sign[], ring: number, second: number, chain: number): Start[] {
  const begin = second >= 0 ? second : ring;
  if (begin < 0) return [];
  return signs.flatMap((sign, to): Start[] => {
    const plain = sign.is === 'atom' && sign.per === 1 && sign.together === 1 && sign.count >= LEAST_STITCHES;
    if (!plain || to <= begin || sign.first - signs[begin]!.last > RING_REACH) return [];
    const from = second >= 0 ? 'chain 2' : 'ring';
    return [
      {
        shape: { is: 'ring', from, stitch: sign.stitch, count: sign.count },
        from: second >= 0 && chain >= 0 ? chain : begin,
        to,
      },
    ];
  });
}

/** A chain worked along one side, or along both: "seven, then three in one, then six, then two in one". */
function alongChain(signs: readonly Sign[], from: number, chains: number): Start[] {
  const to = signs.length - 1;
  if (!signs.some(({ is }) => is === 'other side')) return [{ shape: { is: 'flat', chains, stitch: stitchIn(signs) }, from, to }];
  const numbers = signs.slice(from + 1).flatMap((sign): number[] => {
    if (sign.is === 'number') return [sign.value];
    if (sign.is === 'atom') return [Math.max(sign.count, sign.per)];
    return sign.is === 'total' || sign.is === 'into' ? [sign.count] : [];
  });
  return endsIn(numbers, chains).map((ends) => ({ shape: { is: 'oval', chains, ends }, from, to }));
}

function stitchIn(signs: readonly Sign[]): StitchName {
  for (const sign of signs) if (sign.is === 'atom' || sign.is === 'each' || sign.is === 'into') return sign.stitch;
  return 'sc';
}

/** More stitches than these do not go into the end of a chain. */
const MOST_AT_END = 6;

/** Stitches into both ends among the numbers: after one side of the chain, and after the other. */
function endsIn(numbers: readonly number[], chains: number): (readonly [number, number])[] {
  const found: (readonly [number, number])[] = [];
  for (let i = 0; i + 2 < numbers.length; i++) {
    const [out, end, back, first = 1] = numbers.slice(i, i + 4);
    const fits = out === chains - 2 && back === chains - 3 && end! >= 2 && end! <= MOST_AT_END;
    if (fits) found.push([end!, first >= 1 && first <= MOST_AT_END ? first : 1]);
  }
  return found;
}
