import { Component, computed, inject, output, signal } from '@angular/core';
import type { Fabric } from '@lemniscus/core/fabric';
import { actionsOf, causesOf, waysOut, wayWords, writtenRound, type Cause } from '@lemniscus/core/making';
import { counted } from '@lemniscus/core/notation';
import { plainRuns } from '@lemniscus/core/spacing';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Dialog } from '../controls/dialog';
import { HowLink } from '../controls/technique/how-link';
import { CurrentMake } from '../data/open/current-make';
import { AtHook } from './at-hook';
import { Pace } from './pace';
import { NumberField } from '../controls/number-field';

/** As many places are named; more are a glance over the whole round. */
const PLACES_NAMED = 8;
const SHOWN = 3;

/** The count is off: what was found, what could have happened and where to look, and the two ways out. */
@Component({
  selector: 'lem-count-dialog',
  imports: [Dialog, HowLink, NumberField, NzButtonModule],
  templateUrl: './count-dialog.html',
  styleUrl: './work-dialogs.css',
})
export class CountDialog {
  readonly closed = output();
  private readonly current = inject(CurrentMake);
  private readonly pace = inject(Pace);
  protected readonly hook = inject(AtHook);
  protected readonly terms = this.current.terms;
  protected readonly counted = counted;
  protected readonly wayWords = wayWords;

  /** The round that is counted, whatever is done while the dialog is open. */
  private readonly round = this.hook.roundToCount();
  protected readonly due = this.hook.stitchesOf(this.round);
  protected readonly found = signal<number | null>(this.due);
  protected readonly near = [-2, -1, 1, 2].map((off) => this.due + off).filter((count) => count > 0);

  protected readonly label = computed(() => this.hook.counted()?.rounds[this.round]?.label ?? '');
  protected readonly off = computed(() => {
    const found = this.found();
    return found !== null && Number.isInteger(found) && found >= 0 && found <= 10_000 ? found - this.due : null;
  });

  protected readonly causes = computed(() => {
    const fabric = this.hook.fabric();
    const counted = this.hook.counted()?.rounds[this.round];
    const off = this.off();
    if (!fabric || !counted || !off) return [];
    return causesOf(fabric, this.round, this.due + off, counted.available)
      .slice(0, SHOWN)
      .map((cause) => ({ cause, what: whatHappened(cause), where: whereToLook(cause) }));
  });

  /** What should be read off the work between the changes. */
  protected readonly gaps = computed(() => {
    const fabric = this.hook.fabric();
    const gaps = fabric ? plainRuns(fabric, this.round) : [];
    return fabric && gaps.length > 1 ? { between: changesIn(fabric, this.round), words: gaps.join(' · ') } : null;
  });

  protected readonly ways = computed(() => {
    const plan = this.hook.plan();
    const off = this.off();
    if (!plan || !off) return null;
    const written = (round: number) => writtenRound(plan.altered, round);
    return waysOut(plan.counted, plan.fabric, written, this.round, this.due + off, this.current.terms());
  });

  protected readonly ripMinutes = computed(() => this.pace.minutesFor(this.ways()?.ripStitches ?? 0));

  protected rip(): void {
    this.hook.reach({ round: this.round, action: 0 }, 'count');
    this.closed.emit();
  }

  protected absorb(): void {
    const absorb = this.ways()?.absorb;
    if (!absorb) return;
    this.hook.say({ kind: 'altered', changes: absorb.changes });
    this.hook.reach({ round: this.round + 1, action: 0 });
    this.closed.emit();
  }
}

function whatHappened({ kind, change }: Cause): string {
  const name = change ?? 'change';
  switch (kind) {
    case 'change missed':
      return `${name === 'increase' ? 'An increase' : 'A decrease'} was missed`;
    case 'change added':
      return 'One increase or decrease too many';
    case 'hidden stitch missed':
      return 'The stitch beside a decrease was missed: it hides';
    case 'hidden stitch twice':
      return 'The stitch beside a decrease was worked twice';
    case 'stitch missed':
      return 'A stitch was passed over';
    case 'stitch twice':
      return 'A stitch was worked twice, or a chain as a stitch';
    case 'round before short':
      return 'The round before was one short: count it';
    case 'round before over':
      return 'The round before had one too many: count it';
    case 'ended early':
      return 'The round ended before the marker';
    case 'ended late':
      return 'The round went on past the marker';
  }
}

function whereToLook({ stitches }: Cause): string {
  if (stitches.length === 0) return '';
  return stitches.length > PLACES_NAMED
    ? `anywhere from stitch ${stitches[0]} to ${stitches.at(-1)} after the marker`
    : `look at stitch ${stitches.join(', ')} after the marker`;
}

/** The changes of a round in words: "increases", "decreases", or both. */
function changesIn(fabric: Fabric, round: number): string {
  const changes = new Set(actionsOf(fabric, round).map(({ change }) => change));
  return (['increase', 'decrease'] as const).flatMap((one) => (changes.has(one) ? [`${one}s`] : [])).join(' and ');
}
