import { constant } from '../constants/index.js';
import { DRAWN_SHUT, roundLength, type Fabric, type PartCount } from '../fabric/index.js';
import { remarksOf } from '../notation/index.js';

/** One thing to do with a piece after its last stitch, in the order it is done. */
export type Finish =
  /** The last round drawn shut through its front loops (common practice). */
  | { readonly do: 'draw shut'; readonly stitches: number }
  /** A tail left to sew with; `said` where the pattern gives its length. */
  | { readonly do: 'leave a tail'; readonly mm: number; readonly said: boolean }
  | { readonly do: 'cut'; readonly mm: number }
  | { readonly do: 'top up' | 'press flat' | 'hide the ends' | 'loop' }
  | { readonly do: 'say'; readonly text: string };

const SEAM = constant('tail along a seam');
const LEAST_SEWING = constant('least tail to sew with');
const PLAIN_TAIL = constant('tail of a piece');

/**
 * What is left to do with a piece once its last stitch is worked.
 * @param sewn whether it will be sewn on with its tail
 * @param width of a stitch, mm
 */
export function finishingOf({ part }: PartCount, fabric: Fabric, sewn: boolean, width: number): Finish[] {
  const last = fabric.roundCount - 1;
  if (last < 0) return [];
  const edge = roundLength(fabric, last);
  const remarks = remarksOf(part).filter(({ before }) => before >= part.lines.length);
  const facts = remarks.flatMap((remark) => remark.facts);
  const shut = edge <= DRAWN_SHUT && fabric.fill === 'stuffed' && fabric.roundWay[last] !== 2;
  const tail = facts.find((fact) => fact.is === 'tail');
  const list: Finish[] = [];
  if (shut) list.push({ do: 'top up' });
  if (fabric.fill === 'pressed') list.push({ do: 'press flat' });
  if (sewn) {
    const mm =
      (tail?.is === 'tail' ? tail.mm : null) ?? Math.max(LEAST_SEWING, Math.round((edge * width * SEAM + PLAIN_TAIL) / 10) * 10);
    list.push({ do: 'leave a tail', mm, said: tail?.is === 'tail' && tail.mm !== null });
  } else list.push({ do: 'cut', mm: PLAIN_TAIL });
  if (shut) list.push({ do: 'draw shut', stitches: edge });
  if (remarks.some(({ text }) => /\bloop of\b|\bloop to hang/i.test(text))) list.push({ do: 'loop' });
  for (const { text, facts: own } of remarks) if (own.some(({ is }) => is === 'face')) list.push({ do: 'say', text });
  if (!sewn || shut) list.push({ do: 'hide the ends' });
  return list;
}

const cm = (mm: number): string => `${Number((mm / 10).toFixed(mm < 100 ? 1 : 0))} cm`;

/** The sentence for one thing to do. */
export function finishWords(finish: Finish): string {
  switch (finish.do) {
    case 'draw shut':
      return `Thread the tail through the front loops of the last ${finish.stitches} stitches and draw them shut; knot.`;
    case 'leave a tail':
      return `Cut the yarn ${cm(finish.mm)} from the hook${finish.said ? '' : ', about three times the seam'}: the tail sews it on.`;
    case 'cut':
      return `Cut the yarn about ${cm(finish.mm)} from the hook and draw it through the last loop.`;
    case 'top up':
      return 'Top up the stuffing while the opening takes a finger.';
    case 'press flat':
      return 'Press it flat so that the round’s start lies on an edge.';
    case 'hide the ends':
      return 'Run the end an arm’s length of needle through the piece, pull, snip close, let go.';
    case 'loop':
      return 'Make the loop: both ends down through the top, crossed inside, knotted.';
    case 'say':
      return finish.text;
  }
}
