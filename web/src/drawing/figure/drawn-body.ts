import { LOOPS } from '@lemniscus/core/fabric';
import { STITCH_NAMES } from '@lemniscus/core/notation';
import { CHANGES, FRAME, type BodyShape } from '@lemniscus/core/shape';
import {
  BufferAttribute,
  BufferGeometry,
  CatmullRomCurve3,
  CircleGeometry,
  Color,
  Group,
  InstancedMesh,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  MeshPhysicalMaterial,
  MeshStandardMaterial,
  SphereGeometry,
  TorusGeometry,
  TubeGeometry,
  Vector3,
} from 'three';
import type { Stance } from '@lemniscus/core/assembly';
import type { FigureBody, FigureEye, FigureMarks } from './figure-body';
import { farMaterial, farSurface, paintFar, stitchesOfTriangles } from './far-surface';
import { COARSE, FINE, stitchForm, type StitchForm } from './stitch-forms';
import { liningMaterial, litColour, yarnMaterial, type YarnLook } from './yarn-material';

/** Strands are drawn finely up to so many stitches. */
const FINE_UP_TO = 1_600;
const LIT = new Color('#3f7fd0');
const WRONG = new Color('#c8322b');
/** What is not worked yet is as pale as this. */
const FADED = 0.68;
const FORMS: readonly StitchForm[] = ['plain', 'increase', 'decrease', 'tall', 'lying', 'ridge', 'edge'];

/** One body on the table: its stitches, what lies behind them, its eyes, and the shade under it. */
export class DrawnBody {
  readonly group = new Group();
  /** For every mesh of a form, the stitch of each instance. */
  readonly meshes: { readonly mesh: InstancedMesh; readonly stitches: readonly number[] }[] = [];
  readonly lining: Mesh;
  /** What is set into it, in the order it was given. */
  eyes: readonly Group[] = [];
  private readonly figure = new Group();
  /** Its skin with pictures of stitches, once it was seen from afar. */
  private far: Mesh<BufferGeometry, MeshStandardMaterial> | null = null;
  private ofTriangle: Int32Array | null = null;
  private marks: FigureMarks = { lit: new Set(), wrong: new Set() };
  private readonly shape: BodyShape;
  private readonly mirrored: boolean;
  private readonly painted: readonly Color[];

  constructor({ shape, paint, x, eyes, scale = 1, stance, ghost = false }: FigureBody) {
    this.shape = shape;
    this.mirrored = paint.mirrored;
    const faded = new Color(paint.evening ? '#3b4248' : '#efe8da');
    this.painted = paint.colours.map((css) => (ghost ? litColour(css).lerp(faded, FADED) : litColour(css)));
    this.lining = new Mesh(liningOf(shape, this.painted), liningMaterial());
    // Seen from afar the shadow of the surface is that of its stitches, and it is cast every time the light moves.
    this.lining.castShadow = true;
    // Drawn first it hides the stitches of the far side, which then cost nothing.
    this.lining.renderOrder = -1;
    this.figure.scale.x = paint.mirrored ? -1 : 1;
    this.figure.add(this.lining);
    this.addStitches(paint.look);
    this.setEyes(eyes);
    if (!stance) this.figure.add(...markerThreads(shape));
    this.group.position.x = x;
    this.group.scale.setScalar(scale);
    this.group.add(this.figure);
    if (stance) this.stand(stance);
    else this.group.add(shadeUnder(shape));
    this.mark(this.marks);
  }

  mark(marks: FigureMarks): void {
    this.marks = marks;
    for (const { mesh, stitches } of this.meshes) {
      for (const [instance, stitch] of stitches.entries()) mesh.setColorAt(instance, this.colourOf(stitch));
      if (mesh.instanceColor) mesh.instanceColor.needsUpdate = true;
    }
    if (this.far) paintFar(this.far.geometry, this.triangles(), this.colourOf);
  }

  private readonly seen = new Color();
  private readonly colourOf = (stitch: number): Color => {
    const { lit, wrong } = this.marks;
    this.seen.copy(this.painted[this.shape.stitches.colour[stitch]!] ?? LIT);
    if (wrong.has(stitch)) return this.seen.lerp(WRONG, 0.75);
    return lit.has(stitch) ? this.seen.lerp(LIT, 0.7) : this.seen;
  };

  private triangles(): Int32Array {
    return (this.ofTriangle ??= stitchesOfTriangles(this.shape));
  }

  /** Height above the table, in the unit of the scene. */
  get height(): number {
    return this.group.scale.y * this.shape.size[1];
  }

  /** Puts the place of each node in the scene into `at`, and calls. */
  eachPoint(at: Vector3, call: () => void): void {
    const { positions } = this.shape;
    for (let i = 0; i < positions.length; i += 3) {
      at.set(positions[i]!, positions[i + 1]!, positions[i + 2]);
      this.group.localToWorld(at);
      call();
    }
  }

  /** Puts it where it goes in the figure. */
  stand(stance: Stance): void {
    this.group.matrix.identity().decompose(this.group.position, this.group.quaternion, this.group.scale);
    placeIn(this.group, stance, this.mirrored);
  }

  setEyes(eyes: readonly FigureEye[]): void {
    this.figure.remove(...this.eyes);
    this.eyes = eyes.map(eyeOf);
    if (eyes.length > 0) this.figure.add(...this.eyes);
  }

  /** The stitch of a triangle of its surface, or null. */
  stitchOfFace(face: number): number | null {
    const stitch = this.triangles()[face] ?? -1;
    return stitch < 0 ? null : stitch;
  }

  setCoarse(coarse: boolean): void {
    for (const { mesh } of this.meshes) mesh.visible = !coarse;
    if (coarse && !this.far) {
      this.far = new Mesh(farSurface(this.shape), farMaterial());
      this.far.receiveShadow = true;
      this.figure.add(this.far);
      this.mark(this.marks);
    }
    if (this.far) this.far.visible = coarse;
  }

  dispose(): void {
    for (const { mesh } of this.meshes) {
      mesh.geometry.dispose();
      mesh.dispose();
    }
    this.lining.geometry.dispose();
    this.far?.geometry.dispose();
    this.far?.material.map?.dispose();
    this.far?.material.dispose();
  }

  private addStitches(look: YarnLook): void {
    const { shape } = this;
    const { stitches } = shape;
    const material = yarnMaterial(look);
    const detail = stitches.count > FINE_UP_TO ? COARSE : FINE;
    const byForm = new Map<StitchForm, number[]>(FORMS.map((form) => [form, []]));
    for (let i = 0; i < stitches.count; i++) for (const form of formsOf(shape, i)) byForm.get(form)!.push(i);
    const matrix = new Matrix4();
    for (const [form, own] of byForm) {
      if (own.length === 0) continue;
      const mesh = new InstancedMesh(stitchForm(form, detail), material, own.length);
      mesh.receiveShadow = true;
      for (const [instance, stitch] of own.entries()) mesh.setMatrixAt(instance, frameMatrix(shape, stitch, matrix));
      this.meshes.push({ mesh, stitches: own });
      this.figure.add(mesh);
    }
  }
}

/** Puts a body where it goes; what is worked with the left hand is the mirror image of that. */
function placeIn(group: Group, { turn, at }: Stance, mirrored: boolean): void {
  const [a, b, c, d, e, f, g, h, i] = turn as [number, number, number, number, number, number, number, number, number];
  const matrix = new Matrix4().set(a, d, g, at[0], b, e, h, at[1], c, f, i, at[2], 0, 0, 0, 1);
  const mirror = new Matrix4().makeScale(-1, 1, 1);
  group.applyMatrix4(mirrored ? mirror.clone().multiply(matrix).multiply(mirror) : matrix);
}

function liningOf({ positions, normals, triangles, stitches }: BodyShape, painted: readonly Color[]): BufferGeometry {
  const geometry = new BufferGeometry();
  const inset = positions.map((value, i) => value - 0.06 * normals[i]!);
  geometry.setAttribute('position', new BufferAttribute(inset, 3));
  geometry.setAttribute('normal', new BufferAttribute(normals, 3));
  geometry.setAttribute('color', new BufferAttribute(nodeColours(positions.length / 3, triangles, stitches, painted), 3));
  geometry.setIndex(new BufferAttribute(new Uint32Array(triangles), 1));
  return geometry;
}

/** A round's start is followed up the piece by a thread laid over it, as makers lay one in for a marker. */
const THREAD = new Color('#2f6fd0');
const THREAD_RADIUS = 0.085;
const OVER_STITCHES = 0.42;

function markerThreads({ stitches, positions, normals }: BodyShape): Mesh[] {
  const ways = new Map<number, Vector3[]>();
  for (let i = 0; i < stitches.count; i++) {
    if (!stitches.starts[i]) continue;
    const k = 3 * stitches.node[i]!;
    const point = (of: Float32Array): Vector3 => new Vector3(of[k], of[k + 1], of[k + 2]);
    const piece = stitches.piece[i]!;
    ways.set(piece, [...(ways.get(piece) ?? []), point(positions).addScaledVector(point(normals), OVER_STITCHES)]);
  }
  const material = new MeshStandardMaterial({ color: THREAD, roughness: 0.8 });
  return [...ways.values()].flatMap((points) =>
    points.length < 3
      ? []
      : [new Mesh(new TubeGeometry(new CatmullRomCurve3(points), 3 * points.length, THREAD_RADIUS, 6), material)],
  );
}

/** An eye half sunk into the fabric, seated on it with a rim. */
function eyeOf({ at, out, radius, flat }: FigureEye): Group {
  if (flat) return markOf({ at, out, radius, flat });
  const glass = new MeshPhysicalMaterial({ color: '#0b0d10', roughness: 0.1, clearcoat: 1 });
  const eye = new Group();
  const dome = new Mesh(new SphereGeometry(radius, 32, 20, 0, 2 * Math.PI, 0, Math.PI / 2), glass);
  dome.scale.y = 0.72;
  dome.castShadow = true;
  const seat = new Mesh(new TorusGeometry(radius * 0.98, radius * 0.09, 10, 32), glass);
  seat.rotation.x = Math.PI / 2;
  eye.add(dome, seat);
  const outwards = new Vector3(...out).normalize();
  eye.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), outwards);
  eye.position.set(...at).addScaledVector(outwards, 0.3);
  return eye;
}

/** What is stitched on lies flat. */
function markOf({ at, out, radius, flat }: FigureEye): Group {
  const mark = new Group();
  const dome = new Mesh(
    new SphereGeometry(radius, 20, 10),
    new MeshStandardMaterial({ color: flat ?? '#39434d', roughness: 0.9 }),
  );
  dome.scale.y = 0.22;
  mark.add(dome);
  const outwards = new Vector3(...out).normalize();
  mark.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), outwards);
  mark.position.set(...at).addScaledVector(outwards, 0.42);
  return mark;
}

/** The shade right where a body touches the table. */
function shadeUnder({ positions }: BodyShape): Mesh {
  let foot = 1;
  for (let i = 0; i < positions.length; i += 3)
    if (positions[i + 1]! < 1.5) foot = Math.max(foot, Math.hypot(positions[i]!, positions[i + 2]!));
  const shade = new Mesh(new CircleGeometry(1, 48), contactMaterial());
  shade.rotation.x = -Math.PI / 2;
  shade.position.y = -0.32;
  shade.scale.setScalar(1.25 * foot);
  return shade;
}

function contactMaterial(): MeshBasicMaterial {
  const material = new MeshBasicMaterial({ color: '#2a2013', transparent: true, opacity: 0.28, depthWrite: false });
  // From its middle outwards it fades away.
  material.onBeforeCompile = (shader) => {
    shader.vertexShader = shader.vertexShader.replace('void main() {', 'varying vec2 way;\nvoid main() {\n  way = position.xy;');
    shader.fragmentShader = shader.fragmentShader
      .replace('void main() {', 'varying vec2 way;\nvoid main() {')
      .replace(
        '#include <dithering_fragment>',
        '#include <dithering_fragment>\n  gl_FragColor.a *= pow(max(0.0, 1.0 - length(way)), 1.4);',
      );
  };
  return material;
}

/** The forms one stitch is drawn in. */
function formsOf({ stitches }: BodyShape, i: number): StitchForm[] {
  const name = STITCH_NAMES[stitches.stitch[i]!]!;
  const change = CHANGES[stitches.change[i]!]!;
  const body: StitchForm =
    name === 'sl st' || name === 'ch' ? 'lying' : name !== 'sc' ? 'tall' : change === 'plain' ? 'plain' : change;
  const forms: StitchForm[] = [body];
  if (LOOPS[stitches.loop[i]!] === 'back') forms.push('ridge');
  if (stitches.edge[i] && body !== 'lying') forms.push('edge');
  return forms;
}

function frameMatrix({ stitches: { frames } }: BodyShape, stitch: number, matrix: Matrix4): Matrix4 {
  const k = FRAME * stitch;
  const vector = (at: number): Vector3 => new Vector3(frames[k + at], frames[k + at + 1], frames[k + at + 2]);
  // A little wider than it is, so that neighbours touch.
  matrix.makeBasis(vector(3).multiplyScalar(1.06), vector(6), vector(9).multiplyScalar(0.95));
  return matrix.setPosition(vector(0));
}

function nodeColours(
  nodes: number,
  triangles: Int32Array,
  { node, colour, count }: BodyShape['stitches'],
  painted: readonly Color[],
): Float32Array {
  const colours = new Float32Array(3 * nodes);
  const known = new Uint8Array(nodes);
  const set = (at: number, { r, g, b }: Color): void => {
    colours.set([0.72 * r, 0.72 * g, 0.72 * b], 3 * at);
    known[at] = 1;
  };
  for (let i = 0; i < count; i++) set(node[i]!, painted[colour[i]!] ?? LIT);
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const from = corners.find((corner) => known[corner]);
    if (from === undefined) continue;
    for (const corner of corners)
      if (!known[corner]) {
        colours.copyWithin(3 * corner, 3 * from, 3 * from + 3);
        known[corner] = 1;
      }
  }
  return colours;
}
