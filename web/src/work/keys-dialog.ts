import { Component, inject, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Dialog } from '../controls/dialog';
import { MakerHand } from '../data/device/maker-hand';
import { Due } from './due';
import { KEYS } from './keys';
import { Pedal } from './pedal';
import { ReadAloud } from './read-aloud';
import { NumberField } from '../controls/number-field';

/** Every key, the pedal, and how this maker works. */
@Component({
  selector: 'lem-keys-dialog',
  imports: [Dialog, FormsModule, NumberField, NzButtonModule],
  template: `
    <lem-dialog name="Keys, pedal and hand" [width]="560" (closed)="closed.emit()">
      <table>
        @for (one of keys; track one.key) {
          <tr>
            <th scope="row">
              <kbd>{{ one.shown }}</kbd>
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
          [value]="due.handMm()"
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
    </lem-dialog>
  `,
  styleUrl: './work-dialogs.css',
})
export class KeysDialog {
  readonly closed = output();
  protected readonly due = inject(Due);
  protected readonly pedal = inject(Pedal);
  protected readonly hand = inject(MakerHand);
  protected readonly aloud = inject(ReadAloud);
  protected readonly keys = KEYS;

  protected setOpening(mm: number | null): void {
    if (mm !== null) this.due.setHand(mm);
  }

  /** Sends the key the pedal sends, as the device would. */
  protected click(key: string): void {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
  }
}
