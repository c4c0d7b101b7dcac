import type { Job, Portion, WayOut } from '@lemniscus/core/planning';
import { describe, expect, it } from 'vitest';
import type { Outlook } from '../data/follows/plan-ahead';
import { chanceWords, hoursWords, portionWords, readyWords, wayWords } from './plan-words';

const job = (more: Partial<Job>): Job => ({
  ...{
    id: 'j',
    name: 'Wing',
    kind: 'work',
    part: 0,
    rounds: [0, 11],
    colours: ['black', 'black'],
    units: 2,
    minutes: 9,
    after: [],
  },
  ...more,
});
const portion = (more: Partial<Job>, units: number): Portion => ({ job: job(more), units, minutes: units * 9 });
const outlook = (ready: Partial<Outlook['ready']>, late = false): Outlook => ({
  ...{ late, startBy: null, ways: [] },
  ready: { id: 'a', early: '2026-12-10', likely: '2026-12-12', late: '2026-12-15', chance: null, minutes: 60, ...ready },
});

describe('words of the plan', () => {
  it('say tonight’s portion as a maker would', () => {
    expect(portionWords(portion({}, 6), true)).toBe('six Wings');
    expect(portionWords(portion({}, 1), false)).toBe('one Wing, R1 to R11');
    expect(portionWords(portion({ rounds: [5, 6] }, 15), false)).toBe('15 Wings, R6');
    expect(portionWords(portion({ kind: 'join', name: 'Beak' }, 2), true)).toBe('sew on two Beaks');
    expect(portionWords(portion({ kind: 'set', name: 'eyes' }, 5), true)).toBe('eyes into five');
  });

  it('say when it is ready and how surely, and never round a late one to certain', () => {
    expect(readyWords(outlook({}))).toBe('Ready about Sat 12 Dec (Thu 10 Dec to Tue 15 Dec)');
    expect(readyWords(outlook({ late: null }))).toContain('to years on');
    expect(readyWords(outlook({ likely: null }))).toContain('Not within five years');
    expect(chanceWords(outlook({ chance: 0.314 }, true))).toBe('Late: 31 in 100 that it is in time');
    expect(chanceWords(outlook({ chance: 0.001 }, true))).toBe('Too late as it stands');
    expect(chanceWords(outlook({ chance: 0.93 }))).toBe('In time, 93 in 100');
    expect(chanceWords(outlook({}))).toBe('');
  });

  it('say each way out with what it asks and what it brings', () => {
    const all: WayOut[] = [
      { is: 'fewer', copies: 3, chance: 0.85, late: [] },
      { is: 'first', chance: 0.9, late: ['b'] },
      { is: 'longer evenings', minutes: 30, chance: 0.81, late: [] },
      { is: 'more evenings', days: ['2026-12-05'], minutes: 60, chance: 0.8, late: [] },
    ];
    expect(all.map(wayWords)).toEqual([
      'Make 3 instead (85 in 100)',
      'Make it first (90 in 100)',
      '30 min longer each time (81 in 100)',
      '1 evening more of 60 min, from Sat 5 Dec (80 in 100)',
    ]);
    expect([1, 44, 89, 100, 600].map(hoursWords)).toEqual(['5 min', '45 min', '1.5 h', '1.7 h', '10 h']);
  });
});
