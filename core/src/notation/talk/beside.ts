import { COST } from './cost.js';
import type { Shape, Unit } from './shape.js';
import type { Sign } from './sign.js';

/** What it costs that a sign of work stands beside a shape: nothing where it says it again in other words. */
export function besideCost(shape: Shape, sign: Sign): number {
  if (sign.is === 'chain' || sign.is === 'skip') return besideChain(shape, sign.is);
  if (sign.is === 'again') return 0;
  if (shape.is === 'unheard') return COST.otherWork;
  if (shape.is === 'each') return besideEach(shape, sign);
  if (shape.is === 'units') return besideUnits(shape, sign);
  return besideStart(shape, sign);
}

/** What it costs that a number stands before an increase or a decrease: "four and a decrease" says other stitches than three. */
export function besideNumber(shape: Shape, value: number): number {
  if (shape.is === 'each') return COST.otherCount;
  if (shape.is !== 'units') return 0;
  const same = shape.units.some((unit) => unit.is === 'work' && unit.per === 1 && unit.together === 1 && unit.count === value);
  return same ? 0 : COST.otherCount;
}

function besideChain(shape: Shape, is: 'chain' | 'skip'): number {
  if (shape.is === 'units') return shape.units.some((unit) => unit.is === is) ? 0 : COST.otherCount;
  return is === 'chain' && shape.is !== 'each' && shape.is !== 'unheard' ? 0 : COST.otherCount;
}

function besideStart(shape: Shape, sign: Sign): number {
  if (shape.is === 'ring') {
    if (sign.is === 'into') return sign.count === shape.count ? 0 : COST.otherCount;
    const plain = sign.is === 'atom' && sign.per === 1 && sign.together === 1;
    return plain ? (sign.count === shape.count || sign.count === 1 ? 0 : COST.otherCount) : COST.otherWork;
  }
  if (sign.is === 'every') return COST.otherWork;
  if (sign.is === 'into' && shape.is !== 'joined') return sign.from === 'ring' ? 1.5 * COST.otherWork : 0;
  const shapes = (sign.is === 'atom' && sign.together > 1) || (sign.is === 'each' && sign.per > 1);
  return shapes ? COST.otherWork : 0;
}

function besideEach(shape: Shape & { is: 'each' }, sign: Sign): number {
  if (sign.is === 'plain') return shape.per === 1 ? 0 : COST.otherWork;
  if (sign.is === 'each') return sign.per === shape.per && sign.together === shape.together ? 0 : COST.otherWork;
  if (sign.is === 'into') return 1.5 * COST.otherWork;
  if (sign.is === 'every') return COST.otherWork;
  if (sign.is !== 'atom') return 0;
  if (sign.per === shape.per && sign.together === shape.together) return shape.per > 1 || sign.count <= 1 ? 0 : 0.5;
  // "Two single crochet, two single crochet" of an increase all round.
  const asMany = shape.per > 1 && sign.per === 1 && sign.together === 1 && sign.count === shape.per;
  return asMany ? 0 : COST.otherWork;
}

type Works = readonly (Unit & { readonly is: 'work' })[];

function besideUnits(shape: Shape & { is: 'units' }, sign: Sign): number {
  const works: Works = shape.units.flatMap((unit) => (unit.is === 'work' ? [unit] : []));
  if (sign.is === 'into') return 1.5 * COST.otherWork;
  if (sign.is === 'plain') return works.every((unit) => unit.per === 1 && unit.together === 1) ? 0 : COST.otherWork;
  if (sign.is === 'each') {
    const [only] = works;
    const alike = works.length === 1 && only!.per === sign.per && only!.together === sign.together;
    return alike ? 0 : COST.otherWork;
  }
  if (sign.is === 'every') return isEvery(works, sign) ? 0 : COST.otherWork;
  return sign.is === 'atom' ? besideWorks(works, sign.per, sign.together, sign.count) : 0;
}

/** "Every third stitch" says again two plain ones and an increase, and nothing else. */
function isEvery(works: Works, { step, per, together }: Extract<Sign, { readonly is: 'every' }>): boolean {
  const plain = works.filter((unit) => unit.per === 1 && unit.together === 1).reduce((sum, { count }) => sum + count, 0);
  return works.length <= 2 && plain === step - together && works.some((unit) => unit.per === per && unit.together === together);
}

function besideWorks(works: Works, per: number, together: number, count: number): number {
  const plain = per === 1 && together === 1;
  const alike = works.filter((unit) => unit.per === per && unit.together === together);
  if (alike.length === 0) return plain && count <= 2 ? COST.otherCount / 2 : COST.otherWork;
  if (alike.some((unit) => unit.count === count)) return 0;
  // "One increase, six, three increases" is no repeat of three increases.
  // And "six decreases" are not the one of a repeat.
  if (!plain) return alike.some((unit) => unit.count > 1) ? 0.3 : count > 2 ? COST.otherCount : 0;
  return count === 1 ? 0.1 : COST.otherCount;
}
