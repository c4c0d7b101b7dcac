import { Component, computed, effect, inject, input, untracked } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { usHookName, yarnWeight } from '@lemniscus/core/gauge';
import { EmptyState } from '../controls/empty-state';
import { PageHeader } from '../controls/page-header';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { MakerLog } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';
import { Assembling } from '../data/follows/assembling';
import { Gathering } from '../data/follows/gathering';
import { Shapes } from '../data/follows/shapes';
import { Sender } from '../data/sync/sender';
import { HookIcon } from '../drawing/hook-icon';
import { Icon } from '../controls/icon';
import { SetAside } from '../controls/set-aside';

/** Round every stage of one make: its name, what is in hand, the stages in the order of the work, and what is saved. */
@Component({
  selector: 'lem-make-frame',
  imports: [EmptyState, HookIcon, Icon, PageHeader, RouterLink, RouterLinkActive, RouterOutlet, SetAside],
  providers: [MakeDraft, MakerLog, CurrentMake, PiecePlans, Gathering, Assembling],
  templateUrl: './make-frame.html',
  styleUrl: './make-frame.css',
})
export class MakeFrame {
  readonly id = input.required<string>();

  protected readonly current = inject(CurrentMake);
  protected readonly draft = inject(MakeDraft);
  private readonly shapes = inject(Shapes);
  private readonly sender = inject(Sender);

  protected readonly kit = computed(() => {
    const make = this.current.make();
    if (!make) return '';
    const us = usHookName(make.hookMm);
    return `${yarnWeight(make.yarnWeight).name.toLowerCase()} yarn, ${make.hookMm} mm hook${us ? ` (US ${us})` : ''}`;
  });

  protected readonly errors = computed(() => this.current.count().diagnostics.filter((each) => each.severity === 'error').length);

  /** What is not stored on the server yet, in words; empty when all is. */
  protected readonly unsaved = computed(() => {
    const waiting = this.sender.waiting();
    if (this.sender.trouble() && waiting > 0) return `Server away: ${waiting} kept here to be sent`;
    return this.shapes.trouble() ?? '';
  });

  constructor() {
    const title = inject(Title);
    const plans = inject(PiecePlans);
    effect(() => {
      const id = this.id();
      untracked(() => this.current.open(id));
    });
    effect(() => plans.keepEarlier());
    effect(() => title.setTitle(`${this.current.title() || 'Make'} · Lemniscus`));
  }
}
