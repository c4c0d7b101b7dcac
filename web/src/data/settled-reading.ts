import { computed, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { checkPattern, type PatternCount } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { debounceTime } from 'rxjs';

/** A text with what was read in it. */
export interface SettledReading {
  readonly text: string;
  readonly count: PatternCount;
}

/** Texts up to this length are read at every keystroke: some milliseconds. Longer ones are read in the pauses of typing. */
const SMALL = 20_000;
const PAUSE_MS = 150;

/** Reads and counts a text whenever it has settled. Must be called where Angular injects. */
export function settledReading(text: Signal<string>): Signal<SettledReading> {
  const paused = toSignal(toObservable(text).pipe(debounceTime(PAUSE_MS)), { initialValue: null });
  // A long text is read at once when it is the first, so that nothing is shown empty.
  const settled = computed(() => (text().length <= SMALL ? text() : (paused() ?? text())));
  return computed(() => ({ text: settled(), count: checkPattern(read(settled())) }));
}
