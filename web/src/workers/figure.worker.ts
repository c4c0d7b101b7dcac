import { bodyOf, figureFabric } from '@lemniscus/core/fabric';
import { bodyShape, bodyToRelax, faceOf, mainPiece, standsOnStart, type BodyAtRest, type Pose } from '@lemniscus/core/shape';
import type { FigureAnswer, FigureQuestion, FigureRequest } from './figure-messages';

/** Work between two looks at what was asked meanwhile, and between two shapes shown, ms. */
const TURN_MS = 25;
const SHOW_MS = 90;
const STEPS = 10;
/** A body of usual size is at rest after about so many steps: what progress is guessed by. */
const USUAL_STEPS = 300;

interface Task {
  readonly question: FigureQuestion;
  readonly body: BodyAtRest;
  shown: number;
}

const tasks = new Map<string, Task>();
/** How each asker's body lay last, to begin from when it is changed. */
const lay = new Map<string, { readonly part: number; readonly body: BodyAtRest }>();
let running = false;

addEventListener('message', ({ data }: MessageEvent<FigureRequest>) => {
  if ('stop' in data) stop(data.stop);
  else begin(data.ask);
});

function begin(question: FigureQuestion): void {
  const { slot, parts, part, copy, ratio, stretch } = question;
  tasks.delete(slot);
  try {
    const figure = figureFabric({ parts });
    const at = bodyOf(figure, part, copy);
    if (at < 0) {
      answer(question, null, false);
      return;
    }
    const before = lay.get(slot);
    const warm = before?.part === part ? { before: { net: before.body.net, positions: before.body.relaxation.positions } } : {};
    const body = bodyToRelax(figure, at, ratio, { firmness: stretch, ...warm });
    lay.set(slot, { part, body });
    tasks.set(slot, { question, body, shown: performance.now() });
    if (!running) schedule();
  } catch (error) {
    answer(question, null, false);
    throw error;
  }
}

function stop(slot: string): void {
  const task = tasks.get(slot);
  tasks.delete(slot);
  if (task) answer(task.question, task.body, false);
}

function schedule(): void {
  running = tasks.size > 0;
  if (running) setTimeout(turn, 0);
}

/** A little of every task in turn, so that none waits for another. */
function turn(): void {
  for (const [slot, task] of tasks) {
    const end = performance.now() + TURN_MS;
    const { relaxation } = task.body;
    while (relaxation.outcome === 'going' && performance.now() < end) relaxation.run(STEPS);
    const going = relaxation.outcome === 'going';
    if (!going) tasks.delete(slot);
    if (going && performance.now() - task.shown < SHOW_MS) continue;
    answer(task.question, task.body, going);
    task.shown = performance.now();
  }
  schedule();
}

function answer(question: FigureQuestion, body: BodyAtRest | null, going: boolean): void {
  const { slot, id } = question;
  const steps = body?.relaxation.rest.steps ?? 0;
  const shape = body && bodyShape(body, poseOf(question, body));
  const said: FigureAnswer = { slot, id, shape, going, share: going ? 1 - 1 / (1 + steps / USUAL_STEPS) : 1 };
  const moved = shape ? [shape.positions.buffer, shape.normals.buffer, shape.stitches.frames.buffer] : [];
  postMessage(said, { transfer: moved });
}

/** Its largest piece says how a body stands, and where its face is. */
function poseOf({ parts, upright }: FigureQuestion, { net }: BodyAtRest): Pose {
  const { piece } = net.pieces[mainPiece(net)]!;
  return { upright: upright ?? standsOnStart(piece.fabric), front: faceOf(parts[piece.part]!)?.round ?? null };
}
