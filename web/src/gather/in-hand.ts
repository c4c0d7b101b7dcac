import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { HOOK_RANGE } from '@lemniscus/core/bounds';
import { hookNames, HOOKS, tightnessOf, YARN_WEIGHTS, type Hand, type YarnWeightNumber } from '@lemniscus/core/gauge';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../controls/choice';
import { NumberField } from '../controls/number-field';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { Gathering } from '../data/follows/gathering';
import { StitchDrawing } from '../drawing/stitch-drawing';
import { Strand } from '../drawing/strand';
import { MeasureDialog } from './measure-dialog';

const HANDS: readonly { readonly label: string; readonly value: Hand | 'unsaid' }[] = [
  { label: 'Not sure', value: 'unsaid' },
  { label: 'Tight', value: 'tight' },
  { label: 'Middle', value: 'middle' },
  { label: 'Loose', value: 'loose' },
];

/** Yarn, hook and hand, and the stitch they make. */
@Component({
  selector: 'lem-in-hand',
  imports: [FormsModule, MeasureDialog, NumberField, NzButtonModule, Choice, StitchDrawing, Strand],
  templateUrl: './in-hand.html',
  styleUrl: './in-hand.css',
})
export class InHand {
  protected readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);
  private readonly gathering = inject(Gathering);

  protected readonly weights = YARN_WEIGHTS;
  protected readonly range = HOOK_RANGE;
  protected readonly hooks = HOOKS;
  protected readonly hands = HANDS;
  protected readonly make = this.gathering.make;
  protected readonly measuring = signal(false);

  protected readonly names = computed(() => {
    const { us, oldUk, doubt } = hookNames(this.make().hookMm);
    return { words: [us && `US ${us}`, oldUk && `old UK ${oldUk}`].filter(Boolean).join(' · '), doubt };
  });

  /** The hook's place among those that are sold, for the slider. */
  protected readonly hookPlace = computed(() => nearestHook(this.make().hookMm));

  protected readonly tightness = computed(() => {
    const gauge = this.current.gauge();
    if (!gauge) return null;
    const found = tightnessOf(this.make(), gauge);
    const [low, high] = found.hooks;
    const range = `${low} to ${high} mm`;
    const gap = `${found.gap.toFixed(1)} mm gaps beside a ${found.strand.toFixed(1)} mm strand`;
    const words = {
      tight: `Hard work for the hands, and slow. Stuffed pieces in this yarn take ${range}; rest your wrists.`,
      loose: `${gap}: stuffing may show through. Stuffed pieces in this yarn take ${range}, less than the label says.`,
      suits: `Holds its stuffing (${gap}): ${range} suit this yarn.`,
    }[found.verdict];
    return { ok: found.verdict === 'suits', words, from: nearestHook(low), to: nearestHook(high) };
  });

  /** Where the stitch comes from, in words. */
  protected readonly source = computed(() => {
    const gauge = this.current.gauge();
    if (!gauge) return '';
    const share = (spread: number): number => Math.max(1, Math.round(spread * 100));
    const give = `give or take ${share(gauge.spread.width)} % across and ${share(gauge.spread.height)} % up`;
    switch (gauge.from) {
      case 'here':
        return `Measured ${gauge.count === 1 ? 'once' : counted(gauge.count, 'time')} with this yarn and hook, ${give}.`;
      case 'elsewhere':
        return `From tables and your other measurements, ${give}.`;
      case 'tables':
        return `From tables, ${give}. Hands differ: a swatch beats any table.`;
    }
  });

  protected setWeight(number: YarnWeightNumber): void {
    this.draft.change({ yarnWeight: number });
  }

  protected setHook(value: number | null): void {
    if (value !== null) this.draft.change({ hookMm: value });
  }

  protected slide(place: number): void {
    if (place !== this.hookPlace()) this.setHook(HOOKS[place]!);
  }

  protected setHand(hand: Hand | 'unsaid'): void {
    this.gathering.changeKit({ hand: hand === 'unsaid' ? null : hand });
  }
}

function nearestHook(mm: number): number {
  return HOOKS.reduce((best, hook, index) => (Math.abs(hook - mm) < Math.abs(HOOKS[best]! - mm) ? index : best), 0);
}
