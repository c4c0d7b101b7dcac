import { describe, expect, it } from 'vitest';
import { read } from '../notation/index.js';
import { borderOf, edgesOf } from './border.js';
import { checkPattern } from './check.js';
import { fabricOf } from './fabric.js';
import { bodyOf, figureFabric, figureOf } from './figure.js';
import { shapeKey } from './shape-key.js';

const counted = (text: string) => checkPattern(read(text));
const fabric = (text: string, part = 0) => fabricOf(counted(text).parts[part]!);
const PANEL = 'Row 1: ch 5, 4 sc\nRows 2–3: ch 1, turn, sc across';

describe('the fabric of a figure', () => {
  it('numbers every node once, piece by piece, and keeps apart what is only sewn', () => {
    const { pieces, bodyStart, nodeCount } = figureFabric(
      counted('## Ear (make 2)\nR1: 6 sc in ring\nR2: sc around\n\n## Head\nR1: 6 sc in ring\nR2: inc x 6'),
    );
    expect(bodyStart).toEqual([0, 1, 2, 3]);
    let next = 0;
    for (const { first, fabric: of, anchors } of pieces) {
      expect(first).toBe(next);
      next += of.stitchCount + anchors;
    }
    expect(next).toBe(nodeCount);
  });

  it('walks a bridge round both legs and along both sides of its chains', () => {
    const figure = figureFabric(
      counted('## Leg (make 2)\nR1: 4 sc in ring\nR2: inc x 4\n\n## Body\nR1: join legs with ch 2, sc around (20)'),
    );
    expect([bodyOf(figure, 0), bodyOf(figure, 0, 1), bodyOf(figure, 1), bodyOf(figure, 7)]).toEqual([0, 0, 0, -1]);
    const [one, two, body] = figure.pieces;
    const [rim] = body!.rims.get(0)!;
    const rimOf = (leg: typeof one): number[] => Array.from({ length: 8 }, (_, i) => leg!.first + 4 + i);
    const chains = [body!.first + 20, body!.first + 21];
    expect([...rim!]).toEqual([...rimOf(one), ...chains, ...rimOf(two), ...[...chains].reverse()]);
  });

  it('gives every run through a limb the next copy of it, pressed flat', () => {
    const text =
      '## Fin (make 2)\nR1: 8 sc in ring\n\n## Body\nR1: 12 sc in ring\nR2: 2 sc, 2 sc through fin and body, 4 sc, 2 sc through fin and body, 2 sc';
    const { pieces, heldFrom, heldTo } = figureFabric(counted(text));
    const [left, right, body] = pieces;
    expect(heldFrom).toHaveLength(8);
    const owner = (node: number) => pieces.findLast(({ first }) => node >= first);
    expect([...heldFrom].map(owner)).toEqual([left, left, left, left, right, right, right, right]);
    expect([...new Set([...heldTo].map((node) => node - body!.first - 12))]).toEqual([2, 3, 8, 9]);
  });

  it('leaves open what a part alone would be joined to', () => {
    const figure = figureOf(fabric('## Leg (make 2)\nR1: 4 sc in ring\n\n## Body\nR1: join legs with ch 2, sc around (12)', 1));
    expect(figure.pieces).toHaveLength(1);
    expect(figure.pieces[0]!.anchors).toBeGreaterThanOrEqual(12);
  });
});

describe('the edge of a part', () => {
  it('of a panel runs round its last row, down a side, along its chain and up again; laid on another it runs the other way', () => {
    const panel = fabric(PANEL);
    const [top, bottom] = [
      [8, 9, 10, 11],
      [-4, -3, -2, -1],
    ];
    expect(borderOf(panel)).toEqual([...top, 11, 4, 3, ...bottom, 0, 7, 8]);
    const mirrored = borderOf(panel, true);
    expect(mirrored).toHaveLength(14);
    expect(mirrored.slice(0, 4)).toEqual([...top].reverse());
    expect(new Set(mirrored)).toEqual(new Set(borderOf(panel)));
  });

  it('pressed flat has its halves on one another', () => {
    expect(edgesOf(fabric('R1: 8 sc in ring'), 4)).toEqual([
      [0, 1, 2, 3],
      [7, 6, 5, 4],
    ]);
  });
});

it('two fabrics share a key where they share a shape, whatever their colours', () => {
  const key = (text: string): string => shapeKey(fabric(text));
  const plain = 'R1: 6 sc in ring\nR2: inc x 6\nR3: (1 sc, inc) x 6';
  expect(key(`With red:\n${plain}`)).toBe(key(plain));
  expect(key(plain.replace('(1 sc, inc)', '(inc, 1 sc)'))).not.toBe(key(plain));
  expect(key(`${plain}\nDo not stuff.`)).not.toBe(key(plain));
  expect(key(plain.replace('R3: (1 sc', 'R3: (1 hdc'))).not.toBe(key(plain));
});
