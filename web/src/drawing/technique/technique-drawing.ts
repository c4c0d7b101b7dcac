import { Component, computed, effect, ElementRef, inject, input, ViewEncapsulation } from '@angular/core';
import { knotsBetween, runsOf } from '@lemniscus/core/strand';
import type { Drawing, DrawnStrand, Frame } from '@lemniscus/core/drawn';
import { yarnPaint } from '../yarn-colour';
import { paintMarks, paintRuns, PICTURE_WIDTH } from './strand-paint';
import { paintInto } from '../painted';

/** Nearer than this to a picture, what is written on it shows. */
const AT_REST = 0.02;

/** A technique as it is drawn, at one of its pictures or on the way from one to the next. */
@Component({
  selector: 'lem-technique-drawing',
  template: '',
  // What is painted in here is made at once, picture by picture: it carries no scope of its own.
  encapsulation: ViewEncapsulation.None,
  styleUrl: './technique-drawing.css',
  host: { class: 'lem-technique', '[style.--yarn]': 'fill()' },
})
export class TechniqueDrawing {
  readonly drawing = input.required<Drawing>();
  /** The picture, from 0; between two it is on its way. */
  readonly at = input(0);
  readonly hand = input<'right' | 'left'>('right');
  /** The yarn's colour in the pattern's word for it. */
  readonly colour = input('');
  readonly label = input('');

  protected readonly fill = computed(() => yarnPaint(this.colour()).fill);
  private readonly picture = computed(() => pictureAt(this.drawing(), this.at(), this.hand() === 'left' ? 1 : -1));

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    effect(() => {
      const { content, height } = this.picture();
      const label = this.label();
      const named = label ? `role="img" aria-label="${label}"` : 'aria-hidden="true"';
      paintInto(host, `<svg viewBox="0 0 ${PICTURE_WIDTH} ${height}" ${named}>${content}</svg>`);
    });
  }
}

interface Picture {
  readonly content: string;
  readonly height: number;
}

function pictureAt(drawing: Drawing, at: number, way: 1 | -1): Picture {
  const { frames } = drawing;
  const low = Math.max(0, Math.min(Math.floor(at), frames.length - 1));
  const high = Math.min(low + 1, frames.length - 1);
  const share = at - low;
  const [from, to] = [frames[low]!, frames[high]!];
  // Where one looks from elsewhere, or at other things, there is no way between.
  const moving = share > AT_REST && share < 1 - AT_REST && from.seen === to.seen;
  const frame = share > 0.5 ? to : from;
  const sight = frame.seen ?? drawing;
  const strands = moving ? strandsBetween(from, to, share) : frame.strands;
  const runs = runsOf(strands, { ...sight.camera, way });
  const marks = moving ? '' : paintMarks(frame.marks ?? [], sight, way);
  const [, , width, height] = sight.view;
  return { content: paintRuns(runs, strands, sight, way) + marks, height: Math.round((PICTURE_WIDTH * height) / width) };
}

/** A thread this short is drawn longer or shorter on its way; of a longer one the stitches would run along it. */
const SHORT = 60;

/** Strands that both pictures have, moved; what only one has is there in its half of the way. */
function strandsBetween(from: Frame, to: Frame, share: number): readonly DrawnStrand[] {
  const next = new Map(to.strands.map((strand) => [strand.id, strand]));
  const before = new Map(from.strands.map((strand) => [strand.id, strand]));
  return (share > 0.5 ? to : from).strands.map((strand) => {
    const [a, b] = [before.get(strand.id), next.get(strand.id)];
    if (!a || !b) return strand;
    const alike = a.knots.length === b.knots.length;
    const thread = b.moves === true && Math.max(a.knots.length, b.knots.length) < SHORT;
    return alike || thread ? { ...b, knots: knotsBetween(a.knots, b.knots, share) } : strand;
  });
}
