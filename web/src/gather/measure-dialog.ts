import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Measurement } from '@lemniscus/api';
import { stitchOfSwatch, yarnWeight, type Refusal } from '@lemniscus/core/gauge';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Dialog } from '../controls/dialog';
import { Choice } from '../controls/choice';
import { NumberField } from '../controls/number-field';
import { Gathering } from '../data/follows/gathering';
import { Measurements } from '../data/owned/measurements';
import { PartMeasuring } from '../data/follows/part-measuring';

type Way = 'swatch' | 'part';

const DAY = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' });

/** Takes a swatch or a finished part, says what it changes, and lists what was measured so far. */
@Component({
  selector: 'lem-measure-dialog',
  imports: [Choice, Dialog, FormsModule, NumberField, NzButtonModule],
  templateUrl: './measure-dialog.html',
  styleUrl: './measure-dialog.css',
})
export class MeasureDialog {
  /** What is typed is kept while it is closed. */
  readonly open = input.required<boolean>();
  readonly closed = output();

  private readonly gathering = inject(Gathering);
  private readonly measurements = inject(Measurements);
  private readonly measuring = inject(PartMeasuring);

  protected readonly ways: readonly { readonly label: string; readonly value: Way }[] = [
    { label: 'A swatch', value: 'swatch' },
    { label: 'A finished part', value: 'part' },
  ];
  protected readonly way = signal<Way>('swatch');
  protected readonly stitches = signal<number | null>(null);
  protected readonly width = signal<number | null>(null);
  protected readonly rounds = signal<number | null>(null);
  protected readonly height = signal<number | null>(null);
  protected readonly parts = computed(() => this.gathering.parts() ?? []);
  protected readonly part = linkedSignal(() => this.parts()[0]?.index ?? 0);
  /** A part is being worked out. */
  protected readonly reading = signal(false);
  protected readonly refusal = signal<Refusal<string> | null>(null);

  protected readonly tools = computed(() => {
    const { yarnWeight: number, hookMm } = this.gathering.make();
    return `${yarnWeight(number).name.toLowerCase()} yarn, ${hookMm} mm hook`;
  });

  /** Everything measured, the latest first, in words. */
  protected readonly taken = computed(() =>
    this.measurements
      .items()
      .map((one) => ({ one, words: wordsOf(one), day: DAY.format(one.takenAt) }))
      .sort((a, b) => b.one.takenAt - a.one.takenAt),
  );

  protected async take(): Promise<void> {
    if (this.reading()) return;
    const { yarnWeight: weight, hookMm } = this.gathering.make();
    const common = { id: crypto.randomUUID(), takenAt: Date.now(), yarnWeight: weight, hookMm };
    this.reading.set(true);
    const measured = this.way() === 'swatch' ? this.swatch(common) : await this.finishedPart(common);
    this.reading.set(false);
    if (!measured) return;
    this.refusal.set(null);
    this.measurements.put(measured);
    for (const field of [this.stitches, this.width, this.rounds, this.height]) field.set(null);
    this.closed.emit();
  }

  protected remove(one: Measurement): void {
    this.measurements.remove(one);
  }

  private swatch(common: Pick<Measurement, 'id' | 'takenAt' | 'yarnWeight' | 'hookMm'>): Measurement | null {
    const swatch = {
      stitches: this.stitches() ?? Number.NaN,
      widthMm: this.width() ?? Number.NaN,
      rounds: this.rounds(),
      heightMm: this.height(),
    };
    const read = stitchOfSwatch(swatch, common);
    if (read.ok) return { ...common, kind: 'swatch', ...swatch };
    this.refusal.set(read);
    return null;
  }

  private async finishedPart(common: Pick<Measurement, 'id' | 'takenAt' | 'yarnWeight' | 'hookMm'>): Promise<Measurement | null> {
    const part = this.parts().find((each) => each.index === this.part());
    if (!part) return null;
    const read = await this.measuring.measure(part, { widthMm: this.width() ?? Number.NaN, heightMm: this.height() }, common);
    if (read.ok) return read.measurement;
    this.refusal.set(read);
    return null;
  }
}

function wordsOf(one: Measurement): string {
  const tools = `${yarnWeight(one.yarnWeight).name}, ${one.hookMm} mm`;
  switch (one.kind) {
    case 'swatch': {
      const tall = one.rounds !== null && one.heightMm !== null ? `, ${counted(one.rounds, 'round')} in ${one.heightMm} mm` : '';
      return `${tools}: ${counted(one.stitches, 'stitch')} in ${one.widthMm} mm${tall}`;
    }
    case 'part':
      return `${tools}: ${one.part} ${one.widthMm} mm wide${one.heightMm === null ? '' : `, ${one.heightMm} mm high`}${one.stretch === undefined ? '' : `; stuffing stretches it by about ${(100 * one.stretch).toFixed(0)} %`}`;
    case 'weight':
      return `${tools}: yarn of ${one.part} ${one.grams} g`;
    case 'stuffing':
      return `${tools}: stuffing of ${one.part} ${one.grams} g`;
  }
}
