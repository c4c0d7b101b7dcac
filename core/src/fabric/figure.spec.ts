import fc from 'fast-check';
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

  it('of any figure with limbs worked in keeps every count, and books each stitch of a limb once and of the wall for both its layers', () => {
    const limbs = fc.array(
      fc.record({
        edge: fc.integer({ min: 4, max: 12 }),
        gap: fc.integer({ min: 0, max: 5 }),
        through: fc.integer({ min: 1, max: 6 }),
      }),
      { minLength: 1, maxLength: 4 },
    );
    fc.assert(
      fc.property(limbs, fc.integer({ min: 1, max: 4 }), fc.integer({ min: 0, max: 8 }), (all, below, rest) => {
        const own = all.map(({ edge, gap, through }, i) => ({
          name: `Limb ${'ABCD'[i]}`,
          edge,
          gap,
          through: Math.min(through, edge >> 1),
        }));
        const count = own.reduce((sum, { gap, through }) => sum + gap + through, rest);
        const parts = own.map(({ name, edge }) => `## ${name}\nR1: ${edge} sc in ring\nR2: sc around\n`).join('\n');
        const words = own
          .map(({ name, gap, through }) => `${gap > 0 ? `${gap} sc, ` : ''}${through} sc through ${name}`)
          .join(', ');
        const body = `## Body\nR1: ${count} sc in ring\nR2-R${1 + below}: sc around\nR${2 + below}: ${words}${rest > 0 ? `, ${rest} sc` : ''} (${count})\nR${3 + below}: sc around (${count})`;
        const figure = counted(`${parts}\n${body}`);
        expect(figure.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(figure.parts.at(-1)!.rounds.map(({ makes }) => makes)).toEqual(Array.from({ length: 3 + below }, () => count));
        const { heldFrom, heldTo } = figureFabric(figure);
        const booked = own.reduce((sum, { through }) => sum + through, 0);
        expect(heldFrom).toHaveLength(2 * booked);
        expect(new Set(heldFrom).size).toBe(2 * booked);
        const times = [...new Set(heldTo)].map((node) => heldTo.filter((each) => each === node).length);
        expect(times).toEqual(Array.from({ length: booked }, () => 2));
      }),
      { numRuns: 80 },
    );
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
