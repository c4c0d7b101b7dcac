import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeOf, checkPattern, fabricOf } from '../fabric/index.js';
import { read } from '../notation/index.js';
import {
  EMPTY_LOG,
  isFinished,
  nextTime,
  nowOf,
  piecesOf,
  placeOfStitch,
  positionOf,
  record,
  roundStartBefore,
  standingEvents,
  START,
  stepFrom,
  stitchesDone,
  within,
  withNewNames,
  type Log,
  type MakerEvent,
  type Position,
  type Step,
} from './index.js';

const counted = checkPattern(
  read(
    'R1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: 1 sc, inc, (2 sc, inc) × 3, 1 sc (16)\nR4–R6: sc around (16)\nR7: (2 sc, invdec) × 4 (12)\nR8: invdec × 6 (6)',
  ),
).parts[0]!;
const fabric = fabricOf(counted);

const event = fc.oneof(
  fc
    .record({
      id: fc.integer({ min: 0, max: 30 }),
      piece: fc.constantFrom('body/1', 'wing/1'),
      round: fc.nat(9),
      action: fc.nat(20),
    })
    .map(({ id, ...own }): MakerEvent => ({ id: `e${id}`, at: (id * 7) % 23, kind: 'reached', ...own })),
  fc
    .record({
      id: fc.integer({ min: 31, max: 50 }),
      piece: fc.constantFrom('body/1', 'wing/1'),
      target: fc.integer({ min: 0, max: 50 }),
    })
    .map(({ id, piece, target }): MakerEvent => ({
      id: `e${id}`,
      at: (id * 5) % 23,
      kind: 'undone',
      piece,
      event: `e${target}`,
    })),
);
/** Events with one content for each id, as the client makes them. */
const events = fc.uniqueArray(event, { maxLength: 40, selector: (one) => one.id });

describe('log', () => {
  it('comes out the same in any grouping, any order, and however often events are sent', () => {
    fc.assert(
      fc.property(events, fc.array(fc.nat(99), { maxLength: 60 }), fc.integer({ min: 1, max: 7 }), (all, picks, size) => {
        const whole = record(EMPTY_LOG, all);
        const shuffled = [...picks.flatMap((pick) => (all.length > 0 ? [all[pick % all.length]!] : [])), ...all.toReversed()];
        let pieced: Log = EMPTY_LOG;
        for (let i = 0; i < shuffled.length; i += size) pieced = record(pieced, shuffled.slice(i, i + size));
        expect(pieced).toEqual(whole);
        for (const piece of ['body/1', 'wing/1']) expect(positionOf(pieced, piece)).toEqual(positionOf(whole, piece));
      }),
      { seed: 5, numRuns: 400 },
    );
  });

  it('is the very same log when it has all of the events already', () => {
    fc.assert(
      fc.property(events, fc.nat(40), (all, cut) => {
        const log = record(EMPTY_LOG, all);
        expect(record(log, all.slice(cut))).toBe(log);
        expect(record(log, [])).toBe(log);
      }),
    );
  });

  it('undoes step by step to the start, whatever was done, and an undo can be undone', () => {
    let log: Log = EMPTY_LOG;
    let clock = 1_000;
    const add = (own: { kind: 'reached'; round: number; action: number } | { kind: 'undone'; event: string }): string => {
      const id = `e${clock}`;
      // A clock that runs backwards must not change the order.
      log = record(log, [{ id, piece: 'body/1', at: nextTime(log, (clock -= 10)), ...own }]);
      return id;
    };
    const first = add({ kind: 'reached', round: 0, action: 3 });
    const second = add({ kind: 'reached', round: 1, action: 0 });
    expect(positionOf(log, 'body/1')).toEqual({ round: 1, action: 0 });
    const undo = add({ kind: 'undone', event: second });
    expect(positionOf(log, 'body/1')).toEqual({ round: 0, action: 3 });
    add({ kind: 'undone', event: undo });
    expect(positionOf(log, 'body/1')).toEqual({ round: 1, action: 0 });
    add({ kind: 'undone', event: second });
    add({ kind: 'undone', event: first });
    expect(positionOf(log, 'body/1')).toEqual(START);
  });
});

describe('steps', () => {
  const walk = (step: Step): Position[] => {
    const positions: Position[] = [START];
    while (!isFinished(fabric, positions[positions.length - 1]!))
      positions.push(stepFrom(fabric, positions[positions.length - 1]!, step));
    return positions;
  };

  it('reach the end by stitch, group or round, each landing only where the finer one does', () => {
    const [stitches, groups, rounds] = (['stitch', 'group', 'round'] as const).map(walk);
    expect(stitches).toHaveLength(fabric.actionCount + 1);
    expect(rounds).toHaveLength(fabric.roundCount + 1);
    expect(stitches).toEqual(expect.arrayContaining(groups!));
    expect(groups).toEqual(expect.arrayContaining(rounds!));
    const totals = stitches!.map((position) => stitchesDone(fabric, position).total);
    expect(totals).toEqual([...totals].sort((a, b) => a - b));
    expect(totals[totals.length - 1]).toBe(fabric.stitchCount);
    for (const position of stitches!)
      expect(stepFrom(fabric, roundStartBefore(fabric, position), 'round').round).toBeGreaterThanOrEqual(
        Math.min(position.round, fabric.roundCount - 1),
      );
  });

  it('brings any position within the fabric', () => {
    fc.assert(
      fc.property(fc.nat(12), fc.nat(40), (round, action) => {
        const at = within(fabric, { round, action });
        expect(within(fabric, at)).toEqual(at);
        expect(at.round).toBeLessThanOrEqual(fabric.roundCount);
        expect(nowOf(counted, fabric, at, 'US') === null).toBe(isFinished(fabric, at));
      }),
      { seed: 2 },
    );
  });
});

describe('now', () => {
  it('says what the hands do, what comes, and when the next change falls', () => {
    const now = nowOf(counted, fabric, { round: 2, action: 3 }, 'US')!;
    expect(now.runs).toMatchObject([
      { words: '2 sc', change: 'plain', length: 2, done: 1 },
      { words: 'inc', change: 'increase', length: 1, done: 0 },
    ]);
    expect(now).toMatchObject({
      stitches: 16,
      stitchesDone: 4,
      group: 1,
      groupCount: 5,
      then: '2 sc, inc',
      nextChange: { change: 'increase', inActions: 1 },
      same: null,
    });
    expect(nowOf(counted, fabric, { round: 4, action: 0 }, 'UK')).toMatchObject({
      same: { done: 1, of: 3 },
      then: 'R6: 16 dc',
      nextChange: null,
    });
    expect(nowOf(counted, fabric, { round: 7, action: 5 }, 'US')!.then).toBeNull();
  });

  it('keeps to its round at every place of every demo pattern, also where an action makes no stitch', () => {
    const folder = new URL('../../../demo/', import.meta.url);
    for (const name of readdirSync(folder).filter((each) => each.endsWith('.md'))) {
      for (const part of checkPattern(read(readFileSync(new URL(name, folder), 'utf8'))).parts) {
        const made = fabricOf(part);
        for (let round = 0; round < made.roundCount; round++) {
          const first = made.roundAction[round]!;
          const groups = made.actionGroup.slice(first, made.roundAction[round + 1]);
          let changes = 0;
          for (let action = groups.length - 1; action >= 0; action--) {
            const where = `${name}, ${part.part.name}, ${round}/${action}`;
            const now = nowOf(part, made, { round, action }, 'US')!;
            const sum = (of: 'length' | 'done'): number => now.runs.reduce((total, run) => total + run[of], 0);
            expect(sum('length'), where).toBe(groups.filter((group) => group === groups[action]).length);
            expect(sum('done'), where).toBe(action - groups.indexOf(groups[action]!));
            expect(now.roundIndex, where).toBe(round);
            // The next change is as far as it is counted from the end.
            changes = changeOf(made, first + action) === 'plain' ? (now.nextChange ? changes + 1 : 0) : 0;
            expect(now.nextChange?.inActions ?? 0, where).toBe(changes);
            const stitches = made.actionStart[first + action]! - made.roundStart[round]!;
            expect(now.stitchesDone, where).toBe(stitches);
          }
        }
      }
    }
  });
});

describe('pieces', () => {
  it('are every copy of every part, told apart even under one name', () => {
    const { pattern } = read('Wing (make 2)\nR1: 6 sc in ring\n\nÄrmel\nR1: 6 sc in ring\n\nWing\nR1: 6 sc in ring');
    expect(piecesOf(pattern).map(({ id, name }) => `${id} ${name}`)).toEqual([
      'wing/1 Wing 1 of 2',
      'wing/2 Wing 2 of 2',
      'ärmel/1 Ärmel',
      'wing~2/1 Wing',
    ]);
  });
});

describe('a part with a very long name', () => {
  it('has pieces that are told apart, by ids that the server takes', () => {
    const long = 'The little lighthouse keeper with the striped scarf '.repeat(8);
    const { pattern } = read(`## ${long}one (make 2)\nR1: 6 sc in ring\n\n## ${long}two\nR1: 6 sc in ring`);
    const ids = piecesOf(pattern).map(({ id }) => id);
    expect(new Set(ids).size).toBe(3);
    expect(Math.max(...ids.map((id) => id.length))).toBeLessThanOrEqual(200);
  });
});

describe('new names', () => {
  it('put what was said to the piece it became, back and forth, in whatever order it came, and can be undone', () => {
    const at = (
      n: number,
      piece: string,
      own: { kind: 'reached'; round: number; action: number } | { kind: 'became'; as: string },
    ) => ({ id: `e${n}`, piece, at: n, ...own }) as MakerEvent;
    const all = [
      at(1, 'wing/1', { kind: 'reached', round: 0, action: 3 }),
      at(2, 'wing/1', { kind: 'became', as: 'fin/1' }),
      at(3, 'fin/1', { kind: 'reached', round: 1, action: 0 }),
      at(4, 'fin/1', { kind: 'became', as: 'wing/1' }),
      at(5, 'wing/1', { kind: 'reached', round: 2, action: 0 }),
    ];
    for (const events of [all, all.toReversed()]) {
      const log = withNewNames(record(EMPTY_LOG, events));
      expect([...log.keys()]).toEqual(['wing/1']);
      expect(standingEvents(log, 'wing/1').map(({ id }) => id)).toEqual(['e1', 'e2', 'e3', 'e4', 'e5']);
    }
    const undone: MakerEvent = { id: 'e6', piece: 'fin/1', at: 6, kind: 'undone', event: 'e4' };
    const log = withNewNames(record(EMPTY_LOG, [...all.slice(0, 4), undone]));
    expect(positionOf(log, 'fin/1')).toEqual({ round: 1, action: 0 });
    const plain = record(EMPTY_LOG, [all[0]!, all[4]!]);
    expect(withNewNames(plain)).toBe(plain);
  });
});

describe('a place named by its stitch', () => {
  it('has at most so many stitches of its round made, and the next action would be too many', () => {
    for (let round = 0; round < fabric.roundCount; round++) {
      const length = fabric.roundStart[round + 1]! - fabric.roundStart[round]!;
      for (let stitches = 0; stitches < length; stitches++) {
        const at = placeOfStitch(fabric, round, stitches);
        expect(stitchesDone(fabric, at).inRound).toBeLessThanOrEqual(stitches);
        const next = stepFrom(fabric, at, 'stitch');
        const after = next.round > round ? length : stitchesDone(fabric, next).inRound;
        expect(after).toBeGreaterThan(stitches);
      }
      expect(placeOfStitch(fabric, round, length)).toEqual({ round: round + 1, action: 0 });
    }
  });
});
