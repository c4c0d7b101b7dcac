import { Component, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { AtHook } from './at-hook';
import { PlacesAtHook } from './places-at-hook';

/** Pieces that must be ready before a round that comes, while there is time to make them. */
@Component({
  selector: 'lem-needed-card',
  imports: [NzButtonModule],
  template: `
    @if (places.needed(); as needed) {
      <div class="card" role="status">
        <p>
          <b>{{ needed.now ? 'Now:' : 'Before ' + needed.label + ':' }}</b> {{ needed.names }}, worked{{
            needed.now ? '. This round goes through.' : ' first.'
          }}
        </p>
        <button nz-button type="button" (click)="hook.take(needed.take)">Take the first of them</button>
      </div>
    }
  `,
  styleUrl: './work-cards.css',
})
export class NeededCard {
  protected readonly hook = inject(AtHook);
  protected readonly places = inject(PlacesAtHook);
}
