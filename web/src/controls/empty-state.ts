import { Component, input } from '@angular/core';

/** Where there is nothing yet, or nothing could be had: what that is, and below it what to do. */
@Component({
  selector: 'lem-empty-state',
  template: `
    <h2>{{ heading() }}</h2>
    <ng-content />
  `,
  styles: `
    :host {
      display: grid;
      place-content: center;
      justify-items: center;
      gap: 14px;
      max-width: 34rem;
      margin: auto;
      padding: 16vh 20px;
      text-align: center;
    }
    h2 {
      font-size: 26px;
    }
  `,
})
export class EmptyState {
  readonly heading = input.required<string>();
}
