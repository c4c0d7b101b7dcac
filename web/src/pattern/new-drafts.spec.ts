import '@angular/compiler';
import { Injector } from '@angular/core';
import { beforeEach, expect, it, vi } from 'vitest';
import { WindowId } from '../data/device/window-id';
import { BrowserStorage } from '../test/browser-storage';
import { NewDrafts, type Draft } from './new-drafts';

/** Windows that are open, by the names they have. */
let open: Set<string>;

function windowNamed(id: string): NewDrafts {
  open.add(id);
  const isElsewhere = (other: string): Promise<boolean> => Promise.resolve(other !== id && open.has(other));
  return Injector.create({ providers: [NewDrafts, { provide: WindowId, useValue: { id, isElsewhere } }] }).get(NewDrafts);
}

const draft = (n: number, text = `Draft ${n}`): Draft => ({ id: `7e57e7e5-0000-4000-8000-00000000000${n}`, text, at: n });

beforeEach(() => {
  open = new Set();
  vi.stubGlobal('localStorage', new BrowserStorage());
});

it('keeps what two windows write apart, and brings each back to whoever opens when they are gone', async () => {
  const [one, other] = [windowNamed('one'), windowNamed('other')];
  one.keep(draft(1));
  other.keep(draft(2));
  expect(await windowNamed('third').takeUp()).toBeNull();
  open.clear();
  const next = windowNamed('next');
  expect(await next.takeUp()).toEqual(draft(2));
  // The other waits for the next window; what was taken up is this one's now.
  expect(await windowNamed('later').takeUp()).toEqual(draft(1));
  next.done();
  open.clear();
  expect(await windowNamed('last').takeUp()).toEqual(draft(1));
});

it('takes up what versions before kept under one name, and leaves empty ones', async () => {
  localStorage.setItem('lemniscus.draft', JSON.stringify({ id: draft(3).id, text: 'Old' }));
  localStorage.setItem('lemniscus.draft.gone', JSON.stringify(draft(4, '')));
  expect(await windowNamed('one').takeUp()).toEqual({ ...draft(3, 'Old'), at: 0 });
});

it('brings abandoned ones back one by one, the latest first, from whichever window they are', () => {
  const [one, other] = [windowNamed('one'), windowNamed('other')];
  for (const n of [1, 2]) {
    one.keep(draft(n));
    one.abandon(draft(n));
  }
  other.abandon(draft(3));
  other.abandon(draft(4, ''));
  expect([one.bringBack(), one.bringBack(), one.abandoned(), other.bringBack(), one.abandoned()]).toEqual([
    draft(3),
    draft(2),
    draft(1),
    draft(1),
    null,
  ]);
});
