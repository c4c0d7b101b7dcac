import { describe, expect, it } from 'vitest';
import { read, STITCH_NAMES } from '../notation/index.js';
import { changeOf, checkPattern, fabricOf, loopsLeft, WAYS, type Fabric } from './index.js';

function fabricFor(text: string, part = -1): Fabric {
  const count = checkPattern(read(text));
  expect(count.diagnostics.filter((each) => each.severity === 'error')).toEqual([]);
  return fabricOf(count.parts.at(part)!);
}

/** Each stitch of a round as "stitch:first parent+parents", parents numbered within their own round. */
function hung(fabric: Fabric, round: number): string {
  const rows = Array.from(
    { length: fabric.roundStart[round + 1]! - fabric.roundStart[round]! },
    (_, i) => fabric.roundStart[round]! + i,
  );
  return rows
    .map((row) => {
      const first = fabric.firstParent[row]!;
      const below = first < 0 ? 0 : fabric.roundStart[fabric.round[first]!]!;
      return `${STITCH_NAMES[fabric.stitch[row]!]!}:${first - below}+${fabric.parentCount[row]!}`;
    })
    .join(' ');
}

describe('stitches of every kind', () => {
  it('hang several on one, pass over skipped ones, and leave chains in the air', () => {
    const fabric = fabricFor('R1: 6 sc in ring\nR2: (hdc, ch 1, dc) in next st, sk 2, sl st in next st, ch 2, 2 puffs');
    expect(hung(fabric, 1)).toBe('hdc:0+1 ch:0+1 dc:0+1 sl st:3+1 ch:-1+0 ch:-1+0 puff:4+1 puff:5+1');
    const actions = Array.from({ length: fabric.roundAction[2]! - fabric.roundAction[1]! }, (_, i) => fabric.roundAction[1]! + i);
    expect(actions.map((action) => changeOf(fabric, action)).join(' ')).toBe('increase plain plain plain plain plain plain');
    // The skip is something the hands do, and makes no stitch.
    expect(actions.map((action) => fabric.actionStart[action + 1]! - fabric.actionStart[action]!).join('')).toBe('3011111');
  });

  it('counts a chain in the ring only where it is one of the stitches', () => {
    expect(hung(fabricFor('R1: ch 1 (counted), 2 sc in ring (3)'), 0)).toBe('ch:-1+0 sc:-1+0 sc:-1+0');
    expect(hung(fabricFor('R1: ch 1, 2 sc in ring (2)'), 0)).toBe('sc:-1+0 sc:-1+0');
  });

  it('keeps the limb that is worked in with its stitches', () => {
    const fabric = fabricFor(
      'Flipper\nR1: 8 sc in ring\n\nBody\nR1: 12 sc in ring\nR2: 3 sc, 4 sc through flipper and body, 5 sc',
    );
    expect([...fabric.limb].map((index) => fabric.limbs[index]?.name.charAt(0) ?? '-').join('')).toBe(
      `${'-'.repeat(15)}FFFF-----`,
    );
    expect(fabric.limbs).toEqual([null, { part: 0, name: 'Flipper' }]);
  });
});

describe('what a part begins on', () => {
  it('goes along one side of a chain, or round both, place by place', () => {
    expect([...fabricFor('Row 1: ch 5, 4 sc').place]).toEqual([0, 1, 2, 3]);
    const oval = fabricFor(
      'R1: ch 5, 2 sc in 2nd ch from hook, 2 sc, 3 sc in last ch, on the other side 2 sc, sc in last ch (10)',
    );
    expect([...oval.place]).toEqual([0, 0, 1, 2, 3, 3, 3, 4, 5, 6]);
    expect(oval.foundation).toMatchObject({ from: 'chain', chains: 5, sides: 2 });
  });

  it('goes over both legs and both sides of their bridge', () => {
    const fabric = fabricFor('Leg (make 2)\nR1: 6 sc in ring\n\nBody\nR1: join legs with ch 2, sc around (16)\nR2: sc around');
    expect([...fabric.place.slice(0, 16)]).toEqual(Array.from({ length: 16 }, (_, i) => i));
    expect(hung(fabric, 1)).toBe(Array.from({ length: 16 }, (_, i) => `sc:${i}+1`).join(' '));
  });

  it('hangs what is worked on left loops on the very stitches that have them', () => {
    const fabric = fabricFor(
      'R1: 6 sc in ring\nR2: in BLO, sc around\nR3: sc around\nR4: in front loops of R1, 2 sc in each st around (12)',
    );
    expect(loopsLeft(fabric, 0)).toEqual({ front: 6, back: 0 });
    expect(loopsLeft(fabric, 1)).toEqual({ front: 0, back: 0 });
    for (let row = fabric.roundStart[3]!; row < fabric.stitchCount; row++) expect(fabric.round[fabric.firstParent[row]!]).toBe(0);
  });
});

describe('the way rounds go', () => {
  const ways = (text: string): string[] => [...fabricFor(text).roundWay].map((way) => WAYS[way]!);

  it('is said by the round, by a note for all, or by the chain it begins on', () => {
    expect(ways('R1: 6 sc in ring\nR2: sc around, join with sl st\nR3: sc around')).toEqual(['spiral', 'joined', 'spiral']);
    expect(ways('Worked in joined rounds.\n\nHull\nR1: 6 sc in ring\nR2: sc around').length).toBe(2);
    expect(ways('Hull\nWorked in joined rounds.\nR1: 6 sc in ring\nR2: sc around')).toEqual(['joined', 'joined']);
    expect(ways('Row 1: ch 5, 4 sc\nRow 2: sc across')).toEqual(['turned', 'turned']);
  });

  it('hangs turned rows back to front, decreases included', () => {
    const fabric = fabricFor('Row 1: ch 7, 6 sc\nRow 2: ch 1, turn, dec, 2 sc, inc, sc');
    expect(hung(fabric, 1)).toBe('sc:4+2 sc:3+1 sc:2+1 sc:1+1 sc:1+1 sc:0+1');
  });
});
