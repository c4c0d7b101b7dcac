import { gramWords } from '@lemniscus/core/gauge';
import type { TimelyKind } from '@lemniscus/core/making';
import { cautionOf, type Demand } from '@lemniscus/core/supply';
import type { Gathering } from '../data/follows/gathering';

/** Rounds ahead for which the opening is told, so that the maker sees how soon it closes. */
const AHEAD = 2;

/** What the sizes at hand add to a note of the pattern: which eyes, how much stuffing, how wide the opening is. */
export function gateAdvice(gathering: Gathering, part: number, gate: TimelyKind | null, round: number): string[] {
  const { underThree } = gathering.kit();
  if (gate === 'eyes') {
    const eyes = gathering.eyes().find((each) => each.part.index === part);
    if (underThree) return [cautionOf('eyes', true)];
    return eyes ? [`${eyes.advice.best} mm suits this head.`] : [];
  }
  if (gate === 'closing') return [cautionOf('closing', underThree)];
  if (gate !== 'stuffing') return [];
  const made = gathering.parts()?.find((each) => each.index === part);
  const stuffing = gathering.stuffing().find((each) => each.part.index === part);
  const words: string[] = [];
  const now = made?.flat ? undefined : made?.openings[round - 1];
  const later = made?.openings[Math.min(round - 1 + AHEAD, made.openings.length - 1)];
  if (stuffing && now !== undefined && later !== undefined) {
    const closes = later < now - 1 ? ` and falls to ${later.toFixed(0)} mm ${AHEAD} rounds on` : '';
    words.push(`The opening is ${now.toFixed(0)} mm${closes}.`);
  }
  if (stuffing) words.push(`About ${gramWords(stuffing.grams)} in all.`);
  return words;
}

/** That a yarn will not last, and where; null for one that does. */
export function runsOutWords({ verdict, yarn, runsOut }: Demand): string | null {
  if (verdict !== 'short' || !yarn || !runsOut) return null;
  return `${yarn.name} ${yarn.colour} runs out in ${runsOut.name} ${runsOut.label}.`;
}
