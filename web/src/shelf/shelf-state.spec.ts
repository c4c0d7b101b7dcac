import type { ShelvedMake } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import { describe, expect, it } from 'vitest';
import { finishedAs, stateOf, touchedAt, wordsOf } from './shelf-state';

let n = 0;
const event = (what: object): MakerEvent => ({ id: `e${n++}`, piece: 'make', at: 1_000 + n, ...what }) as MakerEvent;
const make = (said: Record<string, MakerEvent[]>): ShelvedMake =>
  ({
    id: 'a',
    title: 'Harbour puffin',
    text: '# Harbour puffin\nR1: 6 sc in ring',
    updatedAt: 5,
    said,
    kit: { yarns: [] },
  }) as unknown as ShelvedMake;
const worked = { 'body/1': [event({ piece: 'body/1', kind: 'reached', round: 3, action: 0 })] };
const finished = (day: string | null) =>
  event({ kind: 'finished', day, heightMm: 90, forWhom: 'Ada', notes: 'looser next time' });

describe('how a make stands', () => {
  it('follows from what was said last: waiting, on the hook, finished, put away, and back', () => {
    expect(stateOf(make({}))).toBe('waiting');
    expect(stateOf(make({ 'body/1': [event({ piece: 'body/1', kind: 'reached', round: 0, action: 0 })] }))).toBe('waiting');
    expect(stateOf(make(worked))).toBe('working');
    expect(stateOf(make({ ...worked, make: [finished('2026-11-01')] }))).toBe('finished');
    expect(stateOf(make({ ...worked, make: [finished('2026-11-01'), finished(null)] }))).toBe('working');
    const away = event({ kind: 'put away', away: true });
    expect(stateOf(make({ make: [finished('2026-11-01'), away] }))).toBe('put away');
    expect(stateOf(make({ make: [away, event({ kind: 'put away', away: false })] }))).toBe('waiting');
    expect(finishedAs(make({ make: [finished('2026-11-01')] }))?.forWhom).toBe('Ada');
  });

  it('is found by its pattern, its people, notes and remarks, and by what else is said of it', () => {
    const remark = event({ piece: 'body/1', kind: 'remarked', line: 0, nth: 0, text: 'Puckers a bit' });
    const words = wordsOf(make({ 'body/1': [remark], make: [finished('2026-11-01')] }), ['Boathouse black']);
    for (const asked of ['puffin', 'sc in ring', 'ada', 'looser', 'puckers', 'boathouse']) expect(words).toContain(asked);
    expect(wordsOf(make({}), [])).not.toContain('undefined');
  });

  it('was touched when something was last said of it, or its text changed', () => {
    expect(touchedAt(make({}))).toBe(5);
    expect(touchedAt(make(worked))).toBe(worked['body/1'][0]!.at);
  });
});
