import 'fake-indexeddb/auto';
import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { FIRM, relaxedProfile } from '@lemniscus/core/shape';
import { openDB } from 'idb';
import { expect, it, vi } from 'vitest';
import { KeptShapes, modelOf } from './kept-shapes';

const profile = relaxedProfile(
  fabricOf(checkPattern(read('Ball\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R5: sc around (12)\nR6: dec x 6 (6)')).parts[0]!),
  0.96,
  FIRM,
);

it('are the same when they are found again, in this window and another, and of no other model', async () => {
  const shapes = new KeptShapes('MODELONE');
  expect(await shapes.find('ball')).toBeNull();
  await shapes.keep('ball', profile);
  expect(await shapes.find('ball')).toEqual(profile);
  expect(await new KeptShapes('MODELONE').find('ball')).toEqual(profile);
  expect(await shapes.find('another')).toBeNull();
  expect(await new KeptShapes('MODELTWO').find('ball')).toBeNull();
  // Those of a model that is no more went when the next one opened.
  expect(await new KeptShapes('MODELONE').find('ball')).toBeNull();
});

it('do not grow without end', async () => {
  const shapes = new KeptShapes('MODELTRE');
  for (let i = 0; i < 1_001; i++) await shapes.keep(`part ${i}`, profile);
  const again = new KeptShapes('MODELTRE');
  expect(await again.find('part 7')).toBeNull();
  expect(await (await openDB('lemniscus-shapes', 1)).count('shapes')).toBe(0);
});

it('are worked out again, without a word, where nothing can be kept', async () => {
  const nowhere = new KeptShapes(null);
  await nowhere.keep('ball', profile);
  expect(await nowhere.find('ball')).toBeNull();
  const open = vi.spyOn(indexedDB, 'open').mockImplementation(() => {
    throw new Error('blocked');
  });
  const blocked = new KeptShapes('MODELFOR');
  await blocked.keep('ball', profile);
  expect(await blocked.find('ball')).toBeNull();
  open.mockRestore();
});

it('belong to the model that a built worker is named by', () => {
  expect(modelOf('/worker-A6TVJ7MQ.js')).toBe('A6TVJ7MQ');
  expect(modelOf('/shape.worker.ts')).toBeNull();
});
