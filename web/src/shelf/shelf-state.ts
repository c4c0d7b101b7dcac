import type { ShelvedMake } from '@lemniscus/api';
import { WHOLE_MAKE } from '@lemniscus/core/bounds';
import type { Finished } from '@lemniscus/core/making';

export type ShelfState = 'working' | 'waiting' | 'finished' | 'put away';

/** The finished figure as it was measured; null while it is not. */
export function finishedAs({ said }: ShelvedMake): Finished | null {
  const event = said[WHOLE_MAKE]?.findLast(({ kind }) => kind === 'finished');
  return event?.kind === 'finished' && event.day !== null ? event : null;
}

export function stateOf(make: ShelvedMake): ShelfState {
  const away = make.said[WHOLE_MAKE]?.findLast(({ kind }) => kind === 'put away');
  if (away?.kind === 'put away' && away.away) return 'put away';
  if (finishedAs(make)) return 'finished';
  return isBegun(make) ? 'working' : 'waiting';
}

export function isBegun({ said }: ShelvedMake): boolean {
  return Object.values(said)
    .flat()
    .some((event) => event.kind === 'reached' && event.round + event.action > 0);
}

/** When a make was worked on last, or else changed; ms since 1970. */
export function touchedAt({ said, updatedAt }: ShelvedMake): number {
  return Math.max(updatedAt, ...Object.values(said).flatMap((events) => events.map(({ at }) => at)));
}

/** All words a make can be found by: its pattern, its yarns, whom it is for, notes and remarks; in small letters. */
export function wordsOf(make: ShelvedMake, more: readonly string[]): string {
  const finished = finishedAs(make);
  const remarks = Object.values(make.said)
    .flat()
    .flatMap((event) => (event.kind === 'remarked' ? [event.text] : []));
  return [make.title, make.text, finished?.forWhom, finished?.notes, ...remarks, ...more].join('\n').toLowerCase();
}
