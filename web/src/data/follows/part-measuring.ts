import { inject, Injectable } from '@angular/core';
import type { Measurement } from '@lemniscus/api';
import type { Fabric } from '@lemniscus/core/fabric';
import type { Refusal } from '@lemniscus/core/gauge';
import { swatchOf } from '@lemniscus/core/supply';
import { Measurements } from '../owned/measurements';
import { Shapes } from './shapes';

/** What was in hand, as every measurement keeps it. */
export type MeasuredWith = Pick<Measurement, 'id' | 'takenAt' | 'yarnWeight' | 'hookMm'>;
export type PartMeasured = { readonly ok: true; readonly measurement: Measurement } | Refusal<string>;

/** The stitch that a finished part of this size was made with. */
@Injectable({ providedIn: 'root' })
export class PartMeasuring {
  private readonly measurements = inject(Measurements);
  private readonly shapes = inject(Shapes);

  /** @param sizes of the stuffed part, mm */
  async measure(
    part: { readonly name: string; readonly fabric: Fabric },
    sizes: { readonly widthMm: number; readonly heightMm: number | null },
    common: MeasuredWith,
  ): Promise<PartMeasured> {
    const swatch = swatchOf(common, this.measurements.items());
    const read = await this.shapes.fit({ fabric: part.fabric, measured: sizes, tools: common, swatch });
    if (!read.ok) return read;
    const { width, height, spread } = read.stitch;
    const told = { stitchWidth: width, stitchHeight: height, spread };
    const stretch = read.stretch === null ? {} : { stretch: read.stretch };
    return { ok: true, measurement: { ...common, kind: 'part', part: part.name, ...sizes, ...told, ...stretch } };
  }
}
