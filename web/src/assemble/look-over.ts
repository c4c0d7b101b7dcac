import { Component, computed, input } from '@angular/core';
import { lookOver, lookWords, type Places } from '@lemniscus/core/assembly';

/** The short list to look a figure over by, with the numbers to hold against it. */
@Component({
  selector: 'lem-look-over',
  template: `
    <p>Hold it at arm’s length: front, both sides, from above. Pin first, look, then sew.</p>
    <ul>
      @for (each of looks(); track each.ask) {
        <li>
          <b>{{ each.ask }}</b>
          <span>{{ each.should }}</span>
        </li>
      }
    </ul>
  `,
  styles: `
    p {
      color: var(--soft);
    }
    ul {
      margin: 8px 0 0;
      padding: 0;
      list-style: none;
    }
    li {
      padding: 10px 0;
      border-top: 1px solid var(--line);
      font-size: 17px;
    }
    b {
      display: block;
      font-size: 18px;
    }
  `,
})
export class LookOver {
  readonly places = input.required<Places>();
  protected readonly looks = computed(() => lookOver(this.places()).map(lookWords));
}
