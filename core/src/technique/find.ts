import distance from 'damerau-levenshtein';
import type { Terms } from '../notation/index.js';
import type { CardId } from './card.js';
import { CARDS } from './cards/index.js';
import { sayCard } from './say.js';

/** The card that a word leads to, or those that come nearest. */
export type FoundCard = { readonly id: CardId } | { readonly id: null; readonly nearest: readonly CardId[] };

/** Letters of a word that may differ from the one that was meant, as a share. */
const NEAR = 0.34;
const MOST_NEAREST = 3;

function plain(text: string): string {
  return text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

interface Called {
  readonly id: CardId;
  readonly word: string;
}

const TABLES = new Map<Terms, readonly Called[]>();

/** All that cards are called by in one set of terms; what belongs to those terms before what belongs to both. */
function calledIn(terms: Terms): readonly Called[] {
  const known = TABLES.get(terms);
  if (known) return known;
  const said = (card: (typeof CARDS)[number]): string => sayCard(card, { terms, hand: 'right' }).name;
  const table = [
    ...CARDS.flatMap((card) => card.called[terms].map((word) => ({ id: card.id, word: plain(word) }))),
    ...CARDS.flatMap((card) => [said(card), card.id, ...card.called.both].map((word) => ({ id: card.id, word: plain(word) }))),
  ];
  TABLES.set(terms, table);
  return table;
}

/** The card for a word as a pattern has it ("invdec", "FLO"); the nearest ones where none is called so. */
export function cardOfWord(word: string, terms: Terms): FoundCard {
  const asked = plain(word);
  const table = calledIn(terms);
  const exact = table.find((each) => each.word === asked);
  if (exact) return { id: exact.id };
  const ranked = table
    .map(({ id, word: called }) => ({ id, off: distance(asked, called).steps / Math.max(asked.length, called.length, 1) }))
    .filter(({ off }) => off <= NEAR)
    .sort((a, b) => a.off - b.off);
  return { id: null, nearest: [...new Set(ranked.map(({ id }) => id))].slice(0, MOST_NEAREST) };
}

/** Cards whose names, other names or text hold all words that are looked for; those so called come first. */
export function searchCards(query: string, terms: Terms): readonly CardId[] {
  const words = plain(query).split(' ').filter(Boolean);
  if (words.length === 0) return CARDS.map(({ id }) => id);
  const table = calledIn(terms);
  const ranked = CARDS.map((card) => {
    const { name, what, steps } = sayCard(card, { terms, hand: 'right' });
    const names = table.filter(({ id }) => id === card.id).map(({ word }) => word);
    const text = plain([name, what, ...steps, ...names].join(' '));
    const called = words.every((word) => names.some((each) => each.split(' ').some((part) => part.startsWith(word))));
    return { id: card.id, rank: called ? 2 : words.every((word) => text.includes(word)) ? 1 : 0 };
  });
  return [2, 1].flatMap((rank) => ranked.filter((each) => each.rank === rank).map(({ id }) => id));
}

/**
 * The card of some words of a pattern ("3 sc", "2 dc in next st"): of all of them, or of the first among them that has one;
 * null for words without a technique.
 */
export function cardOfWords(words: string, terms: Terms): CardId | null {
  const bare = words.replace(/[\d×x*().,:]+/g, ' ').trim();
  const all = cardOfWord(bare, terms);
  if (all.id) return all.id;
  for (const word of bare.split(/\s+/)) {
    const found = word.length > 1 ? cardOfWord(word, terms) : null;
    if (found?.id) return found.id;
  }
  return null;
}
