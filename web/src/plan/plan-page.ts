import { Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { PlannedWish } from '@lemniscus/api/plan';
import { calendarFile, dayAfter, minutesOn, portionFor, type WayOut } from '@lemniscus/core/planning';
import { Choice } from '../controls/choice';
import { EmptyState } from '../controls/empty-state';
import { PageHeader } from '../controls/page-header';
import { SetAside } from '../controls/set-aside';
import { saveBlob } from '../data/device/files';
import { PlanAhead, type PlannedOne } from '../data/follows/plan-ahead';
import { PlanList } from '../data/owned/plan-list';
import { BatchBoard } from './batch-board';
import { calendarEntries } from './calendar-entries';
import { CostPanel } from './cost-panel';
import { GetPanel } from './get-panel';
import { PlanCalendar } from './plan-calendar';
import { dayWords } from '../controls/day-words';
import { hoursWords, portionWords } from './plan-words';
import { TermsPanel } from './terms-panel';
import { WishList } from './wish-list';
import { WishPanel } from './wish-panel';

/** So many portions of an evening are listed: eyes come up for a second at a time. */
const SHOWN = 4;

type View = 'calendar' | 'board' | 'get';
type Side = 'wish' | 'cost' | 'terms';

/** What can be ready by when: what is wanted, when there is time, tonight's portion, what to get and what it costs. */
@Component({
  selector: 'lem-plan-page',
  imports: [
    ...[BatchBoard, Choice, CostPanel, EmptyState, GetPanel, PageHeader, PlanCalendar],
    ...[RouterLink, SetAside, TermsPanel, WishList, WishPanel],
  ],
  providers: [PlanAhead],
  templateUrl: './plan-page.html',
  styleUrl: './plan-page.css',
})
export class PlanPage {
  protected readonly ahead = inject(PlanAhead);
  protected readonly list = inject(PlanList);

  protected readonly views: readonly { readonly label: string; readonly value: View }[] = [
    { label: 'Calendar', value: 'calendar' },
    { label: 'Board', value: 'board' },
    { label: 'To get', value: 'get' },
  ];
  protected readonly view = signal<View>('calendar');
  protected readonly sides: readonly { readonly label: string; readonly value: Side }[] = [
    { label: 'Wish', value: 'wish' },
    { label: 'Cost', value: 'cost' },
    { label: 'Hours and money', value: 'terms' },
  ];
  protected readonly side = signal<Side>('wish');

  /** The wish looked at: the first that is late, until another is chosen. */
  protected readonly chosenId = linkedSignal<readonly PlannedOne[], string | null>({
    source: this.ahead.planned,
    computation: (planned, before) => {
      const kept = planned.find(({ wish }) => wish.id === before?.value);
      return kept?.wish.id ?? planned[0]?.wish.id ?? null;
    },
  });
  protected readonly chosen = computed(() => this.ahead.planned().find(({ wish }) => wish.id === this.chosenId()) ?? null);
  protected readonly outlook = computed(() => this.ahead.outlooks().get(this.chosenId() ?? '') ?? null);

  /** What to do tonight: as much of the wishes in their order as there are minutes today, or on the next day that has some. */
  protected readonly tonight = computed(() => {
    const hours = this.ahead.hours();
    const today = this.ahead.today();
    const day = Array.from({ length: 28 }, (_, i) => dayAfter(today, i)).find((each) => minutesOn(hours, each) > 0);
    if (day === undefined) return null;
    let left = minutesOn(hours, day);
    const portions: {
      readonly one: PlannedOne;
      readonly words: string;
      readonly minutes: number;
      readonly job: string;
      readonly units: number;
    }[] = [];
    for (const one of this.ahead.planned()) {
      if (left < 5 && portions.length > 0) break;
      const whole = (job: string): boolean => one.batch.order.filter((each) => each.id.startsWith(job)).length === 1;
      for (const portion of portionFor(one.batch, one.wish.copies, one.done, left)) {
        const words = portionWords(portion, whole(portion.job.id.split(' ').slice(0, 2).join(' ')));
        portions.push({ one, words, minutes: portion.minutes, job: portion.job.id, units: portion.units });
        left -= portion.minutes;
      }
    }
    const minutes = portions.reduce((sum, each) => sum + each.minutes, 0);
    const title = `${day === today ? 'Tonight' : dayWords(day)}, about ${hoursWords(minutes)}`;
    return { title, shown: portions.slice(0, SHOWN), more: Math.max(0, portions.length - SHOWN) };
  });

  protected add(): void {
    const make = this.ahead.makes()?.[0];
    if (!make) return;
    const rank = Math.max(0, ...this.list.wishes().map((wish) => wish.rank)) + 1;
    const wish: PlannedWish = {
      ...{ id: crypto.randomUUID(), kind: 'wish', make: make.id, copies: 1, colours: '', forWhom: '', stall: null, by: null },
      ...{ rank, done: {}, order: null, given: 0, sold: 0 },
    };
    this.list.put(wish);
    this.chosenId.set(wish.id);
    this.side.set('wish');
  }

  protected done({ wish, done }: PlannedOne, job: string, units: number): void {
    this.list.put({ ...wish, done: { ...wish.done, [job]: (done.get(job) ?? 0) + units } });
  }

  protected take(way: WayOut): void {
    const wish = this.chosen()?.wish;
    if (!wish) return;
    switch (way.is) {
      case 'fewer':
        this.list.put({ ...wish, copies: way.copies });
        return;
      case 'first':
        this.list.put({ ...wish, rank: Math.min(...this.list.wishes().map((each) => each.rank)) - 1 });
        return;
      case 'longer evenings': {
        const longer = (minutes: number): number => (minutes > 0 ? Math.min(960, minutes + way.minutes) : 0);
        this.list.setTerms({ week: this.list.terms().week.map(longer) });
        for (const { day, minutes } of this.list.days()) if (minutes > 0) this.list.setDay(day, longer(minutes));
        return;
      }
      case 'more evenings':
        for (const day of way.days) this.list.setDay(day, way.minutes);
    }
  }

  protected saveCalendar(): void {
    const entries = calendarEntries(
      this.ahead.planned(),
      this.ahead.outlooks(),
      this.list.stalls(),
      this.ahead.hours(),
      this.ahead.today(),
    );
    saveBlob(
      'plan',
      'ics',
      new Blob([calendarFile('Crochet plan', entries, Date.now())], { type: 'text/calendar;charset=utf-8' }),
    );
  }
}
