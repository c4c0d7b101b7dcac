import type { BodyShape } from '@lemniscus/core/shape';
import {
  ACESFilmicToneMapping,
  DirectionalLight,
  HemisphereLight,
  Mesh,
  PCFShadowMap,
  PerspectiveCamera,
  PlaneGeometry,
  Raycaster,
  Scene,
  ShadowMaterial,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three';
import { DrawnBody } from './drawn-body';
import type { FigureBody, FigureMarks, Held, Picked } from './figure-body';
import type { FigureView } from './figure-view';

const FOV = 16;
/** Stitches of fewer pixels are a picture on the surface (our own estimate). */
const SEEN_PIXELS = 3.5;

/** Figures on the worktable, drawn with WebGL. Throws where there is none. */
export class FigureScene {
  /** Signalled when the frame before is drawn. */
  private drawn: WebGLSync | null = null;
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(FOV, 1, 0.1, 4_000);
  private readonly key = new DirectionalLight('#fff3df', 2.6);
  private readonly sky = new HemisphereLight('#fff8ea', '#b8a68c', 1.15);
  private readonly rim = new DirectionalLight('#dbe8ff', 0.9);
  private readonly table = new Mesh(new PlaneGeometry(1, 1), new ShadowMaterial({ opacity: 0.2 }));
  private bodies: DrawnBody[] = [];
  private given: readonly FigureBody[] = [];
  /** Bodies in their places in one figure are walked around as one. */
  private together = false;
  private middle = 1;
  private reach = 1;
  /** Half the height over the reach. */
  private level = 1;
  /** Share of the width that the figure may take. */
  private free = 1;
  /** Share of the height that the figures may take. */
  private high = 1;

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
    this.table.rotation.x = -Math.PI / 2;
    this.table.receiveShadow = true;
    this.scene.add(this.key, this.key.target, this.sky, this.rim, this.table);
  }

  /** Takes the size of its host, and leaves `left` and `below` pixels of it free. */
  fit(left: number, below: number): void {
    const { clientWidth, clientHeight } = this.host;
    if (clientWidth === 0 || clientHeight === 0) return;
    this.renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    this.renderer.setSize(clientWidth, clientHeight);
    this.camera.aspect = clientWidth / clientHeight;
    this.free = Math.max(0.3, (clientWidth - left) / clientWidth);
    this.high = Math.max(0.3, (clientHeight - below) / clientHeight);
    this.camera.setViewOffset(clientWidth, clientHeight, -left / 2, below / 2, clientWidth, clientHeight);
  }

  /** Puts bodies on the table, in place of those that stood there. */
  show(bodies: readonly FigureBody[]): void {
    const before = this.given;
    this.given = bodies;
    if (before.length === bodies.length && bodies.every((body, i) => onlyMoved(body, before[i]!))) {
      for (const [i, { stance, eyes }] of bodies.entries()) {
        if (stance) this.bodies[i]!.stand(stance);
        if (eyes !== before[i]!.eyes) this.bodies[i]!.setEyes(eyes);
      }
      return;
    }
    this.clear();
    const evening = bodies[0]?.paint.evening ?? false;
    this.renderer.toneMappingExposure = evening ? 1.05 : 1.2;
    this.rim.intensity = evening ? 1.8 : 0.9;
    this.together = bodies.some(({ stance }) => stance !== undefined);
    this.bodies = bodies.map((body) => new DrawnBody(body));
    for (const { group } of this.bodies) this.scene.add(group);
    this.setOnTable(bodies);
  }

  mark(body: number, marks: FigureMarks): void {
    this.bodies[body]?.mark(marks);
  }

  /**
   * Draws it. While it moves on a slow device, and where stitches are smaller than can be seen, their picture on the surface
   * is shown. Several bodies each turn about themselves, so that
   * none hides another; a single one is walked around.
   */
  draw(view: FigureView, coarse = false): void {
    const several = this.bodies.length > 1 && !this.together;
    this.renderer.shadowMap.autoUpdate = !coarse;
    const distance = this.distance(view);
    const pixels = this.host.clientHeight / (2 * distance * Math.tan((this.camera.fov * Math.PI) / 360));
    for (const body of this.bodies) {
      body.setCoarse(coarse || pixels * body.group.scale.y < SEEN_PIXELS);
      if (!this.together) body.group.rotation.y = several ? -view.turn : 0;
    }
    const turn = several ? 0 : view.turn;
    const level = Math.cos(view.tip) * distance;
    const { position } = this.camera;
    position.set(level * Math.sin(turn), this.middle + Math.sin(view.tip) * distance, level * Math.cos(turn));
    this.camera.lookAt(0, this.middle, 0);
    this.light(turn);
    this.renderer.render(this.scene, this.camera);
    this.awaitDrawn();
  }

  /**
   * Whether the frame before is still being drawn: the graphics run behind the program, by seconds where there is no chip
   * for them, and every frame more would be waited for by whoever wants the last.
   */
  busy(): boolean {
    const gl = this.renderer.getContext() as WebGL2RenderingContext;
    if (!this.drawn) return false;
    if (!gl.isContextLost() && gl.getSyncParameter(this.drawn, gl.SYNC_STATUS) !== gl.SIGNALED) return true;
    gl.deleteSync(this.drawn);
    this.drawn = null;
    return false;
  }

  private awaitDrawn(): void {
    const gl = this.renderer.getContext() as WebGL2RenderingContext;
    if (this.drawn) gl.deleteSync(this.drawn);
    this.drawn = gl.fenceSync(gl.SYNC_GPU_COMMANDS_COMPLETE, 0);
    gl.flush();
  }

  /** From where to where the tallest body was seen when it was drawn last, pixels of the host from its top. */
  span(): { readonly top: number; readonly bottom: number } | null {
    const tallest = this.together
      ? null
      : this.bodies.reduce<DrawnBody | null>((most, body) => (most && most.height >= body.height ? most : body), null);
    const own = this.together ? this.bodies : tallest ? [tallest] : [];
    if (own.length === 0) return null;
    const at = new Vector3();
    let [low, high] = [Infinity, -Infinity];
    for (const body of own)
      body.eachPoint(at, () => {
        const y = at.project(this.camera).y;
        if (y < low) low = y;
        if (y > high) high = y;
      });
    const pixels = (y: number): number => ((1 - y) / 2) * this.host.clientHeight;
    return { top: pixels(high), bottom: pixels(low) };
  }

  /** The stitch seen at a place of the host, or null. */
  pick(x: number, y: number): Picked | null {
    const ray = this.rayAt(x, y);
    let [best, near] = [null as Picked | null, Infinity];
    for (const [body, drawn] of this.bodies.entries())
      for (const { mesh, stitches } of drawn.meshes) {
        const [hit] = ray.intersectObject(mesh, false);
        if (hit?.instanceId === undefined || hit.distance >= near) continue;
        near = hit.distance;
        best = { body, stitch: stitches[hit.instanceId]! };
      }
    return best;
  }

  /** What is seen at a place of the host, to be taken hold of: something set into a body, or a body. */
  held(x: number, y: number): Held | null {
    const ray = this.rayAt(x, y);
    let [best, near] = [null as Held | null, Infinity];
    for (const [body, { lining, eyes }] of this.bodies.entries())
      for (const [index, object] of [lining, ...eyes].entries()) {
        const [hit] = ray.intersectObject(object, true);
        if (!hit || hit.distance >= near) continue;
        near = hit.distance;
        best = { body, eye: index === 0 ? null : index - 1 };
      }
    return best;
  }

  /** The stitch seen at a place of the host, of any body but one. */
  over(x: number, y: number, but: number | null): Picked | null {
    const ray = this.rayAt(x, y);
    let [best, near] = [null as Picked | null, Infinity];
    for (const [body, drawn] of this.bodies.entries()) {
      if (body === but) continue;
      const [hit] = ray.intersectObject(drawn.lining, false);
      const stitch = hit?.faceIndex === undefined || hit.faceIndex === null ? null : drawn.stitchOfFace(hit.faceIndex);
      if (!hit || stitch === null || hit.distance >= near) continue;
      near = hit.distance;
      best = { body, stitch };
    }
    return best;
  }

  private rayAt(x: number, y: number): Raycaster {
    const at = new Vector2((2 * x) / this.host.clientWidth - 1, 1 - (2 * y) / this.host.clientHeight);
    const ray = new Raycaster();
    ray.setFromCamera(at, this.camera);
    return ray;
  }

  /** Where a point of the table is seen, pixels of the host from its left and its top. */
  seen(x: number, y: number): readonly [number, number] {
    const at = new Vector3(x, y, 0).project(this.camera);
    return [((at.x + 1) / 2) * this.host.clientWidth, ((1 - at.y) / 2) * this.host.clientHeight];
  }

  /** The surface of the first body with its colours, for files. */
  surface(): Mesh | null {
    return this.bodies[0]?.lining ?? null;
  }

  /** What is seen now, as the address of a picture. */
  snapshot(): string {
    return this.renderer.domElement.toDataURL('image/png');
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

  /** As near as lets it all be seen: its height upwards, its reach to either side. */
  private distance({ near }: FigureView): number {
    const fits = this.reach * Math.max(this.level / this.high, 1 / (this.camera.aspect * this.free));
    return (1.12 * fits) / Math.tan((FOV * Math.PI) / 360) / near;
  }

  /** Light comes over the left shoulder of whoever looks, wherever they stand. */
  private light(turn: number): void {
    const around = (angle: number, far: number, high: number): Vector3 =>
      new Vector3(far * Math.sin(turn + angle), high, far * Math.cos(turn + angle));
    const { reach } = this;
    this.key.position.copy(around(-0.6, 2.6 * reach, this.middle + 3.2 * reach));
    this.key.target.position.set(0, this.middle, 0);
    this.rim.position.copy(around(2.4, 3 * reach, this.middle + reach));
  }

  private clear(): void {
    for (const body of this.bodies) {
      this.scene.remove(body.group);
      body.dispose();
    }
    this.bodies = [];
  }

  private setOnTable(bodies: readonly FigureBody[]): void {
    let [high, wide] = [0, 0];
    for (const { shape, x, scale = 1 } of this.together ? [] : bodies) {
      high = Math.max(high, scale * shape.size[1]);
      wide = Math.max(wide, Math.abs(x) + scale * reachOf(shape));
    }
    if (this.together)
      for (const body of this.bodies) {
        const at = new Vector3();
        body.group.updateMatrixWorld(true);
        body.eachPoint(at, () => {
          high = Math.max(high, at.y);
          wide = Math.max(wide, Math.hypot(at.x, at.z));
        });
      }
    this.middle = high / 2;
    this.reach = Math.max(2, high / 2, wide);
    this.level = Math.max(2, high / 2) / this.reach;
    const size = 12 * this.reach;
    this.table.scale.set(size, size, 1);
    this.table.position.y = -0.34;
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

/** Whether a body of a figure is the one before, in the same yarn, somewhere else. */
function onlyMoved(body: FigureBody, before: FigureBody): boolean {
  return (
    body.stance !== undefined &&
    before.stance !== undefined &&
    body.shape === before.shape &&
    body.ghost === before.ghost &&
    JSON.stringify(body.paint) === JSON.stringify(before.paint)
  );
}

/** How far a shape reaches from its axis, stitch widths. */
function reachOf({ positions }: BodyShape): number {
  let far = 0;
  for (let i = 0; i < positions.length; i += 3) far = Math.max(far, Math.hypot(positions[i]!, positions[i + 2]!));
  return far;
}
