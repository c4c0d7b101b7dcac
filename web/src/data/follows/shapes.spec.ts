import '@angular/compiler';
import { checkPattern, fabricOf, type Fabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { outlineOf, unitProfile } from '@lemniscus/core/shape';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { ShapeAnswer, ShapeQuestion } from '../../workers/shape-messages';
import { Shapes } from './shapes';

/** A worker that answers when it is told to. */
class SlowWorker extends EventTarget {
  readonly questions: ShapeQuestion[] = [];
  postMessage(question: ShapeQuestion): void {
    this.questions.push(question);
  }
  answer(question: ShapeQuestion): void {
    const data: ShapeAnswer = {
      key: question.key,
      profile: unitProfile(outlineOf(question.fabric), question.ratio, question.stretch),
      last: true,
    };
    this.dispatchEvent(new MessageEvent('message', { data }));
  }
}

let worker: SlowWorker;
beforeEach(() => {
  worker = new SlowWorker();
  // Called with new, a function that gives an object gives that.
  vi.stubGlobal('Worker', function () {
    return worker;
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
});

const tube = (stitches: number): Fabric =>
  fabricOf(checkPattern(read(`Tube\nR1: ${stitches} sc in ring (${stitches})\nR2–R3: sc around (${stitches})`)).parts[0]!);
const SIZE = { width: 5, height: 4.8 };

it('answers whoever waits, however many shapes are asked for meanwhile', () => {
  const shapes = new Shapes();
  const first = tube(6);
  expect(shapes.profile(first, SIZE)).toBeNull();
  // More than are kept.
  for (let n = 7; n < 420; n++) shapes.profile(tube(n), SIZE);
  for (const question of worker.questions.slice(1)) worker.answer(question);
  const asked = worker.questions.length;
  // It is asked again only where its answer was not on its way.
  expect(shapes.profile(first, SIZE)).toBeNull();
  for (const question of worker.questions.slice(asked)) worker.answer(question);
  worker.answer(worker.questions[0]!);
  expect(shapes.profile(first, SIZE)!.r[0]).toBeGreaterThan(0);
});

it('says when the worker cannot work', () => {
  const shapes = new Shapes();
  expect(shapes.trouble()).toBeNull();
  worker.dispatchEvent(Object.assign(new Event('error'), { message: 'out of memory' }));
  expect(shapes.trouble()).toContain('out of memory');
});
