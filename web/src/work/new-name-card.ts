import { Component, computed, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NewNames } from './new-names';

/** As many names are offered; the rest is left out. */
const OFFERED = 4;

/** Asks which part it is that was begun under a name the pattern has not any more. */
@Component({
  selector: 'lem-new-name-card',
  imports: [NzButtonModule],
  template: `
    @if (names.lost(); as lost) {
      <div role="status" class="card">
        <p>
          <b
            >“<span class="name">{{ lost.key }}</span
            >” is begun, and the pattern has no such part now.</b
          >
          Is it one of these, with a new name?
        </p>
        @for (part of offered(); track part.key) {
          <button nz-button type="button" (click)="names.became(lost, part.key)">It is {{ part.name }}</button>
        }
        <button nz-button nzType="text" type="button" (click)="names.leave(lost)">None of them</button>
      </div>
    }
  `,
  styleUrl: './work-cards.css',
})
export class NewNameCard {
  protected readonly names = inject(NewNames);
  protected readonly offered = computed(() => this.names.lost()?.parts.slice(0, OFFERED) ?? []);
}
