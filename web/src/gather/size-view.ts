import { Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Units } from '@lemniscus/core/gauge';
import { Choice } from '../controls/choice';
import { CurrentMake } from '../data/open/current-make';
import { Gathering } from '../data/follows/gathering';
import { LengthUnits } from '../data/device/length-units';
import type { MadePart } from '../data/follows/made-part';
import { isPlush } from '../controls/part-shape/figure-paint';
import { HandOpening } from './hand-opening';
import { RoundSet } from './round-set';
import { OpeningChart } from './opening-chart';
import { SetSeen } from './set-seen';
import { SizeChart } from './size-chart';
import { StandingSet } from './standing-set';
import { WantedSize } from './wanted-size';

type Panel = 'opening' | 'hooks' | 'wanted';

/** How big everything becomes: the set at true scale, each part's sizes, and what another hook or yarn would make of it. */
@Component({
  selector: 'lem-size-view',
  imports: [FormsModule, Choice, HandOpening, OpeningChart, RoundSet, SizeChart, StandingSet, WantedSize],
  templateUrl: './size-view.html',
  styleUrl: './size-view.css',
})
export class SizeView {
  private readonly current = inject(CurrentMake);
  private readonly gathering = inject(Gathering);
  protected readonly lengths = inject(LengthUnits);

  protected readonly panels: readonly { readonly label: string; readonly value: Panel }[] = [
    { label: 'Opening', value: 'opening' },
    { label: 'Size by hook', value: 'hooks' },
    { label: 'I want it so big', value: 'wanted' },
  ];
  protected readonly panel = signal<Panel>('opening');
  protected readonly set = inject(SetSeen);
  protected readonly stitch = this.current.stitch;
  protected readonly stretch = this.current.stretch;
  protected readonly counted = computed(() => this.current.count().parts);
  protected readonly plush = computed(() => isPlush(this.gathering.make().yarnWeight));
  protected readonly eyeMm = computed(() => this.gathering.eyes()[0]?.advice.best ?? null);
  protected readonly unitNames: readonly { readonly label: string; readonly value: Units }[] = [
    { label: 'mm', value: 'metric' },
    { label: 'in', value: 'inches' },
  ];

  /** The last complete set, so that nothing flickers while new shapes are worked out. */
  protected readonly shown = linkedSignal<readonly MadePart[] | null, readonly MadePart[] | null>({
    source: this.gathering.parts,
    computation: (parts, previous) => parts ?? previous?.value ?? null,
  });
  protected readonly spread = computed(() => this.current.gauge()?.spread ?? { width: 0, height: 0 });

  private readonly chosenIndex = signal<number | null>(null);
  protected readonly chosen = computed(() => {
    const parts = this.shown() ?? [];
    return parts.find((part) => part.index === this.chosenIndex()) ?? parts[0] ?? null;
  });

  /** Rounds worked in the chosen part, as the slider says. */
  protected readonly round = linkedSignal<number | null, number>({
    source: () => this.chosen()?.index ?? null,
    computation: () => Math.max(1, Math.round((this.chosen()?.openings.length ?? 1) * 0.8)),
  });

  protected readonly at = computed(() => {
    const part = this.chosen();
    if (!part) return null;
    const index = Math.min(this.round(), part.openings.length) - 1;
    return {
      label: part.counted.rounds[index]!.label,
      stitches: part.counted.rounds[index]!.makes,
      opening: part.openings[index]!,
      height: Math.max(...part.profile.z.slice(0, index + 1)),
    };
  });

  protected choose(index: number): void {
    this.chosenIndex.set(index);
  }
}
