import { Component, computed, effect, type ElementRef, inject, signal, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Position, Step } from '@lemniscus/core/making';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { TechniqueCard } from '../controls/technique/technique-card';
import { EmptyState } from '../controls/empty-state';
import { Icon } from '../controls/icon';
import { MakerHand } from '../data/device/maker-hand';
import { CurrentMake } from '../data/open/current-make';
import { ThemeService } from '../data/device/theme';
import { Dial } from '../drawing/dial';
import { Strip } from '../drawing/strip';
import { isStrip } from '../drawing/strip-model';
import { AtHook } from './at-hook';
import { ComingUpList } from './coming-up-list';
import { CountDialog } from './count-dialog';
import { DifferentlyDialog } from './differently-dialog';
import { Due } from './due';
import { GroupMarks } from './group-marks';
import { Hold } from './hold';
import { HowTo } from './how-to';
import { keepAwake } from './keep-awake';
import { actOf, type HookAct, type WorkDialog } from './keys';
import { KeysDialog } from './keys-dialog';
import { MoreDialog } from './more-dialog';
import { NewNames } from './new-names';
import { Pace } from './pace';
import { PartFigure } from './part-figure';
import { Pedal } from './pedal';
import { PieceChips } from './piece-chips';
import { Pieces } from './pieces';
import { PlacesAtHook } from './places-at-hook';
import { PiecesDialog } from './pieces-dialog';
import { RipDialog } from './rip-dialog';
import { ShapeSoFar } from './shape-so-far';
import { StepBar, stepName } from './step-bar';
import { WordsNow } from './words-now';

const BUZZ_MS = 60;

/** At the hook: what to do right now, where the round stands, and what comes. */
@Component({
  selector: 'lem-work-stage',
  imports: [
    ComingUpList,
    CountDialog,
    Dial,
    DifferentlyDialog,
    EmptyState,
    GroupMarks,
    Hold,
    Icon,
    KeysDialog,
    MoreDialog,
    NzButtonModule,
    PartFigure,
    PieceChips,
    PiecesDialog,
    RipDialog,
    ShapeSoFar,
    RouterLink,
    StepBar,
    Strip,
    TechniqueCard,
    WordsNow,
  ],
  providers: [AtHook, Due, HowTo, NewNames, Pace, Pieces, PlacesAtHook],
  templateUrl: './work-stage.html',
  styleUrl: './work-stage.css',
  host: { '(window:keydown)': 'pressed($event)' },
})
export class WorkStage {
  protected readonly hook = inject(AtHook);
  protected readonly pieces = inject(Pieces);
  protected readonly pace = inject(Pace);
  private readonly pedal = inject(Pedal);
  protected readonly hand = inject(MakerHand);
  protected readonly places = inject(PlacesAtHook);
  protected readonly howTo = inject(HowTo);
  protected readonly current = inject(CurrentMake);
  protected readonly themes = inject(ThemeService);
  private readonly awake = keepAwake();
  private readonly table = viewChild<ElementRef<HTMLElement>>('table');
  private readonly dial = viewChild(Dial);
  /** The card once it is drawn: the first one has to be fetched. */
  private readonly shownCard = viewChild('shownCard');

  protected readonly dialog = signal<WorkDialog | null>(null);
  /** The place on the dial that was held, to rip back to. */
  protected readonly pointedAt = signal<Position | null>(null);

  protected readonly now = this.hook.now;
  protected readonly rows = computed(() => {
    const fabric = this.hook.fabric();
    return fabric !== null && isStrip(fabric);
  });
  /** Whether the piece has any stitch: a pattern that is being written may have none yet. */
  protected readonly workable = computed(() => (this.hook.fabric()?.stitchCount ?? 0) > 0);
  protected readonly stepName = computed(() => stepName(this.hook.stepBy()));

  constructor() {
    // Whoever comes here has the hook in hand: the keys work the dial at once, wherever the last click was.
    const entered = effect(() => {
      const table = this.table();
      if (!table) return;
      table.nativeElement.focus({ preventScroll: true });
      entered.destroy();
    });
  }

  protected take(piece: string): void {
    this.hook.take(piece);
    this.table()?.nativeElement.focus();
  }

  protected act(act: HookAct): void {
    switch (act) {
      case 'step':
        this.step(this.hook.stepBy());
        break;
      case 'group':
      case 'round':
        this.step(act);
        break;
      case 'round start':
        this.hook.toRoundStart();
        break;
      case 'undo':
        this.hook.undo();
        break;
      case 'how':
        this.dialog.set(null);
        this.howTo.toggle();
        if (!this.howTo.card()) this.table()?.nativeElement.focus();
        break;
      default:
        this.open(act);
    }
  }

  protected open(dialog: WorkDialog): void {
    // A dialog gives the focus back to where it was: to the dial, so that the keys go on working it.
    this.table()?.nativeElement.focus({ preventScroll: true });
    this.dialog.set(dialog);
  }

  /** A worked stitch that is held on the dial is where to rip back to. */
  protected readonly ripAt = ({ clientX, clientY }: PointerEvent): boolean => {
    const place = this.dial()?.placeAt(clientX, clientY) ?? null;
    if (!place) return false;
    this.open('rip');
    this.pointedAt.set(place);
    return true;
  };

  protected close(): void {
    this.dialog.set(null);
    this.pointedAt.set(null);
    this.table()?.nativeElement.focus();
  }

  /** Puts the card away: the keys work the dial again. */
  protected putAway(): void {
    this.howTo.close();
    this.table()?.nativeElement.focus({ preventScroll: true });
  }

  protected pressed(event: KeyboardEvent): void {
    if (this.pedal.pressed(event.key)) {
      event.preventDefault();
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    const at = event.target instanceof Element ? event.target : null;
    const pedal = event.key === this.pedal.key();
    // A dialog and its fields keep their keys; the pedal is pressed with a foot, wherever the page is.
    const inCard = at?.closest('lem-technique-card') ?? null;
    if (!pedal && (this.dialog() !== null || (at?.closest('input, select, textarea') && !inCard))) return;
    const act = pedal ? 'step' : actOf(event.key, this.workable());
    // In a card the keys are the card's, and while it is on its way nobody's; only the one that opened it puts it away.
    const onItsWay = this.howTo.card() !== null && !this.howTo.cameByItself() && !this.shownCard();
    if ((inCard || onItsWay) && !pedal && act !== 'how') return;
    // Links and other buttons keep their own Space and Enter.
    const own = (event.key === ' ' || event.key === 'Enter') && at !== null && at.closest('a, button:not([data-step])') !== null;
    if (!act || (own && !pedal)) return;
    event.preventDefault();
    if (!event.repeat) this.act(act);
  }

  private step(by: Step): void {
    this.awake();
    if (this.hook.step(by) && 'vibrate' in navigator) navigator.vibrate(BUZZ_MS);
  }
}
