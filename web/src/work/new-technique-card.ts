import { Component, computed, inject } from '@angular/core';
import { cardOf, sayCard } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MakerHand } from '../data/device/maker-hand';
import { CurrentMake } from '../data/open/current-make';
import { HowTo } from './how-to';

/** Offers the card of what comes for the first time, one round ahead and once. */
@Component({
  selector: 'lem-new-technique-card',
  imports: [NzButtonModule],
  template: `
    @if (words(); as words) {
      <div class="card">
        <p><b>New soon:</b> {{ words }}</p>
        <button nz-button type="button" (click)="howTo.settle('shown')">Show me</button>
        <button nz-button nzType="text" type="button" (click)="howTo.settle('known')">I know it</button>
      </div>
    }
  `,
  styleUrl: './work-cards.css',
})
export class NewTechniqueCard {
  protected readonly howTo = inject(HowTo);
  private readonly current = inject(CurrentMake);
  private readonly hand = inject(MakerHand);

  protected readonly words = computed(() => {
    const saying = { terms: this.current.terms(), hand: this.hand.hand().hand };
    const names = this.howTo.ahead().map((id) => sayCard(cardOf(id), saying).name.toLowerCase());
    return names.join(', ');
  });
}
