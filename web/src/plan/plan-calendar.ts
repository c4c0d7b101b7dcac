import { CdkDrag, CdkDropList, CdkDropListGroup, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, inject, signal, ViewEncapsulation } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { dayAfter, MOST_MINUTES, minutesOn, weekday, type Day } from '@lemniscus/core/planning';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzCalendarModule } from 'ng-zorro-antd/calendar';
import { DateHelperByDatePipe, DateHelperService, en_US, NZ_DATE_CONFIG, NzI18nService } from 'ng-zorro-antd/i18n';
import { NumberField } from '../controls/number-field';
import { PlanAhead } from '../data/follows/plan-ahead';
import { PlanList } from '../data/owned/plan-list';
import { wishWords } from './calendar-entries';
import { dayWords } from '../controls/day-words';
import { hoursWords } from './plan-words';

const MONTH = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric' });
const STEP = 15;

interface Cell {
  readonly minutes: number;
  readonly hours: string;
  readonly own: boolean;
  readonly past: boolean;
  readonly due: readonly { readonly words: string; readonly late: boolean }[];
  readonly ready: readonly string[];
  readonly begin: readonly string[];
  readonly stalls: readonly string[];
}

/** The month: how much time each day has, dragged from day to day, and what is due, ready and begun when. */
@Component({
  selector: 'lem-plan-calendar',
  imports: [CdkDrag, CdkDropList, CdkDropListGroup, FormsModule, NumberField, NzButtonModule, NzCalendarModule],
  templateUrl: './plan-calendar.html',
  styleUrl: './plan-calendar.css',
  encapsulation: ViewEncapsulation.None,
  // Weeks begin on a Monday here, whatever the words are.
  providers: [
    { provide: NZ_DATE_CONFIG, useValue: { firstDayOfWeek: 1 } },
    { provide: DateHelperService, useClass: DateHelperByDatePipe },
  ],
})
export class PlanCalendar {
  protected readonly ahead = inject(PlanAhead);
  private readonly list = inject(PlanList);
  protected readonly dayWords = dayWords;
  protected readonly most = MOST_MINUTES;

  /** The month of a week from now: the last days of one say little of what is to come. */
  protected readonly shown = signal(new Date(`${dayAfter(this.ahead.today(), 7)}T12:00:00`));
  protected readonly month = computed(() => MONTH.format(this.shown()));
  protected readonly selected = signal<Day>(this.ahead.today());
  protected readonly minutes = computed(() => minutesOn(this.ahead.hours(), this.selected()));
  protected readonly otherwise = computed(() => this.list.days().some(({ day }) => day === this.selected()));

  private readonly marks = computed(() => {
    const marks = new Map<Day, { due: { words: string; late: boolean }[]; ready: string[]; begin: string[]; stalls: string[] }>();
    const on = (day: Day) => {
      const known = marks.get(day) ?? { due: [], ready: [], begin: [], stalls: [] };
      marks.set(day, known);
      return known;
    };
    for (const one of this.ahead.planned()) {
      const outlook = this.ahead.outlooks().get(one.wish.id);
      const words = wishWords(one);
      if (one.wish.by !== null) on(one.wish.by).due.push({ words, late: outlook?.late ?? false });
      if (outlook?.ready.likely) on(outlook.ready.likely).ready.push(words);
      if (outlook?.startBy && !outlook.late) on(outlook.startBy).begin.push(words);
    }
    for (const { name, day } of this.list.stalls()) on(day).stalls.push(name);
    return marks;
  });

  constructor() {
    inject(NzI18nService).setLocale(en_US);
  }

  protected dayOf(date: Date): Day {
    return `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;
  }

  protected inMonth(date: Date): boolean {
    return date.getMonth() === this.shown().getMonth();
  }

  protected cell(day: Day): Cell {
    const minutes = minutesOn(this.ahead.hours(), day);
    const marks = this.marks().get(day) ?? { due: [], ready: [], begin: [], stalls: [] };
    const own = this.list.days().some((each) => each.day === day);
    return { minutes, hours: hoursWords(minutes), own, past: day < this.ahead.today(), ...marks };
  }

  protected turn(months: number): void {
    const { shown } = this;
    shown.set(new Date(shown().getFullYear(), shown().getMonth() + months, 15, 12));
  }

  /** An evening goes to another day, with all its time. */
  protected move(from: Day, to: Day): void {
    const hours = this.ahead.hours();
    const minutes = minutesOn(hours, from);
    if (from === to || minutes === 0) return;
    this.set(to, minutesOn(hours, to) + minutes);
    this.set(from, 0);
    this.selected.set(to);
  }

  protected drop({ item, container }: CdkDragDrop<Day, Day, Day>): void {
    this.move(item.data, container.data);
  }

  protected set(day: Day, minutes: number): void {
    const bounded = Math.max(0, Math.min(MOST_MINUTES, Math.round(minutes)));
    this.list.setDay(day, this.list.terms().week[weekday(day)] === bounded ? null : bounded);
  }

  protected key(event: KeyboardEvent, day: Day): void {
    const days = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -7, ArrowDown: 7 }[event.key];
    if (event.altKey && days !== undefined) this.move(day, dayAfter(day, days));
    else if (event.key === '+' || event.key === '-')
      this.set(day, minutesOn(this.ahead.hours(), day) + (event.key === '+' ? STEP : -STEP));
    else return;
    event.preventDefault();
  }

  protected backToWeek(): void {
    this.list.setDay(this.selected(), null);
  }
}
