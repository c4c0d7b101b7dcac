import { computed, inject, Injectable, signal } from '@angular/core';
import type { EventPage, NewEvents } from '@lemniscus/api';
import {
  EMPTY_LOG,
  lastSaid,
  logUntil,
  nextTime,
  record,
  standingEvents,
  WHOLE_MAKE,
  withNewNames,
  type Log,
  type MakerEvent,
} from '@lemniscus/core/making';
import { catchError, EMPTY } from 'rxjs';
import { keepLastWorked } from '../device/last-worked';
import { MakeApi } from '../server/make-api';
import { KeptAnswers } from '../sync/kept-answers';
import { Outbox } from '../sync/outbox';

/** What is said at the hook, without what every event has. */
export type Said = MakerEvent extends infer Each
  ? Each extends MakerEvent
    ? Omit<Each, 'id' | 'piece' | 'at' | 'zone'>
    : never
  : never;

/** The open make's log: what was said at the hook of every piece, here and in other windows. */
@Injectable()
export class MakerLog {
  private readonly api = inject(MakeApi);
  private readonly outbox = inject(Outbox);
  private readonly answers = inject(KeptAnswers);
  private readonly events = signal<Log>(EMPTY_LOG);
  private make: string | null = null;
  /** How much of the server's log is in here. */
  private cursor = 0;
  /** Something was said elsewhere before this was opened. */
  private missed = false;

  /** By the names that the pieces have now. */
  readonly all = computed(() => withNewNames(this.events()));

  /** Takes up a make with what the server has, and what waits here to be sent. */
  open(make: string, { events, last }: EventPage, waiting: readonly MakerEvent[]): void {
    this.make = make;
    this.cursor = last;
    this.events.set(record(record(EMPTY_LOG, events), waiting));
    if (this.missed) this.refresh();
  }

  clear(): void {
    this.make = null;
    this.cursor = 0;
    this.missed = false;
    this.events.set(EMPTY_LOG);
  }

  /** Takes in what the server told of. @returns false where something before it is not here: then all has to be asked for */
  takeIn({ after, events, last }: NewEvents): boolean {
    if (this.make === null || after > this.cursor) return false;
    this.add(this.make, events, last);
    return true;
  }

  /** Asks for what other windows said since, and takes it in. */
  refresh(): void {
    const { make } = this;
    this.missed = make === null;
    if (make === null) return;
    this.api
      .eventsAfter(make, this.cursor)
      .pipe(catchError(() => EMPTY))
      .subscribe(({ events, last }) => {
        if (make === this.make) this.add(make, events, last);
      });
  }

  private add(make: string, events: readonly MakerEvent[], last: number): void {
    this.cursor = Math.max(this.cursor, last);
    this.events.update((log) => record(log, events));
    void this.answers.keepEvents(make, events, this.cursor);
  }

  /** What stood of what was said of a piece at a time, ms since 1970. */
  saidUntil(time: number): (piece: string) => readonly MakerEvent[] {
    const then = logUntil(this.all(), time);
    return (piece) => standingEvents(then, piece);
  }

  /** The piece worked on last, or null before the first stitch of the make. */
  readonly lastPiece = computed(() => {
    let last: MakerEvent | null = null;
    for (const [piece, events] of this.all()) {
      if (piece === WHOLE_MAKE) continue;
      const event = events[events.length - 1];
      if (event && (!last || event.at > last.at)) last = event;
    }
    return last?.piece ?? null;
  });

  /** What was said of a piece and is not undone; earliest first. */
  said(piece: string): readonly MakerEvent[] {
    return standingEvents(this.all(), piece);
  }

  /** @returns the id of what was said */
  say(piece: string, what: Said): string {
    const at = nextTime(this.events(), Date.now());
    const zone = -new Date(at).getTimezoneOffset();
    const event: MakerEvent = { id: crypto.randomUUID(), piece, at, zone, ...what };
    if (this.make === null) return event.id;
    this.events.update((log) => record(log, [event]));
    this.outbox.add(this.make, event);
    keepLastWorked(this.make);
    return event.id;
  }

  /** Takes back one thing that was said. */
  takeBack({ id, piece }: MakerEvent): void {
    this.say(piece, { kind: 'undone', event: id });
  }

  /** Takes back the last thing said of a piece, whatever it was. */
  undo(piece: string): void {
    const last = lastSaid(this.said(piece));
    if (last) this.say(piece, { kind: 'undone', event: last.id });
  }
}
