import { computed, signal, untracked, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { checkPattern, type PatternCount } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { debounceTime, tap, type Observable } from 'rxjs';

/** A text with what was read in it. */
export interface SettledReading {
  readonly text: string;
  readonly count: PatternCount;
}

/** Texts up to this length are read at every keystroke: some milliseconds. Longer ones are read in the pauses of typing. */
const SMALL = 20_000;
const PAUSE_MS = 150;

/**
 * Reads and counts a text, a long one only when it has settled. Must be called where Angular injects.
 * @param typing says, just before it happens, that a keystroke changes the text
 */
export function settledReading(text: Signal<string>, typing: Observable<unknown>): Signal<SettledReading> {
  /** The long text as it was before the typing that goes on; null when nothing is held. */
  const held = signal<string | null>(null);
  typing
    .pipe(
      tap(() => {
        const now = untracked(text);
        if (now.length > SMALL) held.update((before) => before ?? now);
      }),
      debounceTime(PAUSE_MS),
      takeUntilDestroyed(),
    )
    .subscribe(() => held.set(null));
  const settled = computed(() => held() ?? text());
  return computed(() => ({ text: settled(), count: checkPattern(read(settled())) }));
}
