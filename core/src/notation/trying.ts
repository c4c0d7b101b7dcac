import type { Assembly, Tried } from './assembly.js';
import { usual } from './reading/piece.js';
import { readRound, type RoundReading } from './reading/round.js';
import type { RoundContext } from './reading/state.js';
import type { Token } from './tokens.js';

/** Parts that a round may name: the latest ones. */
const MOST_NAMED_PARTS = 60;

/**
 * Reads tokens to see what they would be: nobody is told what a word was meant to be.
 * @param onlyClean whether they are of use only where all of them can be read, so that reading may stop early
 */
export function tried(all: Assembly, tokens: readonly Token[], first: boolean, onlyClean = false): Tried {
  const context = contextOf(all, first);
  const known = all.latest;
  if (known?.tokens === tokens && known.context === context && (known.clean || known.whole || onlyClean)) return known;
  const noted = { clean: true };
  const reading = readRound(all.text, tokens, { ...context, lookups: { left: 0 }, onlyClean }, () => (noted.clean = false));
  return (all.latest = { tokens, context, reading, clean: noted.clean, whole: !onlyClean });
}

/** Reads tokens for good, unless they were tried and there is nothing to tell of them. */
export function readFor(all: Assembly, tokens: readonly Token[], first: boolean, note: Assembly['report']): RoundReading {
  const context = contextOf(all, first);
  const known = all.latest;
  if (known?.clean && known.tokens === tokens && known.context === context) return known.reading;
  return readRound(all.text, tokens, context, note);
}

interface Kinds {
  readonly starts: boolean;
  readonly works: boolean;
  readonly remarks: boolean;
  readonly total: boolean;
  /** A chain and nothing worked over it. */
  readonly chainOnly: boolean;
}

const WORKS = ['work', 'cluster', 'start', 'spur', 'group', 'evenly', 'part round', 'rest'] as const;

export function kindsOf({ pieces, foundation }: RoundReading): Kinds {
  const kinds = new Set(usual(pieces).map((piece) => (piece.is === 'item' ? piece.item.kind : piece.is)));
  const has = (kind: typeof kinds extends Set<infer K> ? K : never): boolean => kinds.has(kind);
  const works = WORKS.some(has);
  return {
    starts: has('start') || foundation !== null,
    works,
    remarks: has('remark'),
    total: has('total'),
    chainOnly: foundation?.value.from === 'chain' && !works,
  };
}

function contextOf(all: Assembly, first: boolean): RoundContext {
  const known = all.contexts[first ? 0 : 1];
  if (known?.of === all.named && known.foundation === all.foundation) return known.context;
  const context = newContext(all, first);
  all.contexts[first ? 0 : 1] = { of: all.named, foundation: all.foundation, context };
  return context;
}

function newContext(all: Assembly, first: boolean): RoundContext {
  const names = all.names.slice(-MOST_NAMED_PARTS);
  return {
    terms: all.terms,
    first,
    foundation: first ? all.foundation : null,
    parts: all.part ? [...names, all.named!] : names,
    colours: all.colours,
    chainsCount: all.chainsCount,
    lookups: all.lookups,
    onlyClean: false,
  };
}
