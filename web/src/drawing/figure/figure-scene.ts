import { CHANGES, FRAME, type BodyShape } from '@lemniscus/core/shape';
import { STITCH_NAMES } from '@lemniscus/core/notation';
import { LOOPS } from '@lemniscus/core/fabric';
import {
  ACESFilmicToneMapping,
  BufferAttribute,
  BufferGeometry,
  CircleGeometry,
  Color,
  DirectionalLight,
  Group,
  HemisphereLight,
  InstancedMesh,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  MeshPhysicalMaterial,
  PCFShadowMap,
  PerspectiveCamera,
  PlaneGeometry,
  Raycaster,
  Scene,
  ShadowMaterial,
  SphereGeometry,
  TorusGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import type { FigureView } from './figure-view';
import { COARSE, FINE, stitchForm, type StitchForm } from './stitch-forms';
import { liningMaterial, litColour, yarnMaterial, type YarnLook } from './yarn-material';

/** What a figure is painted with, beside its shape. */
export interface FigurePaint {
  /** CSS colour of each of the shape's colours. */
  readonly colours: readonly string[];
  readonly look: YarnLook;
  readonly evening: boolean;
  /** Worked with the left hand, it is the mirror image. */
  readonly mirrored: boolean;
}

/** An eye: where it is set, outwards from there, and its radius, all in stitch widths. */
export interface FigureEye {
  readonly at: readonly [number, number, number];
  readonly out: readonly [number, number, number];
  readonly radius: number;
}

/** Stitches that stand out, by their index in the shape: those of the line looked at, and those with a slip. */
export interface FigureMarks {
  readonly lit: ReadonlySet<number>;
  readonly wrong: ReadonlySet<number>;
}

const FOV = 28;
/** Strands are drawn finely up to so many stitches. */
const FINE_UP_TO = 1_600;
const LIT = new Color('#3f7fd0');
const WRONG = new Color('#c8322b');

/** Form names in the order their meshes are kept. */
const FORMS: readonly StitchForm[] = ['plain', 'increase', 'decrease', 'tall', 'lying', 'ridge', 'edge'];

/** A figure on the worktable, drawn with WebGL. Throws where there is none. */
export class FigureScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(FOV, 1, 0.1, 4_000);
  private readonly figure = new Group();
  private readonly key = new DirectionalLight('#fff3df', 2.6);
  private readonly sky = new HemisphereLight('#fff8ea', '#b8a68c', 1.15);
  private readonly rim = new DirectionalLight('#dbe8ff', 0.9);
  private readonly table = new Mesh(new PlaneGeometry(1, 1), new ShadowMaterial({ opacity: 0.2 }));
  private readonly contact = new Mesh(new CircleGeometry(1, 48), contactMaterial());
  /** For every mesh of a form, the stitch of each instance. */
  private readonly meshes: { readonly mesh: InstancedMesh; readonly stitches: readonly number[] }[] = [];
  private lining: Mesh | null = null;
  private shape: BodyShape | null = null;
  private painted: readonly Color[] = [];
  private middle = 1;
  private reach = 1;
  /** Share of the width that the figure may take. */
  private free = 1;

  constructor(private readonly host: HTMLElement) {
    this.renderer = new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true });
    this.renderer.toneMapping = ACESFilmicToneMapping;
    this.renderer.shadowMap.enabled = true;
    this.renderer.shadowMap.type = PCFShadowMap;
    this.renderer.domElement.setAttribute('aria-hidden', 'true');
    host.prepend(this.renderer.domElement);
    this.key.castShadow = true;
    this.key.shadow.mapSize.set(1024, 1024);
    this.key.shadow.bias = -0.0006;
    this.key.shadow.radius = 5;
    this.table.rotation.x = this.contact.rotation.x = -Math.PI / 2;
    this.table.receiveShadow = true;
    this.scene.add(this.figure, this.key, this.key.target, this.sky, this.rim, this.table, this.contact);
  }

  /** Takes the size of its host, and leaves `left` pixels of it free. */
  fit(left: number): void {
    const { clientWidth, clientHeight } = this.host;
    if (clientWidth === 0 || clientHeight === 0) return;
    this.renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    this.renderer.setSize(clientWidth, clientHeight);
    this.camera.aspect = clientWidth / clientHeight;
    this.free = Math.max(0.3, (clientWidth - left) / clientWidth);
    this.camera.setViewOffset(clientWidth, clientHeight, -left / 2, 0, clientWidth, clientHeight);
  }

  show(shape: BodyShape, paint: FigurePaint): void {
    this.clear();
    this.shape = shape;
    this.painted = paint.colours.map(litColour);
    this.renderer.toneMappingExposure = paint.evening ? 1.05 : 1.2;
    this.rim.intensity = paint.evening ? 1.8 : 0.9;
    this.figure.scale.x = paint.mirrored ? -1 : 1;
    this.addLining(shape);
    this.addStitches(shape, paint.look);
    this.setOnTable(shape);
    this.mark({ lit: new Set(), wrong: new Set() });
  }

  /** Sets the eyes, each half sunk into the fabric and seated on it with a rim. */
  setEyes(eyes: readonly FigureEye[]): void {
    for (const old of this.figure.children.filter(({ name }) => name === 'eye')) this.figure.remove(old);
    const glass = new MeshPhysicalMaterial({ color: '#0b0d10', roughness: 0.1, clearcoat: 1 });
    for (const { at, out, radius } of eyes) {
      const eye = new Group();
      eye.name = 'eye';
      const dome = new Mesh(new SphereGeometry(radius, 32, 20, 0, 2 * Math.PI, 0, Math.PI / 2), glass);
      dome.scale.y = 0.72;
      const seat = new Mesh(new TorusGeometry(radius * 0.98, radius * 0.09, 10, 32), glass);
      seat.rotation.x = Math.PI / 2;
      dome.castShadow = true;
      eye.add(dome, seat);
      const outwards = new Vector3(...out).normalize();
      eye.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), outwards);
      eye.position.set(...at).addScaledVector(outwards, 0.3);
      this.figure.add(eye);
    }
  }

  mark({ lit, wrong }: FigureMarks): void {
    const { shape } = this;
    if (!shape) return;
    const colour = new Color();
    for (const { mesh, stitches } of this.meshes) {
      for (const [instance, stitch] of stitches.entries()) {
        colour.copy(this.painted[shape.stitches.colour[stitch]!] ?? LIT);
        if (wrong.has(stitch)) colour.lerp(WRONG, 0.75);
        else if (lit.has(stitch)) colour.lerp(LIT, 0.7);
        mesh.setColorAt(instance, colour);
      }
      if (mesh.instanceColor) mesh.instanceColor.needsUpdate = true;
    }
  }

  /** Draws it. While it moves on a slow device the lining alone is shown. */
  draw(view: FigureView, coarse = false): void {
    for (const { mesh } of this.meshes) mesh.visible = !coarse;
    const distance = this.distance(view);
    const level = Math.cos(view.tip) * distance;
    const { position } = this.camera;
    position.set(level * Math.sin(view.turn), this.middle + Math.sin(view.tip) * distance, level * Math.cos(view.turn));
    this.camera.lookAt(0, this.middle, 0);
    this.light(view);
    this.renderer.render(this.scene, this.camera);
  }

  /** Pixels of the host that a stitch width takes at the figure's middle. */
  pixelsPerUnit(view: FigureView): number {
    return this.host.clientHeight / (2 * Math.tan((FOV * Math.PI) / 360) * this.distance(view));
  }

  /** Height of the figure's middle above its foot, stitch widths. */
  get middleHeight(): number {
    return this.middle;
  }

  /** The stitch seen at a place of the host, or null. */
  pick(x: number, y: number): number | null {
    const at = new Vector2((2 * x) / this.host.clientWidth - 1, 1 - (2 * y) / this.host.clientHeight);
    const ray = new Raycaster();
    ray.setFromCamera(at, this.camera);
    let [best, near] = [null as number | null, Infinity];
    for (const { mesh, stitches } of this.meshes) {
      const [hit] = ray.intersectObject(mesh, false);
      if (hit?.instanceId === undefined || hit.distance >= near) continue;
      near = hit.distance;
      best = stitches[hit.instanceId]!;
    }
    return best;
  }

  /** The figure's surface with its colours, for files. */
  surface(): Mesh | null {
    return this.lining;
  }

  picture(): Promise<Blob | null> {
    return new Promise((resolve) => this.renderer.domElement.toBlob(resolve, 'image/png'));
  }

  dispose(): void {
    this.clear();
    this.renderer.dispose();
    this.renderer.forceContextLoss();
    this.renderer.domElement.remove();
  }

  private distance({ near }: FigureView): number {
    const fits = this.reach / Math.tan((FOV * Math.PI) / 360) / Math.min(1, this.camera.aspect * this.free);
    return (1.22 * fits) / near;
  }

  /** Light comes over the left shoulder of whoever looks, wherever they stand. */
  private light({ turn }: FigureView): void {
    const around = (angle: number, far: number, high: number): Vector3 =>
      new Vector3(far * Math.sin(turn + angle), high, far * Math.cos(turn + angle));
    const { reach } = this;
    this.key.position.copy(around(-0.6, 2.6 * reach, this.middle + 3.2 * reach));
    this.key.target.position.set(0, this.middle, 0);
    this.rim.position.copy(around(2.4, 3 * reach, this.middle + reach));
  }

  private clear(): void {
    for (const { mesh } of this.meshes) {
      mesh.geometry.dispose();
      mesh.dispose();
    }
    this.meshes.length = 0;
    this.lining?.geometry.dispose();
    this.lining = null;
    this.figure.clear();
  }

  private addStitches(shape: BodyShape, look: YarnLook): void {
    const { stitches } = shape;
    const material = yarnMaterial(look);
    const detail = stitches.count > FINE_UP_TO ? COARSE : FINE;
    const byForm = new Map<StitchForm, number[]>(FORMS.map((form) => [form, []]));
    for (let i = 0; i < stitches.count; i++) for (const form of formsOf(shape, i)) byForm.get(form)!.push(i);
    const matrix = new Matrix4();
    for (const [form, own] of byForm) {
      if (own.length === 0) continue;
      const mesh = new InstancedMesh(stitchForm(form, detail), material, own.length);
      mesh.castShadow = mesh.receiveShadow = true;
      for (const [instance, stitch] of own.entries()) mesh.setMatrixAt(instance, frameMatrix(shape, stitch, matrix));
      this.meshes.push({ mesh, stitches: own });
      this.figure.add(mesh);
    }
  }

  private addLining({ positions, normals, triangles, stitches }: BodyShape): void {
    const geometry = new BufferGeometry();
    const inset = positions.map((value, i) => value - 0.06 * normals[i]!);
    geometry.setAttribute('position', new BufferAttribute(inset, 3));
    geometry.setAttribute('normal', new BufferAttribute(normals, 3));
    geometry.setAttribute('color', new BufferAttribute(nodeColours(positions.length / 3, triangles, stitches, this.painted), 3));
    geometry.setIndex(new BufferAttribute(new Uint32Array(triangles), 1));
    this.lining = new Mesh(geometry, liningMaterial());
    this.figure.add(this.lining);
  }

  private setOnTable({ positions }: BodyShape): void {
    let [high, wide, foot] = [0, 0, 0];
    for (let i = 0; i < positions.length; i += 3) {
      high = Math.max(high, positions[i + 1]!);
      const far = Math.hypot(positions[i]!, positions[i + 2]!);
      wide = Math.max(wide, far);
      if (positions[i + 1]! < 1.5) foot = Math.max(foot, far);
    }
    this.middle = high / 2;
    this.reach = Math.max(2, high / 2, wide);
    const size = 12 * this.reach;
    this.table.scale.set(size, size, 1);
    this.table.position.y = -0.34;
    this.contact.position.y = -0.32;
    this.contact.scale.setScalar(Math.max(1, foot) * 1.25);
    Object.assign(this.key.shadow.camera, {
      left: -2 * this.reach,
      right: 2 * this.reach,
      top: 2 * this.reach,
      bottom: -2 * this.reach,
      near: 0.1,
      far: 10 * this.reach,
    });
    this.key.shadow.camera.updateProjectionMatrix();
    this.key.shadow.normalBias = 0.12;
  }
}

/** The shade right where the figure touches the table. */
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
