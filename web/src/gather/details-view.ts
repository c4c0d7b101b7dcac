import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Measurement } from '@lemniscus/api';
import { gramRange, gramWords } from '@lemniscus/core/gauge';
import { cautionOf, riskOf } from '@lemniscus/core/supply';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Gathering, type PartStuffing } from '../data/follows/gathering';
import { LengthUnits } from '../data/device/length-units';
import { Measurements } from '../data/owned/measurements';
import { EyeDrawing } from './eye-drawing';
import { GramField } from '../controls/gram-field';

const FIRM_WORDS = { soft: 'lightly', medium: 'medium', firm: 'firmly' } as const;

/** Eyes, stuffing, small things, and what can hurt someone. */
@Component({
  selector: 'lem-details-view',
  imports: [EyeDrawing, FormsModule, GramField, NzButtonModule],
  templateUrl: './details-view.html',
  styleUrl: './details-view.css',
})
export class DetailsView {
  protected readonly gathering = inject(Gathering);
  protected readonly lengths = inject(LengthUnits);
  private readonly measurements = inject(Measurements);

  protected readonly underThree = computed(() => this.gathering.kit().underThree);
  protected readonly eyesCaution = computed(() => cautionOf('eyes', this.underThree()));
  protected readonly weighing = signal<number | null>(null);
  protected readonly problem = signal('');

  protected readonly stuffing = computed(() =>
    this.gathering.stuffing().map((one) => ({
      one,
      name: one.part.name,
      copies: one.part.copies,
      firmness: `${FIRM_WORDS[one.firmness]}${one.said ? '' : ', the pattern does not say'}`,
      volume: `${(one.part.size.volume / 1_000).toFixed(0)} cm³`,
      grams: gramWords(one.grams),
      range: gramRange(one.grams, one.spread),
    })),
  );

  protected readonly allStuffing = computed(() => {
    const { copies } = this.gathering.kit();
    const grams = this.gathering.stuffing().reduce((sum, one) => sum + one.grams * one.part.copies, 0) * copies;
    return gramWords(grams);
  });

  protected readonly things = computed(() =>
    this.gathering.things().map(({ thing, mm, text }) => {
      const risk = riskOf(thing);
      return {
        thing,
        text,
        length: mm === null ? '' : this.lengths.words(mm),
        caution: risk && cautionOf(risk, this.underThree()),
      };
    }),
  );

  protected readonly giving = cautionOf('giving', false);
  protected readonly glue = cautionOf('glue', false);

  protected setUnderThree(underThree: boolean): void {
    this.gathering.changeKit({ underThree });
  }

  protected weighed({ part, firmness, grams: expected }: PartStuffing, grams: number): void {
    if (!(grams > 0) || grams > expected * 5 || grams < expected / 5) {
      this.problem.set(
        `About ${gramWords(expected)} was to be expected for one ${part.name}. Weigh its stuffing again, without the pan.`,
      );
      return;
    }
    const { yarnWeight, hookMm } = this.gathering.make();
    const measured: Measurement = {
      id: crypto.randomUUID(),
      takenAt: Date.now(),
      kind: 'stuffing',
      yarnWeight,
      hookMm,
      part: part.name,
      grams,
      firmness,
      volumeMm3: part.size.volume,
    };
    this.measurements.put(measured);
    this.problem.set('');
    this.weighing.set(null);
  }
}
