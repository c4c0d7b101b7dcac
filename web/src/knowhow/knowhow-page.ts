import { afterNextRender, Component, computed, inject, Injector, input, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Terms } from '@lemniscus/core/notation';
import { CARD_GROUPS, cardOf, cardOfWord, CARDS, FIRST_MAKE, sayCard, searchCards, type CardId } from '@lemniscus/core/technique';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../controls/choice';
import { PageHeader } from '../controls/page-header';
import { TechniqueCard } from '../controls/technique/technique-card';
import { keep, recall } from '../data/device/local';
import { MakerHand } from '../data/device/maker-hand';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';
import { CardSheet } from './card-sheet';
import { CardTile } from './card-tile';
import { KnowhowTabs } from './knowhow-tabs';

const TERMS_KEY = 'knowhow.terms';
const TERMS: readonly { readonly label: string; readonly value: Terms }[] = [
  { label: 'US words', value: 'US' },
  { label: 'UK words', value: 'UK' },
];

/** All cards, found by name or by plain words, one of them open; printed as small cards. */
@Component({
  selector: 'lem-knowhow-page',
  imports: [CardSheet, CardTile, Choice, KnowhowTabs, NzButtonModule, PageHeader, TechniqueCard],
  templateUrl: './knowhow-page.html',
  styleUrl: './knowhow-page.css',
})
export class KnowhowPage {
  /** The card that is open, by its name in the address. */
  readonly card = input<string>();
  private readonly router = inject(Router);
  private readonly injector = inject(Injector);
  private readonly maker = inject(MakerHand);
  private readonly makes = inject(MakeApi);

  protected readonly choices = TERMS;
  protected readonly terms = signal<Terms>(recall(TERMS_KEY) === 'UK' ? 'UK' : 'US');
  protected readonly words = signal('');
  protected readonly printing = signal(false);
  protected readonly beginning = signal(false);
  protected readonly failure = signal('');

  protected readonly hand = computed(() => this.maker.hand().hand);
  protected readonly open = computed(() => CARDS.find(({ id }) => id === this.card())?.id ?? null);
  /** A card in the address that there is none of. */
  protected readonly unknown = computed(() => {
    const asked = this.card();
    return asked && !this.open() ? asked : null;
  });
  protected readonly found = computed(() => searchCards(this.words(), this.terms()));
  /** Where nothing is found: what is called nearly so. */
  protected readonly nearest = computed(() => {
    const asked = this.unknown() ?? (this.found().length === 0 ? this.words() : '');
    if (!asked) return [];
    const near = cardOfWord(asked, this.terms());
    return near.id ? [near.id] : near.nearest;
  });
  protected readonly groups = computed(() => {
    const found = new Set(this.found());
    if (this.words().trim() !== '') return [{ name: '', cards: this.found() }];
    return CARD_GROUPS.map(({ name, cards }) => ({ name, cards: cards.map(({ id }) => id).filter((id) => found.has(id)) }));
  });

  protected find(event: Event): void {
    if (event.target instanceof HTMLInputElement) this.words.set(event.target.value);
  }

  protected speak(terms: Terms): void {
    this.terms.set(terms);
    keep(TERMS_KEY, terms);
  }

  protected take(card: CardId | null): void {
    void this.router.navigate([], { queryParams: { card }, replaceUrl: this.open() !== null });
  }

  protected nameOf(id: CardId): string {
    return sayCard(cardOf(id), { terms: this.terms(), hand: this.hand() }).name;
  }

  /** Puts the first make on the shelf and goes to its first stitch. */
  protected beginBall(): void {
    this.beginning.set(true);
    this.makes.add({ id: crypto.randomUUID(), ...FIRST_MAKE }).subscribe({
      next: ({ id }) => void this.router.navigate(['/make', id, 'work']),
      error: ({ message }: RequestFailed) => {
        this.beginning.set(false);
        this.failure.set(message);
      },
    });
  }

  /** Draws what was found as small cards, and asks the browser to print them. */
  protected print(): void {
    this.printing.set(true);
    afterNextRender(
      () => {
        window.print();
        this.printing.set(false);
      },
      { injector: this.injector },
    );
  }
}
