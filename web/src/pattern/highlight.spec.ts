import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { describe, expect, it } from 'vitest';
import { highlightsOf } from './highlight';

const TEXT = `Buoy
Made for a windowsill, the second one for a friend.

Float
With red:
R1: 6 sc in ring (6)
R2: inc × 6, change to white (12). Stuff it.
R3: (dec, 1 sc) × 4 (8)
R4: same as R3
`;

describe('what the words of a pattern are shown as', () => {
  const all = highlightsOf(checkPattern(read(TEXT)));

  it('follows the reading, word by word', () => {
    expect(all.map(({ is, from, to }) => `${is}: ${TEXT.slice(from, to)}`)).toEqual([
      'note: Made for a windowsill, the second one for a friend.',
      'title: Float',
      'colour: With red',
      'label: R1:',
      'total: (6)',
      'label: R2:',
      'increase: inc × 6',
      'colour: change to white',
      'total: (12)',
      'remark: Stuff it',
      'label: R3:',
      'decrease: dec',
      'total: (8)',
      'label: R4:',
    ]);
  });

  it('never overlaps, which the editor could not show', () => {
    for (let i = 1; i < all.length; i++) expect(all[i]!.from).toBeGreaterThanOrEqual(all[i - 1]!.to);
  });
});
