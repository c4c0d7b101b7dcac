import { Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import type { Terms } from '@lemniscus/core/notation';
import { cardOf, cardOfWord, CARDS, sayCard, type CardId } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MakerHand } from '../../data/device/maker-hand';
import { Dialog } from '../dialog';
import { TechniqueCard } from './technique-card';

/** The card of a word over the page; where no card is called so, those that are called nearly so. */
@Component({
  selector: 'lem-technique-dialog',
  imports: [Dialog, NzButtonModule, TechniqueCard],
  template: `
    <lem-dialog name="How it is done" [width]="460" (closed)="closed.emit()">
      @if (card(); as id) {
        @defer (when true) {
          <lem-technique-card [card]="id" [terms]="terms()" [closable]="false" (shown)="card.set($event)" />
        }
      } @else {
        <p role="status">No card is called “{{ word() }}”.</p>
        @if (nearest().length > 0) {
          <p>Did you mean one of these?</p>
        }
        @for (near of nearest(); track near.id) {
          <button nz-button type="button" (click)="card.set(near.id)">{{ near.name }}</button>
        }
        <a href="/know-how">All cards</a>
      }
    </lem-dialog>
  `,
  styles: `
    lem-technique-card {
      margin: -24px;
      max-height: min(74vh, 720px);
    }
    button {
      margin: 0 8px 8px 0;
    }
    p {
      margin-bottom: 10px;
    }
  `,
})
export class TechniqueDialog {
  /** A card's id, or a word as a pattern has it. */
  readonly word = input.required<string>();
  readonly terms = input<Terms>('US');
  readonly closed = output();
  private readonly maker = inject(MakerHand);

  private readonly found = computed(() => {
    const known = CARDS.find(({ id }) => id === this.word());
    return known ? ({ id: known.id } as const) : cardOfWord(this.word(), this.terms());
  });
  protected readonly card = linkedSignal<CardId | null>(() => this.found().id);
  protected readonly nearest = computed(() => {
    const found = this.found();
    const saying = { terms: this.terms(), hand: this.maker.hand().hand };
    return (found.id === null ? found.nearest : []).map((id) => ({ id, name: sayCard(cardOf(id), saying).name }));
  });
}
