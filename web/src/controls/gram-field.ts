import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { takeUntilDestroyed, toObservable } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import type { ScaleReading } from '@lemniscus/core/exchange';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { catchError, EMPTY, switchMap } from 'rxjs';
import { NumberField } from './number-field';
import { Scales } from '../data/device/scale';
import type { ScaleSource } from '../data/device/scale-source';

const MOST_G = 100_000;
/** The heaviest thing the simulated pan takes, g. */
const PAN_G = 250;
let fields = 0;

/** Grams, typed or from a scale. */
@Component({
  selector: 'lem-gram-field',
  imports: [FormsModule, NzButtonModule, NumberField],
  template: `
    <div>
      <label [for]="id">{{ label() }}</label>
      <lem-number-field [inputId]="id" [value]="grams()" (changed)="grams.set($event)" />
      <span>g</span>
      <button nz-button nzType="primary" type="button" (click)="take()">Take it</button>
      <button nz-button type="button" (click)="use(scales.simulated)" [attr.aria-pressed]="source() === scales.simulated">
        Simulated scale
      </button>
      @if (scales.serial; as serial) {
        <button nz-button type="button" (click)="use(serial)" [attr.aria-pressed]="source() === serial">{{ serial.name }}</button>
      }
      <button nz-button nzType="text" type="button" (click)="closed.emit()">Close</button>
    </div>
    @if (source() === scales.simulated) {
      <div class="pan">
        <span>On the pan</span>
        <input
          type="range"
          class="range"
          min="0"
          [max]="panMost"
          [ngModel]="scales.simulated.pan()"
          (ngModelChange)="scales.simulated.pan.set($event)"
          aria-label="Grams on the simulated pan"
        />
      </div>
    }
    @if (reading(); as now) {
      <p class="reading" role="status">
        <b>{{ now.grams.toFixed(1) }} g</b> {{ now.steady ? 'steady' : 'settling…' }}
      </p>
    }
    @if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
  `,
  styles: `
    :host {
      grid-column: 1 / -1;
      display: block;
      padding: 10px 12px;
      border-radius: 14px;
      background: var(--card);
    }
    div {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 8px;
    }
    .pan input {
      flex: 1;
    }
    .reading b {
      font-size: 22px;
    }
    .problem {
      color: var(--warn);
    }
    button[aria-pressed='true'] {
      border-color: var(--act);
      background: var(--act-wash);
    }
  `,
})
export class GramField {
  readonly label = input.required<string>();
  readonly value = input<number | null>(null);
  readonly taken = output<number>();
  readonly closed = output();

  protected readonly scales = inject(Scales);
  protected readonly id = `grams-${++fields}`;
  protected readonly panMost = PAN_G;
  protected readonly grams = linkedSignal(() => this.value());
  protected readonly source = signal<ScaleSource | null>(null);
  private readonly read = signal<ScaleReading | null>(null);
  protected readonly reading = computed(() => (this.source() ? this.read() : null));
  protected readonly problem = signal('');

  constructor() {
    toObservable(this.source)
      .pipe(
        switchMap((source) =>
          source
            ? this.scales.readings(source).pipe(
                catchError((error: unknown) => {
                  this.problem.set(error instanceof Error ? error.message : 'The scale cannot be read.');
                  this.source.set(null);
                  return EMPTY;
                }),
              )
            : EMPTY,
        ),
        takeUntilDestroyed(),
      )
      .subscribe((reading) => {
        this.read.set(reading);
        if (reading.steady) this.grams.set(Math.max(0, Math.round(reading.grams * 10) / 10));
      });
  }

  protected use(source: ScaleSource): void {
    this.problem.set('');
    this.source.set(this.source() === source ? null : source);
  }

  protected take(): void {
    const grams = this.grams();
    if (grams === null || !(grams >= 0 && grams <= MOST_G)) {
      this.problem.set(`Give the grams, from 0 to ${MOST_G}.`);
      return;
    }
    this.taken.emit(grams);
  }
}
