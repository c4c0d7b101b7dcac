import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf } from '../fabric/index.js';
import { read } from '../notation/index.js';
import type { Vector } from '../vector/index.js';
import {
  askWords,
  isRight,
  makeTask,
  nextTasks,
  optionWords,
  ownTask,
  practiceDays,
  sameOption,
  standings,
  TASK_KINDS,
  whyWords,
  type Answered,
  type Given,
  type Option,
  type Task,
  type TaskKind,
} from './index.js';

/** Knots of one drawn stitch: the V before it, and its legs. */
const KNOTS = 22;
/** Of those, the head of its V, and where its two legs come through: from behind, below, and before the V they stand in. */
const HEAD = 5;
const FEET = { behind: [11, 21], below: [12, 20], before: [13, 19], legs: [14, 18] } as const;

interface DrawnStitch {
  readonly head: Vector;
  readonly feet: Readonly<Record<keyof typeof FEET, Vector>>;
}

const middle = (a: Vector, b: Vector): Vector => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];

/** The stitches as they are drawn, round by round: read from the picture's strands alone. */
function drawnRounds({ picture }: Pick<Task, 'picture'>): readonly (readonly DrawnStitch[])[] {
  return picture.strands
    .filter(({ id }) => id.startsWith('round '))
    .map(({ knots }) =>
      Array.from({ length: knots.length / KNOTS }, (_, i) => {
        const own = knots.slice(i * KNOTS, (i + 1) * KNOTS);
        const feet = Object.fromEntries(Object.entries(FEET).map(([name, [a, b]]) => [name, middle(own[a]!, own[b]!)]));
        return { head: own[HEAD]!, feet: feet as DrawnStitch['feet'] };
      }),
    );
}

const angle = ([x, y]: Vector): number => Math.atan2(x, y);
const gap = (a: number, b: number): number => Math.abs(((a - b + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);

/** How many stitches of the last round of a disc stand in each V of the one below, in order: looked up angle by angle. */
function standIn(rounds: readonly (readonly DrawnStitch[])[]): readonly number[] {
  const [below, top] = [rounds.at(-2)!, rounds.at(-1)!];
  const heads = below.map(({ head }) => angle(head));
  const counts = below.map(() => 0);
  for (const { feet } of top) {
    const at = angle(feet.below);
    // The V of a stitch lies between the head before it and its own.
    const vs = heads.map((head, i) => gap(at, head) + gap(at, heads.at(i - 1)!));
    counts[vs.indexOf(Math.min(...vs))]!++;
  }
  return counts;
}

/** Stitches of the top round that share a foot, by how near their feet are: a reference that knows no fabric. */
function sharedFeet(top: readonly DrawnStitch[]): readonly number[] {
  const apart = (i: number, k: number): number => {
    const [a, b] = [top[i]!.feet.below, top[k]!.feet.below];
    return Math.hypot(a[0] - b[0], a[1] - b[1]);
  };
  const steps = top.slice(1).map((_, i) => apart(i, i + 1));
  const usual = [...steps].sort((a, b) => a - b).at(-1)!;
  return top.flatMap((_, i) => {
    const twin = (k: number): boolean => k >= 0 && k < top.length && apart(i, k) < usual * 0.45;
    return twin(i - 1) || twin(i + 1) ? [i] : [];
  });
}

/** What the slips of an option would make of groups of "(k sc, inc) × 6", by hand: stitches in each V below. */
function standInAfter(option: Option, plain: number): readonly number[] {
  if (option.is !== 'slip') return [];
  return [1, 2, 3, 4, 5, 6].flatMap((group) => {
    const usual = [...Array.from({ length: plain }, () => 1), 2];
    if (group !== option.group) return usual;
    if (option.slip === 'increase missing') return usual.with(plain, 1);
    if (option.slip === 'increase too many') return usual.with(plain - 1, 2);
    return usual.with(0, 0);
  });
}

const eyeAt = ({ picture }: Task, id: string): number => picture.strands.find((strand) => strand.id === id)!.knots[0]![0];

/** The answer as a slow reader of the picture finds it, kind by kind. */
const REFERENCE: Readonly<Record<TaskKind, (task: Task) => Given | readonly Given[]>> = {
  stitches: (task) => ({ is: 'number', value: drawnRounds(task).at(-1)!.length }),
  rounds: (task) => ({ is: 'number', value: drawnRounds(task).length }),
  marker: (task) => ({ is: 'number', value: drawnRounds(task).length }),
  increases: (task) => {
    const found = sharedFeet(drawnRounds(task).at(-1)!);
    const first = task.ask.is === 'spots' ? task.ask.spots[0]!.stitch : 0;
    return { is: 'spots', stitches: found.map((i) => first + i) };
  },
  hidden: (task) => {
    // A decrease has its feet drawn through two front loops: its own V comes in over the edge.
    const top = drawnRounds(task).at(-1)!;
    const inFront = top.map(({ feet }) => feet.behind[1] - feet.below[1] > 0.2);
    const spots = task.ask.is === 'spots' ? task.ask.spots : [];
    const stitchAt = (i: number): number =>
      spots.find(({ at }) => Math.abs(at[0] - (top[i]!.feet.before[0] + top[i]!.head[0]) / 2) < 0.45)?.stitch ?? -1;
    const decrease = inFront.findIndex((is, i) => is && stitchAt(i) >= 0);
    return { is: 'spots', stitches: [stitchAt(decrease) + 1] };
  },
  side: (task) => {
    const legs = drawnRounds(task).flat();
    const front = legs.every(({ feet, head }) => feet.legs[2] > head[2]);
    return { is: 'choice', option: { is: 'side', side: front ? 'outside' : 'inside' } };
  },
  loop: (task) => {
    const under = ({ feet }: DrawnStitch): 'both' | 'back' | 'front' =>
      feet.before[2] < 0.3 ? 'back' : feet.behind[1] > feet.below[1] + 0.2 ? 'front' : 'both';
    const found = drawnRounds(task).flatMap((round) => round.map(under));
    return { is: 'choice', option: { is: 'loop', loop: found.find((each) => each !== 'both') ?? 'both' } };
  },
  apart: (task) => {
    const [from, to] = [eyeAt(task, 'eye 1'), eyeAt(task, 'eye 2')];
    const row = drawnRounds(task)[2]!;
    return { is: 'number', value: row.filter(({ feet }) => feet.legs[0] > from && feet.legs[0] < to).length };
  },
  slip: (task) => {
    const rounds = drawnRounds(task);
    const found = standIn(rounds);
    const plain = rounds.length - 2;
    const options = task.ask.is === 'choice' ? task.ask.options : [];
    return options
      .filter((option) => JSON.stringify(standInAfter(option, plain)) === JSON.stringify(found))
      .map((option) => ({ is: 'choice', option }));
  },
  shape: (task) => {
    const rounds = drawnRounds(task);
    const heads = rounds.at(-1)!.map(({ head }) => head);
    const reach = (axis: 0 | 1): number => Math.max(...heads.map((head) => Math.abs(head[axis])));
    if (reach(0) > 1.2 * reach(1)) return { is: 'choice', option: { is: 'shape', shape: 'oval' } };
    // Increases over increases: those of the last round against those of the one before.
    const [before, last] = [rounds.at(-2)!, rounds.at(-1)!].map((round) =>
      sharedFeet(round).map((i) => angle(round[i]!.feet.below)),
    );
    const nearest = last!.map((at) => Math.min(...before!.map((other) => gap(at, other))));
    const stacked = nearest.reduce((sum, each) => sum + each, 0) / nearest.length < Math.PI / 12;
    return { is: 'choice', option: { is: 'shape', shape: stacked ? 'stacked' : 'staggered' } };
  },
  start: (task) => {
    const line = task.picture.marks.find((mark) => mark.is === 'line')!;
    const thread = task.picture.strands.find(({ id }) => id === 'thread')!.knots.at(-1)![0];
    const top = drawnRounds(task).at(-1)!;
    const vs = top.slice(1).map(({ head }, i) => (head[0] + top[i]!.head[0]) / 2 - 0.17);
    const to = line.is === 'line' ? line.from[0] : 0;
    return { is: 'number', value: vs.filter((v) => v > thread + 0.4 && v < to + 0.4).length };
  },
};

const seeds = fc.tuple(fc.integer({ min: 1, max: 1_000_000 }), fc.integer({ min: 1, max: 5 }));

describe('tasks', () => {
  it.each(TASK_KINDS)(
    'of %s have exactly one right answer, and it is what a slow reader finds in the picture',
    (kind) => {
      fc.assert(
        fc.property(seeds, ([seed, level]) => {
          const task = makeTask(kind, level, seed);
          const found = [REFERENCE[kind](task)].flat();
          expect(found, `seed ${seed}, level ${level}`).toHaveLength(1);
          expect(
            isRight(task, found[0]!),
            `seed ${seed}, level ${level}: ${JSON.stringify(found[0])} ${JSON.stringify(task.ask)}`,
          ).toBe(true);
          if (task.ask.is === 'choice') {
            const { options, answer } = task.ask;
            expect(options.filter((option) => sameOption(option, answer))).toHaveLength(1);
            expect(options.filter((option) => isRight(task, { is: 'choice', option }))).toHaveLength(1);
            expect(new Set(options.map(optionWords)).size).toBe(options.length);
          }
          if (task.ask.is === 'number') {
            const { answer, least, most } = task.ask;
            expect(answer >= least && answer <= most).toBe(true);
            expect(isRight(task, { is: 'number', value: answer + 1 })).toBe(false);
          }
          if (task.ask.is === 'spots') {
            const { spots, answer } = task.ask;
            const known = new Set(spots.map(({ stitch }) => stitch));
            expect(answer.length).toBeGreaterThan(0);
            expect(answer.flat().every((stitch) => known.has(stitch))).toBe(true);
            // One of each pair is enough, one pair less is not, and one stitch more is wrong.
            expect(isRight(task, { is: 'spots', stitches: answer.map((group) => group[0]!) })).toBe(true);
            expect(isRight(task, { is: 'spots', stitches: answer.slice(1).flat() })).toBe(false);
            const other = spots.find(({ stitch }) => !answer.flat().includes(stitch))!;
            expect(isRight(task, { is: 'spots', stitches: [...answer.flat(), other.stitch] })).toBe(false);
          }
          expect(askWords(task)).toMatch(/[.?]$/);
          expect(whyWords(task)).toMatch(/^[^{}]+\.$/);
          expect(`${askWords(task)} ${whyWords(task)}`).not.toMatch(/undefined|NaN/);
        }),
        { numRuns: 60 },
      );
    },
    60_000,
  );

  it('follow from their seed alone, and are of many different answers', () => {
    for (const kind of TASK_KINDS) {
      expect(makeTask(kind, 3, 7)).toEqual(makeTask(kind, 3, 7));
      const answers = new Set(Array.from({ length: 30 }, (_, seed) => JSON.stringify(makeTask(kind, 3, seed + 1).ask.answer)));
      expect(answers.size, kind).toBeGreaterThan(1);
    }
  });

  it('of the maker’s own rounds ask for the changes that fall there; where there are none, nothing', () => {
    const text = 'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: sc around\nR5: (1 sc, invdec) × 6\nR6: 3 hdc, 9 sc';
    const fabric = fabricOf(checkPattern(read(text)).parts[0]!);
    const tasks = [0, 1, 2, 3, 4, 5, 6].map((round) => ownTask(fabric, round, 1));
    expect(tasks.map((task) => task !== null)).toEqual([false, true, true, false, true, false, false]);
    expect(askWords(tasks[2]!)).toBe('This is round 3 as you will work it. Tap every increase.');
    expect(askWords(tasks[4]!)).toBe('This is round 5 as you will work it. Tap every decrease.');
    for (const task of tasks) if (task?.ask.is === 'spots') expect(task.ask.answer.length).toBe(task.facts['increases']);
  });
});

describe('what comes next', () => {
  const DAY = 86_400_000;
  const answered = fc.record({
    kind: fc.constantFrom(...TASK_KINDS),
    level: fc.integer({ min: 1, max: 5 }),
    at: fc.integer({ min: 0, max: 60 }).map((day) => 1_790_000_000_000 + day * DAY),
    seconds: fc.integer({ min: 2, max: 90 }),
    right: fc.boolean(),
  });
  const answersOf = fc
    .array(answered, { maxLength: 60 })
    .map((all) => all.map((each, i): Answered => ({ ...each, at: each.at + i })));

  it('is ten kinds, none twice, those that are due before all others; whatever order the answers came in', () => {
    fc.assert(
      fc.property(answersOf, fc.integer({ min: 0, max: 90 }), (answers, day) => {
        const now = 1_790_000_000_000 + day * DAY;
        const next = nextTasks(answers, now, 5);
        expect(next).toHaveLength(10);
        expect(new Set(next.map(({ kind }) => kind)).size).toBe(10);
        expect(standings([...answers].reverse())).toEqual(standings(answers));
        const all = standings(answers);
        const due = all.filter((each) => each.due !== null && each.due <= now);
        const left = TASK_KINDS.filter((kind) => !next.some((each) => each.kind === kind));
        if (due.length <= 10) expect(left.every((kind) => !due.some((each) => each.kind === kind))).toBe(true);
        for (const { level } of all) expect(level >= 1 && level <= 5).toBe(true);
      }),
      { numRuns: 40 },
    );
  });

  it('comes again sooner after a slip than after a right answer, and later with every right one', () => {
    const at = 1_790_000_000_000;
    const dueAfter = (answers: readonly boolean[]): number => {
      const given = answers.reduce<Answered[]>((all, right) => {
        const when = all.length === 0 ? at : standings(all).find(({ kind }) => kind === 'hidden')!.due!;
        return [...all, { kind: 'hidden', level: 1, at: when, seconds: 15, right }];
      }, []);
      return (standings(given).find(({ kind }) => kind === 'hidden')!.due! - given.at(-1)!.at) / DAY;
    };
    expect(dueAfter([false])).toBeLessThan(dueAfter([true]));
    expect(dueAfter([true])).toBeLessThan(dueAfter([true, true]));
    expect(dueAfter([true, true])).toBeLessThan(dueAfter([true, true, true]));
    expect(dueAfter([true, true, false])).toBeLessThan(dueAfter([true, true]));
    expect(dueAfter([false])).toBeGreaterThanOrEqual(1);
  });

  it('grows harder after two right answers in a row, and easier after a slip', () => {
    const levels = (pattern: string): number =>
      standings(
        Array.from(pattern, (each, i) => ({ kind: 'rounds', level: 1, at: i + 1, seconds: 9, right: each === 'r' })),
      ).find(({ kind }) => kind === 'rounds')!.level;
    expect(['', 'r', 'rr', 'rrr', 'rrrr', 'rrrrw', 'w', 'rrrrrrrrrrrrrr'].map(levels)).toEqual([1, 1, 2, 2, 3, 2, 1, 5]);
  });

  it('is told day by day, with the middle of what right answers took', () => {
    const at = (day: number, seconds: number, right: boolean): Answered => ({
      kind: 'side',
      level: 1,
      at: day * DAY + seconds,
      seconds,
      right,
    });
    const days = practiceDays(
      [at(2, 9, true), at(1, 30, false), at(1, 4, true), at(1, 8, true), at(1, 60, true)],
      (time) => Math.floor(time / DAY) * DAY,
    );
    expect(days).toEqual([
      { day: DAY, answered: 4, right: 3, seconds: 8 },
      { day: 2 * DAY, answered: 1, right: 1, seconds: 9 },
    ]);
  });
});
