import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { PlanEntry } from '@lemniscus/api/plan';
import { checkPattern, fabricOf, roundLength, type PatternCount } from '@lemniscus/core/fabric';
import {
  openRoundsAt,
  pieceMade,
  pieceSaid,
  piecesOf,
  reachedAt,
  WHOLE_MAKE,
  type MakerEvent,
  type Position,
} from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { dayAfter } from '@lemniscus/core/planning';
import { seeded } from '@lemniscus/core/random';
import * as z from 'zod';
import type { Database } from './database/open.js';
import { appendEvents } from './events/event-store.js';
import { keepPhotos, keepPicture } from './photos/photo-store.js';
import { keepPlan } from './plan/plan-store.js';

const PieceRound = z.object({ piece: z.string(), round: z.int() });
const SeasonMake = z.object({
  file: z.string(),
  begunDaysAgo: z.int(),
  secondsAStitch: z.number(),
  /** Days ago, when by the clock, minutes. */
  evenings: z.array(z.tuple([z.int(), z.string(), z.int()])),
  order: z.array(z.string()),
  longer: z.array(z.object({ piece: z.string(), line: z.string(), rounds: z.int() })).default([]),
  ripped: z.array(PieceRound.extend({ to: z.int(), why: z.enum(['count', 'slip', 'otherwise']) })),
  remarks: z.array(PieceRound.extend({ text: z.string() })),
  stuffed: z.array(PieceRound.extend({ grams: z.number() })),
  finished: z
    .object({ heightMm: z.number(), widthMm: z.number(), yarnGrams: z.number(), stuffingGrams: z.number() })
    .extend({ forWhom: z.string(), notes: z.string() })
    .nullable(),
  photo: z.string().nullable(),
});
type SeasonMake = z.infer<typeof SeasonMake>;

const Season = z.object({
  makes: z.array(SeasonMake),
  terms: z.object({
    ...{ week: z.array(z.int()), wage: z.number(), more: z.number(), currency: z.string() },
    ...{ eyePrice: z.number(), stuffingPricePerKilo: z.number() },
  }),
  stall: z.object({ name: z.string(), inDays: z.int() }),
  daysOff: z.array(z.int()),
  wishes: z.array(
    z.object({
      ...{ file: z.string(), copies: z.int(), forWhom: z.string(), colours: z.string() },
      ...{ inDays: z.int().nullable(), stall: z.boolean().default(false) },
    }),
  ),
});

const DAY_MS = 86_400_000;
/** Seconds between one thing that is no stitch and the next. */
const BY_THE_WAY_MS = 40_000;
/** The gauge that open runs are given rounds by. */
const STITCH_MM = 4.8;

/** Which makes the season has, the first begun first. */
export async function readSeason(folder: string): Promise<z.infer<typeof Season>> {
  return Season.parse(JSON.parse(await readFile(join(folder, 'season.json'), 'utf8')));
}

/** When a make of the season was begun, ms since 1970. */
export function begunAt({ begunDaysAgo }: Pick<SeasonMake, 'begunDaysAgo'>, now: number): number {
  return now - begunDaysAgo * DAY_MS;
}

/** The same name, the same id: so that a season is the same each time. */
export function idOf(...names: readonly (string | number)[]): string {
  const hash = createHash('sha256').update(names.join('/')).digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-8${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

/** Writes the log of one make of the season, its finish and its photo. */
export async function seedLog(
  database: Database,
  folder: string,
  season: SeasonMake,
  make: { readonly id: string; readonly text: string },
  now: number,
): Promise<void> {
  await appendEvents(database.em.fork(), make.id, eventsOf(season, make, now));
  if (!season.photo) return;
  const id = idOf(make.id, 'photo');
  const photo = { id, make: make.id, addedAt: now - DAY_MS, width: 580, height: 660, words: 'on the sill' };
  await keepPhotos(database.em.fork(), [{ photo, changedAt: now - DAY_MS, removed: false }]);
  await keepPicture(database, id, await readFile(join(folder, season.photo)));
}

/** Steps of one piece after another, stitch by stitch of its rounds, as far as the evenings go. */
function eventsOf(season: SeasonMake, make: { readonly id: string; readonly text: string }, now: number): MakerEvent[] {
  const count = checkPattern(read(make.text));
  const writer = new SeasonWriter(season, count, make.id, now);
  for (const piece of season.order) if (!writer.work(piece)) break;
  writer.finish();
  return writer.events;
}

class SeasonWriter {
  readonly events: MakerEvent[] = [];
  private readonly random = seeded(7);
  private evening = 0;
  private at: number;
  private readonly zone: number;

  constructor(
    private readonly season: SeasonMake,
    private readonly count: PatternCount,
    private readonly make: string,
    private readonly now: number,
  ) {
    this.zone = -new Date(now).getTimezoneOffset();
    this.at = this.beginOf(0);
  }

  private beginOf(evening: number): number {
    const [daysAgo, clock] = this.season.evenings[evening]!;
    const [hours, minutes] = clock.split(':').map(Number) as [number, number];
    const local = Math.floor((this.now + this.zone * 60_000) / DAY_MS) * DAY_MS - daysAgo * DAY_MS;
    return local + (hours * 60 + minutes) * 60_000 - this.zone * 60_000;
  }

  private say(piece: string, what: object): string {
    const id = idOf(this.make, this.events.length);
    this.events.push({ id, piece, at: Math.round(this.at), zone: this.zone, ...what } as MakerEvent);
    return id;
  }

  /** @returns whether the evening goes on, or another is left */
  private takes(ms: number): boolean {
    this.at += ms;
    if (this.at <= this.beginOf(this.evening) + this.season.evenings[this.evening]![2] * 60_000) return true;
    if (this.evening + 1 >= this.season.evenings.length) return false;
    this.at = this.beginOf(++this.evening);
    return true;
  }

  work(id: string): boolean {
    const piece = piecesOf(this.count.pattern).find((each) => each.id === id)!;
    const open = openRoundsAt(STITCH_MM);
    const first = pieceSaid(this.count, piece.part, [], open);
    const follows = this.say(id, { kind: 'followed', ...first.follow });
    const changes = this.season.longer
      .filter((each) => each.piece === id)
      .map(({ line, rounds }) => {
        const index = first.lines.findIndex((each) => line === `R${each.first}–R${each.last}`);
        return { kind: 'length' as const, line: index, rounds };
      });
    if (changes.length > 0) this.say(id, { kind: 'altered', changes, follows });
    const said = this.events.filter((event) => event.piece === id);
    const made = pieceMade(this.count, piece.part, pieceSaid(this.count, piece.part, said, open), open);
    const fabric = fabricOf(made.counted);
    const reach = (position: Position, more: object = {}): string =>
      this.say(id, { ...reachedAt(made, first.lines, position), follows, ...more });
    for (let round = 0; round < fabric.roundCount; round++) {
      // Tapped at half rounds.
      const stitches = roundLength(fabric, round);
      const slow = 0.85 + 0.3 * this.random();
      const actions = fabric.roundAction[round + 1]! - fabric.roundAction[round]!;
      for (const action of actions > 1 ? [actions >> 1, 0] : [0]) {
        if (!this.takes((stitches / (actions > 1 ? 2 : 1)) * this.season.secondsAStitch * slow * 1_000)) return false;
        reach(action === 0 ? { round: round + 1, action: 0 } : { round, action });
      }
      for (const rip of this.season.ripped.filter((each) => each.piece === id && each.round === round)) {
        this.takes(BY_THE_WAY_MS);
        reach({ round: rip.to, action: 0 }, { why: rip.why });
        for (let again = rip.to; again <= round; again++) {
          this.takes(roundLength(fabric, again) * this.season.secondsAStitch * 1_000);
          reach({ round: again + 1, action: 0 });
        }
      }
      this.byTheWay(id, round, follows);
    }
    return true;
  }

  private byTheWay(piece: string, round: number, follows: string): void {
    const at = (each: z.infer<typeof PieceRound>): boolean => each.piece === piece && each.round === round + 1;
    for (const { text } of this.season.remarks.filter(at)) {
      this.takes(BY_THE_WAY_MS);
      this.say(piece, { kind: 'remarked', line: round, nth: 0, text, follows });
    }
    for (const { grams } of this.season.stuffed.filter(at)) {
      this.takes(3 * BY_THE_WAY_MS);
      this.say(piece, { kind: 'stuffed', grams });
    }
  }

  finish(): void {
    const { finished } = this.season;
    if (!finished) return;
    // The first part of a pattern is what the others are sewn to.
    const [host] = piecesOf(this.count.pattern);
    for (const piece of this.season.order.filter((each) => each !== host?.id))
      if (this.takes(4 * BY_THE_WAY_MS))
        this.say(piece, { kind: 'settled', gate: `step join ${piece.replace('/', ' ')}`, how: 'done' });
    const day = new Date(this.at + this.zone * 60_000).toISOString().slice(0, 10);
    this.say(WHOLE_MAKE, { kind: 'finished', day, ...finished });
  }
}

/** Puts the plan of the season down: wishes, a stall, days off, what is reckoned with. */
export async function seedPlan(
  database: Database,
  { terms, stall, daysOff, wishes }: z.infer<typeof Season>,
  makeOf: (file: string) => string | null,
  now: number,
): Promise<void> {
  const today = new Date(now - new Date(now).getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
  const stallId = idOf('stall');
  const entries: PlanEntry[] = [
    { id: '5f0a6f0e-1f6d-4b1a-9c55-7e1d3c3a0001', kind: 'terms', ...terms },
    { id: stallId, kind: 'stall', name: stall.name, day: dayAfter(today, stall.inDays) },
    ...daysOff.map((days): PlanEntry => ({ id: idOf('off', days), kind: 'day', day: dayAfter(today, days), minutes: 0 })),
    ...wishes.flatMap(({ file, inDays, stall: forStall, ...wish }, rank): PlanEntry[] => {
      const make = makeOf(file);
      if (!make) return [];
      return [
        {
          ...{ id: idOf('wish', rank), kind: 'wish', make, ...wish, stall: forStall ? stallId : null, rank },
          ...{ by: inDays === null ? null : dayAfter(today, inDays), done: {}, order: null, given: 0, sold: 0 },
        },
      ];
    }),
  ];
  await keepPlan(
    database.em.fork(),
    entries.map((entry) => ({ entry, changedAt: now, removed: false })),
  );
}
