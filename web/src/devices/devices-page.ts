import { Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import type { Device, Home } from '@lemniscus/api';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { catchError, map, merge, of, Subject, switchMap, timer } from 'rxjs';
import { Choice } from '../controls/choice';
import { EmptyState } from '../controls/empty-state';
import { PageHeader } from '../controls/page-header';
import { isThisMachine } from '../data/device/this-machine';
import { HomeApi } from '../data/server/home-api';
import type { RequestFailed } from '../data/server/server';
import { QrCode } from '../drawing/qr-code';

/** A device that was let in, and a new code, are seen after at most so long. */
const LOOK_EVERY_MS = 2_000;

const WHEN = new Intl.DateTimeFormat(undefined, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: 'numeric',
  minute: '2-digit',
});

/** How a phone or tablet in the house gets in, and which were let in: on the machine that Lemniscus runs on. */
@Component({
  selector: 'lem-devices-page',
  imports: [Choice, EmptyState, FormsModule, NzButtonModule, PageHeader, QrCode],
  templateUrl: './devices-page.html',
  styleUrl: './devices-page.css',
})
export class DevicesPage {
  private readonly api = inject(HomeApi);
  private readonly again = new Subject<void>();

  protected readonly here = isThisMachine();
  protected readonly home = signal<Home | null>(null);
  protected readonly problem = signal('');
  /** The address of several that is shown. */
  protected readonly chosen = signal<string | null>(null);
  protected readonly leaving = signal<Device | null>(null);

  protected readonly addresses = computed(() => this.home()?.open?.addresses ?? []);
  protected readonly address = computed(() => {
    const all = this.addresses();
    return all.find((one) => one === this.chosen()) ?? all[0] ?? '';
  });
  /** As it is typed: "https://192.168.1.20:4601" without what a person would not say. */
  protected readonly choices = computed(() => this.addresses().map((value) => ({ value, label: new URL(value).hostname })));
  protected readonly code = computed(() => {
    const { code } = this.home()?.open ?? { code: '' };
    return `${code.slice(0, 3)} ${code.slice(3)}`;
  });
  protected readonly minutes = computed(() => Math.max(1, Math.ceil(((this.home()?.open?.until ?? 0) - Date.now()) / 60_000)));

  constructor() {
    if (!this.here) return;
    merge(timer(0, LOOK_EVERY_MS), this.again)
      .pipe(
        switchMap(() =>
          this.api.show().pipe(
            map((home) => ({ home, problem: '' })),
            catchError((error: RequestFailed) => of({ home: this.home(), problem: error.message })),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe(({ home, problem }) => {
        this.home.set(home);
        this.problem.set(problem);
      });
  }

  protected seen({ seenAt }: Device): string {
    return WHEN.format(seenAt);
  }

  protected sendAway(device: Device): void {
    this.leaving.set(null);
    this.api.sendAway(device.id).subscribe({
      next: () => this.again.next(),
      error: (error: RequestFailed) => this.problem.set(error.message),
    });
  }
}
