import { remarksOf, type Part } from '../notation/index.js';

/** What is in a part when it is done: stuffing, nothing, or nothing and it lies pressed flat in two layers. */
export type Fill = 'stuffed' | 'hollow' | 'pressed';

/** Whether a part's own words sew its two ends to one another. */
export function endsMeetIn(part: Part): boolean {
  return remarksOf(part).some((remark) => remark.facts.some(({ is }) => is === 'ends together'));
}

/** What a part's own words put in it; stuffing where they say nothing. */
export function fillOf(part: Part): Fill {
  const facts = remarksOf(part).flatMap((remark) => remark.facts);
  if (facts.some(({ is }) => is === 'pressed flat')) return 'pressed';
  return facts.some((fact) => fact.is === 'stuffing' && fact.how === 'none') ? 'hollow' : 'stuffed';
}
