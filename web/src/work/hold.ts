import { Directive, ElementRef, inject, input } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { filter, fromEvent, map, merge, switchMap, takeUntil, tap, timer } from 'rxjs';

const HOLD_MS = 600;
/** A finger that moves further than this is not holding still, px. */
const STILL_PX = 10;

/** Hands on a press that is held, or one of the second button. Where it is taken up it is no click any more. */
@Directive({ selector: '[lemHold]' })
export class Hold {
  /** @returns whether there is anything to hold at that point */
  readonly lemHold = input.required<(event: PointerEvent) => boolean>();

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    let held = false;
    const pressed = fromEvent<PointerEvent>(host, 'pointerdown').pipe(tap(() => (held = false)));
    const moved = (from: PointerEvent) =>
      fromEvent<PointerEvent>(host, 'pointermove').pipe(
        filter((to) => Math.hypot(to.clientX - from.clientX, to.clientY - from.clientY) > STILL_PX),
      );
    const ended = (from: PointerEvent) =>
      merge(moved(from), ...['pointerup', 'pointercancel', 'pointerleave'].map((name) => fromEvent(host, name)));
    const long = pressed.pipe(
      filter((from) => from.button === 0),
      switchMap((from) =>
        timer(HOLD_MS).pipe(
          map(() => from),
          takeUntil(ended(from)),
        ),
      ),
    );
    // A long touch is a press of the second button too on some systems.
    const second = fromEvent<PointerEvent>(host, 'contextmenu').pipe(tap((event) => event.preventDefault()));
    merge(long, second)
      .pipe(
        filter(() => !held),
        takeUntilDestroyed(),
      )
      .subscribe((event) => (held = this.lemHold()(event)));
    fromEvent(host, 'click', { capture: true })
      .pipe(
        filter(() => held),
        takeUntilDestroyed(),
      )
      .subscribe((event) => {
        held = false;
        event.stopImmediatePropagation();
        event.preventDefault();
      });
  }
}
