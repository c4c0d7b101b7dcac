import type { Step } from './order.js';

/** What is ready is chosen by these, in points; a maker dislikes each the more the higher it is. */
const POINTS = { otherPiece: 3, otherKind: 2, otherColour: 2, notNeeded: 1, place: 0.001 } as const;

/**
 * Steps so that each comes after all it waits for, and between those free to choose, as a maker would: what is at hand is
 * finished, its twin comes next, the yarn stays the same, and small pieces that others wait for come first. Waits that are
 * only easier give way before they close a circle.
 * @returns the steps in order, and, where they wait for one another in a circle, that circle; its steps come last
 */
export function bestOrder(steps: readonly Step[]): { readonly order: readonly Step[]; readonly circle: readonly string[] } {
  const first = sorted(steps, () => true);
  if (first.length === steps.length) return { order: first, circle: [] };
  const hard = sorted(steps, (because) => because !== 'easier');
  if (hard.length === steps.length) return { order: hard, circle: [] };
  const done = new Set(hard.map(({ id }) => id));
  const left = steps.filter(({ id }) => !done.has(id));
  return { order: [...hard, ...left], circle: circleIn(left) };
}

function sorted(steps: readonly Step[], counts: (because: Step['waits'][number]['because']) => boolean): Step[] {
  const waiting = new Map<string, number>();
  const after = new Map<string, Step[]>();
  for (const step of steps) {
    const own = new Set(step.waits.filter(({ because }) => counts(because)).map(({ step: id }) => id));
    waiting.set(step.id, own.size);
    for (const id of own) after.set(id, [...(after.get(id) ?? []), step]);
  }
  const place = new Map(steps.map(({ id }, i) => [id, i]));
  const ready = steps.filter(({ id }) => waiting.get(id) === 0);
  const order: Step[] = [];
  let now: Step | null = null;
  while (ready.length > 0) {
    let best = 0;
    let least = Infinity;
    for (const [i, step] of ready.entries()) {
      const points = pointsOf(step, now, (after.get(step.id)?.length ?? 0) > 0) + POINTS.place * place.get(step.id)!;
      if (points < least) [best, least] = [i, points];
    }
    const [next] = ready.splice(best, 1) as [Step];
    order.push(next);
    if (next.kind === 'work' || now === null) now = next;
    for (const step of after.get(next.id) ?? []) {
      const left = waiting.get(step.id)! - 1;
      waiting.set(step.id, left);
      if (left === 0) ready.push(step);
    }
  }
  return order;
}

/** How little a maker would want to do a step now: 0 for what is at hand. */
function pointsOf(step: Step, now: Step | null, needed: boolean): number {
  // Eyes and marks have their time, and pieces are put on when all are there.
  if (step.kind === 'set' || step.kind === 'mark') return -1;
  if (step.kind === 'join') return 8;
  if (step.kind === 'look') return 20;
  if (!now) return needed ? 0 : POINTS.notNeeded;
  const same = now.piece?.part === step.piece?.part;
  if (same && now.piece?.copy === step.piece?.copy) return 0;
  return (
    (same ? 0 : POINTS.otherKind) +
    (same ? 0 : POINTS.otherPiece) +
    (now.colours[1] === step.colours[0] ? 0 : POINTS.otherColour) +
    (needed ? 0 : POINTS.notNeeded)
  );
}

/** Steps that wait for one another: from any, always on to one it waits for, until one comes again. */
function circleIn(steps: readonly Step[]): string[] {
  const left = new Map(steps.map((step) => [step.id, step]));
  const path: string[] = [];
  let at = steps[0]!;
  while (!path.includes(at.id)) {
    path.push(at.id);
    const next = at.waits.find(({ step }) => left.has(step));
    if (!next) return path;
    at = left.get(next.step)!;
  }
  return path.slice(path.indexOf(at.id));
}
