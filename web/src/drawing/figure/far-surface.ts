import { FRAME, type BodyShape } from '@lemniscus/core/shape';
import {
  BufferAttribute,
  BufferGeometry,
  CanvasTexture,
  DoubleSide,
  MeshStandardMaterial,
  RepeatWrapping,
  type Color,
} from 'three';

/** Pixels of the picture of one stitch. */
const SIZE = 64;

/** The two legs of a stitch, which open towards the next round, light on the shade between them. */
function stitchPicture(): CanvasTexture {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = SIZE;
  const context = canvas.getContext('2d')!;
  context.fillStyle = '#8d8d8d';
  context.fillRect(0, 0, SIZE, SIZE);
  context.lineCap = 'round';
  // Wide and dark first: each leg is round.
  for (const [width, shade] of [
    [27, '#b4b4b4'],
    [19, '#dcdcdc'],
    [9, '#ffffff'],
  ] as const) {
    context.strokeStyle = shade;
    context.lineWidth = width;
    for (const side of [-1, 1]) {
      context.beginPath();
      context.moveTo(SIZE / 2 + side * 5, SIZE + 4);
      context.lineTo(SIZE / 2 + side * 22, -4);
      context.stroke();
    }
  }
  const picture = new CanvasTexture(canvas);
  picture.wrapS = picture.wrapT = RepeatWrapping;
  return picture;
}

/** The skin of a body with the picture of a stitch where each is: what is seen from afar, or where stitches take too long to draw. */
export function farSurface(shape: BodyShape): BufferGeometry {
  const { positions, normals, triangles } = shape;
  const geometry = new BufferGeometry();
  const corners = (of: Float32Array): Float32Array => {
    const out = new Float32Array(3 * triangles.length);
    for (const [i, node] of triangles.entries()) out.set(of.subarray(3 * node, 3 * node + 3), 3 * i);
    return out;
  };
  geometry.setAttribute('position', new BufferAttribute(corners(positions), 3));
  geometry.setAttribute('normal', new BufferAttribute(corners(normals), 3));
  geometry.setAttribute('uv', new BufferAttribute(pictureSpots(shape), 2));
  geometry.setAttribute('color', new BufferAttribute(new Float32Array(3 * triangles.length), 3));
  return geometry;
}

/** The stitch of every triangle: its first corner that is one; −1 where none is. */
export function stitchesOfTriangles({ triangles, stitches: { node } }: BodyShape): Int32Array {
  const stitchAt = new Map(Array.from(node, (each, stitch) => [each, stitch] as const));
  return Int32Array.from({ length: triangles.length / 3 }, (_, t) => {
    for (let corner = 0; corner < 3; corner++) {
      const stitch = stitchAt.get(triangles[3 * t + corner]!);
      if (stitch !== undefined) return stitch;
    }
    return -1;
  });
}

/**
 * Where each corner of each triangle lies in the picture of its stitch: across it from −½ to ½ and up it from 0 to 1. Neighbours
 * lie a whole picture further, so that pictures meet.
 */
export function pictureSpots(shape: BodyShape): Float32Array {
  const { positions, triangles, stitches } = shape;
  const { frames } = stitches;
  const spots = new Float32Array(2 * triangles.length);
  for (const [t, stitch] of stitchesOfTriangles(shape).entries()) {
    if (stitch < 0) continue;
    const k = FRAME * stitch;
    for (let corner = 3 * t; corner < 3 * t + 3; corner++) {
      const at = 3 * triangles[corner]!;
      const along = (way: number): number => {
        let [dot, square] = [0, 0];
        for (let d = 0; d < 3; d++) {
          dot += (positions[at + d]! - frames[k + d]!) * frames[k + way + d]!;
          square += frames[k + way + d]! ** 2;
        }
        return dot / Math.max(1e-9, square);
      };
      spots[2 * corner] = along(3) + 0.5;
      spots[2 * corner + 1] = along(6);
    }
  }
  return spots;
}

/** Gives every triangle the colour of its stitch. */
export function paintFar(geometry: BufferGeometry, ofTriangle: Int32Array, colourOf: (stitch: number) => Color): void {
  const colours = geometry.getAttribute('color') as BufferAttribute;
  for (const [t, stitch] of ofTriangle.entries()) {
    const { r, g, b } = colourOf(Math.max(0, stitch));
    for (let corner = 0; corner < 3; corner++) colours.setXYZ(3 * t + corner, r, g, b);
  }
  colours.needsUpdate = true;
}

export function farMaterial(): MeshStandardMaterial {
  const picture = stitchPicture();
  return new MeshStandardMaterial({
    vertexColors: true,
    roughness: 0.95,
    side: DoubleSide,
    map: picture,
    bumpMap: picture,
    bumpScale: 2.5,
  });
}
