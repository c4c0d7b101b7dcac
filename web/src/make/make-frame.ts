import { Component, computed, effect, inject, input } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { usHookName, yarnWeight } from '@lemniscus/core/gauge';
import { counted } from '@lemniscus/core/notation';
import { EmptyState } from '../controls/empty-state';
import { PageHeader } from '../controls/page-header';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { MakerLog } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';
import { Gathering } from '../data/follows/gathering';
import { Outbox } from '../data/sync/outbox';
import { HookIcon } from '../drawing/hook-icon';
import { Icon } from '../controls/icon';

/** Round every stage of one make: its name, what is in hand, the stages in the order of the work, and what is saved. */
@Component({
  selector: 'lem-make-frame',
  imports: [EmptyState, HookIcon, Icon, PageHeader, RouterLink, RouterLinkActive, RouterOutlet],
  providers: [MakeDraft, MakerLog, CurrentMake, PiecePlans, Gathering],
  templateUrl: './make-frame.html',
  styleUrl: './make-frame.css',
})
export class MakeFrame {
  readonly id = input.required<string>();

  protected readonly current = inject(CurrentMake);
  protected readonly draft = inject(MakeDraft);
  private readonly outbox = inject(Outbox);

  protected readonly kit = computed(() => {
    const make = this.current.make();
    if (!make) return '';
    const us = usHookName(make.hookMm);
    return `${yarnWeight(make.yarnWeight).name.toLowerCase()} yarn, ${make.hookMm} mm hook${us ? ` (US ${us})` : ''}`;
  });

  protected readonly errors = computed(() => this.current.count().diagnostics.filter((each) => each.severity === 'error').length);

  /** What is not stored on the server yet, in words; empty when all is. */
  protected readonly unsaved = computed(() => {
    if (this.outbox.trouble() && this.outbox.waiting() > 0)
      return `Server away: ${counted(this.outbox.waiting(), 'step')} kept here`;
    if (this.draft.saving() === 'away') return 'Server away: changes kept here';
    return '';
  });

  constructor() {
    const title = inject(Title);
    const plans = inject(PiecePlans);
    effect(() => this.current.open(this.id()));
    effect(() => plans.keepEarlier());
    effect(() => title.setTitle(`${this.current.title() || 'Make'} · Lemniscus`));
  }
}
