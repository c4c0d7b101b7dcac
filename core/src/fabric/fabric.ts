import { BOUNDS } from '../bounds/index.js';
import {
  foundationOf,
  isSamePart,
  STITCH_NAMES,
  type Foundation,
  type Item,
  type Loop,
  type PartRef,
  type Times,
  type Way,
  type Worked,
} from '../notation/index.js';
import type { PartCount, RoundCount } from './check.js';
import { endsMeetIn, fillOf, type Fill } from './fill.js';

export const LOOPS: readonly Loop[] = ['both', 'back', 'front'];
export const WAYS: readonly Way[] = ['spiral', 'joined', 'turned'];

/**
 * Every stitch of a part as flat arrays, a row a stitch, in working order; all indices are 0-based.
 *
 * An increase is two rows with the same first parent, a decrease one row with two parents; parents are always
 * `[firstParent, firstParent + parentCount)`, also in turned rows, which run over the row below from its end to its
 * start. A row without parents (`firstParent` -1, `parentCount` 0) hangs on no stitch of this part: it was worked into a
 * ring, into a place of the part's foundation (`place` then says which, 0-based along it), or is a chain in the air.
 * In a round that asks for more stitches than there are, parents are spread over those that are there;
 * stitches that a round leaves over or skips are nobody's parent.
 *
 * An action is what the maker does as one: a stitch, an increase, a decrease, all stitches of a cluster. Skips, chains
 * that do not count, joins and turns are actions that make no row. A group is one repeat, or a run of actions between
 * repeats. `roundStart`, `roundAction` and `actionStart` have one entry more than what they index, so that `[i, i + 1)`
 * is always the range of row i.
 */
export interface Fabric {
  readonly stitchCount: number;
  readonly roundCount: number;
  readonly actionCount: number;
  /** Index in STITCH_NAMES, a row a stitch. */
  readonly stitch: Uint8Array;
  /** Round index, a row a stitch. */
  readonly round: Uint32Array;
  /** Index in LOOPS, a row a stitch. */
  readonly loop: Uint8Array;
  /** Index in `colours`, a row a stitch. */
  readonly colour: Uint16Array;
  readonly firstParent: Int32Array;
  readonly parentCount: Uint8Array;
  /** Place of the foundation a stitch is worked into, -1 for all others. */
  readonly place: Int32Array;
  /** Index in `limbs` of the piece worked in with this stitch, 0 for none. */
  readonly limb: Uint8Array;
  /** First stitch of each round, and the stitch count. */
  readonly roundStart: Uint32Array;
  /** First action of each round, and the action count. */
  readonly roundAction: Uint32Array;
  /** Index in WAYS, a row a round. */
  readonly roundWay: Uint8Array;
  /** First stitch of each action, and the stitch count. */
  readonly actionStart: Uint32Array;
  /** Group within the round, a row an action. */
  readonly actionGroup: Uint32Array;
  /** Index in `works` of the written item, a row an action. */
  readonly actionWork: Uint32Array;
  readonly works: readonly Worked[];
  /** Names as the pattern writes them; the first is '' for stitches before any colour is named. */
  readonly colours: readonly string[];
  readonly limbs: readonly (PartRef | null)[];
  /** What the first round is worked over when it is no ring, or null. */
  readonly foundation: Foundation | null;
  /** Rounds worked over a foundation, 0-based, with it: the first, and one in which other pieces are joined on. */
  readonly foundations: ReadonlyMap<number, Foundation>;
  readonly fill: Fill;
  /** Whether its two ends are sewn to one another. */
  readonly endsMeet: boolean;
}

/** Builds the fabric of a counted part. Rounds past `BOUNDS.partStitches` are left out. */
export function fabricOf({ part, rounds }: PartCount): Fabric {
  const kept = withinBounds(rounds);
  const builder = new FabricBuilder(
    kept.reduce((sum, round) => sum + round.makes, 0),
    kept,
  );
  for (const round of kept) {
    const line = part.lines[round.line]!;
    // "R4–R9: sc around. Change to white" changes once, after R9.
    builder.addRound(round.number < line.last ? withoutLastColour(line.items) : line.items, round);
  }
  return builder.finish(fillOf(part), endsMeetIn(part));
}

/** The items without changes of colour at their end, which are made for the next round. */
export function withoutLastColour(items: readonly Item[]): readonly Item[] {
  return items.slice(0, items.findLastIndex((item) => item.kind !== 'colour') + 1);
}

function withinBounds(rounds: readonly RoundCount[]): readonly RoundCount[] {
  let total = 0;
  const end = rounds.findIndex((round) => (total += round.makes) > BOUNDS.partStitches);
  return end < 0 ? rounds : rounds.slice(0, end);
}

/** What the round being built hangs on: rows of this fabric, or places of a foundation. */
interface Below {
  readonly start: number;
  readonly length: number;
  /** The share of a stitch below that each use stands for; under 1 where a round asks for more than there is. */
  readonly scale: number;
  readonly turned: boolean;
  readonly places: boolean;
}

const MOST_LIMBS = 255;

/** An open count inside a group is worked once. */
const once = (times: Times): number => (typeof times === 'number' ? times : 1);

class FabricBuilder {
  private readonly stitch: Uint8Array;
  private readonly round: Uint32Array;
  private readonly loop: Uint8Array;
  private readonly colour: Uint16Array;
  private readonly firstParent: Int32Array;
  private readonly parentCount: Uint8Array;
  private readonly place: Int32Array;
  private readonly limb: Uint8Array;
  private readonly roundStart: Uint32Array;
  private readonly roundAction: Uint32Array;
  private readonly roundWay: Uint8Array;
  private actionStart: Uint32Array;
  private actionGroup: Uint32Array;
  private actionWork: Uint32Array;
  private readonly works: Worked[] = [];
  private readonly workIndex = new Map<Worked, number>();
  private readonly colours = [''];
  private readonly limbs: (PartRef | null)[] = [null];
  private readonly foundations = new Map<number, Foundation>();
  private row = 0;
  private action = 0;
  private roundIndex = 0;
  private group = 0;
  private colourNow = 0;
  /** Stitches of the round below used so far. */
  private used = 0;
  private below: Below = { start: 0, length: 0, scale: 1, turned: false, places: false };

  constructor(
    private readonly stitchCount: number,
    private readonly rounds: readonly RoundCount[],
  ) {
    this.stitch = new Uint8Array(stitchCount);
    this.round = new Uint32Array(stitchCount);
    this.loop = new Uint8Array(stitchCount);
    this.colour = new Uint16Array(stitchCount);
    this.firstParent = new Int32Array(stitchCount).fill(-1);
    this.parentCount = new Uint8Array(stitchCount);
    this.place = new Int32Array(stitchCount).fill(-1);
    this.limb = new Uint8Array(stitchCount);
    this.roundStart = new Uint32Array(rounds.length + 1);
    this.roundAction = new Uint32Array(rounds.length + 1);
    this.roundWay = new Uint8Array(rounds.length);
    // Hardly a part has more actions than stitches and skips.
    this.actionStart = new Uint32Array(stitchCount + rounds.length + 1);
    this.actionGroup = new Uint32Array(this.actionStart.length);
    this.actionWork = new Uint32Array(this.actionStart.length);
  }

  addRound(items: readonly Item[], round: RoundCount): void {
    this.below = this.belowOf(items, round);
    this.used = 0;
    this.group = 0;
    this.roundStart[this.roundIndex] = this.row;
    this.roundAction[this.roundIndex] = this.action;
    this.roundWay[this.roundIndex] = WAYS.indexOf(round.way);
    let left = round.around;
    let loose = false;
    for (const item of items) {
      const open = (times: Times): number => {
        if (typeof times === 'number') return times;
        const taken = left;
        left = 0;
        return taken;
      };
      if (item.kind === 'group') {
        if (loose) this.group++;
        loose = false;
        const times = open(item.times);
        for (let i = 0; i < times; i++, this.group++) for (const each of item.items) this.addItem(each, once);
      } else {
        loose ||= item.kind !== 'colour' && item.kind !== 'remark' && item.kind !== 'foundation';
        this.addItem(item, open);
      }
    }
    this.roundIndex++;
  }

  private belowOf(items: readonly Item[], { uses, available, way }: RoundCount): Below {
    const foundation = foundationOf(items);
    if (foundation) this.foundations.set(this.roundIndex, foundation);
    const scaled = (length: number): number => (uses > length && length > 0 ? length / uses : 1);
    if (foundation?.from === 'loops' && foundation.part === null) {
      const at = this.rounds.findIndex((round, index) => index < this.roundIndex && round.number === foundation.round);
      if (at >= 0) {
        const length = this.roundStart[at + 1]! - this.roundStart[at]!;
        return { start: this.roundStart[at]!, length, scale: scaled(length), turned: false, places: false };
      }
    }
    if (foundation) return { start: 0, length: available, scale: scaled(available), turned: false, places: true };
    const start = this.roundIndex > 0 ? this.roundStart[this.roundIndex - 1]! : 0;
    const length = this.row - start;
    return { start, length, scale: scaled(length), turned: way === 'turned' && this.roundIndex > 0, places: false };
  }

  private addItem(item: Item, open: (times: Times) => number): void {
    switch (item.kind) {
      case 'colour':
        this.colourNow = this.colourIndex(item.name);
        break;
      case 'work': {
        const count = open(item.count);
        const names = Array<number>(item.per).fill(STITCH_NAMES.indexOf(item.stitch));
        this.addActions(item, names, item.together, count);
        break;
      }
      case 'cluster': {
        const count = open(item.count);
        const names = item.stitches.flatMap((each) => Array<number>(each.count).fill(STITCH_NAMES.indexOf(each.stitch)));
        this.addActions(item, names, 1, count);
        break;
      }
      case 'start': {
        const chains = item.chain === 'counted' ? 1 : 0;
        for (let i = 0; i < chains; i++) this.addLoose(item, 'ch');
        for (let i = 0; i < item.count; i++) this.addLoose(item, item.stitch);
        break;
      }
      case 'chain':
        if (item.counts === 0) this.beginAction(item);
        for (let i = 0; i < item.counts; i++) this.addLoose(item, 'ch');
        break;
      case 'skip':
        this.beginAction(item);
        this.used += item.count;
        break;
      case 'spur':
      case 'close':
        this.beginAction(item);
        break;
      case 'group': {
        const times = open(item.times);
        for (let i = 0; i < times; i++) for (const each of item.items) this.addItem(each, open);
        break;
      }
      case 'foundation':
      case 'remark':
        break;
    }
  }

  /** Actions, each over `together` stitches of what lies below and making a row for each of `names`. */
  private addActions(
    work: Extract<Worked, { kind: 'work' | 'cluster' }>,
    names: readonly number[],
    together: number,
    actions: number,
  ): void {
    const { start, length, scale, turned, places } = this.below;
    const index = this.indexOf(work);
    const loop = LOOPS.indexOf(work.loop);
    const limb = work.kind === 'work' && work.through !== null ? this.limbIndex(work.through) : 0;
    const { stitch, round, colour, roundIndex, colourNow, parentCount } = this;
    const parents = places ? this.place : this.firstParent;
    for (let i = 0; i < actions; i++) {
      const at = Math.min(length - 1, Math.floor(this.used * scale));
      const count = Math.min(together, length - at);
      const first = (turned ? length - at - count : at) + (places ? 0 : start);
      this.used += together;
      this.begin(index);
      for (const name of names) {
        const row = this.row++;
        stitch[row] = name;
        round[row] = roundIndex;
        colour[row] = colourNow;
        if (loop > 0) this.loop[row] = loop;
        if (limb > 0) this.limb[row] = limb;
        if (length === 0) continue;
        parents[row] = first;
        if (!places) parentCount[row] = count;
      }
    }
  }

  /** One stitch that hangs on no other: into the ring, the starting chain, or the air. */
  private addLoose(work: Worked, stitch: (typeof STITCH_NAMES)[number]): void {
    this.beginAction(work);
    this.addStitch(STITCH_NAMES.indexOf(stitch), 0);
  }

  private beginAction(work: Worked): void {
    this.begin(this.indexOf(work));
  }

  private indexOf(work: Worked): number {
    let index = this.workIndex.get(work);
    if (index === undefined) {
      index = this.works.push(work) - 1;
      this.workIndex.set(work, index);
    }
    return index;
  }

  private begin(index: number): void {
    // One entry is kept for the end.
    if (this.action + 1 >= this.actionStart.length) this.makeRoom();
    const action = this.action++;
    this.actionWork[action] = index;
    this.actionStart[action] = this.row;
    this.actionGroup[action] = this.group;
  }

  private makeRoom(): void {
    const larger = (full: Uint32Array): Uint32Array => {
      const wide = new Uint32Array(2 * full.length);
      wide.set(full);
      return wide;
    };
    this.actionWork = larger(this.actionWork);
    this.actionStart = larger(this.actionStart);
    this.actionGroup = larger(this.actionGroup);
  }

  private addStitch(stitch: number, loop: number): number {
    const row = this.row++;
    this.stitch[row] = stitch;
    this.round[row] = this.roundIndex;
    this.loop[row] = loop;
    this.colour[row] = this.colourNow;
    return row;
  }

  private colourIndex(name: string): number {
    const known = this.colours.findIndex((each) => each.toLowerCase() === name.toLowerCase());
    return known >= 0 ? known : this.colours.push(name) - 1;
  }

  private limbIndex(limb: PartRef): number {
    const known = this.limbs.findIndex((each) => isSamePart(each, limb));
    return known >= 0 || this.limbs.length > MOST_LIMBS ? Math.max(0, known) : this.limbs.push(limb) - 1;
  }

  finish(fill: Fill, endsMeet: boolean): Fabric {
    const actionCount = this.action;
    this.roundStart[this.roundIndex] = this.row;
    this.roundAction[this.roundIndex] = actionCount;
    this.actionStart[actionCount] = this.row;
    return {
      stitchCount: this.stitchCount,
      roundCount: this.rounds.length,
      actionCount,
      stitch: this.stitch,
      round: this.round,
      loop: this.loop,
      colour: this.colour,
      firstParent: this.firstParent,
      parentCount: this.parentCount,
      place: this.place,
      limb: this.limb,
      roundStart: this.roundStart,
      roundAction: this.roundAction,
      roundWay: this.roundWay,
      actionStart: this.actionStart.slice(0, actionCount + 1),
      actionGroup: this.actionGroup.slice(0, actionCount),
      actionWork: this.actionWork.slice(0, actionCount),
      works: this.works,
      colours: this.colours,
      limbs: this.limbs,
      foundation: this.foundations.get(0) ?? null,
      foundations: this.foundations,
      fill,
      endsMeet,
    };
  }
}

/** Stitches in a round. */
export function roundLength(fabric: Fabric, round: number): number {
  return fabric.roundStart[round + 1]! - fabric.roundStart[round]!;
}

/** Stitch counts of all rounds, in order. */
export function roundLengths(fabric: Fabric): number[] {
  return Array.from({ length: fabric.roundCount }, (_, round) => roundLength(fabric, round));
}

export type Change = 'plain' | 'increase' | 'decrease';

/** What an action does to the count. */
export function changeOf(fabric: Fabric, action: number): Change {
  const stitch = fabric.actionStart[action]!;
  const made = fabric.actionStart[action + 1]! - stitch;
  if (made > 1) return 'increase';
  return made === 1 && fabric.parentCount[stitch]! > 1 ? 'decrease' : 'plain';
}
