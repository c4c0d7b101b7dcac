import type { Item, PartRef, Work } from '../pattern.js';
import { printItems } from '../print.js';
import type { Loop, StitchName, Terms } from '../stitch.js';
import { printTime } from '../talk-time.js';
import { describeDoubt } from './describe-doubt.js';
import type { Doubt } from './doubt.js';
import type { ToldRounds } from './explain.js';
import type { Unit } from './shape.js';
import { REST } from './sign.js';

/** What a line of rounds needs besides: the part before by name and size, where limbs are worked in, and whether rows are turned. */
export interface Around {
  readonly terms: Terms;
  readonly partBefore: { readonly name: string; readonly makes: number } | null;
  readonly limb: string;
  readonly flat: boolean;
  readonly colour: string | null;
}

/** The instruction of rounds in the clear form, without label and total: "(2 sc, inc) × 6". */
export function instructionOf(told: ToldRounds, around: Around): string {
  const { shape, open } = told;
  const style = { terms: around.terms, form: 'short' as const, across: around.flat };
  const colour = around.colour === null ? '' : `with ${around.colour}, `;
  const sc = printItems([work({ count: 1 })], style).replace(/^1 /, '');
  const like = open ? ' as long as you like' : '';
  switch (shape.is) {
    case 'oval':
      return `${colour}ch ${shape.chains}, starting in 2nd ch from hook, ${shape.chains - 2} ${sc}, ${shape.ends[0]} ${sc} in last ch, other side: ${shape.chains - 3} ${sc}, ${shape.ends[1]} ${sc} in last ch`;
    case 'flat':
      return `${colour}ch ${shape.chains}, 1 ${sc} in each ch from 2nd ch from hook, turn`;
    case 'joined': {
      const { name, makes } = around.partBefore ?? { name: 'pieces', makes: 0 };
      const bridge = `${makes} ${sc}, ${shape.chains} ${sc}`;
      return `${colour}join ${name} with ch ${shape.chains}, ${bridge}, ${bridge}`;
    }
    case 'unheard':
      return '';
    default:
      return colour + printItems(itemsOf(told, around.limb), style) + (around.flat ? ', ch 1, turn' : '') + like;
  }
}

function stitchOf([unit]: readonly Unit[]): StitchName {
  return unit?.is === 'work' ? unit.stitch : 'sc';
}

function itemsOf({ shape, times, loop, makes, open, starts }: ToldRounds, limb: string): Item[] {
  if (shape.is === 'ring') {
    const chains = shape.from === 'ring' ? 0 : 2;
    return [{ kind: 'start', from: shape.from, chains, stitch: shape.stitch, count: shape.count, chain: 'none' }];
  }
  if (shape.is === 'each') return [work({ stitch: shape.stitch, per: shape.per, together: shape.together, count: times, loop })];
  if (shape.is !== 'units') return [];
  const plain = shape.units.every((unit) => unit.is === 'work' && unit.per === 1 && unit.together === 1 && !unit.through);
  if (plain && !starts) return [work({ stitch: stitchOf(shape.units), count: 'around', loop })];
  const items = shape.units.map((unit) => itemOf(unit, loop, limb));
  const [only] = items;
  if (times === 1) return grouped(items);
  if (items.length === 1 && only?.kind === 'work' && only.count === 1)
    return [{ ...only, count: times === 'around' ? 'around' : open ? makes : times }];
  return [{ kind: 'group', items, times }];
}

/** Items with those that are said over and over as a repeat: "1 sc, inc, (3 sc, inc) × 5, 2 sc". */
function grouped(items: readonly Item[]): Item[] {
  const keys = items.map((item) => JSON.stringify(item));
  const timesFrom = (from: number, length: number): number => {
    let times = 1;
    while (keys.slice(from, from + length).every((key, i) => key === keys[from + times * length + i])) times++;
    return times;
  };
  for (let length = 2; length <= 4; length++) {
    const begins = items
      .map((_, from) => from)
      .filter((from) => from + 3 * length <= items.length && timesFrom(from, length) >= 3);
    // A repeat begins with its plain stitches, as people write it.
    const from = begins.find((at) => isPlain(items[at]!)) ?? begins[0];
    if (from === undefined) continue;
    const times = timesFrom(from, length);
    const group: Item = { kind: 'group', items: items.slice(from, from + length), times };
    return [...items.slice(0, from), group, ...items.slice(from + times * length)];
  }
  return [...items];
}

function isPlain(item: Item): boolean {
  return item.kind === 'work' && item.per === 1 && item.together === 1;
}

function itemOf(unit: Unit, loop: Loop, limb: string): Item {
  if (unit.is !== 'work')
    return unit.is === 'skip' ? { kind: 'skip', count: unit.count } : { kind: 'chain', count: unit.count, counts: unit.count };
  const through: PartRef | null = unit.through ? { part: null, name: limb } : null;
  return work({ ...unit, count: unit.count === REST ? 'around' : unit.count, loop, through });
}

function work(part: Partial<Omit<Work, 'kind'>>): Work {
  const { stitch = 'sc', per = 1, together = 1, count = 1, loop = 'both', through = null } = part;
  return { kind: 'work', stitch, per, together, school: 'open', count, loop, through };
}

/** "R6–R12: sc around (30) (at 4:26, in doubt: …)" */
export function lineOf(told: ToldRounds, instruction: string, seconds: number, doubts: readonly Doubt[], flat: boolean): string {
  const { first, last, stated } = told;
  const label = flat
    ? first === last
      ? `Row ${first}`
      : `Rows ${first}–${last}`
    : first === last
      ? `R${first}`
      : `R${first}–R${last}`;
  const total = stated === null ? '' : ` (${stated})`;
  const doubt = doubts.length === 0 ? '' : `, in doubt: ${doubts.map(describeDoubt).join('; ')}`;
  return `${label}: ${instruction}${total} (at ${printTime(seconds)}${doubt})`;
}
