import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { BrowserStorage } from '../../test/browser-storage';
import { forget, keep, keptKeys, recall } from './local';

const KEYS = ['yarn.a', 'yarn.b', 'draft'];

beforeEach(() => void vi.stubGlobal('localStorage', new BrowserStorage()));
afterEach(() => {
  for (const key of KEYS) forget(key);
  vi.unstubAllGlobals();
});

type Act = { readonly keep: string; readonly value: number } | { readonly forget: string } | { readonly full: boolean };
const key = fc.constantFrom(...KEYS);
const act: fc.Arbitrary<Act> = fc.oneof(
  fc.record({ keep: key, value: fc.integer() }),
  fc.record({ forget: key }),
  fc.record({ full: fc.boolean() }),
);

test('what was kept last is recalled, while the disk is full too, and nothing else', () => {
  fc.assert(
    fc.property(fc.array(act, { maxLength: 20 }), (acts) => {
      const storage = new BrowserStorage();
      vi.stubGlobal('localStorage', storage);
      for (const each of KEYS) forget(each);
      const model = new Map<string, number>();
      for (const one of acts) {
        if ('full' in one) storage.full = one.full;
        else if ('forget' in one) {
          forget(one.forget);
          model.delete(one.forget);
        } else {
          keep(one.keep, one.value);
          model.set(one.keep, one.value);
        }
        for (const each of KEYS) expect(recall(each)).toBe(model.get(each) ?? null);
        const yarns = [...model.keys()].filter((each) => each.startsWith('yarn.'));
        expect(keptKeys('yarn.').sort()).toEqual(yarns.sort());
      }
    }),
  );
});

test('what was kept on a disk with room is there for the next window; on a full one it lasts as long as this one', () => {
  const storage = new BrowserStorage();
  vi.stubGlobal('localStorage', storage);
  keep('draft', 'with room');
  storage.full = true;
  keep('yarn.a', 'without');
  expect([...storage.items]).toEqual([['lemniscus.draft', '"with room"']]);
  expect([recall('draft'), recall('yarn.a')]).toEqual(['with room', 'without']);
});

test('what another program left there is nothing of ours', () => {
  localStorage.setItem('lemniscus.draft', '{half');
  expect(recall('draft')).toBeNull();
});
