import { computed, inject, Injectable, signal } from '@angular/core';
import { asKept, lastReached, standingEvents } from '@lemniscus/core/making';
import { partKey } from '@lemniscus/core/supply';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { MakerLog } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';

/** Pieces that were begun of a part that is not in the pattern any more, and the parts it may be called now. */
export interface LostPart {
  /** `partKey` of the part that is gone. */
  readonly key: string;
  readonly pieces: readonly string[];
  /** Parts of which nothing is begun, the likest first; those that are much less like it are left out. */
  readonly parts: readonly { readonly key: string; readonly name: string }[];
}

/** What was begun under a name that the pattern has not any more: the maker says which part it is now. */
@Injectable()
export class NewNames {
  private readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);
  private readonly log = inject(MakerLog);
  private readonly plans = inject(PiecePlans);
  /** Parts that are left as they are, in this window. */
  private readonly left = signal<ReadonlySet<string>>(new Set());

  /** The first part that was begun and is gone; null when there is none, or nothing it could be. */
  readonly lost = computed<LostPart | null>(() => {
    const log = this.log.all();
    const pieces = this.plans.pieces();
    const known = new Set(pieces.map(({ id }) => id));
    const begun = [...log.keys()].filter((id) => lastReached(standingEvents(log, id)));
    const gone = begun.filter((id) => !known.has(id) && !this.left().has(partKey(id)));
    const key = gone[0] && partKey(gone[0]);
    if (!key) return null;
    const taken = new Set(begun.map(partKey));
    const free = pieces.filter(({ id, copy }) => copy === 1 && !taken.has(partKey(id)));
    if (free.length === 0) return null;
    const liked = free
      .map(({ id, part }) => ({ key: partKey(id), part, like: this.likeness(gone[0]!, part) }))
      .sort((a, b) => b.like - a.like);
    const parts = liked
      .filter(({ like }) => 2 * like >= liked[0]!.like)
      .map(({ key, part }) => ({ key, name: this.current.count().pattern.parts[part]!.name }));
    return { key, pieces: gone.filter((id) => partKey(id) === key), parts };
  });

  /** All that was said and chosen of a part that is gone is of this one. */
  became({ key, pieces }: LostPart, as: string): void {
    for (const piece of pieces) this.log.say(piece, { kind: 'became', as: as + piece.slice(key.length) });
    const kit = this.draft.make()?.kit;
    if (!kit) return;
    const renamed = (part: string): string => (part === key ? as : part);
    const yarns = kit.yarns.map((choice) => ({ ...choice, part: choice.part === null ? null : renamed(choice.part) }));
    this.draft.change({ kit: { ...kit, yarns, order: kit.order.map(renamed) } });
  }

  leave({ key }: LostPart): void {
    this.left.update((all) => new Set([...all, key]));
  }

  /** How many of the lines that a piece was worked by a part has. */
  private likeness(piece: string, part: number): number {
    const followed = standingEvents(this.log.all(), piece).findLast((event) => event.kind === 'followed');
    const own = new Set(followed?.lines ?? []);
    return asKept(this.current.count().pattern.parts[part]!.lines).filter((line) => own.has(line)).length;
  }
}
