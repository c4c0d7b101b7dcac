import { ApplicationRef, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { logToCsv } from '@lemniscus/core/exchange';
import { logRows, WORK_KINDS, type Mark, type Sitting } from '@lemniscus/core/history';
import { counted } from '@lemniscus/core/notation';
import type { Day } from '@lemniscus/core/planning';
import { localTime } from '@lemniscus/core/history';
import { switchMap } from 'rxjs';
import { Choice } from '../controls/choice';
import { EmptyState } from '../controls/empty-state';
import { SaveMenu } from '../controls/save-menu';
import { save } from '../data/device/files';
import { zoneHere } from '../data/follows/made-make';
import { CurrentMake } from '../data/open/current-make';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';
import { DayLine } from '../drawing/day-line';
import { dayLineModel } from '../drawing/day-line-model';
import { FinishedCard } from './finished-card';
import { Keepsake } from './keepsake';

import { dayWords } from '../controls/day-words';
import { KIND_WORDS, markWords, minutesWords, sittingWords } from './log-words';
import { Logbook } from './logbook';
import { SittingList } from './sitting-list';
import { TwinsPanel } from './twins-panel';

type Panel = 'finished' | 'sittings' | 'twins';

/** What it really took: the line through the days, where the time went, what happened, and the finished piece. */
@Component({
  selector: 'lem-log-stage',
  imports: [Choice, DayLine, EmptyState, FinishedCard, Keepsake, SaveMenu, SittingList, TwinsPanel],
  providers: [Logbook],
  templateUrl: './log-stage.html',
  styleUrl: './log-stage.css',
  host: { '(window:beforeprint)': 'toPaper()', '(window:afterprint)': 'printing.set(false)' },
})
export class LogStage {
  protected readonly book = inject(Logbook);
  private readonly current = inject(CurrentMake);
  private readonly api = inject(MakeApi);
  private readonly router = inject(Router);
  private readonly application = inject(ApplicationRef);

  protected readonly title = this.current.title;
  protected readonly minutesWords = minutesWords;
  protected readonly counted = counted;
  protected readonly panels: readonly { readonly label: string; readonly value: Panel }[] = [
    { label: 'The piece', value: 'finished' },
    { label: 'Sittings', value: 'sittings' },
    { label: 'Twins', value: 'twins' },
  ];
  protected readonly panel = signal<Panel>('finished');
  protected readonly saveKinds = [
    { kind: 'print', words: 'Print a keepsake page' },
    { kind: 'csv', words: 'Table (.csv)' },
    { kind: 'json', words: 'For other programs (.json)' },
  ] as const;
  protected readonly printing = signal(false);
  protected readonly failure = signal('');
  protected readonly chosen = signal<number | null>(null);

  /** The days that are looked at; null for all. */
  protected readonly brushed = signal<readonly [Day, Day] | null>(null);
  protected readonly days = computed<readonly [Day, Day] | null>(() => {
    const sittings = this.book.history()?.sittings ?? [];
    const [first, last] = [sittings[0], sittings.at(-1)];
    return this.brushed() ?? (first && last ? [first.day, last.day] : null);
  });
  protected readonly model = computed(() => {
    const history = this.book.history();
    const days = this.days();
    if (!history || !days) return null;
    const { sittings, marks } = history;
    return dayLineModel({ sittings, marks, days, stretches: (each) => this.book.stretches(each), zoneOf: this.book.zoneOf });
  });
  protected readonly totals = computed(() => {
    const byDay = new Map<Day, number>();
    for (const { day, stitches } of this.book.history()?.sittings ?? []) byDay.set(day, (byDay.get(day) ?? 0) + stitches);
    return [...byDay].map(([day, stitches]) => ({ day, stitches }));
  });
  protected readonly sittingWords = (sitting: Sitting): string => sittingWords(sitting);
  protected readonly markWords = (mark: Mark): string => markWords(mark, this.book.nameOf);

  /** What happened in the days looked at, the latest first. */
  protected readonly story = computed(() => {
    const days = this.days();
    const marks = this.book.history()?.marks ?? [];
    return marks
      .map((mark) => ({ mark, day: localTime(mark.at, this.book.zoneOf(mark.at)).day }))
      .filter(({ day }) => !days || (day >= days[0] && day <= days[1]))
      .reverse()
      .map(({ mark, day }) => ({ mark, day: dayWords(day), words: this.markWords(mark) }));
  });

  protected readonly kinds = computed(() => {
    const byKind = this.book.history()?.byKind ?? new Map<never, never>();
    return this.bars(
      WORK_KINDS.map((kind) => ({ key: kind, name: KIND_WORDS[kind], ...(byKind.get(kind) ?? { ms: 0, stitches: 0 }) })),
    );
  });
  protected readonly pieces = computed(() => {
    const byPiece = this.book.history()?.byPiece ?? new Map<string, never>();
    const pieces = this.book.made()?.pieces ?? [];
    return this.bars(
      pieces.map(({ piece }) => ({ key: piece.id, name: piece.name, ...(byPiece.get(piece.id) ?? { ms: 0, stitches: 0 }) })),
    );
  });

  private bars(all: readonly { readonly key: string; readonly name: string; readonly ms: number; readonly stitches: number }[]) {
    const most = Math.max(1, ...all.map(({ ms }) => ms));
    return all
      .filter(({ ms, stitches }) => ms > 0 || stitches > 0)
      .map(({ key, name, ms, stitches }) => ({
        key,
        name,
        share: ms / most,
        time: minutesWords(ms / 60_000),
        pace: ms >= 60_000 && stitches > 0 ? `${Math.round(stitches / (ms / 60_000))} a min` : '',
      }));
  }

  /** How the pace of the later half of the sittings stands to that of the earlier. */
  protected readonly change = computed(() => {
    const timed = (this.book.history()?.sittings ?? []).filter(({ ms, stitches }) => ms >= 180_000 && stitches > 0);
    if (timed.length < 4) return '';
    const half = timed.length >> 1;
    const pace = (of: readonly Sitting[]): number =>
      of.reduce((sum, { stitches }) => sum + stitches, 0) / (of.reduce((sum, { ms }) => sum + ms, 0) / 60_000);
    const [early, late] = [pace(timed.slice(0, half)), pace(timed.slice(-half))];
    const words = `${early.toFixed(1)} stitches a minute at first, ${late.toFixed(1)} later`;
    return Math.abs(late / early - 1) < 0.05 ? `Steady: ${words}` : late > early ? `Quicker: ${words}` : `Slower: ${words}`;
  });

  protected readonly ripped = computed(() =>
    (this.book.history()?.ripped ?? []).reduce((sum, { stitches }) => sum + stitches, 0),
  );

  protected pick(sitting: Sitting): void {
    this.chosen.set(sitting.from);
    this.panel.set('sittings');
  }

  protected again(): void {
    const make = this.current.make();
    if (!make) return;
    this.failure.set('');
    const { yarnWeight, hookMm, kit } = make;
    this.api
      .add({ id: crypto.randomUUID(), text: this.book.again(), yarnWeight, hookMm })
      .pipe(switchMap(({ id, version }) => this.api.change(id, { version, kit: { ...kit, got: [] } })))
      .subscribe({
        next: ({ id }) => void this.router.navigate(['/make', id, 'work']),
        error: ({ message }: RequestFailed) => this.failure.set(message),
      });
  }

  protected save(kind: 'print' | 'csv' | 'json'): void {
    const history = this.book.history();
    if (!history) return;
    if (kind === 'print') {
      this.toPaper();
      window.print();
      return;
    }
    const rows = logRows(history, this.book.nameOf, zoneHere);
    const all = { title: this.title(), finished: this.book.finished(), minutes: Math.round(this.book.minutes()), log: rows };
    save(`${this.title()} log`, kind, kind === 'csv' ? logToCsv(rows) : `${JSON.stringify(all, null, 2)}\n`);
  }

  protected toPaper(): void {
    this.printing.set(true);
    this.application.tick();
  }
}
