import '@angular/compiler';
import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { DestroyRef } from '@angular/core';
import { Kit, type Make, type Measurement } from '@lemniscus/api';
import { estimateStitch, modelSpread } from '@lemniscus/core/gauge';
import { positionOf, type MakerEvent } from '@lemniscus/core/making';
import { defer, map, Subject, switchMap, throwError } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CurrentMake } from './current-make';
import { MakeDraft } from './make-draft';
import { MakerLog } from './maker-log';
import { Live, type LiveNews } from '../server/live';
import { MakeApi } from '../server/make-api';
import { Measurements } from '../owned/measurements';
import type { Entry } from '../device/database';
import { Journal } from '../sync/journal';
import { RequestFailed } from '../server/server';
import { FakeLocks, fakeTime, settle, windowWith } from '../../test/device';
import { BrowserStorage } from '../../test/browser-storage';
import { MAKE_ID, MakeServer } from '../../test/make-server';

const OTHER = '0f6a1f52-3a55-4d56-9d8e-0d7f3a1c2222';
const TEXT = '# Buoy\n\n## Float\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)';

let server: MakeServer;
let locks: FakeLocks;
let measured: Measurement[];
let news: Subject<LiveNews>;
/** Lines to the server that were opened. */
let lines: number;
let close: (() => void)[];

interface Window {
  readonly current: CurrentMake;
  readonly draft: MakeDraft;
  readonly log: MakerLog;
}

async function open(ms = 0): Promise<Window> {
  const destroyRef = { onDestroy: (run: () => void) => (close.push(run), () => undefined), destroyed: false };
  const page = windowWith(
    { provide: MakeApi, useValue: server },
    { provide: Live, useValue: { of: () => defer(() => (lines++, news)) } },
    { provide: Measurements, useValue: { items: () => measured } },
    MakeDraft,
    MakerLog,
    CurrentMake,
    { provide: DestroyRef, useValue: destroyRef },
  );
  const current = page.get(CurrentMake);
  current.open(MAKE_ID);
  await settle(ms);
  return { current, draft: page.get(MakeDraft), log: page.get(MakerLog) };
}

/** What this device keeps for the server. */
const kept = async (): Promise<Entry[]> => windowWith({ provide: MakeApi, useValue: server }).get(Journal).pending('change');
/** The windows there were are gone. */
const leave = (): void => {
  for (const run of close.splice(0)) run();
  locks.letGo();
};

beforeEach(() => {
  fakeTime();
  server = new MakeServer(TEXT);
  measured = [];
  news = new Subject();
  lines = 0;
  close = [];
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('localStorage', new BrowserStorage());
  vi.stubGlobal('sessionStorage', new BrowserStorage());
  vi.stubGlobal('indexedDB', new IDBFactory());
  locks = new FakeLocks();
  vi.stubGlobal('navigator', { locks });
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the open make', () => {
  it('keeps one line to the server, whatever it listens for', async () => {
    await open();
    expect(lines).toBe(1);
    expect(news.observed).toBe(true);
  });

  it('shows a change at once, keeps it on the device, and stores it once after a pause', async () => {
    const { current, draft } = await open();
    draft.change({ hookMm: 4 });
    draft.change({ hookMm: 5 });
    expect([current.make()!.hookMm, draft.saving(), server.make.version]).toEqual([5, 'saving', 1]);
    expect(await kept()).toHaveLength(1);
    await settle(1_000);
    expect([server.make.hookMm, server.make.version, draft.saving(), (await kept()).length]).toEqual([5, 2, 'saved', 0]);
  });

  it('holds changes while the server is away, through a closed window, and stores them when it is back', async () => {
    const first = await open();
    server.away = true;
    first.draft.change({ text: TEXT.replace('Buoy', 'Bell buoy') });
    await settle(1_000);
    expect(first.draft.saving()).toBe('away');
    leave();
    await settle(1_000);
    server.away = false;
    const again = await open();
    expect(again.current.title()).toBe('Bell buoy');
    await settle(1_000);
    expect([server.make.version, again.draft.saving(), (await kept()).length]).toEqual([2, 'saved', 0]);
  });

  it('sees that a change was stored although its answer was lost, and asks nothing', async () => {
    const first = await open();
    first.draft.change({ text: 'R1: 5 sc in ring' });
    // The server stores the change, and the window goes before it hears of it.
    server.change(MAKE_ID, { version: 1, text: 'R1: 5 sc in ring' }).subscribe();
    const second = await open();
    await settle(2_000);
    expect(second.draft.saving()).toBe('saved');
    expect(second.current.make()).toMatchObject({ text: 'R1: 5 sc in ring', version: 2 });
    second.draft.change({ hookMm: 4 });
    await settle(2_000);
    expect(server.make).toMatchObject({ hookMm: 4, version: 3 });
  });

  it('asks on a conflict, and does as it is told', async () => {
    for (const choice of ['keepMine', 'takeTheirs'] as const) {
      vi.stubGlobal('indexedDB', new IDBFactory());
      server.make = { ...server.make, hookMm: 3, version: 1 };
      const { current, draft } = await open();
      server.make = { ...server.make, yarnWeight: 2, hookMm: 6, version: 7 };
      draft.change({ hookMm: 4 });
      await settle(1_000);
      expect([draft.saving(), current.make()!.hookMm]).toEqual(['conflict', 4]);
      draft[choice]();
      await settle(1_000);
      const hook = choice === 'keepMine' ? 4 : 6;
      expect([
        draft.saving(),
        current.make()!.hookMm,
        server.make.hookMm,
        current.make()!.yarnWeight,
        (await kept()).length,
      ]).toEqual(['saved', hook, hook, 2, 0]);
    }
  });

  it('brings together what two windows changed: other fields, and lines that do not touch', async () => {
    const [one, other] = [await open(), await open()];
    one.draft.change({ text: `${TEXT}\nR3: sc around (12)` });
    other.draft.change({ hookMm: 5 });
    other.draft.change({ text: TEXT.replace('# Buoy', '# Bell buoy') });
    other.draft.change({ kit: { ...Kit.parse({}), copies: 3 } });
    await settle(3_000);
    one.draft.change({ kit: { ...Kit.parse({}), hand: 'loose' } });
    await settle(3_000);
    const text = `${TEXT.replace('# Buoy', '# Bell buoy')}\nR3: sc around (12)`;
    expect(server.make).toMatchObject({ text, hookMm: 5, kit: { copies: 3, hand: 'loose' } });
    expect([one.draft.saving(), other.draft.saving(), await kept()]).toEqual(['saved', 'saved', []]);
    // The same line in two ways is asked.
    one.draft.change({ text: text.replace('Bell', 'Red') });
    other.draft.change({ text: text.replace('Bell', 'Green') });
    await settle(3_000);
    expect([one.draft.saving(), other.draft.saving()].sort()).toEqual(['conflict', 'saved']);
  });

  it('loses nothing of what is typed while another window stores', async () => {
    const { current, draft } = await open();
    const elsewhere = { version: 1, text: `${TEXT}\nR3: sc around (12)` };
    draft.change({ text: TEXT.replace('Buoy', 'B') });
    server.change(MAKE_ID, elsewhere).subscribe();
    const { change } = server;
    // Typing goes on while the first half is on its way.
    server.change = (...sending) => {
      draft.change({ text: current.text().replace('# B', '# Be') });
      server.change = change;
      return change(...sending);
    };
    await settle(5_000);
    expect(server.make.text).toBe(elsewhere.text.replace('Buoy', 'Be'));
    expect([draft.saving(), current.text()]).toEqual(['saved', server.make.text]);
  });

  it('goes on from its own changes when what a gone window left of the same make is stored under it', async () => {
    const { draft } = await open();
    draft.change({ text: `${TEXT}\nR3: sc around (12)` });
    const body = { version: 1, text: TEXT.replace('Buoy', 'Bell'), base: { text: TEXT } };
    const left: Entry = { key: `change/${MAKE_ID}/gone`, kind: 'change', of: MAKE_ID, at: 1, body, by: 'gone' };
    await windowWith({ provide: MakeApi, useValue: server }).get(Journal).put(left);
    await settle(5_000);
    expect(server.make.text).toBe(`${TEXT.replace('Buoy', 'Bell')}\nR3: sc around (12)`);
    expect([draft.saving(), await kept()]).toEqual(['saved', []]);
  });

  it('takes up what windows left, together where it fits, and sets aside what does not', async () => {
    const [one, other, third] = [await open(), await open(), await open()];
    server.away = true;
    one.draft.change({ text: `${TEXT}\nR3: sc around (12)` });
    other.draft.change({ text: TEXT.replace('Buoy', 'Bell') });
    await settle(1_000);
    third.draft.change({ text: TEXT.replace('Buoy', 'Whistle'), hookMm: 5 });
    await settle(1_000);
    leave();
    const next = await open(100);
    server.away = false;
    await settle(5_000);
    expect(server.make.text).toBe(TEXT.replace('Buoy', 'Whistle'));
    expect([server.make.hookMm, next.draft.saving()]).toEqual([5, 'saved']);
    const aside = windowWith({ provide: MakeApi, useValue: server }).get(Journal);
    await settle();
    expect(aside.refused()).toMatchObject([{ body: { text: `${TEXT.replace('Buoy', 'Bell')}\nR3: sc around (12)` } }]);
  });

  it('opens while the server is away as it was left, with what was done since', async () => {
    const first = await open();
    first.log.say('float/1', { kind: 'reached', round: 1, action: 2 });
    first.draft.change({ hookMm: 4 });
    await settle(2_000);
    server.away = true;
    first.log.say('float/1', { kind: 'reached', round: 1, action: 3 });
    first.draft.change({ text: TEXT.replace('Buoy', 'Bell') });
    await settle(2_000);
    leave();
    const { current, log, draft } = await open();
    expect(positionOf(log.all(), 'float/1')).toEqual({ round: 1, action: 3 });
    expect([current.make()!.hookMm, current.title(), current.failure()]).toEqual([4, 'Bell', null]);
    await settle(2_000);
    expect(draft.saving()).toBe('away');
    server.away = false;
    await settle(60_000);
    expect([draft.saving(), server.make.text, server.events.length]).toEqual(['saved', TEXT.replace('Buoy', 'Bell'), 2]);
  });

  it('says beside the text that it is too long, keeps it, and saves it once it is shorter', async () => {
    const { current, draft } = await open();
    const { change } = server;
    server.change = () => throwError(() => new RequestFailed(400, 'A pattern has at most 300000 characters.'));
    draft.change({ text: `${TEXT}!` });
    await settle(2_000);
    expect([draft.saving(), draft.refusal(), current.text()]).toEqual([
      'refused',
      'A pattern has at most 300000 characters.',
      `${TEXT}!`,
    ]);
    leave();
    const again = await open(2_000);
    expect([again.current.text(), again.draft.saving()]).toEqual([`${TEXT}!`, 'refused']);
    server.change = change;
    again.draft.change({ text: TEXT.replace('Buoy', 'Bell') });
    await settle(2_000);
    expect([again.draft.saving(), server.make.text]).toEqual(['saved', TEXT.replace('Buoy', 'Bell')]);
  });

  it('goes on asking while the server is away, and forgets nothing of either side', async () => {
    const { current, draft } = await open();
    server.make = { ...server.make, hookMm: 6, version: 7 };
    draft.change({ hookMm: 4 });
    await settle(1_000);
    server.away = true;
    for (const choice of ['keepMine', 'takeTheirs'] as const) draft[choice]();
    await settle(1_000);
    expect([draft.saving(), current.make()!.hookMm, server.make.hookMm, (await kept()).length]).toEqual(['conflict', 4, 6, 1]);
    server.away = false;
    draft.keepMine();
    await settle(1_000);
    expect([draft.saving(), server.make.hookMm, (await kept()).length]).toEqual(['saved', 4, 0]);
  });

  it('takes nothing of a make that was left into the one that is open', async () => {
    const late = new Subject<Make>();
    const { current, draft, log } = await open();
    const { change, show, eventsAfter } = server;
    server.change = (...sending) => late.pipe(switchMap(() => change(...sending)));
    draft.change({ hookMm: 5 });
    await settle(1_000);
    const events = new Subject<{ events: MakerEvent[]; last: number }>();
    server.eventsAfter = () => events;
    news.next({ what: 'events', added: null });
    await settle(100);
    server.show = (id) => show(id).pipe(map((make) => ({ ...make, id: OTHER, title: 'Bell', version: 9 })));
    server.eventsAfter = eventsAfter;
    current.open(OTHER);
    await settle();
    late.next(server.make);
    events.next({ events: [{ id: MAKE_ID, piece: 'float/1', at: 1, kind: 'reached', round: 1, action: 0 }], last: 1 });
    expect(current.make()).toMatchObject({ id: OTHER, version: 9, hookMm: 3.5 });
    expect(positionOf(log.all(), 'float/1')).toEqual({ round: 0, action: 0 });
    expect(server.make).toMatchObject({ id: MAKE_ID, hookMm: 5, version: 2 });
  });

  it('moves pieces by events, undoes them, and takes in what another window did when it is looked at again', async () => {
    const { current, log } = await open();
    log.say('float/1', { kind: 'reached', round: 0, action: 4 });
    log.say('float/1', { kind: 'reached', round: 1, action: 0 });
    expect(positionOf(log.all(), 'float/1')).toEqual({ round: 1, action: 0 });
    log.undo('float/1');
    expect(positionOf(log.all(), 'float/1')).toEqual({ round: 0, action: 4 });
    await settle(500);
    const sent = [...server.events];
    expect(sent.map((event) => event.kind)).toEqual(['reached', 'reached', 'undone']);
    expect(new Set(sent.map((event) => event.at)).size).toBe(3);
    const elsewhere = {
      id: '7e57e7e5-0000-4000-8000-000000000001',
      piece: 'float/1',
      at: sent[2]!.at + 1,
      kind: 'reached',
      round: 1,
      action: 3,
    } as const;
    server.events = [...sent, elsewhere];
    server.make = { ...server.make, hookMm: 8, version: 2 };
    window.dispatchEvent(new Event('focus'));
    await settle(100);
    expect([positionOf(log.all(), 'float/1').action, current.make()!.hookMm, log.lastPiece()]).toEqual([3, 8, 'float/1']);
    server.make = { ...server.make, hookMm: 2, version: 3 };
    news.next({ what: 'make' });
    await settle(100);
    expect(current.make()!.hookMm).toBe(2);
  });

  it('takes in what it is told of without asking, and asks when something before it is missing', async () => {
    const elsewhere = (n: number): MakerEvent => ({
      id: `${MAKE_ID.slice(0, -1)}${n}`,
      piece: 'float/1',
      at: n,
      kind: 'reached',
      round: 0,
      action: n,
    });
    const { log } = await open();
    const asked = vi.spyOn(server, 'eventsAfter');
    const tell = async (after: number, last: number): Promise<number> => {
      news.next({ what: 'events', added: { after, last, events: server.events.slice(after, last) } });
      await settle(100);
      return positionOf(log.all(), 'float/1').action;
    };
    server.events = [1, 2, 3, 4, 5].map(elsewhere);
    expect([await tell(0, 2), await tell(0, 2), await tell(1, 3), asked.mock.calls.length]).toEqual([2, 2, 3, 0]);
    expect([await tell(4, 5), asked.mock.calls]).toEqual([5, [[MAKE_ID, 3]]]);
  });

  it('hears what is said elsewhere while it is being opened', async () => {
    const { eventsAfter } = server;
    const opening = new Subject<{ events: MakerEvent[]; last: number }>();
    server.eventsAfter = () => opening;
    const { log } = await open();
    news.next({ what: 'events', added: null });
    await settle(100);
    server.eventsAfter = eventsAfter;
    server.events = [{ id: MAKE_ID, piece: 'float/1', at: 1, kind: 'reached', round: 0, action: 3 }];
    opening.next({ events: [], last: 0 });
    opening.complete();
    await settle(100);
    expect(positionOf(log.all(), 'float/1')).toEqual({ round: 0, action: 3 });
  });

  it('takes choices back one by one, a slider drawn across as one, and leaves the text alone', async () => {
    const { current, draft } = await open();
    await settle(10);
    const kit = { ...Kit.parse({}), copies: 3 };
    draft.change({ kit });
    await settle(2_000);
    for (const hookMm of [3.75, 4, 4.5]) draft.change({ hookMm });
    draft.change({ text: `${TEXT}\nR3: sc around (12)` });
    expect(draft.canTakeBack()).toBe(true);
    draft.takeBack();
    expect([current.make()!.hookMm, current.make()!.kit.copies]).toEqual([3.5, 3]);
    draft.takeBack();
    expect([current.make()!.kit.copies, draft.canTakeBack()]).toEqual([1, false]);
    expect(current.text()).toContain('R3');
    await settle(2_000);
    expect(server.make).toMatchObject({ hookMm: 3.5, kit: { copies: 1 } });
  });

  it('sizes everything by what was measured with its yarn and hook', async () => {
    measured = [
      {
        id: MAKE_ID,
        takenAt: 0,
        kind: 'swatch',
        yarnWeight: 4,
        hookMm: 3.5,
        stitches: 20,
        widthMm: 120,
        rounds: null,
        heightMm: null,
      },
    ];
    const { current, draft } = await open();
    await settle(10);
    // Weights by hand: the table at 10 % beside what its model may be out, the swatch at 2 %, a quarter stitch of 20 and 1 mm of 120.
    const [table, swatch] = [1 / (0.1 ** 2 + modelSpread(4, 3.5) ** 2), 1 / (0.02 ** 2 + (0.25 / 20) ** 2 + (1 / 120) ** 2)];
    const width = estimateStitch(4, 3.5).width;
    expect(current.stitch()!.width).toBeCloseTo(width * (6 / width) ** (swatch / (table + swatch)), 9);
    draft.change({ hookMm: 5 });
    expect(current.gauge()!.from).toBe('elsewhere');
  });

  it('says why a make cannot be opened', async () => {
    server.show = () => throwError(() => new RequestFailed(404, 'This make is not on the shelf.'));
    expect((await open()).current.failure()?.message).toBe('This make is not on the shelf.');
  });
});
