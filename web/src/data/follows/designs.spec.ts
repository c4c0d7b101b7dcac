import '@angular/compiler';
import { Injector, runInInjectionContext } from '@angular/core';
import { outlineOfPrimitive, findRounds, plainPart, type Found } from '@lemniscus/core/sketch';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { DesignAnswer, DesignQuestion, DesignRequest } from '../../workers/design-messages';
import { Designs, type DesignLook } from './designs';

class SlowWorker extends EventTarget {
  readonly requests: DesignRequest[] = [];
  postMessage(request: DesignRequest): void {
    this.requests.push(request);
  }
  answer(answer: DesignAnswer): void {
    this.dispatchEvent(new MessageEvent('message', { data: answer }));
  }
  get last(): { slot: string; id: number } {
    const request = this.requests.at(-1)!;
    return { slot: request.slot, id: 'id' in request ? request.id : 0 };
  }
}

const GAUGE = { stitch: { width: 5, height: 4.8 }, stretch: 0.02 };
const part = plainPart('ball', 'Ball', outlineOfPrimitive({ is: 'ball', across: 30 }));
const FOUND = findRounds(part, GAUGE);
const QUESTION: DesignQuestion = { is: 'find', part, gauge: GAUGE };

let worker: SlowWorker;
let begun: number;
let look: DesignLook<{ found: Found | null }>;
let leave: () => void;

beforeEach(() => {
  worker = new SlowWorker();
  begun = 0;
  vi.stubGlobal('Worker', function () {
    begun++;
    return worker;
  });
  const injector = Injector.create({ providers: [{ provide: Designs }] });
  leave = () => injector.destroy();
  look = runInInjectionContext(injector, () =>
    injector.get(Designs).look((answer) => ('found' in answer ? { found: answer.found } : undefined)),
  );
});
afterEach(() => vi.unstubAllGlobals());

it('begins no worker before something is asked, and one for all questions', () => {
  expect(begun).toBe(0);
  look.ask(QUESTION);
  look.ask(QUESTION);
  expect(begun).toBe(1);
  expect(worker.requests).toHaveLength(2);
});

it('tells how much is done, then the answer, to whoever asked', () => {
  const told: (Found | null)[] = [];
  look.ask(QUESTION, ({ found }) => told.push(found));
  worker.answer({ ...worker.last, share: 0.5 });
  expect(look.state()).toMatchObject({ answer: null, going: true, share: 0.5 });
  worker.answer({ ...worker.last, found: FOUND });
  expect(look.state()).toMatchObject({ answer: { found: FOUND }, going: false, trouble: null });
  expect(told).toEqual([FOUND]);
});

it('lets the last answer stand until the next is there, and takes none of a question before it', () => {
  look.ask(QUESTION);
  worker.answer({ ...worker.last, found: FOUND });
  const before = worker.last;
  look.ask(QUESTION);
  expect(look.state()).toMatchObject({ answer: { found: FOUND }, going: true });
  worker.answer({ ...before, found: null });
  expect(look.state().answer).toEqual({ found: FOUND });
  worker.answer({ ...worker.last, found: null });
  expect(look.state()).toMatchObject({ answer: { found: null }, going: false });
});

it('stops when it is told to, and when its owner goes: what comes later is not taken', () => {
  look.ask(QUESTION);
  const asked = worker.last;
  look.stop();
  expect(look.state().going).toBe(false);
  worker.answer({ ...asked, found: FOUND });
  expect(look.state().answer).toBeNull();
  leave();
  expect(worker.requests.at(-1)).toEqual({ slot: asked.slot, stop: true });
});

it('says what went wrong, and is asked again as if nothing had', () => {
  look.ask(QUESTION);
  worker.answer({ ...worker.last, trouble: 'out of wool' });
  expect(look.state()).toMatchObject({ going: false, trouble: 'out of wool' });
  look.ask(QUESTION);
  expect(look.state()).toMatchObject({ going: true, trouble: null });
  worker.dispatchEvent(new Event('error'));
  expect(look.state().trouble).toContain('did not start');
});
