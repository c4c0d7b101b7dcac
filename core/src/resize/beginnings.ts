import type { PartCount, PatternCount } from '../fabric/index.js';
import { measureRound, type Foundation, type PartRef } from '../notation/index.js';
import { coreOf, overPlaces, sideOf, type Around } from './rounds.js';
import { newEnd, type RoundMap } from './stretches.js';

/** Counts of a part anew, with the old rounds that they follow. */
export interface Anew {
  readonly map: RoundMap;
  readonly counts: readonly number[];
}

/** What parts hang on each other by: rims that are bridged, loops that are left, edges, limbs worked in. */
export class Beginnings {
  /** @param anewOf what becomes of a part, by its index; null where it stays */
  constructor(
    private readonly count: PatternCount,
    private readonly anewOf: (part: number) => Anew | null,
  ) {}

  private lastOf(ref: PartRef): number | null {
    if (ref.part === null) return null;
    return this.anewOf(ref.part)?.counts.at(-1) ?? this.count.parts[ref.part]?.rounds.at(-1)?.makes ?? null;
  }

  /** What a part's new rounds may ask of the others. */
  around(index: number): Around {
    return {
      through: (limb, was) => {
        const old = limb.part === null ? null : (this.count.parts[limb.part]?.rounds.at(-1)?.makes ?? null);
        const now = this.lastOf(limb);
        return old === null || now === null ? was : Math.max(1, Math.round((was * now) / old));
      },
      foundation: (foundation, makes) => this.foundation(index, foundation, makes),
    };
  }

  private foundation(index: number, foundation: Foundation, makes: number): ReturnType<Around['foundation']> {
    const old = this.count.parts[index]!.rounds[0]!;
    switch (foundation.from) {
      case 'chain': {
        const more = foundation.sides === 2 ? (makes - old.makes) / 2 : makes - old.makes;
        if (!Number.isInteger(more)) return null;
        const chains = foundation.chains + more;
        const side = chains - foundation.first + 1;
        return side < 1 ? null : { foundation: { ...foundation, chains }, uses: foundation.sides === 2 ? 2 * side - 1 : side };
      }
      case 'bridge': {
        const limbs = foundation.parts.reduce((sum, ref) => sum + (this.lastOf(ref) ?? 0), 0);
        const chains = (makes - limbs) / 2;
        return Number.isInteger(chains) && chains >= 0 ? { foundation: { ...foundation, chains }, uses: makes } : null;
      }
      case 'loops': {
        const host = foundation.part?.part ?? index - 1;
        const at = this.count.parts[host]?.rounds.findIndex(({ number }) => number === foundation.round) ?? -1;
        const made = at < 0 ? null : this.anewOf(host);
        if (!made) return { foundation, uses: old.uses };
        const end = newEnd(made.map, at);
        return {
          foundation: { ...foundation, round: this.count.parts[host]!.rounds[0]!.number + end - 1 },
          uses: made.counts[end - 1]!,
        };
      }
      case 'layers':
      case 'edge':
        return { foundation, uses: this.edgeUses(index, foundation, old.uses) };
    }
  }

  /** Places along an edge or round two layers: as many more as the panel has. */
  private edgeUses(index: number, foundation: Foundation & { from: 'layers' | 'edge' }, was: number): number {
    const ref = foundation.from === 'edge' ? foundation.part : (foundation.parts[0] ?? null);
    const host = ref?.part ?? index - 1;
    const [old, made] = [this.count.parts[host]?.rounds, this.anewOf(host)?.counts];
    if (!old || !made) return was;
    const around = (first: number, last: number, rounds: number): number => first + last + 2 * rounds;
    const before = around(old[0]!.makes, old.at(-1)!.makes, old.length);
    return Math.round((was * around(made[0]!, made.at(-1)!, made.length)) / before);
  }

  /** Counts that a first round may have, the nearest to a wished one first. */
  firsts({ part, rounds }: PartCount, wished: number, around: Around): readonly number[] {
    const old = rounds[0]!.makes;
    const { core } = coreOf(part.lines[rounds[0]!.line]!.items);
    const foundation = core.find((item) => item.kind === 'foundation');
    if (!foundation) {
      const start = core.find((item) => item.kind === 'start');
      return start?.from === 'chain ring' ? near(wished, 1, 1) : [old];
    }
    if (foundation.from === 'chain') {
      if (foundation.sides === 1) return near(wished, 1, 1);
      // The straight of an oval is larger, its ends begin as they did; a side keeps a stitch, or it is no oval any more.
      const side = sideOf(core);
      return [old + 2 * (Math.max(1, Math.round((side * wished) / old)) - side)];
    }
    if (foundation.from === 'bridge') {
      const limbs = foundation.parts.reduce((sum, ref) => sum + (this.lastOf(ref) ?? 0), 0);
      return near(limbs + 2 * Math.max(1, Math.round((wished - limbs) / 2)), 2, 2).filter((makes) => makes > limbs);
    }
    const placed = around.foundation(foundation, old);
    const rest = core.filter((item) => item.kind !== 'foundation');
    if (!placed || placed.uses === rounds[0]!.uses) return [old];
    const share = Math.round((old * placed.uses) / rounds[0]!.uses);
    const scaled = overPlaces(rest, placed.uses, share, around);
    return [scaled ? measureRound(scaled, placed.uses).makes : old];
  }
}

/** Whole numbers nearest to one, `reach` steps to either side of it. */
function near(wished: number, step: number, reach: number): readonly number[] {
  const middle = Math.max(1, Math.round(wished));
  return Array.from({ length: 2 * reach + 1 }, (_, i) => middle + step * (i % 2 === 0 ? i / 2 : -(i + 1) / 2)).filter(
    (count) => count >= 1,
  );
}
