import { Component, computed, inject, output } from '@angular/core';
import { gramWords } from '@lemniscus/core/gauge';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Dialog } from '../controls/dialog';
import { GramField } from '../controls/gram-field';
import { AtHook } from './at-hook';
import { Pace } from './pace';
import { Pieces } from './pieces';

/** Every piece: how far it is, what is left of it, and the stuffing it took. */
@Component({
  selector: 'lem-pieces-dialog',
  imports: [Dialog, GramField, NzButtonModule],
  template: `
    <lem-dialog name="All pieces" [width]="640" (closed)="closed.emit()">
      <table>
        <thead>
          <tr>
            <th>Piece</th>
            <th>Worked</th>
            <th>Left</th>
            <th>Stuffing</th>
            <th><span class="visually-hidden">Take</span></th>
          </tr>
        </thead>
        <tbody>
          @for (piece of pieces.all(); track piece.id) {
            <tr>
              <th scope="row">{{ piece.name }}</th>
              <td>{{ percent(piece.done) }}</td>
              <td>{{ piece.left === 0 ? 'done' : counted(piece.left, 'stitch') + ', ' + time(piece.minutes) }}</td>
              <td>{{ piece.stuffing === null ? '' : grams(piece.stuffing) }}</td>
              <td>
                <button nz-button nzSize="small" type="button" (click)="take(piece.id)" [attr.aria-label]="'Take ' + piece.name">
                  Take
                </button>
              </td>
            </tr>
          }
        </tbody>
      </table>
      <p class="soft">{{ left() }} At {{ pace.stitchesAMinute().toFixed(1) }} stitches a minute.</p>
      <h3>Stuffing of {{ hook.piece()?.name }}</h3>
      <lem-gram-field label="It took" (taken)="stuffed($event)" (closed)="closed.emit()" />
    </lem-dialog>
  `,
  styleUrl: './work-dialogs.css',
})
export class PiecesDialog {
  readonly closed = output();
  protected readonly hook = inject(AtHook);
  protected readonly pieces = inject(Pieces);
  protected readonly pace = inject(Pace);
  protected readonly grams = gramWords;
  protected readonly counted = counted;

  protected readonly left = computed(() => {
    const minutes = this.pieces.all().reduce((sum, piece) => sum + piece.minutes, 0);
    return minutes < 1 ? 'All is worked.' : `${this.time(minutes)} left in all.`;
  });

  protected percent(share: number): string {
    return `${Math.floor(100 * share)} %`;
  }

  protected time(minutes: number): string {
    const all = Math.max(1, Math.round(minutes));
    return all < 60 ? `${all} min` : `${Math.floor(all / 60)} h ${all % 60} min`;
  }

  protected take(piece: string): void {
    this.hook.take(piece);
    this.closed.emit();
  }

  protected stuffed(grams: number): void {
    this.hook.say({ kind: 'stuffed', grams });
  }
}
