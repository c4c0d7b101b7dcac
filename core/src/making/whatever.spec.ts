import fc from 'fast-check';
import { expect, test } from 'vitest';
import { checkPattern, fabricOf, roundLength } from '../fabric/index.js';
import { plainRuns } from '../spacing/index.js';
import { read } from '../notation/index.js';
import { anyPattern } from '../test/any-pattern.js';
import {
  actionsIn,
  causesOf,
  colourAhead,
  colourEarlier,
  isFinished,
  nowOf,
  piecesOf,
  roundsInLine,
  roundStartBefore,
  stepFrom,
  stitchesDone,
  timelyOf,
  waysOut,
  within,
  workedOtherwise,
  type Position,
  type Step,
} from './index.js';

const step = fc.constantFrom<Step>('stitch', 'group', 'round', 'round');

test('whatever stands in the pattern, the hook goes from its start to its end, and everything said there makes sense', () => {
  fc.assert(
    fc.property(anyPattern, fc.array(step, { minLength: 25, maxLength: 25 }), fc.nat(30), (pattern, steps, found) => {
      const count = checkPattern(read(pattern));
      for (const counted of count.parts) {
        const fabric = fabricOf(counted);
        const written = (round: number) => ({ line: counted.rounds[round]!.line, nth: 0 });
        let at: Position = within(fabric, { round: 0, action: 0 });
        for (const by of steps) {
          const now = nowOf(counted, fabric, at, 'US');
          expect(now === null).toBe(isFinished(fabric, at));
          if (!now) break;
          expect(now.stitchesDone).toBeLessThanOrEqual(now.stitches);
          expect(now.runs.map((run) => run.words).join()).toMatch(/\S/);
          expect(`${now.then} ${now.runs.map((run) => run.words).join()}`).not.toMatch(/NaN|undefined|object/);
          const { round } = now;
          expect(actionsIn(fabric, now.roundIndex)).toBeGreaterThan(0);
          for (const cause of causesOf(fabric, now.roundIndex, found, now.round.available)) {
            expect(cause.share).toBeGreaterThan(0);
            for (const stitch of cause.stitches) expect(stitch).toBeLessThanOrEqual(roundLength(fabric, now.roundIndex) + 1);
          }
          expect(plainRuns(fabric, now.roundIndex).every((gap) => gap >= 0)).toBe(true);
          const ways = waysOut(counted, fabric, written, now.roundIndex, found, 'US');
          expect(ways.absorb?.words ?? '').not.toMatch(/NaN|undefined/);
          for (const one of timelyOf(counted, fabric, at, { openings: [], handMm: 38, stuffed: true }))
            expect(one.id).toMatch(/\S/);
          colourAhead(fabric, at);
          colourEarlier(counted, fabric, now.roundIndex, at.action, 'US');
          for (const as of ['plain', 'increase', 'decrease'] as const)
            workedOtherwise(counted, fabric, now.roundIndex, at.action, as, 'US');
          expect(roundsInLine(counted, fabric, at)).toBeGreaterThanOrEqual(0);
          expect(round.label).toMatch(/\d/);
          const before = stitchesDone(fabric, at).total;
          const next = stepFrom(fabric, at, by);
          expect(stitchesDone(fabric, next).total).toBeGreaterThanOrEqual(before);
          expect([next.round, next.action]).not.toEqual([at.round, at.action]);
          const back = roundStartBefore(fabric, next);
          expect(stitchesDone(fabric, back).total).toBeLessThanOrEqual(stitchesDone(fabric, next).total);
          at = next;
        }
      }
      for (const piece of piecesOf(count.pattern)) expect(piece.part).toBeLessThan(count.parts.length);
    }),
    { numRuns: 25 },
  );
});
