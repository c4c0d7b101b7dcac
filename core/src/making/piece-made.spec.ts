import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { changeOf, checkPattern, fabricOf, roundLength, roundLengths, type Fabric } from '../fabric/index.js';
import { gatesOf, read } from '../notation/index.js';
import { stuffedProfile } from '../shape/index.js';
import {
  alteredPart,
  closingRound,
  colourAhead,
  colourEarlier,
  countWith,
  EMPTY_LOG,
  IDLE_MS,
  itemsOfText,
  paceOf,
  positionOf,
  record,
  sessionsOf,
  standingEvents,
  timelyOf,
  timeWorked,
  USUAL_PACE,
  workedOtherwise,
  writtenRound,
  type Alteration,
  type Log,
  type MakerEvent,
} from './index.js';

const TEXT =
  'R1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: (1 sc, inc) × 6 (18)\nR4–R8: sc around (18)\nR9: sc around until it is 5 cm long\nR10: (1 sc, dec) × 6 (12)\nStuff it.\nR11: dec × 6 (6)';
const counted = checkPattern(read(TEXT));
const part = counted.pattern.parts[0]!;
const lengths = (changes: readonly Alteration[], open = 3): number[] => {
  const altered = alteredPart(counted.pattern, part, changes, () => open);
  return roundLengths(fabricOf(countWith(counted, 0, altered)));
};

describe('a piece made differently', () => {
  it('keeps a chain that a round begins with, whether it counts or not', () => {
    for (const [rounds, makes] of [
      ['R1: ch 2, 6 hdc in ring, join (6)\nR2: ch 2, hdc inc × 6, join (12)\nR3: ch 2, (1 hdc, hdc inc) × 6, join (18)', 18],
      [
        'R1: ch 3 (counts as dc), 11 dc in ring, join (12)\nR2: ch 3 (counts as dc), dc in same st, (dc inc) × 11, join (24)\nR3: ch 3 (counts as dc), 23 dc, join (24)',
        24,
      ],
    ] as const) {
      const own = checkPattern(read(`Cap\n\n## Cap\n${rounds}`));
      const made = fabricOf(own.parts[0]!);
      for (const as of ['increase', 'plain'] as const) {
        for (let action = 1; action < 6; action++) {
          const text = workedOtherwise(own.parts[0]!, made, 2, action, as, 'US');
          if (text === null) continue;
          const altered = alteredPart(own.pattern, own.pattern.parts[0]!, [{ kind: 'instead', line: 2, nth: 0, text }], () => 1);
          const count = countWith(own, 0, altered).rounds[2]!;
          expect([text, count.uses, count.makes]).toEqual([text, count.available, makes]);
        }
      }
    }
  });

  it('gives an open run the rounds it was given, and lets all after it follow', () => {
    expect(lengths([])).toEqual([6, 12, 18, 18, 18, 18, 18, 18, 18, 18, 18, 12, 6]);
    expect(lengths([{ kind: 'length', line: 4, rounds: 1 }])).toHaveLength(11);
    expect(
      lengths([
        { kind: 'length', line: 3, rounds: 7 },
        { kind: 'length', line: 4, rounds: 5 },
      ]),
    ).toHaveLength(17);
  });

  it('works one round of a line in other words, the rest as written, and knows where each is written', () => {
    const changes: Alteration[] = [
      { kind: 'instead', line: 3, nth: 2, text: '16 sc, dec' },
      { kind: 'instead', line: 3, nth: 3, text: '16 sc, inc' },
    ];
    expect(lengths(changes).slice(3, 8)).toEqual([18, 18, 17, 18, 18]);
    const altered = alteredPart(counted.pattern, part, changes, () => 3);
    const count = countWith(counted, 0, altered);
    const places = count.rounds.map((_, round) => writtenRound(altered, round));
    expect(places.slice(3, 9)).toEqual([0, 1, 2, 3, 4].map((nth) => ({ line: 3, nth })).concat({ line: 4, nth: 0 }));
    expect(count.rounds.map((round) => round.number)).toEqual(count.rounds.map((_, index) => index + 1));
    expect(altered.part.notes[0]!.before).toBe(altered.part.lines.length - 1);
  });

  it('takes the latest word on a round, and leaves out what cannot be read or is not there', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            line: fc.nat(9),
            nth: fc.nat(6),
            text: fc.constantFrom('18 sc', 'tea', '', 'R2: 3 sc', '9 sc, inc, 8 sc'),
          }),
          { maxLength: 6 },
        ),
        (all) => {
          const changes = all.map((one): Alteration => ({ kind: 'instead', ...one }));
          const good = changes.filter(
            (change) => change.kind === 'instead' && itemsOfText(change.text, counted.pattern, 18) !== null,
          );
          // Later bad words do not bring earlier good ones of the same round back.
          fc.pre(new Set(all.map(({ line, nth }) => `${line} ${nth}`)).size === all.length);
          expect(lengths(changes)).toEqual(lengths(good));
        },
      ),
    );
    expect(
      lengths([
        { kind: 'instead', line: 2, nth: 0, text: '12 sc' },
        { kind: 'instead', line: 2, nth: 0, text: 'inc × 6, 6 sc' },
      ])[2],
    ).toBe(18);
  });
});

/** Parts of the demo patterns with rounds that go out of the ordinary: joined, turned, in one loop, round a chain, in colours. */
const demo = new URL('../../../demo/', import.meta.url);
const parts = readdirSync(demo)
  .filter((name) => name.endsWith('.md'))
  .flatMap((name) => {
    const count = checkPattern(read(readFileSync(new URL(name, demo), 'utf8')));
    return count.parts.map((each, index) => ({ count, counted: each, index, fabric: fabricOf(each) }));
  });
/** Some action of some part; kept as numbers, so that what fails is told in few words. */
const anAction = fc.tuple(fc.nat(parts.length - 1), fc.nat(9_999), fc.nat(9_999));
function actionOf([which, r, a]: readonly [number, number, number]) {
  const of = parts[which]!;
  const round = r % of.fabric.roundCount;
  return { ...of, round, action: a % (of.fabric.roundAction[round + 1]! - of.fabric.roundAction[round]!) };
}
const aChange = fc.constantFrom('plain', 'increase', 'decrease');

/** The part with one round in other words, and that round's rows before and after. */
function withWords({ count, counted: of, index, fabric, round }: (typeof parts)[number] & { round: number }, text: string) {
  const { part: own } = of;
  const plain = alteredPart(count.pattern, own, [], () => 1);
  const change: Alteration = { kind: 'instead', ...writtenRound(plain, round), text };
  const counts = countWith(
    count,
    index,
    alteredPart(count.pattern, own, [change], () => 1),
  );
  const made = fabricOf(counts);
  const rowsOf = (some: Fabric) => some.roundStart.slice(round, round + 2);
  return { counts, made, before: rowsOf(fabric), after: rowsOf(made) };
}

describe('a stitch worked otherwise', () => {
  it('leaves every count, loop, join and colour of the part as it was, in all demo patterns', () => {
    let changed = 0;
    fc.assert(
      fc.property(anAction, aChange, (picked, as) => {
        const at = actionOf(picked);
        const words = workedOtherwise(at.counted, at.fabric, at.round, at.action, as, 'US');
        fc.pre(words !== null);
        changed++;
        const { counts, made, before } = withWords(at, words);
        expect(roundLengths(made), words).toEqual(roundLengths(at.fabric));
        expect(
          counts.rounds.every((each) => each.ok),
          words,
        ).toBe(true);
        expect(made.roundWay).toEqual(at.fabric.roundWay);
        expect(made.actionCount - at.fabric.actionCount).toBe(
          made.roundAction[at.round + 1]! - at.fabric.roundAction[at.round + 1]!,
        );
        for (const name of ['loop', 'stitch'] as const) {
          const [from, to] = before;
          expect(new Set(made[name].slice(from, to)), words).toEqual(new Set(at.fabric[name].slice(from, to)));
        }
        for (const round of [at.round - 1, at.round + 1]) {
          if (round < 0 || round >= made.roundCount) continue;
          const [from, to] = [made.roundStart[round]!, made.roundStart[round + 1]!];
          const colours = (some: Fabric) => Array.from(some.colour.slice(from, to), (colour) => some.colours[colour]);
          expect(colours(made), words).toEqual(colours(at.fabric));
        }
      }),
      { numRuns: 400 },
    );
    expect(changed).toBeGreaterThan(200);
  });

  it('keeps what was worked before it to the stitch, and does at the hook what it says', () => {
    fc.assert(
      fc.property(anAction, aChange, (picked, as) => {
        const at = actionOf(picked);
        const words = workedOtherwise(at.counted, at.fabric, at.round, at.action, as, 'US');
        fc.pre(words !== null);
        const { made } = withWords(at, words);
        const first = at.fabric.roundAction[at.round]!;
        for (let action = first; action < first + at.action; action++) {
          expect(changeOf(made, action), words).toBe(changeOf(at.fabric, action));
          expect(made.actionStart[action]).toBe(at.fabric.actionStart[action]);
        }
        // Over a foundation a decrease hangs on no stitch.
        if (at.round > 0) expect(changeOf(made, first + at.action), words).toBe(as);
      }),
      { numRuns: 400 },
    );
  });

  it('says so when the count is out of reach', () => {
    const ring = parts.find(
      ({ fabric }) => fabric.roundCount > 1 && roundLength(fabric, 0) === 6 && roundLength(fabric, 1) === 12,
    )!;
    expect(workedOtherwise(ring.counted, ring.fabric, 1, 5, 'plain', 'US')).toBeNull();
    expect(workedOtherwise(ring.counted, ring.fabric, 0, 2, 'increase', 'US')).toBeNull();
  });
});

describe('a colour taken up early', () => {
  it('begins at that very stitch, goes on to where it was due, and changes no count', () => {
    let changed = 0;
    fc.assert(
      fc.property(anAction, (picked) => {
        const at = actionOf(picked);
        const early = colourEarlier(at.counted, at.fabric, at.round, at.action, 'US');
        fc.pre(early !== null);
        changed++;
        const { made } = withWords(at, early.text);
        expect(roundLengths(made), early.text).toEqual(roundLengths(at.fabric));
        const first = at.fabric.actionStart[at.fabric.roundAction[at.round]! + at.action]!;
        const names = (some: Fabric) => Array.from(some.colour, (colour) => some.colours[colour]);
        const [was, is] = [names(at.fabric), names(made)];
        expect(is.slice(0, first), early.text).toEqual(was.slice(0, first));
        expect(is.slice(first, first + early.stitches), early.text).toEqual(Array(early.stitches).fill(early.colour));
        expect(is.slice(first + early.stitches), early.text).toEqual(was.slice(first + early.stitches));
      }),
      { numRuns: 400 },
    );
    expect(changed).toBeGreaterThan(100);
  });
});

describe('what stands of a log', () => {
  const event = (n: number, own: object): MakerEvent => ({ id: `e${n}`, piece: 'a/1', at: n, ...own }) as MakerEvent;
  it('is what was said and not undone, whatever its kind', () => {
    const log = record(EMPTY_LOG, [
      event(1, { kind: 'reached', round: 0, action: 3 }),
      event(2, { kind: 'altered', changes: [{ kind: 'length', line: 0, rounds: 2 }] }),
      event(3, { kind: 'undone', event: 'e2' }),
      event(4, { kind: 'remarked', line: 0, nth: 0, text: 'loose' }),
      event(5, { kind: 'undone', event: 'e4' }),
      event(6, { kind: 'undone', event: 'e5' }),
    ]);
    expect(standingEvents(log, 'a/1').map((one) => one.id)).toEqual(['e1', 'e4']);
    expect(positionOf(log, 'a/1')).toEqual({ round: 0, action: 3 });
  });

  it('agrees with a slow fold that plays every event in turn', () => {
    const any = fc.array(fc.tuple(fc.constantFrom('reached', 'remarked', 'undone'), fc.nat(20)), { maxLength: 30 });
    fc.assert(
      fc.property(any, (all) => {
        const events = all.map(([kind, n], i) =>
          event(
            i,
            kind === 'reached'
              ? { kind, round: n, action: 0 }
              : kind === 'undone'
                ? { kind, event: `e${n}` }
                : { kind, line: n, nth: 0, text: 'x' },
          ),
        );
        // An undoing counts unless a later standing one undoes it: settled from the back, one by one.
        const stands = (i: number): boolean =>
          !events.some((later, j) => j > i && later.kind === 'undone' && later.event === `e${i}` && stands(j));
        const slow = events.filter((one, i) => one.kind !== 'undone' && stands(i)).map((one) => one.id);
        expect(standingEvents(record(EMPTY_LOG, events), 'a/1').map((one) => one.id)).toEqual(slow);
      }),
      { seed: 3, numRuns: 500 },
    );
  });
});

describe('time', () => {
  it('has no stitches of taps that were undone', () => {
    // Five slips of a whole round each, taken back at once, in six and a half minutes of ten stitches a minute.
    let log: Log = EMPTY_LOG;
    const add = (
      n: number,
      own: { kind: 'reached'; round: number; action: number } | { kind: 'undone'; event: string },
    ): void => {
      log = record(log, [{ id: `e${n}`, piece: 'a/1', at: n * 1_000, ...own }]);
    };
    for (let stitch = 1; stitch <= 65; stitch++) {
      add(6 * stitch, { kind: 'reached', round: 0, action: stitch });
      if (stitch % 13 > 0) continue;
      add(6 * stitch + 1, { kind: 'reached', round: 1, action: 97 });
      add(6 * stitch + 2, { kind: 'undone', event: `e${6 * stitch + 1}` });
    }
    const sessions = sessionsOf(log, ({ round, action }) => round * 65 + action);
    expect(sessions.map(({ stitches }) => stitches)).toEqual([65]);
    // From the first tap that stands to the last.
    expect(paceOf(sessions)).toBeCloseTo(65 / (384 / 60), 6);
  });

  it('of a replayed day: two sittings, a pause for tea, some ripping back', () => {
    const minute = 60_000;
    let log: Log = EMPTY_LOG;
    let id = 0;
    const step = (at: number, stitches: number): void => {
      log = record(log, [{ id: `e${id++}`, piece: 'a/1', at: at * minute, kind: 'reached', round: 0, action: stitches }]);
    };
    // 10 stitches a minute for 20 minutes, tea for 15, then 10 minutes of which 2 are ripping back 30 stitches.
    for (let m = 0; m <= 20; m++) step(m, 10 * m);
    for (let m = 35; m <= 43; m++) step(m, 200 + 10 * (m - 35));
    step(45, 250);
    const sessions = sessionsOf(log, ({ action }) => action);
    expect(sessions.map(({ from, to }) => [from / minute, to / minute])).toEqual([
      [0, 20],
      [35, 45],
    ]);
    expect(timeWorked(sessions)).toBe(30 * minute);
    expect(sessions.map((session) => session.stitches)).toEqual([200, 80]);
    expect(paceOf(sessions)).toBeCloseTo(280 / 30, 9);
    expect(paceOf([])).toBe(USUAL_PACE);
    expect(IDLE_MS).toBeLessThan(15 * minute);
  });
});

describe('in time', () => {
  const fabric = (text: string): { counted: ReturnType<typeof checkPattern>['parts'][number]; fabric: Fabric } => {
    const own = checkPattern(read(text)).parts[0]!;
    return { counted: own, fabric: fabricOf(own) };
  };
  const ball = fabric(
    'With black:\nR1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4–R9: sc around (18). Change to white.\nR10: (1 sc, dec) × 6\nR11: dec × 6',
  );
  const wide = { openings: [20, 38, 60, 62, 62, 62, 62, 62, 60, 37, 20], handMm: 38, stuffed: true };

  it('judges by itself where the pattern says nothing: right side out, and stuffing while a hand fits', () => {
    const at = (round: number) =>
      timelyOf(ball.counted, ball.fabric, { round, action: 0 }, wide).map(
        ({ kind, round: before, near }) => `${kind} ${before} ${near}`,
      );
    expect(at(0)).toEqual(['right side 3 ahead', 'stuffing 7 ahead']);
    expect(at(3)).toEqual(['right side 3 now', 'stuffing 7 ahead']);
    expect(at(8)).toEqual(['stuffing 7 now']);
    expect(at(9)).toEqual(['stuffing 7 last chance']);
    expect(closingRound(wide.openings, 38)).toBe(9);
    expect(closingRound([10, 12, 12], 38)).toBeNull();
  });

  it('stuffs a narrow tube as it grows, and never what is not stuffed', () => {
    const narrow = { openings: Array<number>(11).fill(20), handMm: 38, stuffed: true };
    expect(
      timelyOf(ball.counted, ball.fabric, { round: 0, action: 0 }, narrow).filter((one) => one.kind === 'stuffing'),
    ).toHaveLength(1);
    expect(
      timelyOf(ball.counted, ball.fabric, { round: 0, action: 0 }, { ...wide, stuffed: false }).map((one) => one.kind),
    ).toEqual(['right side']);
  });

  it('has eyes set when their rounds are there, wherever in the text that is said', () => {
    const head = 'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4–R9: sc around (18)\nR10: (1 sc, dec) × 6\nR11: dec × 6';
    const eyes = 'Insert the eyes between R4 and R5.';
    for (const text of [`${eyes}\n${head}`, `${head}\n${eyes}`, head.replace('R4–R9', `${eyes}\nR4–R9`)]) {
      const own = fabric(`## Head\n${text}`);
      const said = (round: number) =>
        timelyOf(own.counted, own.fabric, { round, action: 0 }, wide).find(({ kind }) => kind === 'eyes')?.near;
      expect([0, 4, 5, 8, 9].map(said)).toEqual(['ahead', 'ahead', 'now', 'now', 'last chance']);
    }
  });

  it('keeps what is asked for in a round that was made otherwise', () => {
    const text = 'R1: 6 sc in ring\nR2: inc × 6\nR3: sc around';
    const own = checkPattern(read(text));
    const altered = alteredPart(
      own.pattern,
      own.pattern.parts[0]!,
      [{ kind: 'instead', line: 2, nth: 0, text: '12 sc. Stuff firmly.' }],
      () => 1,
    );
    expect(gatesOf(altered.part).map(({ kind, before }) => [kind, before])).toEqual([['stuffing', 3]]);
  });

  it('tells of a colour before the last stitch of the old one', () => {
    expect(colourAhead(ball.fabric, { round: 8, action: 0 })).toEqual({ from: 'black', colour: 'white', inActions: 17 });
    expect(colourAhead(ball.fabric, { round: 8, action: 17 })).toEqual({ from: 'black', colour: 'white', inActions: 0 });
    expect(colourAhead(ball.fabric, { round: 5, action: 0 })).toBeNull();
    expect(colourAhead(ball.fabric, { round: 9, action: 0 })).toBeNull();
  });

  it('comes nearer from round to round, is said at its time, and is let go soon after its last chance', () => {
    const order = ['ahead', 'now', 'last chance'] as const;
    fc.assert(
      fc.property(fc.nat(parts.length - 1), fc.integer({ min: 15, max: 90 }), fc.boolean(), (which, handMm, stuffed) => {
        const { fabric: made, counted: of } = parts[which]!;
        const opening = stuffedProfile(roundLengths(made), { width: 5.4, height: 5.2 });
        const openings = Array.from(opening.r, (r) => 2 * r);
        const closes = closingRound(openings, handMm);
        const seen = new Map<string, number[]>();
        for (let round = 0; round <= made.roundCount; round++) {
          const all = timelyOf(of, made, { round, action: 0 }, { openings, handMm, stuffed });
          expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
          for (const one of all) {
            const said = seen.get(one.id) ?? seen.set(one.id, []).get(one.id)!;
            // Once let go, it does not come back.
            if (said.length > 0) expect(said[said.length - 1]! >> 2).toBe(round - 1);
            const near = order.indexOf(one.near);
            if (said.length > 0) expect(near).toBeGreaterThanOrEqual(said[said.length - 1]! & 3);
            if (one.near !== 'ahead') expect(round, one.id).toBeGreaterThanOrEqual(one.round);
            said.push(round * 4 + near);
          }
        }
        for (const gate of gatesOf(of.part)) {
          const said = seen.get(`${gate.kind} ${gate.text}`)!;
          // Everything the pattern says is said at its time, before the piece is done or with its end.
          expect(said.some((one) => (one & 3) > 0)).toBe(true);
        }
        // A stuffed piece that closes is never let close unsaid.
        if (stuffed && closes !== null) {
          const stuffing = [...seen].filter(([id]) => id.startsWith('stuffing')).flatMap(([, said]) => said);
          expect(stuffing.some((one) => (one & 3) > 0 && one >> 2 <= made.roundCount)).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('tells of every change of colour in every demo pattern, at each place before it, also over joins and chains', () => {
    for (const { fabric: made, counted: of } of parts) {
      // The actions that make stitches, in order, with their colour.
      const making = Array.from({ length: made.actionCount }, (_, action) => action).filter(
        (action) => made.actionStart[action]! < made.actionStart[action + 1]!,
      );
      const colour = (action: number): string => made.colours[made.colour[made.actionStart[action]!]!]!;
      for (let nth = 0; nth + 1 < making.length; nth++) {
        const [last, next] = [making[nth]!, making[nth + 1]!];
        if (colour(last) === colour(next)) continue;
        const round = made.round[made.actionStart[last]!]!;
        const first = made.roundAction[round]!;
        // From the latest of: the round's start, the change before.
        const before = making.slice(0, nth).findLast((action) => colour(action) !== colour(last)) ?? -1;
        const words = `${of.part.name} ${round}`;
        for (let action = Math.max(first, before + 1); action < next && action < made.roundAction[round + 1]!; action++) {
          if (action < making.find((each) => each > before)!) continue;
          expect(colourAhead(made, { round, action: action - first }), words).toEqual({
            from: colour(last),
            colour: colour(next),
            inActions: Math.max(0, last - action),
          });
        }
      }
    }
  });
});
