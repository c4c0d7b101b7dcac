/** From where a figure is looked at: turned about its axis, tipped, and how near; angles in radians, 1 shows it whole. */
export interface FigureView {
  readonly turn: number;
  readonly tip: number;
  readonly near: number;
}

export const FRONT: FigureView = { turn: 0.1, tip: 0.07, near: 1 };
const SIDES: Readonly<Record<string, FigureView>> = {
  f: { turn: 0, tip: 0, near: 1 },
  s: { turn: Math.PI / 2, tip: 0, near: 1 },
  b: { turn: Math.PI, tip: 0, near: 1 },
  t: { turn: 0, tip: 1.45, near: 1 },
};
const MOST_TIP = 1.5;
const NEAR = [0.5, 6] as const;
/** Radians an arrow key turns it. */
const STEP = Math.PI / 12;

export function turned({ turn, tip, near }: FigureView, byTurn: number, byTip: number): FigureView {
  return { turn: turn + byTurn, tip: Math.min(MOST_TIP, Math.max(-MOST_TIP, tip + byTip)), near };
}

export function nearer(view: FigureView, times: number): FigureView {
  return { ...view, near: Math.min(NEAR[1], Math.max(NEAR[0], view.near * times)) };
}

/** The view a key gives, or null where it has no say: arrows turn, plus and minus come nearer, F, S, B and T are its sides. */
export function keyed(view: FigureView, key: string): FigureView | null {
  switch (key) {
    case 'ArrowLeft':
      return turned(view, -STEP, 0);
    case 'ArrowRight':
      return turned(view, STEP, 0);
    case 'ArrowUp':
      return turned(view, 0, STEP);
    case 'ArrowDown':
      return turned(view, 0, -STEP);
    case '+':
    case '=':
      return nearer(view, 1.2);
    case '-':
      return nearer(view, 1 / 1.2);
    default:
      return SIDES[key.toLowerCase()] ?? null;
  }
}
