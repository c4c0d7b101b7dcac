import { Component, computed, input, output } from '@angular/core';
import { drawingOf } from '@lemniscus/core/drawn';
import type { Terms } from '@lemniscus/core/notation';
import { cardOf, sayCard, type CardId } from '@lemniscus/core/technique';
import { TechniqueDrawing } from '../drawing/technique/technique-drawing';

/** A card among others: its picture, its name, and what it is for. */
@Component({
  selector: 'lem-card-tile',
  imports: [TechniqueDrawing],
  template: `
    <button type="button" [class.on]="on()" [attr.aria-current]="on() || null" (click)="chosen.emit()">
      <span class="picture">
        @defer (on viewport) {
          <lem-technique-drawing [drawing]="drawing()" [at]="shown()" [hand]="hand()" />
        } @placeholder {
          <i></i>
        }
      </span>
      <b>{{ said().name }}</b>
      <span class="what">{{ said().what }}</span>
    </button>
  `,
  styles: `
    button {
      display: flex;
      flex-direction: column;
      width: 100%;
      height: 100%;
      padding: 0 0 10px;
      border: 1px solid var(--line);
      border-radius: 16px;
      background: var(--card);
      color: var(--ink);
      text-align: start;
      cursor: pointer;
    }
    button:hover {
      border-color: var(--act);
    }
    button.on {
      border-color: var(--act);
      box-shadow: 0 0 0 2px var(--act);
    }
    .picture {
      display: block;
      aspect-ratio: 1.6;
      margin-bottom: 8px;
      overflow: hidden;
      border-radius: 15px 15px 0 0;
    }
    i {
      display: block;
      height: 100%;
      background: var(--line);
      opacity: 0.4;
    }
    b {
      padding: 0 12px;
      font-size: 17px;
    }
    .what {
      padding: 2px 12px 0;
      color: var(--soft);
      font-size: 15px;
      line-height: 1.35;
    }
  `,
})
export class CardTile {
  readonly card = input.required<CardId>();
  readonly terms = input.required<Terms>();
  readonly hand = input.required<'right' | 'left'>();
  readonly on = input(false);
  readonly chosen = output();

  protected readonly said = computed(() => sayCard(cardOf(this.card()), { terms: this.terms(), hand: this.hand() }));
  protected readonly drawing = computed(() => drawingOf(this.card()));
  /** The picture in the middle of it, where most is going on. */
  protected readonly shown = computed(() => Math.floor(this.drawing().frames.length / 2));
}
