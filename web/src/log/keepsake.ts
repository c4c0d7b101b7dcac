import { Component, computed, inject } from '@angular/core';
import { yarnWeight } from '@lemniscus/core/gauge';
import { counted } from '@lemniscus/core/notation';
import { measure, standsOnStart } from '@lemniscus/core/shape';
import { Gathering } from '../data/follows/gathering';
import { CurrentMake } from '../data/open/current-make';
import { Photos } from '../data/owned/photos';
import { Silhouette } from '../drawing/silhouette';
import { longDayWords } from '../controls/day-words';
import { minutesWords } from './log-words';
import { Logbook } from './logbook';

const VIEW = { width: 640, height: 210, gap: 24 };

/** One page on paper: the figure, its size, yarn, hours and notes. */
@Component({
  selector: 'lem-keepsake',
  imports: [Silhouette],
  template: `
    <h1>{{ current.title() }}</h1>
    @if (book.finished(); as done) {
      <p class="lead">Finished {{ dayWords(done.day!) }}{{ done.forWhom ? ' for ' + done.forWhom : '' }}</p>
    }
    @if (photo(); as shown) {
      <img [src]="photos.url(shown)" alt="" />
    }
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height">
      @for (one of standing().pieces; track $index) {
        <svg:g [attr.transform]="'translate(' + one.x + ' ' + (view.height - 3) + ')'">
          <svg:g
            lemSilhouette
            [profile]="one.profile"
            [colours]="one.colours"
            [upright]="one.upright"
            [scale]="standing().scale"
          />
        </svg:g>
      }
    </svg>
    <dl>
      @for (row of rows(); track row.name) {
        <dt>{{ row.name }}</dt>
        <dd>{{ row.words }}</dd>
      }
    </dl>
    @if (book.finished()?.notes; as notes) {
      <p class="notes">{{ notes }}</p>
    }
  `,
  styles: `
    :host {
      display: none;
    }
    @media print {
      :host {
        display: block;
        color: #1f2d38;
        background: #fff;
        font-size: 14pt;
      }
      h1 {
        font-size: 28pt;
      }
      .lead {
        margin-bottom: 6mm;
      }
      img {
        display: block;
        max-width: 100%;
        max-height: 95mm;
        margin: 0 auto 5mm;
        border-radius: 4mm;
      }
      svg {
        width: 100%;
        max-height: 60mm;
      }
      dl {
        display: grid;
        grid-template-columns: 40mm 1fr;
        gap: 2mm 4mm;
        margin: 6mm 0;
      }
      dt {
        color: #5b6972;
      }
      dd {
        margin: 0;
      }
      .notes {
        padding: 4mm;
        border: 0.4mm solid #ddd5c5;
        white-space: pre-wrap;
      }
    }
  `,
})
export class Keepsake {
  protected readonly book = inject(Logbook);
  protected readonly current = inject(CurrentMake);
  protected readonly photos = inject(Photos);
  private readonly gathering = inject(Gathering);
  protected readonly view = VIEW;
  protected readonly dayWords = longDayWords;
  protected readonly photo = computed(() => this.photos.of(this.current.make()?.id ?? '')[0] ?? null);

  protected readonly standing = computed(() => {
    const parts = this.gathering.parts() ?? [];
    const sizes = parts.map(({ profile }) => measure(profile));
    const wide = sizes.reduce((sum, { diameter }) => sum + diameter, 0);
    const tall = Math.max(1, ...sizes.map(({ height }) => height));
    const scale = Math.min((VIEW.width - VIEW.gap * (parts.length + 1)) / Math.max(1, wide), (VIEW.height - 12) / tall);
    let x = 0;
    const pieces = parts.map(({ profile, colours, fabric }, i) => {
      const width = sizes[i]!.diameter * scale;
      x += VIEW.gap + width;
      return { profile, colours, upright: standsOnStart(fabric), x: x - width / 2 };
    });
    return { pieces, scale };
  });

  protected readonly rows = computed(() => {
    const make = this.current.make();
    const done = this.book.finished();
    const history = this.book.history();
    if (!make || !history) return [];
    const colours = [...new Set(this.gathering.parts()?.flatMap((part) => part.colours.filter((colour) => colour !== '')) ?? [])];
    const size = [done?.heightMm ? `${done.heightMm} mm tall` : '', done?.widthMm ? `${done.widthMm} mm wide` : ''].filter(
      Boolean,
    );
    const weights = [
      done?.yarnGrams ? `${done.yarnGrams} g of yarn` : '',
      done?.stuffingGrams ? `${done.stuffingGrams} g of stuffing` : '',
    ].filter(Boolean);
    return [
      { name: 'Size', words: size.join(', ') },
      {
        name: 'Yarn',
        words: `${yarnWeight(make.yarnWeight).name.toLowerCase()}${colours.length > 0 ? `: ${colours.join(', ')}` : ''}`,
      },
      { name: 'Hook', words: `${make.hookMm} mm` },
      { name: 'Weighs', words: weights.join(', ') },
      {
        name: 'Hours',
        words: `${minutesWords(this.book.minutes())} in ${counted(history.sittings.length, 'sitting')}, ${counted(this.book.stitches(), 'stitch')}`,
      },
    ].filter(({ words }) => words !== '');
  });
}
