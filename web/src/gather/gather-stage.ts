import { Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { HOOK_RANGE, stuffedHooks, usHookName, YARN_WEIGHTS, yarnWeight, type YarnWeightNumber } from '@lemniscus/core/gauge';
import { lieOf, measure, openings, standsOnStart } from '@lemniscus/core/shape';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { NzSliderModule } from 'ng-zorro-antd/slider';
import { CurrentMake } from '../data/current-make';
import { Shapes } from '../data/shapes';
import { roundColours } from '../drawing/round-colours';
import { StitchDrawing } from '../drawing/stitch-drawing';
import { Strand } from '../drawing/strand';
import type { MadePart } from './made-part';
import { OpeningChart } from './opening-chart';
import { StandingSet } from './standing-set';

/** What is in the maker's hand, and how big everything becomes with it. */
@Component({
  selector: 'lem-gather-stage',
  imports: [FormsModule, NzInputNumberModule, NzSliderModule, OpeningChart, StandingSet, StitchDrawing, Strand],
  templateUrl: './gather-stage.html',
  styleUrl: './gather-stage.css',
})
export class GatherStage {
  protected readonly current = inject(CurrentMake);
  private readonly shapes = inject(Shapes);

  protected readonly weights = YARN_WEIGHTS;
  protected readonly range = HOOK_RANGE;
  protected readonly make = computed(() => this.current.make()!);
  protected readonly weight = computed(() => yarnWeight(this.make().yarnWeight));
  protected readonly usName = computed(() => usHookName(this.make().hookMm));
  protected readonly hookProblem = signal('');

  protected readonly advice = computed(() => {
    const [low, high] = stuffedHooks(this.make().yarnWeight);
    const { hookMm } = this.make();
    const range = `${low} to ${high} mm`;
    if (hookMm < low) return { ok: false, words: `Hard work for the hands: stuffed pieces in this yarn take ${range}.` };
    if (hookMm > high) return { ok: false, words: `Stuffing may show through: stuffed pieces in this yarn take ${range}.` };
    return { ok: true, words: `Suits a stuffed piece: ${range} with this yarn.` };
  });

  /** Every part that has rounds, once its shape is worked out; null while one is still on its way. */
  protected readonly parts = computed<readonly MadePart[] | null>(() => {
    const size = this.current.stitch();
    if (!size) return null;
    const parts: MadePart[] = [];
    for (const [index, counted] of this.current.count().parts.entries()) {
      const fabric = this.current.fabric(index);
      if (!fabric || fabric.stitchCount === 0) continue;
      const profile = this.shapes.profile(fabric, size)();
      if (!profile) return null;
      const { name, copies } = counted.part;
      parts.push({
        index,
        name,
        copies,
        counted,
        colours: roundColours(fabric),
        upright: standsOnStart(fabric),
        flat: lieOf(fabric) !== 'stuffed',
        profile,
        size: measure(profile),
        openings: openings(profile),
      });
    }
    return parts;
  });

  /** The last complete set, so that nothing flickers while new shapes are worked out. */
  protected readonly shown = linkedSignal<readonly MadePart[] | null, readonly MadePart[] | null>({
    source: this.parts,
    computation: (parts, previous) => parts ?? previous?.value ?? null,
  });

  private readonly chosenIndex = signal<number | null>(null);
  protected readonly chosen = computed(() => {
    const parts = this.shown() ?? [];
    return parts.find((part) => part.index === this.chosenIndex()) ?? parts[0] ?? null;
  });

  /** Rounds worked in the chosen part, as the slider says. */
  protected readonly round = linkedSignal(() => Math.max(1, Math.round((this.chosen()?.openings.length ?? 1) * 0.8)));

  protected readonly at = computed(() => {
    const part = this.chosen();
    if (!part) return null;
    const index = Math.min(this.round(), part.openings.length) - 1;
    const z = part.profile.z[index]!;
    return {
      label: part.counted.rounds[index]!.label,
      stitches: part.counted.rounds[index]!.makes,
      opening: part.openings[index]!,
      height: Math.max(...part.profile.z.slice(0, index + 1), z),
    };
  });

  protected choose(index: number): void {
    this.chosenIndex.set(index);
  }

  protected setWeight(number: YarnWeightNumber): void {
    this.current.change({ yarnWeight: number });
  }

  protected setHook(value: number | null): void {
    if (value === null || !(value >= HOOK_RANGE.min && value <= HOOK_RANGE.max)) {
      this.hookProblem.set(`Give the hook in millimetres, from ${HOOK_RANGE.min} to ${HOOK_RANGE.max}.`);
      return;
    }
    this.hookProblem.set('');
    if (value !== this.make().hookMm) this.current.change({ hookMm: value });
  }
}
