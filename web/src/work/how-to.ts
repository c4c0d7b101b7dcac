import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { Run } from '@lemniscus/core/making';
import { cardOfTimely, cardsOfItems, isFirstMake, newAhead, techniquesByRound, type CardId } from '@lemniscus/core/technique';
import { KnownTechniques } from '../data/device/known-techniques';
import { CurrentMake } from '../data/open/current-make';
import { AtHook } from './at-hook';
import { Due } from './due';
import { PlacesAtHook } from './places-at-hook';

/** The know-how beside the work: the card of the words at hand, and what is new in the round that comes. */
@Injectable()
export class HowTo {
  private readonly hook = inject(AtHook);
  private readonly current = inject(CurrentMake);
  private readonly techniques = inject(KnownTechniques);

  private readonly due = inject(Due);
  private readonly places = inject(PlacesAtHook);

  private readonly open = signal<CardId | null>(null);
  /** The card that lies open. */
  readonly card = this.open.asReadonly();
  /** What came by itself last, all of it. */
  private readonly led = signal<readonly CardId[]>([]);
  /** Whether it came by itself: then the keys go on working the dial. */
  readonly cameByItself = signal(false);

  /** Whether each card comes by itself when its step does: in a first make, and where the maker wants it. */
  readonly leads = computed(() => {
    const make = this.current.make();
    return make !== null && (this.techniques.leads(make.id) ?? isFirstMake(make.text));
  });

  private readonly byRound = computed(() => {
    const counted = this.hook.counted();
    return counted ? techniquesByRound(counted) : [];
  });

  /** The yarn at hand, in the pattern's word for it. */
  readonly colour = computed(() => {
    const fabric = this.hook.fabric();
    const stitch = fabric?.roundStart[this.hook.round()];
    return fabric && stitch !== undefined ? (fabric.colours[fabric.colour[stitch] ?? 0] ?? '') : '';
  });

  /** Cards for what is worked in the round at hand: those of the words at hand first. */
  readonly here = computed<readonly CardId[]>(() => {
    const runs = this.hook.now()?.runs ?? [];
    const atHand = runs.find(({ done, length }) => done < length);
    return [...new Set([...(atHand ? cardsOfItems([atHand.work]) : []), ...(this.byRound()[this.hook.round()] ?? [])])];
  });

  /** Cards that are a press away from the one that is open. */
  readonly beside = computed<readonly CardId[]>(() => [...new Set([...this.led(), ...this.here()])]);

  private readonly begun = computed(() => this.hook.said().some(({ kind }) => kind === 'reached'));

  /** What this make asks for the first time in the round that comes, and was not offered yet. */
  readonly ahead = computed<readonly CardId[]>(() => {
    const make = this.current.make();
    if (!make || this.hook.finished() || this.leads()) return [];
    const met = new Set([...this.techniques.known(), ...this.techniques.offeredIn(make.id)]);
    return newAhead(this.byRound(), this.begun() ? this.hook.round() : null, met);
  });

  /** What the step at hand asks for, and was not shown in this make yet. */
  private readonly fresh = computed<readonly CardId[]>(() => {
    const make = this.current.make();
    if (!make || !this.leads()) return [];
    const shown = new Set(this.techniques.offeredIn(make.id));
    const finishing = this.places.finishing().flatMap(({ card }) => card ?? []);
    const round = this.hook.finished() ? finishing : (this.byRound()[this.hook.round()] ?? []);
    return [...new Set([...round, ...this.due.now().map(({ kind }) => cardOfTimely(kind))])].filter((id) => !shown.has(id));
  });

  constructor() {
    effect(() => {
      const fresh = this.fresh();
      const make = untracked(() => this.current.make());
      if (!make || fresh.length === 0) return;
      untracked(() => {
        this.techniques.wasOffered(make.id, fresh);
        this.open.set(fresh[0]!);
        this.led.set(fresh);
        this.cameByItself.set(true);
      });
    });
  }

  setLeads(leads: boolean): void {
    const make = this.current.make();
    if (make) this.techniques.setLeads(make.id, leads);
  }

  /** The card of words, the first where they have several; null where they ask for nothing that is taught. */
  cardOf(run: Run): CardId | null {
    return cardsOfItems([run.work])[0] ?? null;
  }

  take(card: CardId): void {
    this.cameByItself.set(false);
    this.open.set(card);
  }

  close(): void {
    this.open.set(null);
  }

  toggle(): void {
    const [card] = this.here();
    this.cameByItself.set(false);
    this.open.update((open) => (open ? null : (card ?? null)));
  }

  /** What is new was looked at, put away, or is known for good. */
  settle(how: 'shown' | 'known'): void {
    const make = this.current.make();
    const ahead = this.ahead();
    if (!make || ahead.length === 0) return;
    if (how === 'shown') this.take(ahead[0]!);
    else this.techniques.areKnown(ahead);
    this.techniques.wasOffered(make.id, ahead);
  }
}
