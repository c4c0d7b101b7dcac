import { Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { roundLength } from '@lemniscus/core/fabric';
import { placeOfStitch, stitchesDone, type Position } from '@lemniscus/core/making';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { NamedDialog } from '../shell/named-dialog';
import { AtHook } from './at-hook';
import { NumberField } from '../shell/number-field';

const SHOWN = 60;

/** Rip back to any stitch of any round, or to the start of one, with what it costs. */
@Component({
  selector: 'lem-rip-dialog',
  imports: [FormsModule, NamedDialog, NzButtonModule, NumberField, NzModalModule, NzSelectModule],
  template: `
    <nz-modal
      [nzVisible]="open()"
      nzTitle="Rip back"
      lemNamed="Rip back"
      [nzWidth]="520"
      [nzFooter]="null"
      (nzOnCancel)="closed.emit()"
    >
      <ng-container *nzModalContent>
        <p class="soft">Undo (Z) brings it back, should the hook have been faster than the thought.</p>
        @if (worked() > 0) {
          <div class="words-field rip-to">
            <label for="rip-round">Round</label>
            <nz-select nzId="rip-round" [ngModel]="round()" (ngModelChange)="round.set($event)">
              @for (each of places(); track each.round) {
                <nz-option [nzValue]="each.round" [nzLabel]="each.label" />
              }
            </nz-select>
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
                Rip {{ to.stitches }} {{ to.stitches === 1 ? 'stitch' : 'stitches' }}, {{ to.minutes }} min
              </button>
            }
          </div>
        }
        <ul class="list">
          @for (each of places(); track each.round) {
            <li>
              <span
                ><b>{{ each.label }}</b> {{ each.words }}</span
              >
              <span>{{ each.stitches }} stitches, {{ each.minutes }} min</span>
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
      </ng-container>
    </nz-modal>
  `,
  styleUrl: './work-dialogs.css',
})
export class RipDialog {
  readonly open = input.required<boolean>();
  /** The place that was pointed at; null starts from where the hook is. */
  readonly from = input<Position | null>(null);
  readonly closed = output();
  private readonly hook = inject(AtHook);

  protected readonly places = computed(() => {
    const plan = this.hook.plan();
    const position = this.hook.position();
    if (!this.open() || !plan || !position) return [];
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
        minutes: this.minutesFor(stitches),
      };
    });
  });

  protected readonly round = linkedSignal<readonly { readonly round: number }[], number | null>({
    source: this.places,
    computation: (places) => this.from()?.round ?? places[0]?.round ?? null,
  });

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
    return { place, stitches, minutes: stitches > 0 ? this.minutesFor(stitches) : 0 };
  });

  protected ripTo(place: Position): void {
    this.hook.reach(place);
    this.closed.emit();
  }

  private minutesFor(stitches: number): number {
    return Math.max(1, Math.round(stitches / this.hook.pace()));
  }
}
