import { Component, inject, input, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { NamedDialog } from '../shell/named-dialog';
import { MakerHand } from '../data/maker-hand';
import { keep } from '../data/local';
import { AtHook } from './at-hook';
import { Pedal } from './pedal';
import { ReadAloud } from './read-aloud';
import { NumberField } from '../shell/number-field';

export const KEYS = [
  { keys: ['Space'], does: 'The step you chose: a stitch, a group or a round' },
  { keys: ['→'], does: 'A group' },
  { keys: ['Enter'], does: 'A round' },
  { keys: ['←'], does: 'Back to the round’s start' },
  { keys: ['Z'], does: 'Undo the last thing' },
  { keys: ['C'], does: 'Count is off' },
  { keys: ['R'], does: 'Rip back; or hold a worked stitch on the dial' },
  { keys: ['D'], does: 'I did it differently; a remark' },
  { keys: ['P'], does: 'All pieces' },
  { keys: ['?'], does: 'This sheet' },
] as const;

/** Every key, the pedal, and how this maker works. */
@Component({
  selector: 'lem-keys-dialog',
  imports: [NamedDialog, FormsModule, NzButtonModule, NumberField, NzModalModule],
  template: `
    <nz-modal
      [nzVisible]="open()"
      nzTitle="Keys, pedal and hand"
      lemNamed="Keys, pedal and hand"
      [nzWidth]="560"
      [nzFooter]="null"
      (nzOnCancel)="closed.emit()"
    >
      <ng-container *nzModalContent>
        <table>
          @for (one of keys; track one.does) {
            <tr>
              <th scope="row">
                @for (key of one.keys; track key) {
                  <kbd>{{ key }}</kbd>
                }
              </th>
              <td>{{ one.does }}</td>
            </tr>
          }
          <tr>
            <th scope="row">
              <kbd>{{ pedal.key() ?? 'none' }}</kbd>
            </th>
            <td>
              Pedal or clicker
              <button nz-button nzSize="small" type="button" (click)="pedal.learning.set(true)">
                {{ pedal.learning() ? 'Press it now…' : 'Learn its key' }}
              </button>
              @if (pedal.key(); as key) {
                <button nz-button nzSize="small" type="button" (click)="pedal.forget()">Forget it</button>
                <button nz-button nzSize="small" type="button" (click)="click(key)">Simulated clicker</button>
              }
            </td>
          </tr>
        </table>
        <p class="words-field">
          <label for="work-hand">You hold the hook in the</label>
          <select id="work-hand" [ngModel]="hand.hand().hand" (ngModelChange)="hand.change({ hand: $event })">
            <option value="right">right hand</option>
            <option value="left">left hand</option>
          </select>
        </p>
        <p class="words-field">
          <label for="work-marker">Your marker goes</label>
          <select id="work-marker" [ngModel]="hand.hand().marker" (ngModelChange)="hand.change({ marker: $event })">
            <option value="pattern">where the pattern says</option>
            <option value="first">into the round’s first stitch</option>
            <option value="last">into the round’s last stitch</option>
          </select>
        </p>
        <p class="words-field">
          <label for="hand-opening">An opening your hand needs for stuffing, mm</label>
          <lem-number-field
            inputId="hand-opening"
            [min]="10"
            [max]="120"
            holds
            [value]="hook.handMm()"
            (changed)="setOpening($event)"
          />
        </p>
        @if (aloud.possible) {
          <p>
            <button nz-button type="button" (click)="aloud.toggle()" [attr.aria-pressed]="aloud.on()">
              {{ aloud.on() ? 'Stop reading aloud' : 'Read the words aloud' }}
            </button>
          </p>
        }
      </ng-container>
    </nz-modal>
  `,
  styleUrl: './work-dialogs.css',
})
export class KeysDialog {
  readonly open = input.required<boolean>();
  readonly closed = output();
  protected readonly hook = inject(AtHook);
  protected readonly pedal = inject(Pedal);
  protected readonly hand = inject(MakerHand);
  protected readonly aloud = inject(ReadAloud);
  protected readonly keys = KEYS;

  protected setOpening(mm: number | null): void {
    if (mm === null) return;
    this.hook.handMm.set(mm);
    keep('hand-opening', mm);
  }

  /** Sends the key the pedal sends, as the device would. */
  protected click(key: string): void {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  }
}
