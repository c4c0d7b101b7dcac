import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placesOf } from '../assembly/index.js';
import { asWritten } from '../assembly/index.js';
import { checkPattern, fabricOf } from '../fabric/index.js';
import {
  EMPTY_LOG,
  openRoundsAt,
  pieceMade,
  pieceSaid,
  record,
  standingEvents,
  WHOLE_MAKE,
  type Log,
  type MakerEvent,
} from '../making/index.js';
import { read } from '../notation/index.js';
import { UPRIGHT } from '../spacing/index.js';
import { ballText } from '../test/solids.js';
import {
  finishedTwins,
  historyOf,
  kindOfRound,
  localTime,
  logRows,
  madeAgain,
  paceByKind,
  pieceRecord,
  toldOf,
  twinsOf,
  workedMs,
} from './index.js';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const UTC = (): number => 0;
/** A ball of 6, 12, 18, four rounds of 18, 12, 6: black up to R4, white from R5. */
const BALL = checkPattern(
  read(
    '## Ball (make 2)\nWith black:\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: (1 sc, inc) × 6 (18)\nR4: sc around (18). Change to white.\nR5–R7: sc around (18)\nR8: (1 sc, dec) × 6 (12)\nR9: dec × 6 (6)',
  ),
);
const FABRIC = fabricOf(BALL.parts[0]!);
const made = (piece: string) => (piece.startsWith('ball/') ? { name: 'Ball', fabric: FABRIC } : null);

type Said = MakerEvent extends infer Each ? (Each extends MakerEvent ? Omit<Each, 'id' | 'piece'> : never) : never;
function log(...said: readonly (Said & { piece?: string })[]): Log {
  return record(
    EMPTY_LOG,
    said.map((each, i) => ({ id: `e${String(i).padStart(6, '0')}`, piece: 'ball/1', ...each })),
  );
}
const at = (minute: number, round: number, action = 0): Said => ({ kind: 'reached', at: minute * MINUTE, round, action });

describe('the kinds of rounds', () => {
  it('are by what they do to the count', () => {
    expect(Array.from({ length: 9 }, (_, round) => kindOfRound(FABRIC, round))).toEqual([
      'starting',
      'increases',
      'increases',
      'plain',
      'plain',
      'plain',
      'plain',
      'closing',
      'closing',
    ]);
  });
});

describe('a log', () => {
  it('gives its time to pieces and kinds of rounds, shared by the stitches of a step, and marks what happened', () => {
    const { byKind, byPiece, marks, sittings } = historyOf(
      log(
        at(0, 0, 1),
        at(1, 1),
        // 30 stitches of two rounds that grow in three minutes.
        at(4, 3),
        { kind: 'remarked', at: 4.5 * MINUTE, line: 2, nth: 0, text: 'tight' },
        // Two plain rounds over the colour line, in two minutes.
        at(6.5, 5),
        { kind: 'stuffed', at: 7 * MINUTE, grams: 4 },
        // After tea.
        at(60, 7),
        at(62, 9),
      ),
      made,
      UTC,
    );
    const minutes = [...byKind].map(([kind, { ms, stitches }]) => [kind, Number((ms / MINUTE).toFixed(6)), stitches]);
    expect(minutes).toEqual([
      ['starting', 1, 6],
      ['increases', 3, 30],
      ['details', 1, 0],
      ['plain', 2, 72],
      ['closing', 2, 18],
    ]);
    expect(byPiece.get('ball/1')).toEqual({ ms: 9 * MINUTE, stitches: FABRIC.stitchCount });
    expect(sittings.map(({ ms, stitches }) => [ms / MINUTE, stitches])).toEqual([
      [7, 72],
      [2, 54],
    ]);
    expect(marks.map(({ is, at: when }) => [is, when / MINUTE])).toEqual([
      ['begun', 0],
      ['remark', 4.5],
      ['colour', 6.5],
      ['stuffed', 7],
      ['ended', 62],
    ]);
  });

  it('counts nothing that was undone: the same as if it had never been', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ gap: fc.integer({ min: 1, max: 300 }), slip: fc.boolean() }), { maxLength: 40 }),
        (steps) => {
          let time = 0;
          let n = 0;
          const all: MakerEvent[] = [];
          for (const [i, { gap, slip }] of steps.entries()) {
            time += gap * 1_000;
            const place = { piece: 'ball/1', kind: 'reached' as const, round: Math.min(9, i >> 1), action: i % 2 };
            all.push({ ...place, id: `a${n++}`, at: time });
            if (!slip) continue;
            all.push({ ...place, id: `a${n}`, at: time + 200, round: 9, action: 0 });
            all.push({ piece: 'ball/1', id: `b${n}`, at: time + 400, kind: 'undone', event: `a${n++}` });
          }
          const undone = new Set(all.flatMap((event) => (event.kind === 'undone' ? [event.event] : [])));
          const clean = all.filter((event) => event.kind !== 'undone' && !undone.has(event.id));
          const [one, two] = [all, clean].map((events) => historyOf(record(EMPTY_LOG, events), made, UTC));
          expect(one).toEqual(two);
        },
      ),
    );
  });

  it('of a replayed year: so many sittings on so many days as were counted by hand, over the change of the clocks', () => {
    // Every third day at 20:30 by a clock that is an hour ahead of UTC, two from the last Sunday of March to that of October.
    const summer = (day: number): boolean => day >= 87 && day < 297;
    const events: Said[] = [];
    for (let day = 0; day < 365; day += 3) {
      const zone = summer(day) ? 120 : 60;
      const evening = day * 24 * HOUR + 20.5 * HOUR - zone * MINUTE;
      // Twenty steps half a minute apart; on every second evening tea in the middle.
      for (let i = 0; i < 20; i++) {
        const tea = day % 2 === 0 && i >= 10 ? 12 * MINUTE : 0;
        events.push({ kind: 'reached', zone, at: evening + i * 30_000 + tea, round: 3, action: i % 2 });
      }
    }
    const { sittings } = historyOf(log(...events), made, UTC);
    // 122 evenings, of which 61 had tea: 183 sittings; 19 half minutes without tea, 9 and 9 with it.
    expect(new Set(sittings.map(({ day }) => day)).size).toBe(122);
    expect(sittings).toHaveLength(183);
    expect(workedMs(sittings)).toBe((61 * 19 + 61 * 18) * 30_000);
    expect(new Set(sittings.map(({ from, zone }) => localTime(from, zone).minute))).toEqual(new Set([1230, 1247]));
  });

  it('lets its maker take a time out and put one in; what lies over another counts once', () => {
    const worked = [at(0, 0, 1), at(2, 1), at(4, 2)];
    const sat = (from: number, to: number, counts: boolean): Said & { piece: string } => ({
      kind: 'sat',
      piece: WHOLE_MAKE,
      at: 99 * MINUTE,
      from: from * MINUTE,
      to: to * MINUTE,
      counts,
    });
    const time = (...more: readonly (Said & { piece?: string })[]): number =>
      workedMs(historyOf(log(...worked, ...more), made, UTC).sittings) / MINUTE;
    expect(time()).toBe(4);
    expect(time(sat(-1, 5, false))).toBe(0);
    expect(time(sat(-1, 2, false))).toBe(2);
    expect(time(sat(30, 60, true))).toBe(34);
    expect(time(sat(3, 10, true))).toBe(10);
    expect(time(sat(30, 60, true), sat(40, 50, true))).toBe(34);
    const corrected = historyOf(log(...worked, sat(-1, 5, false), sat(0, 3, true)), made, UTC);
    expect(workedMs(corrected.sittings)).toBe(3 * MINUTE);
    // The stitches are made all the same.
    expect(corrected.byPiece.get('ball/1')!.stitches).toBe(18);
  });

  it('has the finished figure as it was told last, without what makes it an event, until it is not finished after all', () => {
    const told = { ...{ heightMm: 90, widthMm: null, yarnGrams: null, stuffingGrams: 12 }, forWhom: 'Ada', notes: '' };
    const say = (day: string | null, minute: number) =>
      ({ kind: 'finished', piece: WHOLE_MAKE, at: minute * MINUTE, day, ...told }) as const;
    expect(historyOf(log(say('2026-11-01', 1), say('2026-11-02', 2)), made, UTC).finished).toEqual({
      day: '2026-11-02',
      ...told,
    });
    const notYet = log(say('2026-11-01', 1), say(null, 2));
    expect(historyOf(notYet, made, UTC).finished).toBeNull();
    // What was measured is not lost by it.
    expect(toldOf(notYet)).toEqual({ day: null, ...told });
  });

  it('tells what was ripped and why, and its rows add up', () => {
    const history = historyOf(
      log(at(0, 0, 1), at(1, 3), { kind: 'reached', at: 2 * MINUTE, round: 2, action: 0, why: 'count' }, at(4, 3)),
      made,
      UTC,
    );
    expect(history.ripped).toMatchObject([{ stitches: 18, event: { why: 'count' }, to: { round: 2 } }]);
    const rows = logRows(history, () => 'Ball', UTC);
    expect(rows.map(({ what, time, detail }) => [what, time, detail])).toEqual([
      ['sitting', '00:00', ''],
      ['begun', '00:00', ''],
      ['ripped', '00:02', 'count'],
    ]);
    expect(rows[0]).toMatchObject({ minutes: 4, stitches: 54 });
  });
});

describe('a round told at its end', () => {
  it('goes on with the sitting for as long as a slow hand makes it, and no longer', () => {
    const sittings = (minutes: number): number => historyOf(log(at(0, 3), at(minutes, 7)), made, UTC).sittings.length;
    // Four rounds of 18 at ten seconds a stitch are twelve minutes.
    expect([4, 11.9, 12.1].map(sittings)).toEqual([1, 1, 2]);
  });
});

describe('pace by kind', () => {
  it('finds the seconds a stitch that a log was made with, and the common ones while too little is known', () => {
    const per = { starting: 12, increases: 7, plain: 5, closing: 9 } as const;
    const events: Said[] = [];
    let time = 0;
    for (let piece = 0; piece < 8; piece++) {
      time += HOUR;
      for (let round = 0; round < 9; round++) {
        const kind = kindOfRound(FABRIC, round) as keyof typeof per;
        for (let action = round === 0 ? 1 : 0; action < FABRIC.roundAction[round + 1]! - FABRIC.roundAction[round]!; action++) {
          const from = FABRIC.roundAction[round]! + action;
          events.push({ piece: `ball/${piece}`, kind: 'reached', at: time, round, action } as Said);
          time += (FABRIC.actionStart[from + 1]! - FABRIC.actionStart[from]!) * per[kind] * 1_000;
        }
      }
      events.push({ piece: `ball/${piece}`, kind: 'reached', at: time, round: 9, action: 0 } as Said);
    }
    const pace = paceByKind(historyOf(log(...events), made, UTC).bits);
    expect(pace.own).toBe(true);
    for (const kind of ['increases', 'plain', 'closing'] as const) expect(pace.seconds[kind]).toBeCloseTo(per[kind], 6);
    // Every piece took the same.
    expect(pace.spread).toBeLessThan(1e-6);
    const little = paceByKind(historyOf(log(...events.slice(0, 20)), made, UTC).bits);
    expect(little).toMatchObject({ own: false });
    expect(little.seconds.plain).toBeCloseTo(900 / 130, 6);
    expect(little.seconds.closing).toBeGreaterThan(little.seconds.plain);
  });
});

describe('twins', () => {
  const recordOf = (text: string, grams: number | null, minutes: number) => {
    const counted = checkPattern(read(text)).parts[0]!;
    const said: MakerEvent[] = grams === null ? [] : [{ id: 'g', piece: 'ball/1', at: 0, kind: 'stuffed', grams }];
    return pieceRecord('Ball', { counted, fabric: fabricOf(counted) }, { said, worked: 9, minutes, rippedStitches: 0 });
  };
  const text = ballText(18, 3);

  it('are alike where they are, and say first what shows first', () => {
    expect(twinsOf(recordOf(text, 10, 30), recordOf(text, 10.2, 31)).differ).toEqual([]);
    const other = text.replace('R4-R6: sc around', 'R4-R5: sc around\nR6: in BLO, sc around');
    expect(other).not.toBe(text);
    const { differ, alike } = twinsOf(recordOf(text, 10, 30), recordOf(other, 14, 60));
    expect(differ.map(({ is }) => is)).toEqual(['words', 'stuffing', 'minutes']);
    expect(alike).toEqual(['rounds', 'count', 'put', 'ripped']);
    const longer = twinsOf(recordOf(text, null, 1), recordOf(ballText(18, 4), 5, 1)).differ;
    expect(longer[0]).toMatchObject({ is: 'rounds', two: recordOf(ballText(18, 4), 5, 1).rounds.length });
    expect(longer.at(-1)).toEqual({ is: 'stuffing', one: null, two: 5 });
  });

  it('of finished figures are held by what was measured', () => {
    const size = {
      day: '2026-11-01',
      heightMm: 90,
      widthMm: 60,
      yarnGrams: 30,
      stuffingGrams: 12,
      forWhom: '',
      notes: '',
      minutes: 200,
    };
    expect(finishedTwins(size, { ...size, heightMm: 91 }).differ).toEqual([]);
    expect(finishedTwins(size, { ...size, heightMm: 99, yarnGrams: null }).differ).toEqual([
      { is: 'height', one: 90, two: 99 },
      { is: 'yarn', one: 30, two: null },
    ]);
  });
});

describe('made again', () => {
  const STITCH = { width: 5, height: 4.8 };

  it('follows what was really made: rounds that were added, and eyes that were put elsewhere', () => {
    const text = `${ballText(24, 6)}\n\n## Put together\nEyes: between R6 and R7 of Ball, 5 stitches between them, at the front\n`;
    const count = checkPattern(read(text));
    const open = openRoundsAt(STITCH.height);
    const said = standingEvents(log({ kind: 'altered', at: 1, changes: [{ kind: 'length', line: 4, rounds: 9 }] }), 'ball/1');
    const state = pieceSaid(count, 0, said, open);
    const { altered, counted } = pieceMade(count, 0, state, open);
    const options = { lean: UPRIGHT, hand: 'right' as const, stitch: STITCH, eyeMm: 10 };
    const { places } = placesOf(count, {
      ...options,
      made: (part) => ({ ...asWritten(count, STITCH)(part)!, counted, fabric: fabricOf(counted) }),
      put: (_feature, copy) => (copy === 1 ? { round: 8, after: 15, inside: false } : null),
    });
    const again = madeAgain(count, () => ({ part: altered.part, worked: 3 }), places.slice(0, 1), STITCH);
    const next = checkPattern(read(again));
    expect(next.diagnostics).toEqual([]);
    expect(next.parts[0]!.rounds.map(({ makes }) => makes)).toEqual(counted.rounds.map(({ makes }) => makes));
    expect(again).toContain('Eyes: on Ball, between R8 and R9, 7 stitches between them, at the front');
    // Without anything made otherwise it is the pattern.
    expect(checkPattern(read(madeAgain(count, () => null, [], STITCH))).parts[0]!.rounds).toHaveLength(
      count.parts[0]!.rounds.length,
    );
  });
});
