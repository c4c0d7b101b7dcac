import { Component, computed, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ShelvedMake } from '@lemniscus/api';
import { longDayWords } from '../controls/day-words';
import { PlankPhoto } from './plank-photo';
import { PlankReading } from './plank-reading';
import { finishedAs, isBegun, stateOf } from './shelf-state';

/** A make on the shelf. Its name stands at once; what follows from its pattern comes as soon as that can be read. */
@Component({
  selector: 'lem-plank',
  imports: [PlankPhoto, PlankReading, RouterLink],
  template: `
    <h2>
      <a [routerLink]="['/make', make().id, finished() ? 'log' : 'work']">{{ make().title }}</a>
    </h2>
    @if (finished(); as done) {
      <p class="words done">
        Finished {{ dayWords(done.day!) }}{{ done.forWhom ? ', for ' + done.forWhom : '' }}
        @if (size()) {
          <small>{{ size() }}</small>
        }
      </p>
      @defer (on idle) {
        <lem-plank-photo [make]="make().id" [title]="make().title" />
      }
    }
    @defer (on idle) {
      <lem-plank-reading [make]="make()" [bare]="finished() !== null" />
    } @placeholder {
      @if (!finished()) {
        <div class="unread words"></div>
      }
      <svg class="unread" viewBox="0 0 640 190" aria-hidden="true"></svg>
    }
    @if (why()) {
      <p class="why">{{ why() }}</p>
    }
    <p class="acts">
      @if (finished()) {
        <a class="ant-btn ant-btn-default" [routerLink]="['/make', make().id, 'log']">Its log</a>
      } @else {
        <a class="ant-btn ant-btn-primary" [routerLink]="['/make', make().id, 'work']">{{ begun() ? 'Carry on' : 'Begin' }}</a>
      }
      @if (away() || finished()) {
        <button type="button" class="ant-btn ant-btn-text off" (click)="putAway.emit(!away())">
          {{ away() ? 'Take it out again' : 'Put away' }}
        </button>
      }
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
  host: { '[class.dense]': 'dense()' },
})
export class Plank {
  readonly make = input.required<ShelvedMake>();
  /** Why it suits what was asked for. */
  readonly why = input('');
  /** One of many: lower, with less beside it. */
  readonly dense = input(false);
  readonly remove = output();
  readonly putAway = output<boolean>();

  protected readonly dayWords = longDayWords;
  protected readonly begun = computed(() => isBegun(this.make()));
  protected readonly finished = computed(() => finishedAs(this.make()));
  protected readonly away = computed(() => stateOf(this.make()) === 'put away');
  protected readonly size = computed(() => {
    const done = this.finished();
    return done?.heightMm ? `${done.heightMm} mm tall` : '';
  });
}
