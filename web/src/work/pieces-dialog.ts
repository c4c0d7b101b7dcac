import { Component, computed, inject, input, output } from '@angular/core';
import { gramWords } from '@lemniscus/core/gauge';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NamedDialog } from '../shell/named-dialog';
import { GramField } from '../scale/gram-field';
import { AtHook } from './at-hook';

/** Every piece: how far it is, what is left of it, and the stuffing it took. */
@Component({
  selector: 'lem-pieces-dialog',
  imports: [NamedDialog, GramField, NzButtonModule, NzModalModule],
  template: `
    <nz-modal
      [nzVisible]="open()"
      nzTitle="All pieces"
      lemNamed="All pieces"
      [nzWidth]="640"
      [nzFooter]="null"
      (nzOnCancel)="closed.emit()"
    >
      <ng-container *nzModalContent>
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
            @for (piece of hook.pieces(); track piece.id) {
              <tr>
                <th scope="row">{{ piece.name }}</th>
                <td>{{ percent(piece.done) }}</td>
                <td>{{ piece.left === 0 ? 'done' : piece.left + ' stitches, ' + time(piece.minutes) }}</td>
                <td>{{ piece.stuffing === null ? '' : grams(piece.stuffing) }}</td>
                <td>
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    (click)="take(piece.id)"
                    [attr.aria-label]="'Take ' + piece.name"
                  >
                    Take
                  </button>
                </td>
              </tr>
            }
          </tbody>
        </table>
        <p class="soft">{{ left() }} At {{ hook.pace().toFixed(1) }} stitches a minute.</p>
        <h3>Stuffing of {{ hook.piece()?.name }}</h3>
        <lem-gram-field label="It took" (taken)="stuffed($event)" (closed)="closed.emit()" />
      </ng-container>
    </nz-modal>
  `,
  styleUrl: './work-dialogs.css',
})
export class PiecesDialog {
  readonly open = input.required<boolean>();
  readonly closed = output();
  protected readonly hook = inject(AtHook);
  protected readonly grams = gramWords;

  protected readonly left = computed(() => {
    const minutes = this.hook.pieces().reduce((sum, piece) => sum + piece.minutes, 0);
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
