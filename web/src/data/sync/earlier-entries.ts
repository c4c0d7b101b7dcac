import { Event, MakeChange } from '@lemniscus/api';
import * as z from 'zod';
import { entryOfEvent, type Entry } from '../device/database';

const Change = z.object({ value: z.looseObject({ id: z.string() }), changedAt: z.int(), removed: z.boolean() });

/** What an earlier version kept under a key of its own in local storage, as an entry of the journal; null for anything else. */
export function earlierEntry(key: string, value: unknown): Entry | null {
  const [kind, of = ''] = key.split('.');
  if (kind === 'event') {
    const event = Event.safeParse(value);
    return event.success ? entryOfEvent(of, event.data) : null;
  }
  if (kind === 'yarn' || kind === 'measurement') {
    const change = Change.safeParse(value);
    return change.success
      ? { key: `${kind}/${change.data.value.id}`, kind, of: kind, at: change.data.changedAt, body: change.data }
      : null;
  }
  if (kind === 'change') {
    const change = MakeChange.safeParse(value);
    // Nobody is at it any more, and nobody knows what it was made to: it is asked about where it does not fit.
    return change.success
      ? { key: `change/${of}/earlier`, kind, of, at: 0, body: { ...change.data, base: {} }, by: 'earlier' }
      : null;
  }
  return null;
}
