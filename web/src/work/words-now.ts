import { Component, computed, effect, inject, input, output } from '@angular/core';
import { RouterLink } from '@angular/router';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { LengthUnits } from '../data/device/length-units';
import { CurrentMake } from '../data/open/current-make';
import { yarnPaint } from '../drawing/yarn-colour';
import { AtHook } from './at-hook';
import { ChangedCard } from './changed-card';
import { DueCard } from './due-card';
import { NewNameCard } from './new-name-card';
import { HowTo } from './how-to';
import { NeededCard } from './needed-card';
import { NewTechniqueCard } from './new-technique-card';
import { Pieces } from './pieces';
import { PlacesAtHook } from './places-at-hook';
import { ReadAloud, spoken } from './read-aloud';

/** Letters of one run that fit beside the dial at the largest size. */
const LARGE_WORDS = 11;
/** Stitches ahead from which a change of colour is told. */
const COLOUR_AHEAD = 12;

/** What to do right now, in words that are read from arm's length, and what comes next. */
@Component({
  selector: 'lem-words-now',
  imports: [ChangedCard, DueCard, NeededCard, NewNameCard, NewTechniqueCard, NzButtonModule, RouterLink],
  templateUrl: './words-now.html',
  styleUrl: './words-now.css',
})
export class WordsNow {
  /** Whether the piece is worked in rows. */
  readonly rows = input.required<boolean>();
  /** Asks for another piece. */
  readonly take = output<string>();

  private readonly current = inject(CurrentMake);
  private readonly aloud = inject(ReadAloud);
  protected readonly hook = inject(AtHook);
  protected readonly pieces = inject(Pieces);
  protected readonly lengths = inject(LengthUnits);
  protected readonly paint = yarnPaint;
  protected readonly counted = counted;
  protected readonly now = this.hook.now;
  protected readonly places = inject(PlacesAtHook);
  protected readonly howTo = inject(HowTo);

  /** Whether the words for now are too long for their largest size. */
  protected readonly longWords = computed(() => {
    const runs = this.now()?.runs ?? [];
    return runs.length > 3 || runs.some(({ words }) => words.length > LARGE_WORDS);
  });

  protected readonly lastRound = computed(() => this.hook.counted()?.rounds.at(-1)?.number ?? 0);

  /** The next change after the action at hand, in the maker's words; where none is left, how far it is to the marker. */
  protected readonly next = computed(() => {
    const now = this.now();
    if (!now) return null;
    const change = now.nextChange;
    if (!change) {
      const left = now.stitches - now.stitchesDone;
      return { change: 'none', words: `${left} left in this ${this.rows() ? 'row' : 'round'}` };
    }
    const name = change.change === 'increase' ? 'Increase' : 'Decrease';
    return { change: change.change, words: `${name} ${inStitches(change.inActions)}` };
  });

  /** The change of colour that comes, said before the last stitch of the old one. */
  protected readonly colour = computed(() => {
    const ahead = this.hook.colour();
    const fabric = this.hook.fabric();
    if (!ahead || !fabric || ahead.inActions > COLOUR_AHEAD) return null;
    const when = ahead.inActions === 0 ? 'Finish this stitch in' : `In ${counted(ahead.inActions, 'stitch')}, finish in`;
    const from = fabric.roundStart[Math.min(fabric.roundCount, this.hook.round() + 2)];
    const again = fabric.colour.indexOf(fabric.colours.indexOf(ahead.from), from);
    const hanging = again >= 0 ? ` Leave the ${ahead.from || 'first yarn'} hanging: it comes back.` : '';
    return { colour: ahead.colour, words: when, hanging, due: ahead.inActions === 0 };
  });

  /** The remark on the round at hand. */
  protected readonly remark = computed(() => this.hook.remarkOn(this.hook.round()));

  constructor() {
    effect(() => {
      const now = this.now();
      const words = now ? now.runs.map((run) => run.words).join(', ') : this.hook.finished() ? 'All worked' : '';
      if (words) this.aloud.say(spoken(words, this.current.terms()));
    });
  }

  protected longEnough(line: number, rounds: number): void {
    this.hook.say({ kind: 'altered', changes: [{ kind: 'length', line, rounds }] });
  }
}

function inStitches(count: number): string {
  return count === 0 ? 'now' : count === 1 ? 'after this stitch' : `in ${count} stitches`;
}
