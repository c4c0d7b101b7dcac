import { isPlain, keyOf, type Shape, type Unit } from './shape.js';
import type { Sign } from './sign.js';
import { startsIn } from './starts.js';

/** A unit that was heard among the signs at `at`; a number by itself may be stitches. */
interface Heard {
  readonly unit: Unit;
  readonly at: number;
  readonly bare: boolean;
  /** Whether it follows the one before within a few words, or at once. */
  readonly close: boolean;
  readonly atOnce: boolean;
  /** Whether a new thought begins with it. */
  readonly leads: boolean;
}

/** Units farther apart than this many words do not belong together. */
const APART = 18;
/** And these few are within one. */
const CLOSE = 6;
const AT_ONCE = 2;
/** So many units in a row, at most. */
const MOST_UNITS = 16;

/** A shape, and the signs that say it first. */
export interface Candidate {
  /** Whether how often is said within it: "one, increase, then three, increase, five times, and two". */
  readonly inner?: boolean;
  readonly shape: Shape;
  readonly key: string;
  /** Of the signs, which are its own. */
  readonly from: number;
  readonly to: number;
  /** Numbers without a stitch's name among its units. */
  readonly bare: number;
}

/** All shapes that some of the signs may say in themselves: without starts, which take all signs that stand beside them. */
export function shapesIn(signs: readonly Sign[]): readonly Candidate[] {
  const found: Candidate[] = [];
  const add = (shape: Shape, from: number, to: number, bare = 0): void =>
    void found.push({ shape, key: keyOf(shape), from, to, bare });
  signs.forEach((sign, at) => {
    if (sign.is === 'each') add({ is: 'each', stitch: sign.stitch, per: sign.per, together: sign.together }, at, at);
    if (sign.is === 'each' && !sign.sure) add({ is: 'each', stitch: sign.stitch, per: 1, together: sign.together }, at, at);
    const plain = sign.is === 'plain' || (sign.is === 'run' && sign.of !== null);
    if (plain) add({ is: 'each', stitch: 'sc', per: 1, together: 1 }, at, at);
    if (sign.is === 'every') add({ is: 'units', units: everyUnits(sign.step, sign.per, sign.together), said: 1 }, at, at);
  });
  for (const run of runsIn(signs)) {
    windows(run, add);
    const absorbed = withOwnNumbers(run, signs);
    if (absorbed.length < run.length) windows(absorbed, add);
    for (const inner of innerRepeats(run, signs)) found.push(inner);
    const often = withTimes(run, signs);
    if (often)
      windows(
        often,
        (shape, from, to, bare) => void found.push({ shape, key: `inner ${keyOf(shape)}`, from, to, bare, inner: true }),
      );
  }
  return found.sort((a, b) => a.from - b.from);
}

/** Of the shapes of a talk those within `[from, to)`, each once, and the starts that its signs may tell. */
export function candidatesIn(
  shapes: readonly Candidate[],
  signs: readonly Sign[],
  from: number,
  to: number,
): readonly Candidate[] {
  const found = new Map<string, Candidate>();
  const add = (next: Candidate): void => {
    const known = found.get(next.key);
    const oftener = known && next.shape.is === 'units' && known.shape.is === 'units' && next.shape.said > known.shape.said;
    if (!known || oftener)
      found.set(next.key, known ? { ...next, from: known.from, bare: Math.min(next.bare, known.bare) } : next);
    else if (next.bare < known.bare) found.set(next.key, { ...known, bare: next.bare });
  };
  for (const shape of shapes) {
    if (shape.from >= to) break;
    if (shape.from >= from && shape.to < to) add(shape);
  }
  for (const start of startsIn(signs.slice(from, to)))
    add({ shape: start.shape, key: keyOf(start.shape), from: start.from + from, to: start.to + from, bare: 0 });
  return [...found.values()];
}

function everyUnits(step: number, per: number, together: number): Unit[] {
  const plain = step - together;
  const units: Unit[] = plain > 0 ? [work(plain)] : [];
  return [...units, { ...work(1), per, together }];
}

function work(count: number): Unit & { readonly is: 'work' } {
  return { is: 'work', stitch: 'sc', per: 1, together: 1, count, through: false };
}

/** Units that follow one another without another instruction between them. */
function runsIn(signs: readonly Sign[]): Heard[][] {
  const runs: Heard[][] = [[]];
  let last: Sign | null = null;
  signs.forEach((sign, at) => {
    const close = last !== null && sign.first - last.last <= CLOSE;
    const atOnce = last !== null && sign.first - last.last <= AT_ONCE;
    const heard = heardIn(sign, at).map((each) => ({ ...each, close, atOnce, leads: sign.leads }));
    const far = last !== null && sign.first - last.last > APART;
    if (heard.length === 0 && (sign.is === 'label' || sign.is === 'next' || sign.is === 'end')) runs.push([]);
    if (heard.length === 0) return;
    if (far) runs.push([]);
    runs.at(-1)!.push(...heard);
    last = sign;
  });
  return runs.filter((run) => run.length > 0);
}

function heardIn(sign: Sign, at: number): Omit<Heard, 'close' | 'atOnce' | 'leads'>[] {
  if (sign.is === 'atom') {
    const { stitch, per, together, count, through } = sign;
    const unit: Unit = { is: 'work', stitch, per, together, count, through };
    return [{ unit, at, bare: false }];
  }
  if (sign.is === 'skip' || sign.is === 'chain') return [{ unit: { is: sign.is, count: sign.count }, at, bare: false }];
  if (sign.is === 'number' && sign.value <= 60) return [{ unit: work(sign.value), at, bare: true }];
  if (sign.is === 'total' && !sign.strong && sign.count <= 20) return [{ unit: work(sign.count), at, bare: true }];
  if (sign.is === 'each' && sign.of !== null && sign.per === 1) return [{ unit: work(sign.of), at, bare: false }];
  return [];
}

function windows(run: readonly Heard[], add: (shape: Shape, from: number, to: number, bare: number) => void): void {
  for (let from = 0; from < run.length; from++) {
    // Nobody begins within a repeat: what stands before is the end of one, or stands apart.
    if (from > 0 && !run[from]!.leads && run[from]!.close && isPlain(run[from - 1]!.unit) && !run[from - 1]!.bare) continue;
    for (let to = from; to < Math.min(run.length, from + MOST_UNITS); to++) {
      const part = run.slice(from, to + 1);
      const bare = part.reduce((sum, each, i) => sum + (each.bare ? bareCost(run, from + i) : 0), 0);
      // A number at the end is a total, and one that stands apart at the beginning too, but where limbs are worked in.
      if (!part.some(isThrough) && (part.at(-1)!.bare || (part[0]!.bare && !part[1]?.atOnce))) continue;
      if (part.every((each) => each.bare) || (part[0]!.unit.is !== 'work' && part.length < 2)) continue;
      const { units, said } = once(merged(part.map(({ unit }) => unit)));
      const [only] = units;
      const one = units.length === 1 && only?.is === 'work' && isPlain(only) && only.count === 1;
      add(
        one ? { is: 'each', stitch: only.stitch, per: 1, together: 1 } : { is: 'units', units, said },
        part[0]!.at,
        part.at(-1)!.at,
        bare,
      );
    }
  }
}

/** "Two single crochet, one increase": the number right before an increase may be its own. */
function withOwnNumbers(run: readonly Heard[], signs: readonly Sign[]): Heard[] {
  const own: Heard[] = [];
  run.forEach((heard) => {
    const last = own.at(-1);
    const { unit } = heard;
    const adjoins = last?.bare === true && signs[heard.at]!.first - signs[last.at]!.last === 1;
    if (!adjoins || last.unit.is !== 'work' || unit.is !== 'work' || isPlain(unit) || unit.count !== 1) own.push(heard);
    else
      own[own.length - 1] = {
        ...heard,
        at: last.at,
        unit: { ...unit, count: last.unit.count },
        close: last.close,
        atOnce: last.atOnce,
        leads: last.leads,
      };
  });
  return own;
}

/** Units with how often they are said right after them: "increase three times, two single crochet". Null where none is. */
function withTimes(run: readonly Heard[], signs: readonly Sign[]): Heard[] | null {
  const all = run.map((heard): Heard => {
    const [sign, next] = [signs[heard.at]!, signs[heard.at + 1]];
    const { unit } = heard;
    const often = next?.is === 'times' && !next.more && next.first - sign.last <= 1;
    if (!often || unit.is !== 'work' || isPlain(unit)) return heard;
    return { ...heard, unit: { ...unit, count: unit.count * next.count } };
  });
  return run.length > 2 && all.some((heard, i) => heard !== run[i]) ? all : null;
}

/** Units of which the last few are repeated before others follow. */
function innerRepeats(run: readonly Heard[], signs: readonly Sign[]): Candidate[] {
  const found: Candidate[] = [];
  for (let end = 1; end < run.length; end++) {
    const said = signs.slice(run[end - 1]!.at + 1, run[end]!.at).find(({ is }) => is === 'times');
    if (said?.is !== 'times') continue;
    const times = said.more ? said.count + 1 : said.count;
    for (let length = 1; length <= Math.min(3, end); length++) {
      const repeated = run.slice(end - length, end);
      for (let from = Math.max(0, end - length - 4); from <= end - length; from++) {
        if (from > 0 && run[from]!.close) continue;
        for (let to = end; to < Math.min(run.length, end + 4); to++) {
          const all = [
            ...run.slice(from, end - length),
            ...Array.from({ length: times }, () => repeated).flat(),
            ...run.slice(end, to + 1),
          ];
          const units = merged(all.map(({ unit }) => unit));
          if (times < 2 || times * length > 80 || units.length < 3) continue;
          const shape: Shape = { is: 'units', units, said: 1 };
          const bare = all.filter((each) => each.bare).length > 0 ? 1 : 0;
          found.push({ shape, key: `inner ${keyOf(shape)}`, from: run[from]!.at, to: run[to]!.at, bare, inner: true });
        }
      }
    }
  }
  return found;
}

function isThrough({ unit }: Heard): boolean {
  return unit.is === 'work' && unit.through;
}

/** Numbers by themselves beside what is worked count once; those that stand apart may be anything. */
function bareCost(run: readonly Heard[], at: number): number {
  const near = run[at]!.close || run[at + 1]?.close === true;
  return near ? 1 : 4;
}

function merged(units: readonly Unit[]): Unit[] {
  const all: Unit[] = [];
  for (const unit of units) {
    const last = all.at(-1);
    const alike = last && unit.is === 'work' && last.is === 'work' && sameWork(unit, last) && !unit.through;
    // "5 sc, 3 sc through the leg" are two; "single, single, double the next" are one and one.
    if (alike) all[all.length - 1] = { ...last, count: last.count + unit.count };
    else all.push(unit);
  }
  return all;
}

function sameWork(a: Unit & { is: 'work' }, b: Unit & { is: 'work' }): boolean {
  return a.stitch === b.stitch && a.per === b.per && a.together === b.together && a.through === b.through;
}

/** The least of them that says all when it is said over and over, and how often it was. */
function once(units: readonly Unit[]): { readonly units: readonly Unit[]; readonly said: number } {
  const [only] = units;
  if (units.length === 1 && only?.is === 'work' && !isPlain(only)) return { units: [{ ...only, count: 1 }], said: only.count };
  const keys = units.map((unit) => JSON.stringify(unit));
  for (let length = 1; length <= units.length / 2; length++) {
    if (units.length % length === 0 && keys.every((key, i) => key === keys[i % length]))
      return { units: units.slice(0, length), said: units.length / length };
  }
  return { units, said: 1 };
}
