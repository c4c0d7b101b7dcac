import '@angular/compiler';
import { Injector, runInInjectionContext } from '@angular/core';
import { checkPattern, figureFabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { bodyShape, bodyToRelax } from '@lemniscus/core/shape';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { FigureAnswer, FigureQuestion, FigureRequest } from '../../workers/figure-messages';
import { Figures, type FigureLook } from './figures';

class SlowWorker extends EventTarget {
  readonly requests: FigureRequest[] = [];
  postMessage(request: FigureRequest): void {
    this.requests.push(request);
  }
  answer(answer: Partial<FigureAnswer> & Pick<FigureAnswer, 'slot' | 'id'>): void {
    this.dispatchEvent(new MessageEvent('message', { data: { shape: null, going: false, share: 1, ...answer } }));
  }
}

const { parts } = checkPattern(read('R1: 6 sc in ring\nR2: inc x 6'));
const SHAPE = bodyShape(bodyToRelax(figureFabric({ parts }), 0, 0.96), { upright: true, front: null });
const QUESTION = { parts, part: 0, copy: 0, ratio: 0.96, stretch: 0.03, upright: null };

let worker: SlowWorker;
let begun: number;
let leave: () => void;
beforeEach(() => {
  worker = new SlowWorker();
  begun = 0;
  vi.stubGlobal('Worker', function () {
    begun++;
    return worker;
  });
});
afterEach(() => vi.unstubAllGlobals());

function looked(): FigureLook {
  const injector = Injector.create({ providers: [{ provide: Figures }] });
  leave = () => injector.destroy();
  return runInInjectionContext(injector, () => injector.get(Figures).look());
}
const asked = (): FigureQuestion[] => worker.requests.flatMap((request) => ('ask' in request ? [request.ask] : []));

it('begins no worker until something is looked at', () => {
  const look = looked();
  look.stop();
  expect(begun).toBe(0);
  look.ask(QUESTION);
  expect(begun).toBe(1);
  expect(look.state()).toMatchObject({ going: true, shape: null });
});

it('keeps the old shape until the new one is there, and heeds no answer to an earlier question', () => {
  const look = looked();
  look.ask(QUESTION);
  const [first] = asked();
  worker.answer({ ...first!, shape: SHAPE, going: true, share: 0.4 });
  expect(look.state()).toMatchObject({ shape: SHAPE, going: true, share: 0.4, of: parts });
  const other = { ...QUESTION, parts: [...parts] };
  look.ask(other);
  expect(look.state()).toMatchObject({ shape: SHAPE, going: true, share: 0 });
  worker.answer({ ...first!, shape: null });
  expect(look.state().failed).toBe(false);
  const second = asked()[1]!;
  worker.answer({ ...second, shape: null });
  expect(look.state()).toMatchObject({ shape: SHAPE, failed: true, going: false });
});

it('says so when the worker cannot work, and stops what nobody looks at any more', () => {
  const look = looked();
  look.ask(QUESTION);
  worker.dispatchEvent(new Event('error'));
  expect(look.state()).toMatchObject({ failed: true, going: false });
  leave();
  expect(worker.requests.at(-1)).toEqual({ stop: asked()[0]!.slot });
});
