import { Component, computed, inject, output } from '@angular/core';
import { describeBend, describeMended, describeMisfit, reshaped, type Reshape } from '@lemniscus/core/design';
import { hookNames, HOOKS, YARN_WEIGHTS } from '@lemniscus/core/gauge';
import { STITCHES } from '@lemniscus/core/notation';
import { measure } from '@lemniscus/core/shape';
import {
  closesToRing,
  fewPoints,
  isTube,
  longerBy,
  outlineSize,
  rimOf,
  SKETCH_STITCHES,
  stretched,
  wishOf,
  type SketchOutline,
  type SketchPlace,
  type SketchRound,
  type SketchStitch,
} from '@lemniscus/core/sketch';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../controls/choice';
import { NumberField } from '../controls/number-field';
import { Select } from '../controls/select';
import { LengthUnits } from '../data/device/length-units';
import { mirroredUp, turnedOver } from './paper-model';
import { SketchDesk } from './sketch-desk';

type RoundKind = SketchRound['is'] | 'front' | 'back' | 'left' | 'right';

const ROUNDS: readonly { readonly value: RoundKind; readonly label: string }[] = [
  { value: 'around', label: 'all round, sewn on by its edge' },
  { value: 'front', label: 'at the front' },
  { value: 'back', label: 'at the back' },
  { value: 'left', label: 'at the left' },
  { value: 'right', label: 'at the right' },
  { value: 'sides', label: 'one at each side' },
  { value: 'pair', label: 'a pair at the front' },
  { value: 'evenly', label: 'spread evenly' },
];

/** What can be said of the chosen part: its size, its shape by steps, how well it fits, where it sits. */
@Component({
  selector: 'lem-part-panel',
  imports: [Choice, NumberField, NzButtonModule, Select],
  templateUrl: './part-panel.html',
  styleUrl: './part-panel.css',
})
export class PartPanel {
  protected readonly desk = inject(SketchDesk);
  private readonly lengths = inject(LengthUnits);
  readonly removed = output();

  protected readonly reshapes: readonly { readonly how: Reshape; readonly name: string }[] = [
    { how: 'rounder', name: 'Rounder' },
    { how: 'pointier', name: 'Pointier' },
    { how: 'flatter', name: 'Flatter' },
    { how: 'taller', name: 'Taller' },
  ];
  protected readonly joins: readonly { readonly label: string; readonly value: SketchPlace['join'] }[] = [
    { label: 'Sewn', value: 'sewn' },
    { label: 'Sewn flat', value: 'sewn flat' },
  ];
  protected readonly weights = YARN_WEIGHTS.map(({ number, name }) => ({ value: number, label: `${number} ${name}` }));
  protected readonly hooks = HOOKS.map((mm) => ({ value: mm, label: `${mm} mm ${hookNames(mm).us ?? ''}`.trim() }));
  protected readonly stitches: readonly { readonly value: SketchStitch; readonly label: string }[] = SKETCH_STITCHES.map(
    (value) => ({
      value,
      label: STITCHES[value].US.full[0],
    }),
  );
  protected readonly rounds = ROUNDS;
  protected readonly part = computed(() => this.desk.part()!);
  protected readonly size = computed(() => outlineSize(this.part().outline));
  protected readonly isTube = isTube;
  protected readonly closesToRing = closesToRing;
  /** As far as a field has room. */
  protected readonly round = (value: number): number => (value >= 100 ? Math.round(value) : Math.round(value * 10) / 10);

  protected readonly told = computed(() => {
    const chosen = this.desk.chosen();
    const found = chosen?.found;
    if (!chosen || !found) return null;
    const { fit, misfits, mended } = found;
    const { diameter, height } = measure(fit.profile);
    const { spread } = this.desk.gauge();
    const stitches = fit.counts.reduce((sum, each) => sum + each, 0);
    const [wide, tall] = [this.lengths.range(diameter, spread.width), this.lengths.range(height, spread.height)];
    const across = this.lengths.range(height / Math.PI + diameter, spread.height);
    return {
      fit: `On average ${fit.off.toFixed(1)} mm beside what is drawn`,
      rounds: `${fit.counts.length} rounds, ${stitches} stitches`,
      size: closesToRing(chosen.part.outline)
        ? `A ring ${across} across and ${wide} thick when stuffed`
        : `${wide} wide, ${tall} ${fit.bend.degrees > 0 ? 'along its middle' : 'tall'} when stuffed`,
      bend: describeBend(fit.bend, found.wish.bend ?? 0),
      notes: [...mended.map(describeMended), ...misfits.map(describeMisfit)],
      first: chosen.first,
    };
  });
  /** What it was before a step, in a line. */
  protected readonly before = computed(() => {
    const before = this.desk.before();
    if (!before) return null;
    const { across, tall } = outlineSize(before.part.outline);
    const rounds = before.rounds === null ? '' : `, ${before.rounds} rounds`;
    return `Before: ${this.lengths.words(across)} wide, ${this.lengths.words(tall)} tall${rounds}`;
  });
  protected readonly takes = computed(() => {
    const { stitches, metres, hours } = this.desk.takes();
    const time = hours < 1 ? `${Math.max(5, 5 * Math.round(hours * 12))} min` : `${hours.toFixed(1)} h`;
    return `${stitches} stitches, about ${Math.round(metres)} m of yarn and ${time} at the hook, give or take a quarter`;
  });

  protected rename(field: HTMLInputElement): void {
    this.desk.rename(field.value.trim());
    // It may have got another, or kept its own.
    field.value = this.part().name;
  }

  protected resize(change: { across?: number; tall?: number }, field: string): void {
    this.desk.setOutline(stretched(this.part().outline, change), field);
  }

  protected step(how: Reshape): void {
    const { outline } = this.part();
    const wish = reshaped(wishOf(outline), how);
    const scale = Math.max(...wish.points.map(({ r, z }) => Math.max(r, z)));
    this.desk.step({ outline: { ...outline, points: fewPoints(wish.points, 0.012 * scale) }, counts: null });
  }

  protected longer(rounds: number): void {
    const { tall } = this.size();
    const next = tall + rounds * this.desk.stitch().height;
    if (next <= 0) return;
    const outline = stretched(this.part().outline, { tall: next });
    const { counts } = this.part();
    // Rounds that were set by hand, or are those of a make, stay: there are more of them where it is widest.
    this.desk.step({ outline, counts: counts && longerBy(counts, rounds) });
  }

  protected turnOver(): void {
    this.desk.step({ outline: turnedOver(this.part().outline), counts: null });
  }

  protected mirror(): void {
    this.desk.step({ outline: mirroredUp(this.part().outline), counts: null });
  }

  protected outlineWith(change: Partial<SketchOutline>): SketchOutline {
    return { ...this.part().outline, ...change };
  }

  protected setOval(straight: number): void {
    const { outline } = this.part();
    // An oval begins round a chain, so it begins on the middle line.
    const points = outline.points.map((point, i) => (i === 0 && straight > 0 ? { ...point, r: 0 } : point));
    this.desk.setOutline({ ...outline, points, straight }, 'oval');
  }

  protected letOutlineDecide(): void {
    this.desk.setPart({ counts: null });
  }

  /** Open parts made twice or more that it can grow out of: legs, for a body. */
  protected readonly roots = computed(() => {
    const own = this.part();
    return this.desk
      .parts()
      .filter(({ id, copies, outline, grows }) => id !== own.id && copies > 1 && outline.end === 'open' && grows?.from !== own.id)
      .map(({ id, name, copies }) => ({ value: id, label: `${name} × ${copies}` }));
  });

  /** Its outline begins as wide as what it grows out of. */
  protected growFrom(from: string | null): void {
    const { outline, place } = this.part();
    if (!from) {
      this.desk.setPart({ grows: null, counts: null });
      return;
    }
    const legs = this.desk.found().find(({ part }) => part.id === from);
    const grows = { from, chains: 3 };
    const rim = rimOf(grows, legs?.part.copies ?? 2, legs?.found?.fit.counts.at(-1) ?? 12);
    const r = (rim * this.desk.stitch().width) / (2 * Math.PI);
    const [first, ...rest] = outline.points;
    const points = first ? [{ ...first, r, corner: true }, ...rest.filter(({ z }) => z > first.z + 1)] : [];
    this.desk.setPart({
      grows,
      counts: null,
      place: place?.on === from ? null : place,
      outline: { ...outline, points, straight: 0 },
    });
  }

  /** Parts it can sit on: any that does not sit on it, by however many others. */
  protected readonly hosts = computed(() => {
    const [parts, own] = [this.desk.parts(), this.part()];
    const carriedBy = (id: string, seen: ReadonlySet<string>): boolean => {
      const on = parts.find((each) => each.id === id)?.place?.on;
      return on !== undefined && !seen.has(on) && (on === own.id || carriedBy(on, new Set([...seen, on])));
    };
    return parts
      .filter(({ id }) => id !== own.id && !carriedBy(id, new Set()))
      .map(({ id, name }) => ({ value: id, label: name }));
  });
  protected readonly roundKind = computed<RoundKind>(() => {
    const round = this.part().place?.round;
    if (!round) return 'around';
    return round.is === 'side' ? round.side : round.is;
  });

  protected sitOn(on: string | null): void {
    const { place, copies } = this.part();
    if (!on) this.desk.setPart({ place: null });
    else {
      const usual: SketchPlace = {
        on,
        height: { is: 'share', share: 0.5 },
        round: copies === 2 ? { is: 'sides' } : copies > 2 ? { is: 'evenly' } : { is: 'side', side: 'front' },
        join: 'sewn',
      };
      this.desk.setPart({ place: place ? { ...place, on } : usual });
    }
  }

  protected setRound(kind: RoundKind): void {
    const round: SketchRound =
      kind === 'front' || kind === 'back' || kind === 'left' || kind === 'right'
        ? { is: 'side', side: kind }
        : kind === 'pair'
          ? { is: 'pair', apart: 5, side: 'front' }
          : { is: kind as 'sides' | 'evenly' | 'around' };
    // A pair is two.
    const two = kind === 'pair' || kind === 'sides';
    this.place({ round }, two ? { copies: 2 } : {});
  }

  protected place(change: Partial<SketchPlace>, more: { readonly copies?: number } = {}, gesture: string | null = null): void {
    const { place } = this.part();
    if (place) this.desk.setPart({ place: { ...place, ...change }, ...more }, gesture);
  }

  protected setShare(percent: number): void {
    this.place({ height: { is: 'share', share: percent / 100 } }, {}, 'share');
  }

  protected setJoin(join: SketchPlace['join']): void {
    this.place({ join });
  }

  protected setApart(apart: number): void {
    const round = this.part().place?.round;
    if (round?.is === 'pair') this.place({ round: { ...round, apart } }, {}, 'apart');
  }

  protected share(): number {
    const height = this.part().place?.height;
    return height?.is === 'share' ? Math.round(100 * height.share) : 0;
  }
}
