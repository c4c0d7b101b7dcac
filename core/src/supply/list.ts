import type { Firmness, Thing } from '../notation/index.js';
import { gramWords, usHookName, yarnWeight, type YarnAndHook } from '../gauge/index.js';
import { exactly, giveOrTake, type Amount, type Purchase } from './amount.js';
import { ballsFor } from './basket.js';
import type { Demand } from './demand.js';
import type { Kit } from './kit.js';
import type { ThingSaid } from './remarks.js';

export type ListGroup = 'Yarn' | 'Tools' | 'Eyes' | 'Stuffing' | 'Small things';

/** One line of what is needed. */
export interface ListEntry {
  /** Stays the same while the need stays the same kind, so that a tick holds. */
  readonly id: string;
  readonly group: ListGroup;
  readonly what: string;
  readonly need: Amount;
  /** What the basket has of it; null for what no basket holds. */
  readonly have: Amount | null;
  /** What to buy; null when nothing is. */
  readonly buy: Purchase | null;
  readonly why: string;
}

/** Stuffing of one part, all copies together. */
export interface StuffingNeed {
  readonly part: string;
  readonly pieces: number;
  readonly firmness: Firmness;
  /** Of one piece. */
  readonly grams: number;
  readonly spread: number;
}

export interface ListSource {
  readonly tools: YarnAndHook;
  readonly kit: Kit;
  readonly demands: readonly Demand[];
  readonly stuffing: readonly StuffingNeed[];
  /** Diameter of the eyes, and how many; null for a make without. */
  readonly eyes: { readonly mm: number; readonly count: number } | null;
  readonly things: readonly ThingSaid[];
  readonly sewn: boolean;
}

const THING_WORDS: Readonly<Record<Thing, string>> = {
  ring: 'Key ring',
  magnet: 'Magnet',
  cord: 'Cord',
  button: 'Button',
  bead: 'Bead',
  card: 'Stiff card',
  wire: 'Wire',
  bell: 'Bell or rattle',
  thread: 'Embroidery thread',
};
/** Nothing of these for a child under three. */
const NOT_UNDER_THREE: ReadonlySet<Thing> = new Set(['ring', 'magnet', 'cord', 'button', 'bead', 'wire', 'bell']);

/** Everything a make needs, in the order it is gathered. */
export function needsList(source: ListSource): ListEntry[] {
  return [
    ...source.demands.map((demand) => yarnEntry(demand, source)),
    ...toolEntries(source),
    ...eyeEntries(source),
    ...stuffingEntries(source),
    ...thingEntries(source),
  ];
}

function yarnEntry({ key, yarn, free, colours, left, spread }: Demand, { tools, kit }: ListSource): ListEntry {
  const named = colours.map((colour) => colour || 'main colour').join(', ');
  const what = yarn ? `${yarn.name}, ${yarn.colour}` : `${capital(yarnWeight(tools.yarnWeight).name)} yarn, ${named}`;
  const most = left.grams * (1 + spread);
  const missing = Math.max(0, most - (free ?? 0));
  const { balls, ballGrams } = ballsFor(missing, yarn);
  const sets = kit.copies > 1 ? ` for ${kit.copies} copies` : '';
  const buy = missing > 0 ? { count: balls, gramsEach: ballGrams } : null;
  const lot = yarn?.dyeLot && missing > 0 ? `; ask for dye lot ${yarn.dyeLot}` : '';
  const why =
    missing === 0
      ? 'The basket has enough, tails and sewing included.'
      : `${gramWords(most)} at the most${sets}, tails and sewing included${free ? `, less ${gramWords(free)} free` : ''}: rounded up to whole balls${lot}.`;
  return {
    id: `yarn ${key}`,
    group: 'Yarn',
    what,
    need: giveOrTake(left.grams, spread, 'g'),
    have: free === null ? null : exactly(free, 'g'),
    buy,
    why,
  };
}

function toolEntries({ tools, sewn }: ListSource): ListEntry[] {
  const us = usHookName(tools.hookMm);
  const tool = (id: string, what: string, why: string): ListEntry => ({
    id,
    group: 'Tools',
    what,
    need: exactly(1, 'piece'),
    have: null,
    buy: null,
    why,
  });
  return [
    tool(`hook ${tools.hookMm}`, `Hook ${tools.hookMm} mm${us ? ` (US ${us})` : ''}`, 'What every size here is worked out with.'),
    tool('needle', 'Yarn needle', 'To close and to hide the ends.'),
    tool('marker', 'Stitch marker', 'It shows where the round begins.'),
    tool('scissors', 'Scissors', ''),
    ...(sewn ? [tool('pins', 'Pins', 'To try parts in place before they are sewn.')] : []),
  ];
}

function eyeEntries({ eyes, kit }: ListSource): ListEntry[] {
  if (!eyes) return [];
  const group = 'Eyes';
  const need = exactly(eyes.count, 'piece');
  const bought = (count: number): Purchase => ({ count, gramsEach: null });
  if (kit.underThree) {
    const why = `Embroidered instead of safety eyes, about ${eyes.mm} mm: for a child under three nothing small.`;
    const what = 'Black thread for the eyes';
    return [{ id: 'eye thread', group, what, need: exactly(1, 'piece'), have: null, buy: bought(1), why }];
  }
  const why = 'Suits this head in this yarn; the backs belong to them.';
  return [{ id: `eyes ${eyes.mm}`, group, what: `Safety eyes ${eyes.mm} mm`, need, have: null, buy: bought(eyes.count), why }];
}

function stuffingEntries({ stuffing, kit }: ListSource): ListEntry[] {
  if (stuffing.length === 0) return [];
  const grams = stuffing.reduce((sum, one) => sum + one.grams * one.pieces, 0) * kit.copies;
  const spread = Math.max(...stuffing.map((one) => one.spread));
  const most = Math.ceil((grams * (1 + spread)) / 10) * 10;
  const why = `${stuffing.map((one) => `${one.part} ${gramWords(one.grams * one.pieces)}`).join(', ')}${kit.copies > 1 ? ` a figure, ${kit.copies} figures` : ''}: the upper end, rounded up to 10 g.`;
  return [
    {
      id: 'stuffing',
      group: 'Stuffing',
      what: 'Filling',
      need: giveOrTake(grams, spread, 'g'),
      have: null,
      buy: { count: most, gramsEach: 1 },
      why,
    },
  ];
}

function thingEntries({ things, kit }: ListSource): ListEntry[] {
  return things
    .filter(({ thing }) => !(kit.underThree && NOT_UNDER_THREE.has(thing)))
    .map(({ thing, count, mm, text }) => ({
      id: `thing ${thing}`,
      group: 'Small things' as const,
      what: THING_WORDS[thing],
      need: exactly((count ?? 1) * (mm ?? 1) * kit.copies, mm === null ? 'piece' : 'mm'),
      have: null,
      buy: null,
      why: `The pattern says: “${text}”`,
    }));
}

function capital(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}
