import '@angular/compiler';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { MakerHand } from './maker-hand';

describe('the maker’s hand', () => {
  let kept: Map<string, string>;
  beforeEach(() => {
    kept = new Map();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
      removeItem: (key: string) => kept.delete(key),
    });
  });

  it('leans by what was measured, and is kept on the device', () => {
    const maker = new MakerHand();
    expect(maker.lean().stitchesPerRound).toBe(0);
    maker.change({ crept: 5, rounds: 10 });
    expect(maker.lean().stitchesPerRound).toBe(0.5);
    maker.change({ hand: 'left' });
    expect(maker.lean().stitchesPerRound).toBe(-0.5);
    const hand = { hand: 'left', crept: 5, rounds: 10, toward: 'right', marker: 'pattern' };
    expect(new MakerHand().hand()).toEqual(hand);
    // As it was kept before there was a choice of marker.
    kept.set('lemniscus.hand', JSON.stringify({ ...hand, marker: undefined }));
    expect(new MakerHand().hand()).toEqual(hand);
  });

  it('takes no numbers out of range, and begins anew over what it cannot read', () => {
    const maker = new MakerHand();
    maker.change({ crept: 3 });
    for (const wrong of [{ rounds: 0 }, { crept: -1 }, { crept: Number.NaN }, { rounds: 1.5 }]) maker.change(wrong);
    expect(maker.hand()).toMatchObject({ crept: 3, rounds: 12 });
    kept.set('lemniscus.hand', '{"hand":"third"}');
    expect(new MakerHand().hand().hand).toBe('right');
  });
});
