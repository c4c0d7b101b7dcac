/// <reference types="vite/client" />
import '@angular/compiler';
import { DestroyRef, Injector } from '@angular/core';
import type { Fabric } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { isFinished, within, type MakerEvent, type Step } from '@lemniscus/core/making';
import { outlineOf, scaleProfile, unitProfile, type Outline, type Profile } from '@lemniscus/core/shape';
import fc from 'fast-check';
import { NEVER, of } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { MakerLog } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';
import { Gathering } from '../data/follows/gathering';
import { Live } from '../data/server/live';
import { MakeApi } from '../data/server/make-api';
import { HandSize } from '../data/device/hand-size';
import { MakerHand } from '../data/device/maker-hand';
import { Measurements } from '../data/owned/measurements';
import { KeptAnswers } from '../data/sync/kept-answers';
import { MakeChanges } from '../data/sync/make-changes';
import { Outbox } from '../data/sync/outbox';
import { Sender } from '../data/sync/sender';
import { Shapes } from '../data/follows/shapes';
import { BrowserStorage } from '../test/browser-storage';
import { MAKE_ID, MakeServer } from '../test/make-server';
import { AtHook } from './at-hook';
import { Due } from './due';
import { Pace } from './pace';
import { Pieces } from './pieces';

const TEXT = `# Buoy

## Float (make 2)
R1: 6 sc in ring (6)
R2: inc × 6 (12)
R3: (sc, inc) × 6 (18)
R4–R9: sc around (18)
Set the eyes between R5 and R6.
R10: (sc, dec) × 6 (12)
R11: dec × 6 (6)

## Rope
R1: 5 sc in ring (5)
R2 on: sc around until it is 4 cm long
R3: sc around (5)`;

const DEMO = import.meta.glob<string>('../../../demo/*.md', { query: '?raw', import: 'default', eager: true });

/** Shapes worked out at once, as the worker does them. */
class ShapesAtOnce {
  outline = (fabric: Fabric): Outline => outlineOf(fabric);
  profile = (fabric: Fabric, { width, height }: StitchSize): Profile =>
    scaleProfile(unitProfile(this.outline(fabric), height / width), width);
}

let said: MakerEvent[];

interface Window {
  readonly current: CurrentMake;
  readonly hook: AtHook;
  readonly due: Due;
  readonly pieces: Pieces;
}

function atHook(text = TEXT): Window {
  const server = new MakeServer(text);
  server.events = [...said];
  const outbox = { add: (_make: string, event: MakerEvent) => said.push(event), of: () => of([]) };
  // Nothing is kept on the device: everything is opened and asked at once.
  const none = { find: () => of(null), eventsOf: () => of({ events: [], last: 0 }), keep: () => null, keepEvents: () => null };
  const providers = [
    { provide: MakeApi, useValue: server },
    { provide: Outbox, useValue: outbox },
    { provide: KeptAnswers, useValue: none },
    { provide: MakeChanges, useValue: { told: NEVER, adopt: () => of(null), keep: () => null } },
    { provide: Sender, useValue: { trouble: () => null, sendNow: () => null } },
    { provide: Live, useValue: { of: () => NEVER } },
    { provide: Measurements, useValue: { items: () => [] } },
    { provide: DestroyRef, useValue: { onDestroy: () => () => undefined, destroyed: false } },
    { provide: Gathering, useValue: {} },
    { provide: Shapes, useValue: new ShapesAtOnce() },
    MakerHand,
    MakeDraft,
    MakerLog,
    CurrentMake,
    PiecePlans,
    AtHook,
    Due,
    HandSize,
    Pace,
    Pieces,
  ];
  const injector = Injector.create({ providers });
  const current = injector.get(CurrentMake);
  current.open(MAKE_ID);
  return { current, hook: injector.get(AtHook), due: injector.get(Due), pieces: injector.get(Pieces) };
}

beforeEach(() => {
  // What is saved after a pause is not waited for.
  vi.useFakeTimers();
  said = [];
  vi.stubGlobal('window', new EventTarget());
  vi.stubGlobal('localStorage', new BrowserStorage());
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

type Move = { readonly step: Step } | { readonly take: string } | 'undo' | 'to the start of the round';
const PIECES = ['float/1', 'float/2', 'rope/1'];
const move = fc.oneof(
  { weight: 6, arbitrary: fc.constantFrom<Step>('stitch', 'group', 'round').map((step): Move => ({ step })) },
  fc.constantFrom(...PIECES).map((take): Move => ({ take })),
  fc.constantFrom<Move>('undo', 'to the start of the round'),
);

function doMove(hook: AtHook, one: Move): void {
  if (one === 'undo') hook.undo();
  else if (one === 'to the start of the round') hook.toRoundStart();
  else if ('step' in one) hook.step(one.step);
  else hook.take(one.take);
}

describe('the piece at the hook', () => {
  it('is at a place of its own rounds whatever is done, is the same in a window opened anew, and is undone to its start', () => {
    fc.assert(
      fc.property(fc.array(move, { maxLength: 60 }), (moves) => {
        said = [];
        const { hook, pieces } = atHook();
        for (const one of moves) {
          doMove(hook, one);
          const fabric = hook.fabric()!;
          const at = hook.position()!;
          expect(within(fabric, at)).toEqual(at);
          expect(hook.now() === null).toBe(isFinished(fabric, at));
          for (const { done, left } of pieces.all()) expect(done >= 0 && done <= 1 && left >= 0).toBe(true);
        }
        const again = atHook().hook;
        for (const piece of PIECES) {
          for (const window of [hook, again]) window.take(piece);
          expect(again.position()).toEqual(hook.position());
          expect(again.canUndo()).toBe(hook.canUndo());
          while (hook.canUndo()) hook.undo();
          expect(hook.position()).toEqual({ round: 0, action: 0 });
        }
      }),
      { numRuns: 60 },
    );
  });

  it('stays where it is while its pattern is written anew, whatever is left of that', () => {
    const { current, hook } = atHook();
    for (let round = 0; round < 8; round++) hook.step('round');
    hook.step('group');
    const before = hook.position();
    current.type(TEXT.slice(0, TEXT.indexOf('R3')));
    expect([hook.position(), hook.fabric()!.roundCount]).toEqual([before, 9]);
    current.type('');
    expect([hook.piece(), hook.now(), hook.finished()]).toEqual([null, null, false]);
    hook.step('stitch');
    current.type(TEXT);
    expect(hook.position()).toEqual(before);
    // The lines it is worked by, and nine steps.
    expect(said).toHaveLength(10);
  });

  it('takes steps of the size chosen for it, also when it comes back', () => {
    const { hook } = atHook();
    hook.setStepBy('round');
    hook.take('rope/1');
    expect(hook.stepBy()).toBe('stitch');
    hook.setStepBy('group');
    expect(atHook().hook.stepBy()).toBe('round');
    hook.take('float/1');
    expect(hook.stepBy()).toBe('round');
  });
});

describe('what is due', () => {
  it('is put off until it is nearer, settled for its piece only, and comes back when that is undone', () => {
    const { hook, due } = atHook();
    const eyes = () => due.now().find((one) => one.kind === 'eyes');
    // A hand passes until the last decreases but one.
    due.setHand(2 * hook.profile()!.r[9]!);
    const nearness: string[] = [];
    for (let round = 0; round < 11; round++) {
      const one = eyes();
      if (one) {
        nearness.push(one.near);
        due.later(one);
        expect(eyes()).toBeUndefined();
      }
      hook.step('round');
    }
    // Said once when its time comes and once more at its last chance, each only until it is put off.
    expect(nearness).toEqual(['now', 'last chance']);
    hook.take('float/2');
    for (let round = 0; round < 9; round++) hook.step('round');
    const other = eyes()!;
    hook.say({ kind: 'settled', gate: other.id, how: 'done' });
    expect(eyes()).toBeUndefined();
    hook.undo();
    expect(eyes()).toEqual(other);
  });

  it('is to be stuffed before the opening is too small for this hand', () => {
    const { hook, due } = atHook();
    const stuffing = (): number => due.timely().find((one) => one.kind === 'stuffing')?.round ?? -1;
    const openings = Array.from(hook.profile()!.r, (r) => 2 * r);
    const widest = Math.max(...openings);
    for (const share of [0.6, 0.8, 0.95]) {
      due.setHand(widest * share);
      // The hand passes the opening that the round before left.
      expect(openings[stuffing() - 1]).toBeGreaterThanOrEqual(widest * share);
    }
    due.setHand(widest + 1);
    // No hand ever fits: as it grows, every six rounds (our own choice).
    expect(stuffing()).toBe(6);
  });
});

describe('the second of a pair', () => {
  it('is offered what the first had until it has it too: its rounds, and what its stuffing weighed', () => {
    const { hook, pieces } = atHook();
    expect(pieces.sibling()).toBeNull();
    const changes = [{ kind: 'instead', line: 1, nth: 0, text: '(inc, inc) × 3' }] as const;
    hook.say({ kind: 'altered', changes });
    hook.say({ kind: 'stuffed', grams: 4.5 });
    hook.take('float/2');
    expect(pieces.sibling()).toEqual({ name: 'Float 1 of 2', changes, stuffing: 4.5 });
    hook.say({ kind: 'altered', changes: pieces.sibling()!.changes });
    expect(pieces.sibling()).toMatchObject({ changes: [], stuffing: 4.5 });
    hook.take('float/1');
    hook.undo();
    hook.take('float/2');
    expect(pieces.sibling()).toBeNull();
    hook.take('rope/1');
    expect(pieces.sibling()).toBeNull();
  });
});

describe('an open run', () => {
  it('grows by a stitch’s height a round, as long as is asked for, and ends where it is said to be long enough', () => {
    const { current, hook } = atHook();
    hook.take('rope/1');
    expect(hook.openRun()).toBeNull();
    hook.step('round');
    const { height } = current.stitch()!;
    const rounds: number[] = [];
    for (let run = hook.openRun(); run; run = hook.openRun()) {
      expect([run.wanted, run.rounds]).toEqual([40, rounds.length]);
      rounds.push(run.mm);
      hook.step('round');
    }
    const grown = rounds.map((mm, i) => mm - (rounds[i - 1] ?? rounds[0]! - height));
    for (const each of grown) expect(each).toBeCloseTo(height, 6);
    expect(rounds.at(-1)! + height).toBeGreaterThanOrEqual(40);
    expect(rounds.at(-1)!).toBeLessThan(40);
    for (let back = 0; back < 4; back++) hook.undo();
    const { line, rounds: done } = hook.openRun()!;
    hook.say({ kind: 'altered', changes: [{ kind: 'length', line, rounds: done }] });
    expect(hook.openRun()).toBeNull();
    expect(hook.fabric()!.roundCount).toBe(done + 2);
  });
});

describe('the makes of the demo', () => {
  it.each(Object.entries(DEMO))('%s is worked from its first ring to its last stitch, piece after piece', (_, text) => {
    const { hook, pieces, current } = atHook(text);
    expect(current.count().diagnostics).toEqual([]);
    const worked: string[] = [];
    for (let piece = hook.piece()!; ; piece = hook.piece()!) {
      for (let at = hook.position()!; !hook.finished(); at = hook.position()!) {
        const { runs, stitches, stitchesDone } = hook.now()!;
        expect(runs.map(({ words }) => words).join(' ')).toMatch(/^(?!.*(NaN|undefined))./);
        expect(stitchesDone).toBeLessThanOrEqual(stitches);
        hook.step('group');
        const { round, action } = hook.position()!;
        expect(round > at.round || action > at.action).toBe(true);
      }
      expect([hook.now(), hook.step('stitch')]).toEqual([null, false]);
      worked.push(piece.id);
      const next = pieces.next();
      if (!next) break;
      hook.take(next.id);
    }
    expect(worked).toEqual(pieces.all().map(({ id }) => id));
    for (const { done, left } of pieces.all()) expect([done, left]).toEqual([1, 0]);
    // In a window opened anew it is as it was left.
    expect(atHook(text).pieces.all()).toEqual(pieces.all());
  });
});
