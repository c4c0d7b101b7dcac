import {
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  untracked,
  viewChild,
} from '@angular/core';
import { drawingOf } from '@lemniscus/core/drawn';
import type { Terms } from '@lemniscus/core/notation';
import { cardOf, sayCard, type CardId } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MakerHand } from '../../data/device/maker-hand';
import { TechniqueDrawing } from '../../drawing/technique/technique-drawing';
import { FramePlayer } from './frame-player';

/** How a technique is worked: its pictures, step by step, when it is right and what goes wrong. */
@Component({
  selector: 'lem-technique-card',
  imports: [NzButtonModule, TechniqueDrawing],
  templateUrl: './technique-card.html',
  styleUrl: './technique-card.css',
  host: { role: 'region', '[attr.aria-label]': "'How to: ' + said().name", '(keydown)': 'pressed($event)' },
})
export class TechniqueCard {
  readonly card = input.required<CardId>();
  readonly terms = input<Terms>('US');
  readonly colour = input('');
  /** Other cards that belong to the same place. */
  readonly beside = input<readonly CardId[]>([]);
  /** Whether it can be closed where it stands. */
  readonly closable = input(true);
  /** Whether the keys work it as soon as it opens. */
  readonly takesFocus = input(true);
  readonly closed = output();
  readonly shown = output<CardId>();

  private readonly maker = inject(MakerHand);
  private readonly slider = viewChild<ElementRef<HTMLInputElement>>('slider');
  protected readonly player = new FramePlayer();
  protected readonly hand = linkedSignal(() => this.maker.hand().hand);

  protected readonly said = computed(() => this.saidCard(this.card()));
  protected readonly drawing = computed(() => drawingOf(this.card()));
  /** The picture that is nearest, 0-based. */
  protected readonly frame = computed(() => Math.round(this.player.at()));
  protected readonly step = computed(() => this.drawing().frames[this.frame()]?.step ?? 0);
  protected readonly others = computed(() => this.named(this.beside().filter((id) => id !== this.card())));
  protected readonly see = computed(() => this.named(this.said().see.filter((id) => !this.beside().includes(id))));

  constructor() {
    effect(() => {
      const { length } = this.drawing().frames;
      untracked(() => this.player.begin(length));
    });
    effect(() => {
      // Also where another card was asked for: the button that asked is gone with the one before.
      this.card();
      const slider = this.slider();
      if (slider && this.takesFocus()) slider.nativeElement.focus({ preventScroll: true });
    });
  }

  protected nameOf(id: CardId): string {
    return this.saidCard(id).name;
  }

  /** The first picture of a step. */
  protected toStep(step: number): void {
    const at = this.drawing().frames.findIndex((frame) => frame.step >= step);
    this.player.scrub(at < 0 ? this.drawing().frames.length - 1 : at);
  }

  protected scrubbed(event: Event): void {
    if (event.target instanceof HTMLInputElement) this.player.scrub(event.target.valueAsNumber);
  }

  protected mirror(): void {
    this.hand.update((hand) => (hand === 'left' ? 'right' : 'left'));
  }

  protected pressed(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    switch (event.key) {
      case 'ArrowRight':
      case 'ArrowUp':
        this.player.step(1);
        break;
      case 'ArrowLeft':
      case 'ArrowDown':
        this.player.step(-1);
        break;
      case 'm':
      case 'M':
        this.mirror();
        break;
      case 'Escape':
        if (!this.closable()) return;
        this.closed.emit();
        break;
      default:
        return;
    }
    event.preventDefault();
  }

  private saidCard(id: CardId): ReturnType<typeof sayCard> {
    return sayCard(cardOf(id), { terms: this.terms(), hand: this.hand() });
  }

  private named(ids: readonly CardId[]): readonly { readonly id: CardId; readonly name: string }[] {
    return ids.map((id) => ({ id, name: this.nameOf(id) }));
  }
}
