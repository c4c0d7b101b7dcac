import { CatmullRomCurve3, TubeGeometry, Vector3, type BufferGeometry } from 'three';
import { mergeGeometries } from 'three/addons/utils/BufferGeometryUtils.js';

/**
 * The forms stitches are drawn in, each in its own frame: x across to the right from −0.5 to 0.5, y up from its foot at 0 to its
 * top at 1, z outwards; a unit is a stitch width across and outwards, and its height upwards.
 */
export type StitchForm = 'plain' | 'increase' | 'decrease' | 'tall' | 'lying' | 'ridge' | 'edge';

type Point = readonly [number, number, number];

/** How round the strands are drawn: near, or so many that nobody sees it. */
export interface Detail {
  readonly along: number;
  readonly around: number;
}
export const FINE: Detail = { along: 10, around: 8 };
export const COARSE: Detail = { along: 6, around: 5 };

/** Half a strand's thickness, stitch widths. */
const STRAND = 0.235;

/** The right leg of each form, mirrored for the left; a form that is no V gives all its strands. */
const LEGS: Readonly<Record<Exclude<StitchForm, 'ridge' | 'edge' | 'lying'>, readonly Point[]>> = {
  plain: [
    [0.03, -0.22, -0.05],
    [0.15, 0.08, 0.17],
    [0.3, 0.48, 0.21],
    [0.4, 0.82, 0.1],
    [0.44, 1.06, -0.06],
  ],
  // Two of them grow out of one stitch: slimmer at the foot, so that both find room in it.
  increase: [
    [0.02, -0.16, -0.02],
    [0.1, 0.1, 0.15],
    [0.27, 0.48, 0.22],
    [0.41, 0.82, 0.11],
    [0.47, 1.06, -0.05],
  ],
  // Out of two stitches, drawn together at the waist: it closes the gap between them.
  decrease: [
    [0.52, -0.26, -0.08],
    [0.34, -0.02, 0.1],
    [0.13, 0.36, 0.26],
    [0.3, 0.78, 0.16],
    [0.46, 1.06, -0.06],
  ],
  // A post of two strands that opens to a V at its top.
  tall: [
    [0.1, -0.12, 0],
    [0.13, 0.14, 0.14],
    [0.13, 0.44, 0.17],
    [0.2, 0.68, 0.18],
    [0.4, 0.9, 0.1],
    [0.45, 1.04, -0.05],
  ],
};

const WHOLE: Readonly<Record<'ridge' | 'edge' | 'lying', readonly (readonly Point[])[]>> = {
  // The loop a stitch in the back loop leaves in front.
  ridge: [
    [
      [-0.62, 0.02, 0.16],
      [-0.3, -0.02, 0.3],
      [0.1, 0.0, 0.33],
      [0.45, 0.06, 0.26],
      [0.66, 0.06, 0.14],
    ],
  ],
  // The top of a stitch that nothing is worked on: its two loops lying along the rim.
  edge: [
    [
      [-0.62, 0.98, 0.02],
      [-0.25, 1.03, 0.19],
      [0.2, 1.05, 0.2],
      [0.6, 1.04, 0.06],
    ],
    [
      [-0.6, 1.02, -0.02],
      [-0.2, 1.07, -0.16],
      [0.25, 1.05, -0.17],
      [0.62, 1.0, -0.03],
    ],
  ],
  // A chain or a slip stitch: a V on its side, flat on what lies below.
  lying: [
    [
      [-0.6, 0.1, 0.04],
      [-0.28, 0.32, 0.2],
      [0.18, 0.36, 0.22],
      [0.6, 0.14, 0.06],
    ],
    [
      [-0.6, -0.06, 0.06],
      [-0.28, -0.24, 0.2],
      [0.18, -0.26, 0.22],
      [0.6, -0.02, 0.06],
    ],
  ],
};

/** The geometry of a form. */
export function stitchForm(form: StitchForm, detail: Detail): BufferGeometry {
  const strands =
    form === 'ridge' || form === 'edge' || form === 'lying'
      ? WHOLE[form]
      : [LEGS[form], LEGS[form].map(([x, y, z]): Point => [-x, y, z])];
  return mergeGeometries(strands.map((points) => strand(points, detail)));
}

/** A strand along some points: full in the middle, slimmer where it dips under others. */
function strand(points: readonly Point[], { along, around }: Detail): BufferGeometry {
  const curve = new CatmullRomCurve3(points.map(([x, y, z]) => new Vector3(x, y, z)));
  const tube = new TubeGeometry(curve, along, STRAND, around, false);
  const position = tube.getAttribute('position');
  const way = tube.getAttribute('uv');
  const centre = new Vector3();
  const off = new Vector3();
  for (let i = 0; i < position.count; i++) {
    const share = Math.min(1, Math.max(0, way.getX(i)));
    curve.getPointAt(share, centre);
    off.fromBufferAttribute(position, i).sub(centre);
    off.multiplyScalar(Math.min(1.12, 0.62 + 0.5 * Math.sin(Math.PI * share)));
    position.setXYZ(i, centre.x + off.x, centre.y + off.y, centre.z + off.z);
  }
  tube.computeVertexNormals();
  return tube;
}
