import { Component, computed, effect, type ElementRef, inject, signal, untracked, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Position, Step } from '@lemniscus/core/making';
import type { GateKind } from '@lemniscus/core/notation';
import { measure, standsOnStart, upToRound } from '@lemniscus/core/shape';
import { LucideEllipsis, LucideUndo2 } from '@lucide/angular';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CurrentMake } from '../data/current-make';
import { Gathering } from '../data/gathering';
import { LengthUnits } from '../data/length-units';
import { MakerHand } from '../data/maker-hand';
import { Dial } from '../drawing/dial';
import { roundColours } from '../drawing/round-colours';
import { Silhouette } from '../drawing/silhouette';
import { Strip } from '../drawing/strip';
import { isStrip } from '../drawing/strip-model';
import { yarnPaint } from '../drawing/yarn-colour';
import { ThemeService } from '../shell/theme';
import { AtHook } from './at-hook';
import { comingUp } from './coming-up';
import { CountDialog } from './count-dialog';
import { DifferentlyDialog } from './differently-dialog';
import { DueCard } from './due-card';
import { gateAdvice, runsOutWords } from './gate-advice';
import { keepAwake } from './keep-awake';
import { Hold } from './hold';
import { KeysDialog } from './keys-dialog';
import { MoreDialog, type Dialog } from './more-dialog';
import { Pedal } from './pedal';
import { PieceChips } from './piece-chips';
import { PiecesDialog } from './pieces-dialog';
import { ReadAloud, spoken } from './read-aloud';
import { RipDialog } from './rip-dialog';

const SILHOUETTE = { width: 190, height: 200 };
const BUZZ_MS = 60;
/** Letters of one run that fit beside the dial at the largest size. */
const LARGE_WORDS = 11;
const STEP_NAMES: Readonly<Record<Step, string>> = { stitch: 'Stitch done', group: 'Group done', round: 'Round done' };

/** At the hook: what to do right now, where the round stands, and what comes. */
@Component({
  selector: 'lem-work-stage',
  imports: [
    CountDialog,
    Dial,
    DifferentlyDialog,
    DueCard,
    Hold,
    KeysDialog,
    LucideEllipsis,
    LucideUndo2,
    MoreDialog,
    NzButtonModule,
    PieceChips,
    PiecesDialog,
    RipDialog,
    RouterLink,
    Silhouette,
    Strip,
  ],
  providers: [AtHook],
  templateUrl: './work-stage.html',
  styleUrl: './work-stage.css',
  host: { '(window:keydown)': 'pressed($event)' },
})
export class WorkStage {
  protected readonly current = inject(CurrentMake);
  protected readonly hook = inject(AtHook);
  private readonly gathering = inject(Gathering);
  private readonly pedal = inject(Pedal);
  private readonly aloud = inject(ReadAloud);
  protected readonly hand = inject(MakerHand);
  protected readonly themes = inject(ThemeService);
  protected readonly lengths = inject(LengthUnits);
  private readonly awake = keepAwake();
  private readonly table = viewChild<ElementRef<HTMLElement>>('table');
  private readonly dial = viewChild(Dial);

  protected readonly frame = SILHOUETTE;
  protected readonly paint = yarnPaint;
  protected readonly dialog = signal<Dialog | null>(null);
  /** The place on the dial that was held, to rip back to. */
  protected readonly pointedAt = signal<Position | null>(null);

  protected readonly now = this.hook.now;
  protected readonly strip = computed(() => {
    const fabric = this.hook.fabric();
    return fabric !== null && isStrip(fabric);
  });
  /** Whether the piece has any stitch: a pattern that is being written may have none yet. */
  protected readonly workable = computed(() => (this.hook.fabric()?.stitchCount ?? 0) > 0);
  protected readonly stepName = computed(() => STEP_NAMES[this.hook.stepBy()]);

  /** Whether the words for now are too long for their largest size. */
  protected readonly longWords = computed(() => {
    const runs = this.now()?.runs ?? [];
    return runs.length > 3 || runs.some(({ words }) => words.length > LARGE_WORDS);
  });

  protected readonly lastRound = computed(() => this.hook.counted()?.rounds.at(-1)?.number ?? 0);
  protected readonly ahead = computed(() => {
    const counted = this.hook.counted();
    if (!counted) return [];
    // What is due is said above, with buttons.
    const due = new Set(this.hook.due().map(({ text }) => text));
    const settled = new Set(this.hook.settled());
    return comingUp(counted, this.hook.round(), this.current.terms()).filter(
      (one) => one.is !== 'note' || one.gate === null || !(due.has(one.text) || settled.has(`${one.gate} ${one.text}`)),
    );
  });

  /** The remark on the round at hand. */
  protected readonly remark = computed(() => {
    const plan = this.hook.plan();
    const at = plan?.counted.rounds[this.hook.round()];
    if (!plan || !at) return '';
    const origin = plan.altered.origins[at.line]!;
    const nth = origin.nth + at.number - plan.counted.part.lines[at.line]!.first;
    const last = this.hook
      .said()
      .findLast((event) => event.kind === 'remarked' && event.line === origin.line && event.nth === nth);
    return last?.kind === 'remarked' ? last.text : '';
  });

  /** The next piece that is not finished, after this one. */
  protected readonly nextPiece = computed(() => {
    const pieces = this.hook.pieces();
    const at = pieces.findIndex((piece) => piece.id === this.hook.piece()?.id);
    return [...pieces.slice(at + 1), ...pieces.slice(0, at)].find((piece) => piece.done < 1) ?? null;
  });

  /** Yarns that do not last, in the order they run out. */
  protected readonly yarnWarnings = computed(() => {
    // Told anew with every round, and whenever a choice or the basket changes.
    this.gathering.make();
    this.gathering.owned();
    this.hook.piece();
    this.hook.round();
    return untracked(() => this.gathering.supply().demands.flatMap((demand) => runsOutWords(demand) ?? []));
  });

  /** Rounds worked, a begun one as half. */
  private readonly done = computed(() => {
    const position = this.hook.position();
    return position ? position.round + (position.action > 0 ? 0.5 : 0) : 0;
  });

  /** The next change after the action at hand, in the maker's words; where none is left, how far it is to the marker. */
  protected readonly next = computed(() => {
    const now = this.now();
    if (!now) return null;
    const change = now.nextChange;
    if (!change) {
      const left = now.stitches - now.stitchesDone;
      return { change: 'none', words: `${left} left in this ${this.strip() ? 'row' : 'round'}` };
    }
    const name = change.change === 'increase' ? 'Increase' : 'Decrease';
    return { change: change.change, words: `${name} ${inStitches(change.inActions)}` };
  });

  /** The change of colour that comes, said before the last stitch of the old one. */
  protected readonly colour = computed(() => {
    const ahead = this.hook.colour();
    const fabric = this.hook.fabric();
    if (!ahead || !fabric || ahead.inActions > 12) return null;
    const when = ahead.inActions === 0 ? 'Finish this stitch in' : `In ${ahead.inActions} stitches, finish in`;
    const from = fabric.roundStart[Math.min(fabric.roundCount, this.hook.round() + 2)];
    const again = fabric.colour.indexOf(fabric.colours.indexOf(ahead.from), from);
    const hanging = again >= 0 ? ` Leave the ${ahead.from || 'first yarn'} hanging: it comes back.` : '';
    return { colour: ahead.colour, words: when, hanging, due: ahead.inActions === 0 };
  });

  protected readonly groups = computed(() => {
    const now = this.now();
    return now
      ? Array.from({ length: now.groupCount }, (_, group) => (group < now.group ? 'done' : group === now.group ? 'now' : 'ahead'))
      : [];
  });

  protected readonly shape = computed(() => {
    const fabric = this.hook.fabric();
    const profile = this.hook.profile();
    if (!fabric || !profile) return null;
    const whole = measure(profile);
    const done = this.done();
    const rounds = Math.ceil(done);
    return {
      profile,
      colours: roundColours(fabric),
      upright: standsOnStart(fabric),
      done,
      scale: Math.min(SILHOUETTE.width / whole.diameter, SILHOUETTE.height / whole.height),
      across: `${this.lengths.words(whole.diameter)} across`,
      height: `${this.lengths.words(rounds > 0 ? measure(upToRound(profile, rounds)).height : 0)} of ${this.lengths.words(whole.height)} high`,
    };
  });

  constructor() {
    // Whoever comes here has the hook in hand: the keys work the dial at once, wherever the last click was.
    const entered = effect(() => {
      const table = this.table();
      if (!table) return;
      table.nativeElement.focus({ preventScroll: true });
      entered.destroy();
    });
    effect(() => {
      const now = this.now();
      const words = now ? now.runs.map((run) => run.words).join(', ') : this.hook.finished() ? 'All worked' : '';
      if (words) this.aloud.say(spoken(words, this.current.terms()));
    });
  }

  protected take(piece: string): void {
    this.hook.take(piece);
    this.table()?.nativeElement.focus();
  }

  protected step(by: Step): void {
    this.awake();
    if (this.hook.step(by) && 'vibrate' in navigator) navigator.vibrate(BUZZ_MS);
  }

  protected advice(gate: GateKind | null, round: number): readonly string[] {
    const part = this.hook.piece()?.part;
    return part === undefined ? [] : gateAdvice(this.gathering, part, gate, round);
  }

  protected longEnough(line: number, rounds: number): void {
    this.hook.say({ kind: 'altered', changes: [{ kind: 'length', line, rounds }] });
  }

  protected likeSibling(): void {
    const sibling = this.hook.sibling();
    if (sibling && sibling.changes.length > 0) this.hook.say({ kind: 'altered', changes: sibling.changes });
  }

  protected open(dialog: Dialog): void {
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

  protected pressed(event: KeyboardEvent): void {
    if (this.pedal.pressed(event.key)) {
      event.preventDefault();
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    const at = event.target instanceof Element ? event.target : null;
    const pedal = event.key === this.pedal.key();
    // A dialog and its fields keep their keys; the pedal is pressed with a foot, wherever the page is.
    if (!pedal && (this.dialog() !== null || at?.closest('input, select, textarea'))) return;
    const act = pedal ? (): void => this.step(this.hook.stepBy()) : this.actFor(event.key);
    // Links and other buttons keep their own Space and Enter.
    const own = (event.key === ' ' || event.key === 'Enter') && at !== null && at.closest('a, button:not([data-step])') !== null;
    if (!act || (own && !pedal)) return;
    event.preventDefault();
    if (!event.repeat) act();
  }

  private actFor(key: string): (() => void) | null {
    if (!this.workable() && !['z', 'p', '?'].includes(key.toLowerCase())) return null;
    switch (key.toLowerCase()) {
      case ' ':
        return () => this.step(this.hook.stepBy());
      case 'arrowright':
        return () => this.step('group');
      case 'enter':
        return () => this.step('round');
      case 'arrowleft':
        return () => this.hook.toRoundStart();
      case 'z':
        return () => this.hook.undo();
      case 'c':
        return () => this.open('count');
      case 'r':
        return () => this.open('rip');
      case 'd':
        return () => this.open('differently');
      case 'p':
        return () => this.open('pieces');
      case '?':
        return () => this.open('keys');
      default:
        return null;
    }
  }
}

function inStitches(count: number): string {
  return count === 0 ? 'now' : count === 1 ? 'after this stitch' : `in ${count} stitches`;
}
