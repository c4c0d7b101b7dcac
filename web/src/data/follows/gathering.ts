import { computed, inject, Injectable } from '@angular/core';
import { roundColours, roundLength } from '@lemniscus/core/fabric';
import { estimateStitch } from '@lemniscus/core/gauge';
import { gatesOf } from '@lemniscus/core/notation';
import { isFlatLie, measure, openings, standsOnStart } from '@lemniscus/core/shape';
import {
  eyeAdvice,
  fillingOf,
  needsList,
  plannedParts,
  plansFor,
  statedKit,
  stuffingBelief,
  stuffingSaid,
  supplyOf,
  thingsSaid,
  usedSince,
  type EyeAdvice,
  type Firmness,
  type Holding,
  type Kit,
  type Plan,
  type Situation,
} from '@lemniscus/core/supply';
import { Basket } from '../owned/basket';
import { CurrentMake } from '../open/current-make';
import { PiecePlans } from '../open/piece-plans';
import { MakeDraft } from '../open/make-draft';
import type { MadePart } from './made-part';
import { Measurements } from '../owned/measurements';
import { Shapes } from './shapes';
import { YarnUses } from './yarn-uses';

/** Eyes of one part, and where they sit. */
export interface PartEyes {
  readonly part: MadePart;
  readonly advice: EyeAdvice;
  readonly text: string;
  /** Diameter of the head at its widest, mm. */
  readonly headMm: number;
}

/** Stuffing of one piece of a part. */
export interface PartStuffing {
  readonly part: MadePart;
  readonly firmness: Firmness;
  /** Whether the pattern says how firmly. */
  readonly said: boolean;
  readonly grams: number;
  readonly spread: number;
}

/** Everything that follows from what is in hand, for the make that is open. */
@Injectable()
export class Gathering {
  private readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);
  private readonly pieces = inject(PiecePlans);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);
  private readonly shapes = inject(Shapes);
  private readonly uses = inject(YarnUses);

  readonly make = computed(() => this.current.make()!);
  readonly kit = computed(() => this.make().kit);
  /** The yarns of the basket, with what other makes take of them; changes when either does. */
  readonly owned = computed(() => ({ yarns: this.basket.items(), others: this.others() }));
  private readonly planned = computed(() =>
    plannedParts(
      { pattern: this.current.count().pattern, parts: this.pieces.parts().map(({ counted }) => counted) },
      (part) => this.pieces.parts()[part]?.fabric ?? null,
      (piece) => this.pieces.position(piece),
    ),
  );

  /** What other makes took and still need of each yarn, g. */
  private readonly others = computed(() => {
    const taken = new Map<string, number>();
    for (const { make, yarn, used, needed } of this.uses.shares()) {
      if (make !== this.make().id) taken.set(yarn, (taken.get(yarn) ?? 0) + used + needed);
    }
    return taken;
  });

  /** The basket with what is free for this make: what was weighed, less what was worked since, less what others need. */
  readonly holdings = computed<readonly Holding[]>(() => {
    const before = { parts: this.planned(), tools: this.make(), kit: this.kit(), measurements: this.measurements.items() };
    const all = this.basket.items().map((yarn) => ({ yarn, free: yarn.grams - (this.others().get(yarn.id) ?? 0) }));
    const used = new Map<number, Map<string, number>>();
    return all.map(({ yarn, free }) => {
      if (!this.kit().yarns.some((choice) => choice.yarn === yarn.id)) return { yarn, free: Math.max(0, free) };
      let since = used.get(yarn.weighedAt);
      if (!since) {
        since = usedSince({ ...before, basket: all }, this.pieces.positionsAt(yarn.weighedAt));
        used.set(yarn.weighedAt, since);
      }
      return { yarn, free: Math.max(0, free - (since.get(yarn.id) ?? 0)) };
    });
  });

  readonly situation = computed<Situation>(() => ({
    parts: this.planned(),
    tools: this.make(),
    kit: this.kit(),
    measurements: this.measurements.items(),
    basket: this.holdings(),
  }));
  readonly supply = computed(() => supplyOf(this.situation()));

  /** Every part that has rounds, once its shape is worked out; null while one is still on its way. */
  readonly parts = computed<readonly MadePart[] | null>(() => {
    const size = this.current.stitch();
    if (!size) return null;
    const parts: MadePart[] = [];
    for (const [index, { counted, fabric }] of this.pieces.parts().entries()) {
      if (fabric.stitchCount === 0) continue;
      const profile = this.shapes.profile(fabric, size, this.current.stretch());
      if (!profile) return null;
      parts.push({
        index,
        name: counted.part.name,
        copies: counted.part.copies,
        counted,
        fabric,
        colours: roundColours(fabric),
        upright: standsOnStart(fabric),
        flat: isFlatLie(this.shapes.outline(fabric).lie),
        profile,
        size: measure(profile),
        openings: openings(profile),
      });
    }
    return parts;
  });

  readonly stated = computed(() => statedKit(this.current.count().pattern));
  readonly things = computed(() => thingsSaid(this.current.count().pattern));

  /** Sizes here over sizes as the pattern means them; null when it does not name its yarn and hook. */
  readonly overPattern = computed(() => {
    const { yarnWeight, hookMm } = this.stated();
    const width = this.current.stitch()?.width;
    if (yarnWeight === null || hookMm === null || width === undefined) return null;
    try {
      return width / estimateStitch(yarnWeight, hookMm).width;
    } catch {
      return null;
    }
  });

  readonly eyes = computed<readonly PartEyes[]>(() => {
    const stitch = this.current.stitch();
    if (!stitch) return [];
    const { eyeMm } = this.stated();
    const factor = this.overPattern();
    return (this.parts() ?? []).flatMap((part) => {
      const gate = gatesOf(part.counted.part).find((each) => each.kind === 'eyes');
      if (!gate) return [];
      const number = gate.rounds?.[0];
      const at = part.counted.rounds.findIndex((round) => round.number === number);
      const round = at >= 0 ? at : Math.max(0, part.fabric.roundCount >> 1);
      const headMm = widestNear(part.openings, round);
      const advice = eyeAdvice({
        headMm,
        stitches: roundLength(part.fabric, round),
        stitchWidth: stitch.width,
        apart: gate.apart,
        pattern: eyeMm !== null && factor !== null ? { eyeMm, factor } : null,
      });
      return [{ part, advice, text: gate.text, headMm }];
    });
  });

  readonly stuffing = computed<readonly PartStuffing[]>(() => {
    const belief = stuffingBelief(this.make(), this.measurements.items());
    return (this.parts() ?? []).flatMap((part) => {
      const said = stuffingSaid(part.counted.part);
      if (part.flat || said === 'none') return [];
      const firmness = said ?? 'medium';
      // A volume is two widths and a height.
      const { width, slim } = this.current.gauge()?.spread ?? { width: 0, slim: 0 };
      const spread = Math.hypot(belief.spread, 3 * width, slim);
      return [{ part, firmness, said: said !== null, grams: fillingOf(part.size.volume, firmness) * belief.factor, spread }];
    });
  });

  readonly list = computed(() => {
    const eyes = this.eyes();
    const kit = this.kit();
    return needsList({
      tools: this.make(),
      kit,
      demands: this.supply().demands,
      stuffing: this.stuffing().map(({ part, firmness, grams, spread }) => ({
        part: part.name,
        pieces: part.copies,
        firmness,
        grams,
        spread,
      })),
      eyes:
        eyes.length > 0
          ? { mm: eyes[0]!.advice.best, count: eyes.reduce((sum, one) => sum + 2 * one.part.copies, 0) * kit.copies }
          : null,
      things: this.things(),
      sewn: this.planned().length > 1,
    });
  });

  plans(key: string): Plan[] {
    return plansFor(this.situation(), key);
  }

  changeKit(change: Partial<Kit>): void {
    this.draft.change({ kit: { ...this.kit(), ...change } });
  }
}

/** The widest the part gets around a round before it narrows again, mm: a head on a body is measured above the neck. */
function widestNear(openings: readonly number[], round: number): number {
  let up = round;
  let down = round;
  while (up + 1 < openings.length && openings[up + 1]! >= openings[up]!) up++;
  while (down > 0 && openings[down - 1]! >= openings[down]!) down--;
  return Math.max(openings[up] ?? 0, openings[down] ?? 0);
}
