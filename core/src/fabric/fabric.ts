import { BOUNDS, STITCH_NAMES, type Item, type Loop, type Start, type Work } from '../notation/index.js';
import type { PartCount, RoundCount } from './check.js';

export const LOOPS: readonly Loop[] = ['both', 'back', 'front'];

/**
 * Every stitch of a part as flat arrays, a row a stitch, in working order; all indices are 0-based.
 *
 * An increase is two rows with the same first parent, a decrease one row with two parents. A row without parents
 * (`firstParent` -1, `parentCount` 0) was worked into the ring or the starting chain.
 * In a round that asks for more stitches than there are, parents are spread over those that are there;
 * stitches that a round leaves over are nobody's parent.
 *
 * An action is what the maker does as one: a stitch, an increase, a decrease. A group is one repeat, or a run of
 * actions between repeats. `roundStart`, `roundAction` and `actionStart` have one entry more than what they index, so
 * that `[i, i + 1)` is always the range of row i.
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
  /** First stitch of each round, and the stitch count. */
  readonly roundStart: Uint32Array;
  /** First action of each round, and the action count. */
  readonly roundAction: Uint32Array;
  /** First stitch of each action, and the stitch count. */
  readonly actionStart: Uint32Array;
  /** Group within the round, a row an action. */
  readonly actionGroup: Uint32Array;
  /** Index in `works` of the written item, a row an action. */
  readonly actionWork: Uint32Array;
  readonly works: readonly (Work | Start)[];
  /** Names as the pattern writes them; the first is '' for stitches before any colour is named. */
  readonly colours: readonly string[];
}

/** Builds the fabric of a counted part. Rounds past `BOUNDS.partStitches` are left out. */
export function fabricOf({ part, rounds }: PartCount): Fabric {
  const kept = withinBounds(rounds);
  const builder = new FabricBuilder(
    kept.reduce((sum, round) => sum + round.makes, 0),
    kept.length,
  );
  for (const round of kept) builder.addRound(part.lines[round.line]!.items, round);
  return builder.finish();
}

function withinBounds(rounds: readonly RoundCount[]): readonly RoundCount[] {
  let total = 0;
  const end = rounds.findIndex((round) => (total += round.makes) > BOUNDS.partStitches);
  return end < 0 ? rounds : rounds.slice(0, end);
}

class FabricBuilder {
  private readonly stitch: Uint8Array;
  private readonly round: Uint32Array;
  private readonly loop: Uint8Array;
  private readonly colour: Uint16Array;
  private readonly firstParent: Int32Array;
  private readonly parentCount: Uint8Array;
  private readonly roundStart: Uint32Array;
  private readonly roundAction: Uint32Array;
  private readonly actionStart: Uint32Array;
  private readonly actionGroup: Uint32Array;
  private readonly actionWork: Uint32Array;
  private readonly works: (Work | Start)[] = [];
  private readonly workIndex = new Map<Work | Start, number>();
  private readonly colours = [''];
  private row = 0;
  private action = 0;
  private roundIndex = 0;
  private group = 0;
  private colourNow = 0;
  /** Stitches of the round below used so far, its first row and its length, and the share of it each use stands for. */
  private used = 0;
  private below = { start: 0, length: 0, scale: 1 };

  constructor(
    private readonly stitchCount: number,
    private readonly roundCount: number,
  ) {
    this.stitch = new Uint8Array(stitchCount);
    this.round = new Uint32Array(stitchCount);
    this.loop = new Uint8Array(stitchCount);
    this.colour = new Uint16Array(stitchCount);
    this.firstParent = new Int32Array(stitchCount);
    this.parentCount = new Uint8Array(stitchCount);
    this.roundStart = new Uint32Array(roundCount + 1);
    this.roundAction = new Uint32Array(roundCount + 1);
    this.actionStart = new Uint32Array(stitchCount + 1);
    this.actionGroup = new Uint32Array(stitchCount);
    this.actionWork = new Uint32Array(stitchCount);
  }

  addRound(items: readonly Item[], { uses, around }: RoundCount): void {
    const start = this.roundIndex > 0 ? this.roundStart[this.roundIndex - 1]! : 0;
    const length = this.row - start;
    this.below = { start, length, scale: uses > length ? length / uses : 1 };
    this.used = 0;
    this.group = 0;
    this.roundStart[this.roundIndex] = this.row;
    this.roundAction[this.roundIndex] = this.action;
    let left = around;
    let loose = false;
    for (const item of items) {
      if (item.kind === 'group') {
        if (loose) this.group++;
        loose = false;
        const times = item.times === 'around' ? left : item.times;
        if (item.times === 'around') left = 0;
        for (let i = 0; i < times; i++, this.group++) this.addItems(item.items);
      } else {
        loose ||= item.kind === 'work' || item.kind === 'start';
        this.addItem(item, left);
        if (item.kind === 'work' && item.count === 'around') left = 0;
      }
    }
    this.roundIndex++;
  }

  private addItems(items: readonly Item[]): void {
    for (const item of items) this.addItem(item, 1);
  }

  private addItem(item: Item, around: number): void {
    if (item.kind === 'colour') this.colourNow = this.colourIndex(item.name);
    else if (item.kind === 'work') {
      const count = item.count === 'around' ? around : item.count;
      for (let i = 0; i < count; i++) this.addAction(item);
    } else if (item.kind === 'start') {
      for (let i = 0; i < item.count; i++) this.addStart(item);
    } else if (item.kind === 'group') {
      const times = item.times === 'around' ? 1 : item.times;
      for (let i = 0; i < times; i++) this.addItems(item.items);
    }
  }

  private addAction(work: Work): void {
    const { stitch, loop, per, together } = work;
    const { start, length, scale } = this.below;
    const orphan = length === 0;
    const parent = orphan ? -1 : start + Math.min(length - 1, Math.floor(this.used * scale));
    const parents = orphan ? 0 : Math.min(together, start + length - parent);
    this.beginAction(work);
    for (let i = 0; i < per; i++) this.addStitch(STITCH_NAMES.indexOf(stitch), LOOPS.indexOf(loop), parent, parents);
    this.used += together;
  }

  private addStart(start: Start): void {
    this.beginAction(start);
    this.addStitch(STITCH_NAMES.indexOf(start.stitch), 0, -1, 0);
  }

  private beginAction(work: Work | Start): void {
    let index = this.workIndex.get(work);
    if (index === undefined) {
      index = this.works.push(work) - 1;
      this.workIndex.set(work, index);
    }
    this.actionWork[this.action] = index;
    this.actionStart[this.action] = this.row;
    this.actionGroup[this.action] = this.group;
    this.action++;
  }

  private addStitch(stitch: number, loop: number, parent: number, parents: number): void {
    const row = this.row++;
    this.stitch[row] = stitch;
    this.round[row] = this.roundIndex;
    this.loop[row] = loop;
    this.colour[row] = this.colourNow;
    this.firstParent[row] = parent;
    this.parentCount[row] = parents;
  }

  private colourIndex(name: string): number {
    const known = this.colours.findIndex((each) => each.toLowerCase() === name.toLowerCase());
    return known >= 0 ? known : this.colours.push(name) - 1;
  }

  finish(): Fabric {
    this.roundStart[this.roundIndex] = this.row;
    this.roundAction[this.roundIndex] = this.action;
    this.actionStart[this.action] = this.row;
    return {
      stitchCount: this.stitchCount,
      roundCount: this.roundCount,
      actionCount: this.action,
      stitch: this.stitch,
      round: this.round,
      loop: this.loop,
      colour: this.colour,
      firstParent: this.firstParent,
      parentCount: this.parentCount,
      roundStart: this.roundStart,
      roundAction: this.roundAction,
      actionStart: this.actionStart.slice(0, this.action + 1),
      actionGroup: this.actionGroup.slice(0, this.action),
      actionWork: this.actionWork.slice(0, this.action),
      works: this.works,
      colours: this.colours,
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
  if (fabric.actionStart[action + 1]! - stitch > 1) return 'increase';
  return fabric.parentCount[stitch]! > 1 ? 'decrease' : 'plain';
}
