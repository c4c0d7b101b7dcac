import { Component, computed, input } from '@angular/core';
import { drawingOf } from '@lemniscus/core/drawn';
import type { Terms } from '@lemniscus/core/notation';
import { cardOf, sayCard, type CardId } from '@lemniscus/core/technique';
import { TechniqueDrawing } from '../drawing/technique/technique-drawing';

/** Cards on paper: two beside each other, to be cut out; only there in print. */
@Component({
  selector: 'lem-card-sheet',
  imports: [TechniqueDrawing],
  template: `
    @for (card of printed(); track card.said.id) {
      <article>
        <h2>{{ card.said.name }}</h2>
        <div>
          @for (at of card.shown; track at) {
            <lem-technique-drawing [drawing]="card.drawing" [at]="at" [hand]="hand()" />
          }
        </div>
        <ol>
          @for (step of card.said.steps; track $index) {
            <li>{{ step }}</li>
          }
        </ol>
        <p><b>Right when</b> {{ card.said.rightWhen }}</p>
        @if (card.said.caution; as caution) {
          <p>{{ caution }}</p>
        }
      </article>
    }
  `,
  styles: `
    :host {
      display: none;
    }
    @media print {
      :host {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 5mm;
      }
      article {
        padding: 4mm;
        border: 0.3mm dashed #8a8a8a;
        border-radius: 3mm;
        break-inside: avoid;
        color: #000;
        font-size: 9.5pt;
        line-height: 1.3;
      }
      h2 {
        margin-bottom: 2mm;
        font-size: 12pt;
        font-weight: 700;
      }
      div {
        display: grid;
        grid-template-columns: repeat(3, 1fr);
        gap: 1.5mm;
        margin-bottom: 2mm;
      }
      ol {
        margin: 0 0 1.5mm;
        padding-left: 5mm;
      }
      p {
        margin-bottom: 1mm;
      }
    }
  `,
})
export class CardSheet {
  readonly cards = input.required<readonly CardId[]>();
  readonly terms = input.required<Terms>();
  readonly hand = input.required<'right' | 'left'>();

  protected readonly printed = computed(() =>
    this.cards().map((id) => {
      const drawing = drawingOf(id);
      const last = drawing.frames.length - 1;
      return {
        said: sayCard(cardOf(id), { terms: this.terms(), hand: this.hand() }),
        drawing,
        shown: [...new Set([0, Math.round(last / 2), last])],
      };
    }),
  );
}
