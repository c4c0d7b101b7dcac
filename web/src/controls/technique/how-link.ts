import { Component, computed, inject, input, signal } from '@angular/core';
import type { Terms } from '@lemniscus/core/notation';
import { cardOf, sayCard, type CardId } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MakerHand } from '../../data/device/maker-hand';
import { TechniqueDialog } from './technique-dialog';

/** A way to the card that shows how something is done, from wherever it is asked for. */
@Component({
  selector: 'lem-how-link',
  imports: [NzButtonModule, TechniqueDialog],
  template: `
    <button nz-button type="button" [attr.aria-label]="label() + ': ' + name()" (click)="open.set(true)">{{ label() }}</button>
    @if (open()) {
      <lem-technique-dialog [word]="card()" [terms]="terms()" (closed)="open.set(false)" />
    }
  `,
  styles: `
    :host {
      display: inline-block;
    }
  `,
})
export class HowLink {
  readonly card = input.required<CardId>();
  readonly label = input('How?');
  readonly terms = input<Terms>('US');
  protected readonly open = signal(false);
  private readonly maker = inject(MakerHand);
  protected readonly name = computed(
    () => sayCard(cardOf(this.card()), { terms: this.terms(), hand: this.maker.hand().hand }).name,
  );
}
