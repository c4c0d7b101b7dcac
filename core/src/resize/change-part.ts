import { evenCounts, fitRounds, reshaped, type Reshape } from '../design/index.js';
import { fabricOf, type PartCount, type PatternCount } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { isFlatLie, outlineOf, ringsOf, scaleProfile, unitProfile } from '../shape/index.js';
import { scaledCounts } from './counts.js';
import type { Anew } from './beginnings.js';
import { rework, type Reworked } from './rework.js';
import { mapRounds, stretchesOf, type RoundMap, type Stretch } from './stretches.js';

/** One step to another part: another shape, more rounds where it is widest, fewer, or another first round. */
export type Change =
  | { readonly is: 'shape'; readonly how: Reshape }
  | { readonly is: 'longer'; readonly rounds: number }
  | { readonly is: 'start'; readonly count: number };

/** Why a part cannot be changed so. */
export type NoChange =
  | { readonly code: 'no-part' }
  | { readonly code: 'not-from-a-ring' }
  | { readonly code: 'flat' }
  | { readonly code: 'not-so-many-rounds'; readonly most: number }
  | { readonly code: 'nothing-fits' };

/** First rounds that can be asked for (common practice: 3 to 10). */
export const FIRST_LEAST = 3;
export const FIRST_MOST = 12;

/** A pattern with one of its parts changed by a step; all its words follow. */
export function changePart(
  text: string,
  count: PatternCount,
  part: number,
  change: Change,
  stitch: StitchSize,
): Reworked | NoChange {
  const counted = count.parts[part];
  if (!counted || counted.rounds.length === 0) return { code: 'no-part' };
  const anew = changed(counted, change, stitch);
  if ('code' in anew) return anew;
  return rework(text, count, (index, each, first) => {
    if (index === part) return anew;
    const map = mapRounds(stretchesOf(each), 1);
    const counts = scaledCounts(each, map, 1, first(each.rounds[0]!.makes));
    return counts && { map, counts };
  });
}

function changed(counted: PartCount, change: Change, stitch: StitchSize): Anew | NoChange {
  const old = counted.rounds.map(({ makes }) => makes);
  if (change.is === 'longer') return longer(counted, old, change.rounds);
  const stretches = stretchesOf(counted);
  if (!stretches[0]!.ring) return { code: 'not-from-a-ring' };
  if (change.is === 'shape') return otherShape(counted, change.how, stitch);
  const map = mapRounds(stretches, 1);
  const counts = evenCounts(old, {
    steepest: Math.max(6, change.count),
    first: [change.count],
    usual: change.count,
    mostShut: outlineOf(fabricOf(counted)).shut ? Math.max(8, change.count) : null,
    change: 2,
    odd: 10,
    loose: 1 / 20,
  });
  return counts ? { map, counts } : { code: 'nothing-fits' };
}

/** Rounds more, or fewer, where the part goes straight for longest; else after its widest. */
function longer(counted: PartCount, old: readonly number[], rounds: number): Anew | NoChange {
  const straight = stretchesOf(counted)
    .filter(({ once }) => !once)
    .flatMap((stretch) => straightIn(stretch, old))
    .sort((a, b) => b.to - b.from - (a.to - a.from))[0];
  const all = old.map((_, round) => round);
  const at = straight ?? { from: old.indexOf(Math.max(...old)), to: old.indexOf(Math.max(...old)) + 1 };
  const room = at.to - at.from;
  if (rounds < 0 && (!straight || room + rounds < 1))
    return { code: 'not-so-many-rounds', most: Math.max(0, straight ? room - 1 : 0) };
  const sources =
    rounds >= 0
      ? [...all.slice(0, at.to), ...Array.from({ length: rounds }, () => at.to - 1), ...all.slice(at.to)]
      : [...all.slice(0, at.to + rounds), ...all.slice(at.to)];
  const map: RoundMap = { sources, places: sources.map((source) => source + 1) };
  return { map, counts: sources.map((source) => old[source]!) };
}

/** The longest run of rounds in a stretch that neither grow nor shrink. */
function straightIn({ from, to }: Stretch, counts: readonly number[]): { readonly from: number; readonly to: number }[] {
  const runs: { from: number; to: number }[] = [];
  for (let round = Math.max(1, from); round < to; round++) {
    if (counts[round] !== counts[round - 1]) continue;
    const before = runs.at(-1);
    if (before?.to === round) before.to = round + 1;
    else runs.push({ from: round, to: round + 1 });
  }
  return runs;
}

function otherShape(counted: PartCount, how: Reshape, stitch: StitchSize): Anew | NoChange {
  const outline = outlineOf(fabricOf(counted));
  if (isFlatLie(outline.lie)) return { code: 'flat' };
  const profile = scaleProfile(unitProfile(outline, stitch.height / stitch.width), stitch.width);
  const wish = reshaped({ points: ringsOf(profile).map(({ r, z }) => ({ r, z })), end: outline.shut ? 'shut' : 'open' }, how);
  const first = [...new Set([outline.counts[0]!, 6, 5, 4, 3])];
  const fit = fitRounds(wish, stitch, { first });
  if (!fit) return { code: 'nothing-fits' };
  const map = mapRounds(stretchesOf(counted), fit.counts.length / counted.rounds.length);
  if (map.sources.length === fit.counts.length) return { map, counts: fit.counts };
  // Rounds that have to stay make it longer than the shape asks for: its counts are spread over them.
  const wished = map.places.map(
    (place) =>
      fit.counts[Math.min(fit.counts.length, Math.round((place * fit.counts.length) / counted.rounds.length)) - 1] ??
      fit.counts[0]!,
  );
  const counts = evenCounts(wished, { steepest: 6, first, mostShut: outline.shut ? 8 : null, change: 4, odd: 2 });
  return counts ? { map, counts } : { code: 'nothing-fits' };
}

/** Why a part cannot be changed so, for a person. */
export function describeNoChange(no: NoChange): string {
  switch (no.code) {
    case 'no-part':
      return 'There are no rounds in this part yet.';
    case 'not-from-a-ring':
      return 'It does not begin with a ring, so its shape hangs on what it begins on. Make it larger or longer instead.';
    case 'flat':
      return 'It lies flat: its shape is its counts. Drag them, or make it larger.';
    case 'not-so-many-rounds':
      return no.most === 0
        ? 'It goes straight nowhere, so no round can be left out without another shape.'
        : `At most ${no.most} can be left out where it goes straight.`;
    case 'nothing-fits':
      return 'No rounds that can be worked come near it in this yarn. Try a smaller step, or thinner yarn.';
  }
}
