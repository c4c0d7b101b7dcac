import type { Mesh } from 'three';
import type { BodyShape } from '@lemniscus/core/shape';
import { outlinePath } from './flat-figure';
import type { FigureView } from './figure-view';

export type FigureFile = 'svg' | 'glb' | 'stl';

/** The figure's outline at true scale, mm, as it stands in the view. */
export function outlineSvg({ positions }: BodyShape, view: FigureView, mmPerUnit: number, title: string): Blob {
  const { path, width, height } = outlinePath(positions, view, mmPerUnit);
  const escaped = title.replace(/[&<>]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;' })[sign]!);
  const size = `width="${(width + 4).toFixed(1)}mm" height="${(height + 4).toFixed(1)}mm" viewBox="-2 -2 ${(width + 4).toFixed(1)} ${(height + 4).toFixed(1)}"`;
  const drawn = `<path d="${path}" fill="none" stroke="#1d2733" stroke-width="0.5" stroke-linejoin="round"/>`;
  return new Blob([`<svg xmlns="http://www.w3.org/2000/svg" ${size}><title>${escaped}</title>${drawn}</svg>\n`], {
    type: 'image/svg+xml',
  });
}

/** The figure's surface for other programs: glTF with its colours, in metres; or STL for who prints a former, in millimetres. */
export async function surfaceFile(kind: 'glb' | 'stl', surface: Mesh, mmPerUnit: number): Promise<Blob> {
  const copy = surface.clone();
  copy.scale.setScalar(kind === 'glb' ? mmPerUnit / 1_000 : mmPerUnit);
  copy.updateMatrixWorld(true);
  if (kind === 'stl') {
    const { STLExporter } = await import('three/addons/exporters/STLExporter.js');
    // Formers lie on z = 0 with z upwards.
    copy.rotation.x = Math.PI / 2;
    copy.updateMatrixWorld(true);
    const data = new STLExporter().parse(copy, { binary: true });
    return new Blob([new Uint8Array(data.buffer)], { type: 'model/stl' });
  }
  const { GLTFExporter } = await import('three/addons/exporters/GLTFExporter.js');
  const data = await new GLTFExporter().parseAsync(copy, { binary: true });
  return new Blob([data as ArrayBuffer], { type: 'model/gltf-binary' });
}
