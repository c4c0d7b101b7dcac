import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { roundLength } from '@lemniscus/core/fabric';
import { placeOfStitch, stitchesDone, type Position, type RipReason } from '@lemniscus/core/making';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../controls/choice';
import { Select } from '../controls/select';
import { Dialog } from '../controls/dialog';
import { AtHook } from './at-hook';
import { Pace } from './pace';
import { NumberField } from '../controls/number-field';

const SHOWN = 60;

/** Rip back to any stitch of any round, or to the start of one, with what it costs. */
@Component({
  selector: 'lem-rip-dialog',
  imports: [Choice, Dialog, NumberField, NzButtonModule, Select],
  template: `
    <lem-dialog name="Rip back" [width]="520" (closed)="closed.emit()">
      <p class="soft">Undo (Z) brings it back, should the hook have been faster than the thought.</p>
      @if (worked() > 0) {
        <div class="words-field rip-to">
          <label for="rip-round">Round</label>
          <lem-select inputId="rip-round" [options]="rounds()" [value]="round()" (chosen)="round.set($event)" />
          <label for="rip-stitch">after stitch</label>
          <lem-number-field
            inputId="rip-stitch"
            [min]="0"
            [max]="worked()"
            whole
            [value]="stitch()"
            (changed)="stitch.set($event)"
          />
          <span>of {{ worked() }}</span>
          @if (target(); as to) {
            <button nz-button nzType="primary" type="button" [disabled]="to.stitches === 0" (click)="ripTo(to.place)">
              Rip {{ counted(to.stitches, 'stitch') }}, {{ to.minutes }} min
            </button>
          }
        </div>
      }
      @if (places().length > 0) {
        <div class="words-field">
          <span>Why?</span>
          <lem-choice label="Why it is ripped" [options]="whys" [value]="why()" (chosen)="why.set($event)" />
        </div>
      }
      <ul class="list">
        @for (each of places(); track each.round) {
          <li>
            <span
              ><b>{{ each.label }}</b> {{ each.words }}</span
            >
            <span>{{ counted(each.stitches, 'stitch') }}, {{ each.minutes }} min</span>
            <button
              nz-button
              type="button"
              (click)="ripTo({ round: each.round, action: 0 })"
              [attr.aria-label]="'Rip back to the start of ' + each.label"
            >
              Rip
            </button>
          </li>
        } @empty {
          <li>Nothing is worked yet.</li>
        }
      </ul>
    </lem-dialog>
  `,
  styleUrl: './work-dialogs.css',
})
export class RipDialog {
  /** The place that was pointed at; null starts from where the hook is. */
  readonly from = input<Position | null>(null);
  readonly closed = output();
  private readonly hook = inject(AtHook);
  private readonly pace = inject(Pace);
  protected readonly counted = counted;
  /** Kept in the log: what was ripped and why. */
  protected readonly whys: readonly { readonly label: string; readonly value: RipReason | 'untold' }[] = [
    { label: 'Not told', value: 'untold' },
    { label: 'A slip', value: 'slip' },
    { label: 'The count', value: 'count' },
    { label: 'To make it otherwise', value: 'otherwise' },
  ];
  protected readonly why = signal<RipReason | 'untold'>('untold');

  protected readonly places = computed(() => {
    const plan = this.hook.plan();
    const position = this.hook.position();
    if (!plan || !position) return [];
    const done = stitchesDone(plan.fabric, position).total;
    const last = position.action > 0 ? position.round : position.round - 1;
    return Array.from({ length: Math.min(SHOWN, last + 1) }, (_, back) => {
      const round = last - back;
      const stitches = done - plan.fabric.roundStart[round]!;
      const counted = plan.counted.rounds[round]!;
      return {
        round,
        label: counted.label,
        words: `ends on ${counted.makes}`,
        stitches,
        minutes: this.pace.minutesFor(stitches),
      };
    });
  });

  protected readonly round = linkedSignal<readonly { readonly round: number }[], number | null>({
    source: this.places,
    computation: (places) => this.from()?.round ?? places[0]?.round ?? null,
  });

  protected readonly rounds = computed(() => this.places().map(({ round, label }) => ({ value: round, label })));

  /** Stitches of the chosen round that are worked. */
  protected readonly worked = computed(() => {
    const fabric = this.hook.fabric();
    const position = this.hook.position();
    const round = this.round();
    if (!fabric || !position || round === null || round >= fabric.roundCount) return 0;
    return round < position.round ? roundLength(fabric, round) : stitchesDone(fabric, position).inRound;
  });
  protected readonly stitch = linkedSignal<number | null, number | null>({
    source: this.round,
    computation: (round) => {
      const fabric = this.hook.fabric();
      const from = this.from();
      return fabric && from?.round === round ? stitchesDone(fabric, from).inRound : this.worked();
    },
  });

  /** Where the two fields lead, and what is lost on the way. */
  protected readonly target = computed(() => {
    const fabric = this.hook.fabric();
    const position = this.hook.position();
    const round = this.round();
    const stitch = this.stitch();
    if (!fabric || !position || round === null || stitch === null) return null;
    const place = placeOfStitch(fabric, round, stitch);
    const stitches = Math.max(0, stitchesDone(fabric, position).total - stitchesDone(fabric, place).total);
    return { place, stitches, minutes: stitches > 0 ? this.pace.minutesFor(stitches) : 0 };
  });

  protected ripTo(place: Position): void {
    const why = this.why();
    this.hook.reach(place, why === 'untold' ? undefined : why);
    this.closed.emit();
  }
}
