import { readFileSync, readdirSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { read, STITCHES, STITCH_NAMES, type Item, type Terms } from '../notation/index.js';
import {
  CARDS,
  cardOf,
  cardOfFact,
  cardOfFinish,
  cardOfJoin,
  cardOfSlip,
  cardOfStitch,
  cardOfTimely,
  cardOfWord,
  cardOfWords,
  cardsOfItems,
  FIRST_MAKE,
  isFirstMake,
  newAhead,
  sayCard,
  searchCards,
  techniquesByRound,
  type CardId,
} from './index.js';

const TERMS: readonly Terms[] = ['US', 'UK'];
const itemsOf = (text: string): readonly Item[] =>
  read(text).pattern.parts.flatMap(({ lines }) => lines.flatMap(({ items }) => items));

describe('cards', () => {
  it('are thirty-five, each with steps, when it is right, what goes wrong and what mends it, and links that lead to others', () => {
    expect(CARDS).toHaveLength(35);
    expect(new Set(CARDS.map(({ id }) => id)).size).toBe(CARDS.length);
    const linked = new Set(CARDS.flatMap(({ see }) => see));
    for (const card of CARDS) {
      expect(card.steps.length, card.id).toBeGreaterThanOrEqual(2);
      expect(card.steps.length, card.id).toBeLessThanOrEqual(6);
      expect(card.rightWhen, card.id).toMatch(/^[A-Z].*\.$/);
      expect(card.goesWrong.length, card.id).toBeGreaterThan(0);
      for (const text of [card.what, ...card.steps, ...card.goesWrong.flatMap(({ sign, mend }) => [sign, mend])])
        expect(text, card.id).toMatch(/[.!?]$/);
      expect(card.see.length, card.id).toBeGreaterThan(0);
      for (const id of card.see) expect(cardOf(id).id).toBe(id);
      expect(card.see, card.id).not.toContain(card.id);
    }
    // What no other card leads to is found by its own words alone.
    for (const card of CARDS) if (!linked.has(card.id)) expect(card.called.both.length).toBeGreaterThan(0);
  });

  it('are said in the maker’s terms, as the vocabulary names stitches, and mirrored for the left hand', () => {
    for (const terms of TERMS) {
      for (const card of CARDS) {
        const said = sayCard(card, { terms, hand: 'right' });
        const { name, what, steps, rightWhen, goesWrong, caution } = said;
        const text = [name, what, ...steps, rightWhen, ...goesWrong.flatMap(({ sign, mend }) => [sign, mend]), caution].join(' ');
        expect(text, card.id).not.toMatch(/[{}]/);
        // UK terms know no single crochet, and US terms no half treble.
        expect(text.toLowerCase(), `${card.id} ${terms}`).not.toContain(terms === 'UK' ? 'single crochet' : 'half treble');
      }
    }
    expect(sayCard(cardOf('single crochet'), { terms: 'UK', hand: 'right' }).name).toBe('Double crochet');
    expect(sayCard(cardOf('tall stitches'), { terms: 'UK', hand: 'left' }).what).toContain(
      'half treble with one, treble with one, double treble with two',
    );
  });

  it('are led to by every stitch of the table in its own words, in both terms', () => {
    for (const name of STITCH_NAMES) expect(cardOf(cardOfStitch(name)).id).toBe(cardOfStitch(name));
    for (const terms of TERMS)
      for (const name of ['sl st', 'sc', 'hdc', 'dc', 'tr'] as const)
        for (const word of [STITCHES[name][terms].abbreviation, STITCHES[name][terms].full[0]])
          expect(cardOfWord(word, terms), `${word} in ${terms} terms`).toEqual({ id: cardOfStitch(name) });
    // The same word is another stitch in other terms.
    expect([cardOfWord('dc', 'US'), cardOfWord('dc', 'UK')]).toEqual([{ id: 'tall stitches' }, { id: 'single crochet' }]);
  });

  it.each([
    ['R1: 6 sc in ring', ['adjustable ring', 'single crochet']],
    ['R1: ch 2, 6 sc in 2nd ch from hook', ['chain 2 start', 'single crochet']],
    ['R1: 6 sc in ring\nR2: in BLO, (1 sc, inc) × 3', ['adjustable ring', 'single crochet', 'one loop', 'increase']],
    ['R1: 6 sc in ring\nR2: 2 hdc in each st around', ['adjustable ring', 'single crochet', 'increase', 'tall stitches']],
    [
      'R1: 12 sc in ring\nR2: dec × 6. Set the eyes between R1 and R2.',
      ['adjustable ring', 'single crochet', 'invisible decrease', 'safety eyes'],
    ],
    ['Row 1: ch 9, 1 sc in each ch from 2nd ch from hook, turn', ['flat row', 'single crochet']],
    ['R1: 6 sc in ring\nR2: ch 2, 4 sc, sk 1', ['adjustable ring', 'single crochet', 'chain out and back']],
    [
      'R1: ch 7, starting in 2nd ch from hook, 5 sc, 3 sc in last ch, other side: 4 sc, 2 sc in last ch',
      ['oval start', 'single crochet', 'increase'],
    ],
    [
      'R1: 6 sc in ring\nR2: change to red, puff, 5 sc, join with sl st',
      ['adjustable ring', 'single crochet', 'colour change', 'puff', 'spiral or joined'],
    ],
  ])('of the techniques in “%s”', (text, cards) => {
    expect(cardsOfItems(itemsOf(text))).toEqual(cards);
  });

  it('are there for all that the demo patterns need, and for what remarks ask for', () => {
    const demo = new URL('../../../demo/', import.meta.url);
    for (const file of readdirSync(demo).filter((name) => name.endsWith('.md'))) {
      const { parts, notes } = read(readFileSync(new URL(file, demo), 'utf8')).pattern;
      for (const { lines, notes: own } of parts) {
        for (const id of cardsOfItems(lines.flatMap(({ items }) => items))) expect(cardOf(id).id).toBe(id);
        for (const fact of [...notes, ...own].flatMap(({ facts }) => facts)) {
          const id = cardOfFact(fact);
          if (id !== null) expect(cardOf(id).id).toBe(id);
        }
      }
    }
    expect(cardOfFact({ is: 'stuffing', how: 'none' })).toBeNull();
    expect(cardOfSlip('leaves-stitches')).toBe('too many or too few');
    expect(cardOfSlip('part-unnamed')).toBeNull();
  });

  it('are led to by some words of a pattern, whatever stands round the one that has a card', () => {
    expect(cardOfWords('3 sc', 'US')).toBe('single crochet');
    expect(cardOfWords('(2 sc, inc) × 6', 'US')).toBe('single crochet');
    expect(cardOfWords('2 dc in next st', 'UK')).toBe('single crochet');
    expect(cardOfWords('invdec × 6', 'US')).toBe('invisible decrease');
    expect(cardOfWords('18', 'US')).toBeNull();
  });

  it('are led to by how things are put on, what is left to do, and what has its time', () => {
    expect([cardOfJoin('whipped'), cardOfJoin('worked in'), cardOfJoin('glued')]).toEqual([
      'whip stitch',
      'worked-in limb',
      null,
    ]);
    expect(cardOfFinish({ do: 'draw shut', stitches: 6 })).toBe('closing');
    expect([cardOfTimely('legs'), cardOfTimely('eyes')]).toEqual(['two legs', 'safety eyes']);
  });

  it('come one round ahead, once: what is new in the next round and was not met in any before it', () => {
    const text =
      'Body\nR1: in black, 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: in BLO, sc around\nR5: (1 sc, invdec) × 6';
    const part = checkPattern(read(text)).parts[0]!;
    const none = new Set<CardId>();
    const byRound = techniquesByRound(part);
    const ahead = [null, 0, 1, 2, 3, 4].map((round) => newAhead(byRound, round, none));
    expect(ahead).toEqual([['adjustable ring', 'single crochet'], ['increase'], [], ['one loop'], ['invisible decrease'], []]);
    // Every technique of the part is offered exactly once on its way, and one that is known never.
    expect(ahead.flat().sort()).toEqual([...new Set(byRound.flat())].sort());
    expect(newAhead(byRound, 0, new Set<CardId>(['increase']))).toEqual([]);
  });

  it('are led to by every step of the first make, which counts without a slip and ends closed', () => {
    const reading = read(FIRST_MAKE.text);
    const count = checkPattern(reading);
    expect([...reading.diagnostics, ...count.diagnostics]).toEqual([]);
    const { rounds } = count.parts[0]!;
    expect(rounds.map(({ makes }) => makes)).toEqual([6, 12, 18, 18, 18, 18, 18, 12, 6]);
    const byRound = techniquesByRound(count.parts[0]!);
    for (const cards of byRound) expect(cards.length).toBeGreaterThan(0);
    const all = new Set(byRound.flat());
    const needed = [
      'adjustable ring',
      'single crochet',
      'marker',
      'increase',
      'right side out',
      'invisible decrease',
      'stuffing',
      'closing',
    ];
    for (const id of needed) expect(all, id).toContain(id);
    expect([isFirstMake(FIRST_MAKE.text), isFirstMake(`${FIRST_MAKE.text} `)]).toEqual([true, false]);
  });

  it('of a word that is not known are the nearest, and of none that is near, none', () => {
    expect(cardOfWord('FLO', 'US')).toEqual({ id: 'one loop' });
    expect(cardOfWord('inv. dec', 'UK')).toEqual({ id: 'invisible decrease' });
    expect(cardOfWord('increse', 'US')).toMatchObject({ id: null, nearest: ['increase'] });
    expect(cardOfWord('xylophone', 'US')).toEqual({ id: null, nearest: [] });
  });

  it('are found by plain words, by names first', () => {
    expect(searchCards('', 'US')).toHaveLength(CARDS.length);
    expect(searchCards('magic', 'US')[0]).toBe('adjustable ring');
    expect(searchCards('half treble', 'UK')[0]).toBe('tall stitches');
    expect(searchCards('washer click', 'US')).toEqual(['safety eyes']);
    expect(searchCards('no such thing at all', 'US')).toEqual([]);
    for (const { id, called } of CARDS) for (const word of called.both) expect(searchCards(word, 'US'), word).toContain(id);
  });
});
