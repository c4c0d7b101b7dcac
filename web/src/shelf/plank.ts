import { Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ShelvedMake } from '@lemniscus/api';
import { PlankReading } from './plank-reading';

/** A make on the shelf. Its name stands at once; what follows from its pattern comes as soon as that can be read. */
@Component({
  selector: 'lem-plank',
  imports: [PlankReading, RouterLink],
  template: `
    <h2>
      <a [routerLink]="['/make', make().id, 'work']">{{ make().title }}</a>
    </h2>
    @defer (on idle) {
      <lem-plank-reading [make]="make()" />
    } @placeholder {
      <div class="unread words"></div>
      <svg class="unread" viewBox="0 0 640 190" aria-hidden="true"></svg>
    }
    <p class="acts">
      <a class="ant-btn ant-btn-primary" [routerLink]="['/make', make().id, 'work']">{{ begun() ? 'Carry on' : 'Begin' }}</a>
      <button
        type="button"
        class="ant-btn ant-btn-text off"
        (click)="remove.emit()"
        [attr.aria-label]="'Take ' + make().title + ' off the shelf'"
      >
        Take off the shelf
      </button>
    </p>
  `,
  styleUrl: './plank.css',
})
export class Plank {
  readonly make = input.required<ShelvedMake>();
  readonly remove = output();

  protected readonly begun = computed(() =>
    Object.values(this.make().said)
      .flat()
      .some((event) => event.kind === 'reached' && event.round + event.action > 0),
  );
}
