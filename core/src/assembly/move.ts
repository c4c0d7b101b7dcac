import type { PatternCount } from '../fabric/index.js';
import {
  MAKING_UP_HEADING,
  printPlacing,
  type Aside,
  type Height,
  type Placing,
  type Round,
  type TextEdit,
} from '../notation/index.js';
import type { Feature } from './feature.js';
import type { Place, Places } from './place.js';
import { numberOfRound, shortWay } from './wall.js';

/** Where something is dragged to: a round of its host, 0-based, and how far round, turns from the front, growing to the right. */
export interface Target {
  readonly round: number;
  readonly fromFront: number;
}

/** A feature whose words say where it is now, for what stands at a new place. */
export interface Moved {
  readonly feature: Feature;
  readonly placing: Placing;
}

/**
 * What a feature's words become when one of its copies is put elsewhere; of a pair both go along, each other's mirror image.
 * What mirrors another is placed by the words of that.
 */
export function moved({ features, places }: Pick<Places, 'features' | 'places'>, place: Place, target: Target): Moved {
  const { mirrors } = place.feature.placing;
  const other =
    mirrors &&
    places.find(({ feature, copy }) => feature.part === mirrors.part && (mirrors.copy === null || copy === mirrors.copy));
  if (other && features.includes(other.feature))
    return moved({ features, places }, other, { ...target, fromFront: -target.fromFront });
  const { placing } = place.feature;
  const count = place.wall.counts[target.round] ?? 1;
  const round = roundFor(place, target, count);
  const height = target.round === place.first && placing.height !== null ? placing.height : heightFor(place, target.round);
  const named = {
    name: place.wall.name,
    part: place.host.part,
    copy: place.wall.made.counted.part.copies > 1 ? place.host.copy : null,
  };
  return { feature: place.feature, placing: { ...placing, host: placing.host ?? named, height, round, mirrors: null } };
}

/** The same range or gap, further up or down, as far as the host has rounds. */
function heightFor({ wall, first, last, gap }: Place, round: number): Height {
  const most = wall.counts.length - 1;
  if (gap) return { is: 'gap', below: numberOfRound(wall, Math.min(round, most - 1)) };
  const to = Math.min(most, round + last - first);
  return { is: 'rounds', first: numberOfRound(wall, Math.min(round, to)), last: numberOfRound(wall, to) };
}

function roundFor(place: Place, { fromFront }: Target, count: number): Round | null {
  const { feature, around, copy } = place;
  const { round } = feature.placing;
  if (around || round?.is === 'evenly' || round?.is === 'stitches') return round;
  const index = feature.copies.indexOf(copy);
  if (round?.is === 'apart' || (feature.kind === 'eyes' && round === null)) return apartFor(place, fromFront, count);
  if (round?.is === 'after') {
    const stitches = round.stitches.map((each, i) => (i === index ? afterAt(place, fromFront, count) : each));
    return { is: 'after', stitches };
  }
  return sideFor(fromFront, count);
}

/** A pair as far apart as the one that is dragged is from the middle of its side, twice. */
function apartFor({ feature, pins, size, wall }: Place, fromFront: number, count: number): Round {
  const { round } = feature.placing;
  const side = round?.is === 'apart' ? round.side : 'front';
  const middle = side === 'back' ? 0.5 : side === 'left' ? -0.25 : side === 'right' ? 0.25 : 0;
  const girth = (2 * Math.PI * (wall.radius[pins[0]!.round] ?? 1)) / Math.max(1, wall.counts[pins[0]!.round] ?? 1);
  const own = feature.kind === 'piece' ? Math.round(size.width / Math.max(0.1, girth)) : 0;
  const between = Math.round(2 * Math.abs(shortWay(fromFront - middle)) * count) - own;
  return { is: 'apart', apart: { count: Math.max(1, Math.min(count - own - 2, between)), reading: 'between' }, side };
}

function afterAt({ wall, pins }: Place, fromFront: number, count: number): number {
  const pin = pins[0]!;
  const steps = Math.round(-wall.leftward * shortWay(fromFront - pin.fromFront) * count) * wall.ways[pin.round]!;
  return (((pin.after + steps) % count) + count) % count;
}

/** The side, a simple part of the round, or else stitches from the front. */
function sideFor(fromFront: number, count: number): Round {
  const stitches = Math.round(Math.abs(fromFront) * count * 2) / 2;
  const toward = fromFront < 0 ? 'left' : 'right';
  const side = (of: 'front' | 'back', aside: Aside | null): Round => ({ is: 'side', of, aside });
  if (stitches < 0.5) return side('front', null);
  if (Math.abs(stitches - count / 2) < 0.5) return side('back', null);
  if (Math.abs(stitches - count / 4) < 0.5) return side('front', { toward, turns: 0.25 });
  return side('front', { toward, stitches: Math.max(1, Math.round(stitches)) });
}

/** The pattern with a feature's words changed, as if they had been read: what a drag is worked out from. */
export function withPlacing(count: PatternCount, { feature, placing }: Moved): PatternCount {
  const { said } = feature;
  const { pattern } = count;
  if (said.is === 'making-up') {
    const makingUp = pattern.makingUp.map((line, i) => (i === said.line ? { ...line, placing } : line));
    return { ...count, pattern: { ...pattern, makingUp } };
  }
  // Words of the making-up go before those elsewhere.
  const span = feature.span ?? { from: 0, to: 0 };
  return { ...count, pattern: { ...pattern, makingUp: [...pattern.makingUp, { text: '', facts: [], placing, span }] } };
}

/** Edits that write a feature's place where its words stand, or as a line of the making-up, which is made where there is none. */
export function placingEdits(text: string, count: PatternCount, { feature, placing }: Moved): TextEdit[] {
  const { said, span } = feature;
  if (said.is === 'making-up' && span) return [{ ...span, insert: printPlacing(placing) }];
  if (said.is === 'eyes' && span) {
    const edits = eyesEdits(span.from, text.slice(span.from, span.to), placing);
    if (edits) return edits;
  }
  return [appended(text, count, printPlacing(placing))];
}

const GAP = /(between\s+(?:the\s+)?(?:rounds?|rnds?|rows?|r)?\s*)(\d+)(\s*(?:and|&|-|–)\s*(?:rounds?|rnds?|rows?|r)?\s*)(\d+)/i;
const APART = /(\d+)(?=\s+(?:(?:stitches|sts|st|sc|dc)\s+)?(?:between|apart|free))/i;

/** Only the numbers of "Set the eyes between R9 and R10, 9 stitches between them"; null where they are not so. */
function eyesEdits(from: number, words: string, { height, round }: Placing): TextEdit[] | null {
  const gap = GAP.exec(words);
  if (!gap || height?.is !== 'gap' || round?.is !== 'apart' || round.side !== 'front') return null;
  const low = from + gap.index + gap[1]!.length;
  const high = low + gap[2]!.length + gap[3]!.length;
  const edits: TextEdit[] = [
    { from: low, to: low + gap[2]!.length, insert: `${height.below}` },
    { from: high, to: high + gap[4]!.length, insert: `${height.below + 1}` },
  ];
  const after = gap.index + gap[0].length;
  const apart = APART.exec(words.slice(after));
  if (apart)
    edits.push({
      from: from + after + apart.index,
      to: from + after + apart.index + apart[1]!.length,
      insert: `${round.apart.count}`,
    });
  else edits.push({ from: from + after, to: from + after, insert: `, ${round.apart.count} stitches between them` });
  return edits;
}

/** A line at the end of the making-up. */
function appended(text: string, { pattern }: PatternCount, line: string): TextEdit {
  const last = pattern.makingUp.at(-1)?.span ?? pattern.makingUpHeading;
  if (last) return { from: last.to, to: last.to, insert: `\n${line}` };
  const end = text.replace(/\s+$/, '').length;
  return { from: end, to: text.length, insert: `\n\n## ${MAKING_UP_HEADING}\n${line}\n` };
}
