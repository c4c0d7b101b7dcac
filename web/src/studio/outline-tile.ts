import { Component, computed, input } from '@angular/core';
import { closesToRing, outlineSize, standsAsDrawn, wishOf, type SketchOutline } from '@lemniscus/core/sketch';
import { pathOf, type Sheet } from './paper-model';

const WIDE = 72;
const HIGH = 62;
const MARGIN = 4;

/** An outline in small, both its halves. */
@Component({
  selector: 'lem-outline-tile',
  template: `
    <svg [attr.viewBox]="'0 0 ' + wide + ' ' + high" [attr.width]="wide" [attr.height]="high" aria-hidden="true">
      <path [attr.d]="path()" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
    }
    path {
      fill-rule: evenodd;
      fill: var(--act-wash);
      stroke: var(--act);
      stroke-width: 2px;
      stroke-linejoin: round;
    }
  `,
})
export class OutlineTile {
  readonly outline = input.required<SketchOutline>();
  protected readonly wide = WIDE;
  protected readonly high = HIGH;

  protected readonly path = computed(() => {
    const outline = this.outline();
    const { across, tall } = outlineSize(outline);
    // Joined end to end: a ring, seen from above.
    if (closesToRing(outline)) return ringPath(across / 2, tall);
    // What lies flat is seen from above.
    if (tall < across / 50) return flatPath(across, across - outline.straight);
    if (outline.bend) return bentPath(outline, outline.bend);
    const scale = Math.min((WIDE - 2 * MARGIN) / Math.max(across, 1), (HIGH - 2 * MARGIN) / Math.max(tall, 1));
    const half = (outline.straight * scale) / 2;
    const low = Math.min(...outline.points.map(({ z }) => z));
    const foot = HIGH - MARGIN - Math.max(0, (HIGH - 2 * MARGIN - tall * scale) / 2) + low * scale;
    const stands = standsAsDrawn(outline);
    const table = foot - low * scale;
    const sheet: Sheet = {
      ...{ width: WIDE, height: HIGH, scale, times: 1, axis: WIDE / 2, table },
      ...{ foot: stands ? foot : table - (low + tall) * scale, up: stands ? 1 : -1 },
    };
    const { points } = wishOf(outline);
    const right = pathOf({ ...sheet, axis: WIDE / 2 + half }, points);
    const left = pathOf({ ...sheet, axis: WIDE / 2 - half }, [...points].reverse(), -1);
    return `${right}L${left.slice(1)}Z`;
  });
}

/** Bent, lying with its ends up: from above its two halves are no longer alike. */
function bentPath(outline: SketchOutline, degrees: number): string {
  const { points } = wishOf(outline);
  const [low, high] = [Math.min(...points.map(({ z }) => z)), Math.max(...points.map(({ z }) => z))];
  const bend = (degrees * Math.PI) / 180;
  const radius = (high - low) / bend;
  const bent = (r: number, z: number): readonly [number, number] => {
    const turn = ((z - (low + high) / 2) / (high - low)) * bend;
    return [(radius + r) * Math.sin(turn), (radius + r) * Math.cos(turn)];
  };
  const line = [...points.map(({ r, z }) => bent(r, z)), ...points.toReversed().map(({ r, z }) => bent(-r, z))];
  const [xs, ys] = [line.map(([x]) => x), line.map(([, y]) => y)];
  const [left, right, foot, top] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min((WIDE - 2 * MARGIN) / (right - left), (HIGH - 2 * MARGIN) / (top - foot));
  const at = ([x, y]: readonly [number, number]): string =>
    `${(WIDE / 2 + (x - (left + right) / 2) * scale).toFixed(1)} ${(HIGH / 2 + (y - (foot + top) / 2) * scale).toFixed(1)}`;
  return `M${line.map(at).join('L')}Z`;
}

/** A disc, or an oval with straight sides. */
function flatPath(across: number, wide: number): string {
  const long = WIDE - 2 * MARGIN;
  const high = Math.min(HIGH - 2 * MARGIN, (long * wide) / across);
  const half = (long * (across - wide)) / across / 2;
  const arc = `A${high / 2} ${high / 2} 0 0 1`;
  const [left, right, top, foot] = [WIDE / 2 - half, WIDE / 2 + half, (HIGH - high) / 2, (HIGH + high) / 2];
  return `M${left} ${top}H${right}${arc} ${right} ${foot}H${left}${arc} ${left} ${top}Z`;
}

/** A tube as thick and as long as this, its ends together. */
function ringPath(thick: number, length: number): string {
  const middle = length / (2 * Math.PI);
  const scale = (HIGH / 2 - MARGIN) / (middle + thick);
  const circle = (r: number): string => `M${WIDE / 2 - r} ${HIGH / 2}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
  return circle((middle + thick) * scale) + circle((middle - thick) * scale);
}
