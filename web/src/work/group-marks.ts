import { Component, computed, inject } from '@angular/core';
import { AtHook } from './at-hook';

/** More groups than these are no help to the eye. */
const MOST = 16;

/** The groups of a round with a repeat: done, at hand, ahead. */
@Component({
  selector: 'lem-group-marks',
  template: `
    @if (groups(); as all) {
      <div class="groups">
        <span>Group {{ all.now + 1 }} of {{ all.marks.length }}</span>
        <div>
          @for (mark of all.marks; track $index) {
            <i [class]="mark"></i>
          }
        </div>
      </div>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    .groups {
      grid-area: groups;
      padding: 6px 0 12px 28px;
      color: var(--soft);
      font-size: 15px;
    }
    div div {
      display: flex;
      gap: 5px;
      margin-top: 4px;
    }
    i {
      flex: 1;
      max-width: 34px;
      height: 10px;
      border: 1.5px solid var(--line);
      border-radius: 5px;
    }
    .done {
      border-color: var(--shade);
      background: var(--shade);
    }
    .now {
      border-color: var(--act);
      background: var(--act);
    }
    @media (max-width: 1080px) {
      .groups {
        display: none;
      }
    }
  `,
})
export class GroupMarks {
  private readonly hook = inject(AtHook);

  /** Changes with the group only, not with every stitch of it. */
  private readonly place = computed(
    () => {
      const now = this.hook.now();
      return now ? { of: now.groupCount, now: now.group } : null;
    },
    { equal: (a, b) => a?.of === b?.of && a?.now === b?.now },
  );

  protected readonly groups = computed(() => {
    const place = this.place();
    if (!place || place.of < 2 || place.of > MOST) return null;
    const marks = Array.from({ length: place.of }, (_, group) =>
      group < place.now ? 'done' : group === place.now ? 'now' : 'ahead',
    );
    return { now: place.now, marks };
  });
}
