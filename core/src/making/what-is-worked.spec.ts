import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, type PatternCount } from '../fabric/index.js';
import { read } from '../notation/index.js';
import {
  answered,
  pieceMade,
  placeOfStitch,
  remarksOn,
  pieceSaid,
  positionOfPiece,
  reachedAt,
  stepFrom,
  stitchesDone,
  within,
  type Alteration,
  type MakerEvent,
  type PieceSaid,
  type Position,
  type Step,
  type WrittenRound,
} from './index.js';

/** A maker with one piece of a pattern, who steps, edits the text and answers, as the screens do. */
class Maker {
  said: MakerEvent[] = [];
  open = 4;
  /** Which part of the pattern it is. */
  part = 0;
  constructor(public text: string) {}

  /** Read once for each text. */
  get count() {
    if (this.known?.text !== this.text) this.known = { text: this.text, count: checkPattern(read(this.text)) };
    return this.known.count;
  }
  private known: { readonly text: string; readonly count: PatternCount } | null = null;
  get state(): PieceSaid {
    return pieceSaid(this.count, this.part, this.said, () => this.open);
  }
  get piece() {
    const state = this.state;
    const made = pieceMade(this.count, this.part, state, () => this.open);
    const fabric = fabricOf(made.counted);
    const position = within(fabric, positionOfPiece(state, made));
    return { state, made, fabric, position, done: stitchesDone(fabric, position) };
  }
  /** The rounds still to be worked, the one at hand first. */
  get ahead(): string[] {
    const { made, position } = this.piece;
    return made.counted.rounds.slice(position.round).map(({ label, makes }) => `${label} ${makes}`);
  }
  get asked(): string[] {
    const words = (lines: PieceSaid['lines']): string => lines.map((line) => `R${line.first}`).join(' ');
    return this.state.changed.map(({ was, now }) => `${words(was)} > ${words(now)}`);
  }

  tell(what: { kind: 'altered'; changes: Alteration[] } | ReturnType<typeof reachedAt>, state = this.state): void {
    let follows = state.follows;
    if (state.follow) {
      follows = `e${this.said.length}`;
      this.said.push({ id: follows, piece: 'a/1', at: this.said.length, kind: 'followed', ...state.follow });
    }
    this.said.push({ id: `e${this.said.length}`, piece: 'a/1', at: this.said.length, follows: follows ?? undefined, ...what });
  }
  reach(to: Position): void {
    const { made, state } = this.piece;
    this.tell(reachedAt(made, state.lines, to));
  }
  answer(how: 'pattern' | 'made' | WrittenRound): this {
    const { done } = this.piece;
    const state = answered(this.count, this.part, this.said, this.state, how);
    const made = pieceMade(this.count, this.part, state, () => this.open);
    const at = positionOfPiece(state, made);
    const to = at.action > 0 ? placeOfStitch(fabricOf(made.counted), at.round, done.inRound) : at;
    this.tell(reachedAt(made, state.lines, to), state);
    return this;
  }
  step(by: Step, times = 1): this {
    for (let i = 0; i < times; i++) {
      const { fabric, position } = this.piece;
      this.reach(stepFrom(fabric, position, by));
    }
    return this;
  }
}

const BALL =
  'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5–R8: sc around\nR9: (2 sc, dec) × 6\nR10: dec × 6';

/** BALL with a forgotten round written in above its straight ones. */
const FORGOTTEN =
  'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5: (3 sc, inc) × 6\nR6–R9: sc around\nR10: (3 sc, dec) × 6';

describe('what is worked is worked', () => {
  const inStraight = (): Maker => new Maker(BALL).step('round', 4).step('stitch', 5);

  it('stays in its round when a forgotten one is written in above, and asks until it is answered', () => {
    const maker = inStraight();
    const before = maker.piece.done;
    expect(before).toEqual({ total: 65, inRound: 5 });
    maker.text = FORGOTTEN;
    expect(maker.piece.done).toEqual(before);
    expect(maker.asked).toEqual([' > R5']);
    expect(maker.ahead).toEqual(['R5 24', 'R6 24', 'R7 24', 'R8 24', 'R9 24']);
    expect(maker.step('stitch').piece.done.inRound).toBe(6);
    expect(maker.asked).toEqual([' > R5']);
    // Written out again, there is nothing to ask.
    maker.text = BALL;
    expect([maker.asked, maker.piece.done.inRound]).toEqual([[], 6]);
  });

  it('is, as answered, in the pattern as it is now, as it was made, or where the maker says', () => {
    const [one, two, three] = [inStraight(), inStraight(), inStraight()];
    for (const maker of [one, two, three]) maker.text = FORGOTTEN;
    one.answer('pattern');
    expect([one.asked, one.piece.done, one.ahead]).toEqual([
      [],
      { total: 95, inRound: 5 },
      ['R6 30', 'R7 30', 'R8 30', 'R9 30', 'R10 24'],
    ]);
    two.answer('made');
    expect([two.asked, two.piece.done, two.ahead.at(-1)]).toEqual([[], { total: 65, inRound: 5 }, 'R9 24']);
    // What is changed ahead of it from now on still comes in, and nothing is asked again.
    two.text = FORGOTTEN.replace('R10: (3 sc, dec)', 'R10: (1 sc, dec)').replace('R6–R9', 'R6–R8');
    expect([two.asked, two.ahead]).toEqual([[], ['R5 24', 'R6 24', 'R7 24', 'R8 12']]);
    two.step('round', 2);
    expect([two.asked, two.ahead]).toEqual([[], ['R7 24', 'R8 12']]);
    three.answer({ line: 4, nth: 0 });
    expect([three.asked, three.piece.done, three.ahead[0]]).toEqual([[], { total: 60, inRound: 0 }, 'R5 30']);
    // An answer can be undone: then it is asked again.
    three.said.pop();
    expect([three.asked, three.piece.done.total]).toEqual([[' > R5'], 65]);
  });

  it('asks when the round at hand is rewritten, and keeps to its own words for what is begun', () => {
    const maker = inStraight().step('round', 1).step('stitch', 3);
    const { total } = maker.piece.done;
    maker.text = BALL.replace('R5–R8: sc around', 'R5–R8: sc BLO around');
    expect([maker.piece.done.total, maker.asked]).toEqual([total, ['R5 > R5']]);
    expect(maker.state.lines.map(({ first, last }) => last - first + 1)).toEqual([1, 1, 1, 1, 2, 2, 1, 1]);
    maker.answer('pattern');
    expect([maker.piece.done.total, maker.state.lines.length]).toEqual([total, 7]);
  });

  it('does not move or ask when lines are renumbered, joined, taken apart, or said in other words, and goes by the pattern ahead', () => {
    const maker = inStraight();
    const before = maker.piece.done;
    const cleaned = [
      BALL.replace(/R(\d+)/g, (_, number: string) => `R${Number(number) + 3}`),
      BALL.replace('R5–R8: sc around', 'R5: sc around\nR6: 24 sc\nR7–R8: sc in each st around (24)'),
      `# Buoy\nUK terms\n\n## Ball\n${BALL.replaceAll('sc', 'dc')}`,
      `${BALL}\n\n## Fin\nR1: 4 sc in ring`,
      BALL.replace('R9: (2 sc, dec) × 6', 'R9: (1 sc, dec) × 8').replace('R5–R8', 'R5–R6'),
      BALL.replace('R5–R8: sc', 'R5–R6: sc around\nR7: sc BLO around\nR8: sc'),
    ];
    for (const text of cleaned) {
      maker.text = text;
      expect([text, maker.asked, maker.piece.done]).toEqual([text, [], before]);
    }
    expect(maker.ahead.slice(2, 4)).toEqual(['R7 24', 'R8 24']);
    maker.step('round', 2).text = BALL;
    // Two of the four straight rounds are worked, and the one in the back loops was still ahead.
    expect([maker.asked, maker.ahead[0]]).toEqual([[], 'R7 24']);
  });

  it('has its open runs as they were worked, whatever a swatch says of their length later', () => {
    const text = 'R1: 6 sc in ring\nR2: inc × 6\nR3: sc around until it is 5 cm long\nR4: sc BLO around\nR5: dec × 6';
    const maker = new Maker(text).step('round', 6).step('stitch', 3);
    const before = maker.piece.done;
    expect(maker.ahead).toEqual(['R7 12', 'R8 6']);
    for (maker.open of [2, 9]) expect([maker.piece.done, maker.ahead.length]).toEqual([before, 2]);
    const within = new Maker(text).step('round', 4).step('stitch', 3);
    for (within.open of [1, 3, 12]) expect(within.piece.done).toEqual({ total: 45, inRound: 3 });
    expect(within.ahead).toHaveLength(12);
  });

  it('keeps what was done otherwise and remarked at its round, wherever that is written', () => {
    const maker = inStraight();
    maker.tell({
      kind: 'altered',
      changes: [
        { kind: 'instead', line: 4, nth: 2, text: '22 sc, dec' },
        { kind: 'length', line: 4, rounds: 3 },
      ],
    });
    maker.said.push({
      id: 'r',
      piece: 'a/1',
      at: 99,
      kind: 'remarked',
      line: 4,
      nth: 1,
      text: 'tight',
      follows: maker.state.follows ?? undefined,
    });
    maker.text = BALL.replace(
      'R3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6',
      'R3: 1 sc, inc, (1 sc, inc) × 5\nR4: (2 sc, inc) around',
    );
    expect(maker.asked).toEqual([]);
    expect(maker.ahead.slice(0, 4)).toEqual(['R5 24', 'R6 24', 'R7 23', 'R8 18']);
    maker.text = `R1: 6 sc in ring\n${BALL.replace('R1: 6 sc in ring', 'R2: sc around').replace('R2: inc', 'R3: inc').replace('R3: (1', 'R4: (1').replace('R4: (2', 'R5: (2').replace('R5–R8', 'R6–R9')}`;
    maker.answer('pattern');
    expect(maker.ahead.slice(0, 3)).toEqual(['R6 24', 'R7 24', 'R8 23']);
    expect(remarksOn(maker.said, maker.count, 0, maker.state.lines)).toEqual([{ line: 5, nth: 1, text: 'tight' }]);
  });

  it('keeps what is joined in the rounds that are worked, when a part is called otherwise or stands elsewhere', () => {
    const leg = '## Leg\nR1: 6 sc in ring\nR2: inc × 6';
    const body = '## Body\nJoin the legs with ch 3.\nR1: sc around (30)\nR2: sc around\nR3: (3 sc, dec) × 6';
    const maker = new Maker(
      `Bean\n\n${body.replace('## Body', '## Lid').replace('Join the legs with ch 3.\nR1: sc around (30)', 'R1: 30 sc in ring')}\n\n${leg}\n\n${body}`,
    );
    maker.part = 2;
    maker.step('round', 1).step('stitch', 4);
    const before = maker.piece.done;
    const foot = maker.text.replace('## Leg', '## Foot').replace('the legs', 'the feet');
    for (const text of [foot, `Bean\n\n${leg}\n\n## Tail\nR1: 4 sc in ring\n\n${body}`]) {
      maker.text = text;
      expect([maker.asked, maker.piece.done]).toEqual([[], before]);
    }
  });

  it('takes up a piece that was begun before lines were kept, where it is', () => {
    const maker = new Maker(BALL);
    maker.said.push({ id: 'old', piece: 'a/1', at: 0, kind: 'reached', round: 5, action: 3 });
    const before = maker.piece.done;
    maker.said.push({ id: 'kept', piece: 'a/1', at: 1, kind: 'followed', ...maker.state.follow! });
    expect([maker.piece.done, maker.state.follow]).toEqual([before, null]);
    maker.text = FORGOTTEN;
    expect([maker.piece.done, maker.asked]).toEqual([before, [' > R5']]);
  });

  const written = fc.constantFrom(
    'sc around',
    'inc around',
    '(1 sc, inc) around',
    'sc BLO around',
    'dec around',
    '2 sc, dec, sc to last st, inc',
  );
  const line = fc.tuple(written, fc.integer({ min: 1, max: 4 }));
  const textOf = (lines: readonly (readonly [string, number])[]): string => {
    let next = 2;
    return ['R1: 12 sc in ring', ...lines.map(([words, rounds]) => `R${next}–R${(next += rounds) - 1}: ${words}`)].join('\n');
  };

  it('loses and gains no stitch by any edit of the text, one after another, answered or not', () => {
    const edit = fc.record({
      at: fc.nat(7),
      take: fc.nat(2),
      put: fc.array(line, { maxLength: 2 }),
      steps: fc.nat(30),
      answer: fc.boolean(),
    });
    fc.assert(
      fc.property(
        fc.array(line, { minLength: 3, maxLength: 7 }),
        fc.nat(60),
        fc.array(edit, { minLength: 1, maxLength: 3 }),
        (first, steps, edits) => {
          let lines = first;
          const maker = new Maker(textOf(lines))
            .step('round', steps % 7)
            .step('group', steps % 5)
            .step('stitch', steps % 3);
          fc.pre(maker.said.length > 0);
          for (const { at, take, put, steps: more, answer } of edits) {
            const { total } = maker.piece.done;
            const rest = maker.ahead.length;
            const [from, { round }] = [Math.min(at, lines.length), maker.piece.position];
            const asked = maker.asked.length;
            lines = lines.toSpliced(from, take, ...put);
            maker.text = textOf(lines);
            expect(maker.piece.done.total).toBe(total);
            const begins = 1 + lines.slice(0, from).reduce((sum, [, rounds]) => sum + rounds, 0);
            const kept = maker.said.some((event) => event.kind === 'followed' && event.seen !== null);
            // An edit after all that is worked is nothing to ask about; none at all changes nothing.
            if (begins > round && !kept && asked === 0) expect(maker.asked).toEqual([]);
            if (take === 0 && put.length === 0) expect(maker.ahead).toHaveLength(rest);
            maker.step('group', more % 4);
            if (answer) {
              const { done } = maker.piece;
              maker.answer('made');
              expect([maker.asked, maker.piece.done]).toEqual([[], done]);
            }
          }
        },
      ),
      { seed: 11, numRuns: 25 },
    );
  });
});
