import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Measurement } from '@lemniscus/api';
import { gramWords } from '@lemniscus/core/gauge';
import { strandOf, yarnFor, yarnRuns, fineness, type PlannedPart } from '@lemniscus/core/supply';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Basket } from '../data/owned/basket';
import { Gathering } from '../data/follows/gathering';
import { Measurements } from '../data/owned/measurements';
import { GramField } from '../controls/gram-field';

/** Weighs a worked part: what it really used corrects every amount after it. */
@Component({
  selector: 'lem-weigh-part',
  imports: [FormsModule, GramField, NzButtonModule],
  template: `
    <h3>Weigh a part you have worked</h3>
    <p>{{ belief() }} Weigh one unstuffed, with its ends, and all amounts are corrected by it.</p>
    @if (open()) {
      <div>
        <label for="weigh-which">Part</label>
        <select id="weigh-which" [ngModel]="which()" (ngModelChange)="which.set($event)">
          @for (part of parts(); track part.key) {
            <option [value]="part.key">{{ part.name }}</option>
          }
        </select>
      </div>
      <lem-gram-field label="It weighs" (taken)="take($event)" (closed)="open.set(false)" />
      @if (problem()) {
        <p class="problem" role="alert">{{ problem() }}</p>
      }
    } @else if (parts().length > 0) {
      <button nz-button type="button" (click)="open.set(true)">Weigh a part</button>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 14px;
      padding-top: 12px;
      border-top: 1px solid var(--line);
    }
    h3 {
      font-size: 16px;
    }
    p {
      margin: 4px 0 8px;
      color: var(--soft);
    }
    div {
      display: flex;
      align-items: center;
      gap: 10px;
      margin-bottom: 8px;
    }
    select {
      min-height: 44px;
      padding: 0 10px;
      border: 1px solid var(--line);
      border-radius: 12px;
      background: var(--card);
    }
    .problem {
      color: var(--warn);
    }
  `,
})
export class WeighPart {
  private readonly gathering = inject(Gathering);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);

  protected readonly open = signal(false);
  protected readonly problem = signal('');
  protected readonly parts = computed(() => this.gathering.situation().parts);
  protected readonly which = signal<string | null>(null);

  protected readonly belief = computed(() => {
    const { yarn } = this.gathering.supply();
    const percent = Math.round(Math.abs(yarn.factor - 1) * 100);
    if (yarn.from === 'tables') return 'Amounts come from a model of the stitch, give or take 15 %.';
    const way = percent === 0 ? 'just what' : `${percent} % ${yarn.factor > 1 ? 'more than' : 'less than'}`;
    return `By what you weighed, your hand takes ${way} the model says.`;
  });

  protected take(grams: number): void {
    const part = this.parts().find((each) => each.key === this.which()) ?? this.parts()[0];
    if (!part) return;
    const { yarnWeight, hookMm } = this.gathering.make();
    const expected = this.expected(part);
    if (!(grams > 0)) this.problem.set('Weigh the part: it weighs more than nothing.');
    else if (grams < expected.grams / 3 || grams > expected.grams * 3)
      this.problem.set(
        `About ${gramWords(expected.grams)} was to be expected for ${part.name}. Weigh it again: one piece, unstuffed, without a pan.`,
      );
    else {
      const measured: Measurement = {
        id: crypto.randomUUID(),
        takenAt: Date.now(),
        kind: 'weight',
        yarnWeight,
        hookMm,
        part: part.name,
        grams,
        metresPer100g: expected.metresPer100g,
        runs: yarnRuns(part.fabric, strandOf({ yarnWeight, hookMm }), part.endTail),
      };
      this.measurements.put(measured);
      this.problem.set('');
      this.open.set(false);
    }
  }

  /** What the model expects a piece to weigh, and how fine its yarn is: the yarn of its first colour decides. */
  private expected(part: PlannedPart): { readonly grams: number; readonly metresPer100g: number } {
    const id = yarnFor(this.gathering.kit(), part.key, part.fabric.colours[part.fabric.colour[0] ?? 0] ?? '');
    const { gramsPerMm } = fineness(id === null ? null : this.basket.find(id), this.gathering.make().yarnWeight);
    const mm = this.gathering
      .supply()
      .demands.flatMap((demand) => demand.portions)
      .filter((portion) => portion.part === part.key)
      .reduce((sum, portion) => sum + portion.onePiece, 0);
    return { grams: mm * gramsPerMm, metresPer100g: 0.1 / gramsPerMm };
  }
}
