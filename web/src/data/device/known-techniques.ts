import { Injectable, signal } from '@angular/core';
import type { CardId } from '@lemniscus/core/technique';
import * as z from 'zod';
import { keep, recall } from './local';

const KNOWN = 'techniques.known';
const Ids = z.array(z.string()).catch([]);

const leadKey = (make: string): string => `techniques.lead.${make}`;
const shownKey = (make: string): string => `techniques.shown.${make}`;
const idsAt = (key: string): readonly CardId[] => Ids.parse(recall(key)) as CardId[];

/** Which techniques the maker at this device knows, and whose cards were offered in which make. */
@Injectable({ providedIn: 'root' })
export class KnownTechniques {
  private readonly stored = signal(idsAt(KNOWN));
  /** Changed with all that is kept by make. */
  private readonly offered = signal(0);
  readonly known = this.stored.asReadonly();

  /** Those whose cards were offered in a make already. */
  offeredIn(make: string): readonly CardId[] {
    this.offered();
    return idsAt(shownKey(make));
  }

  wasOffered(make: string, ids: readonly CardId[]): void {
    keep(shownKey(make), [...new Set([...idsAt(shownKey(make)), ...ids])]);
    this.offered.update((count) => count + 1);
  }

  /** Whether the cards of a make come by themselves; null where the maker never said. */
  leads(make: string): boolean | null {
    this.offered();
    return z
      .boolean()
      .nullable()
      .catch(null)
      .parse(recall(leadKey(make)));
  }

  setLeads(make: string, leads: boolean): void {
    keep(leadKey(make), leads);
    this.offered.update((count) => count + 1);
  }

  /** They are not offered again, in any make. */
  areKnown(ids: readonly CardId[]): void {
    this.stored.update((known) => [...new Set([...known, ...ids])]);
    keep(KNOWN, this.stored());
  }
}
