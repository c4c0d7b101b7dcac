import { look, type Run } from '@lemniscus/core/strand';
import type { Vector } from '@lemniscus/core/vector';
import type { DrawnStrand, Mark, Sight, Tone } from '@lemniscus/core/drawn';

/** Width of the picture, in its own units. */
export const PICTURE_WIDTH = 640;
/** Half the line round every strand, in the picture's units. */
const LINE = 1.6;

type Spot = readonly [number, number];

/** From stitch widths on paper to the picture. */
function paper({ view: [left, top, width] }: Sight, way: number): (spot: Spot) => Spot {
  const scale = PICTURE_WIDTH / width;
  // The view is given as a right hand works: for a left hand it is the mirror image.
  const from = way === -1 ? left : -(left + width);
  return ([x, y]) => [(x - from) * scale, (y - top) * scale];
}

const n = (value: number): string => value.toFixed(1);

/** A smooth line through the middles between points. */
function line(spots: readonly Spot[]): string {
  const [first, last] = [spots[0]!, spots.at(-1)!];
  let path = `M${n(first[0])} ${n(first[1])}`;
  for (let i = 1; i + 1 < spots.length; i++) {
    const [[x, y], [nextX, nextY]] = [spots[i]!, spots[i + 1]!];
    path += `Q${n(x)} ${n(y)} ${n((x + nextX) / 2)} ${n((y + nextY) / 2)}`;
  }
  return `${path}L${n(last[0])} ${n(last[1])}`;
}

const stroke = (name: string, path: string, width: number): string =>
  `<path class="${name}" d="${path}" stroke-width="${n(width)}"/>`;

/** A run as even as yarn: a casing, the strand, its plies, and a dim where it lies behind the work. */
function paintYarn(run: Run, spots: readonly Spot[], width: number, scale: number): string {
  const path = line(spots);
  const ends = run.ends.map((own, i) => {
    if (!own) return '';
    const [x, y] = spots.at(-i)!;
    const disc = (name: string, radius: number): string => `<circle class="${name}" cx="${n(x)}" cy="${n(y)}" r="${n(radius)}"/>`;
    return disc('cap-edge', width / 2 + LINE) + disc('cap', width / 2);
  });
  const plies = `stroke-dasharray="${n(0.09 * scale)} ${n(0.1 * scale)}" stroke-dashoffset="${n(-run.from * scale)}"`;
  return (
    ends.join('') +
    stroke('edge', path, width + 2 * LINE) +
    stroke('body', line(lengthened(spots)), width) +
    `<path class="ply" d="${path}" stroke-width="${n(width * 0.22)}" ${plies} transform="translate(${n(-width * 0.12)} ${n(-width * 0.14)})"/>` +
    (run.near < -0.1 ? stroke('behind', path, width) : '')
  );
}

/** A little longer at both ends, so that no line shows where a strand goes on in the next run. */
function lengthened(spots: readonly Spot[]): readonly Spot[] {
  if (spots.length < 2) return spots;
  const beyond = ([ax, ay]: Spot, [bx, by]: Spot): Spot => {
    const length = Math.hypot(ax - bx, ay - by) || 1;
    return [ax + ((ax - bx) / length) * 3, ay + ((ay - by) / length) * 3];
  };
  return [beyond(spots[0]!, spots[1]!), ...spots, beyond(spots.at(-1)!, spots.at(-2)!)];
}

/** A run that is thicker in one place than in another: a hook, a needle, a finger. */
function paintTapered(run: Run, spots: readonly Spot[], scale: number): string {
  const sides = [1, -1].map((side) =>
    spots.map(([x, y], i): Spot => {
      const [before, after] = [spots[Math.max(0, i - 1)]!, spots[Math.min(spots.length - 1, i + 1)]!];
      const length = Math.hypot(after[0] - before[0], after[1] - before[1]) || 1;
      const away = (side * run.radii[i]! * scale) / length;
      return [x - (after[1] - before[1]) * away, y + (after[0] - before[0]) * away];
    }),
  );
  const outline = `${line(sides[0]!)}L${line([...sides[1]!].reverse()).slice(1)}Z`;
  return `<path class="solid" d="${outline}"/>${sides.map((side) => stroke('rim', line(side), LINE)).join('')}`;
}

/** Runs as the content of an SVG picture, from the back to the front; what each is, is said by its class. */
export function paintRuns(runs: readonly Run[], strands: readonly DrawnStrand[], sight: Sight, way: 1 | -1): string {
  const onPaper = paper(sight, way);
  const scale = PICTURE_WIDTH / sight.view[2];
  const known = new Map(strands.map((strand) => [strand.id, strand]));
  return runs
    .map((run) => {
      const strand = known.get(run.strand)!;
      const spots = run.points.map(onPaper);
      const width = 2 * run.radii[0]! * scale;
      const shade = run.over.map(([from, to]) =>
        to > from ? stroke('shade', line(spots.slice(from, to + 1)), width + 0.12 * scale) : '',
      );
      const even = typeof strand.radius === 'number';
      const body = even ? paintYarn(run, spots, width, scale) : paintTapered(run, spots, scale);
      return `<g class="${classOf(strand.tone)}${strand.moves ? ' moves' : ''}">${shade.join('')}${body}</g>`;
    })
    .join('');
}

const classOf = (tone: Tone): string => tone.replace(' ', '-');

/** Where a place of the drawing is in the picture. */
export function onPicture(point: Vector, sight: Sight, way: 1 | -1): Spot {
  const [x, y] = look(point, { ...sight.camera, way });
  return paper(sight, way)([x, y]);
}

/** Numbers, lines and arrows on top of the strands. */
export function paintMarks(marks: readonly Mark[], sight: Sight, way: 1 | -1): string {
  const at = (point: Vector): Spot => onPicture(point, sight, way);
  return marks
    .map((mark) => {
      if (mark.is === 'number') {
        const [x, y] = at(mark.at);
        return `<text class="mark" x="${n(x)}" y="${n(y)}">${mark.text}</text>`;
      }
      const [from, to] = [at(mark.from), at(mark.to)];
      const head = mark.is === 'arrow' ? arrowHead(from, to) : '';
      return `<path class="mark ${mark.is}" d="M${from.map(n).join(' ')}L${to.map(n).join(' ')}"/>${head}`;
    })
    .join('');
}

function arrowHead(from: Spot, to: Spot): string {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]) || 1;
  const [x, y] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const wing = (side: number): string => `${n(to[0] - 16 * x - side * 9 * y)} ${n(to[1] - 16 * y + side * 9 * x)}`;
  return `<path class="mark head" d="M${wing(1)}L${to.map(n).join(' ')}L${wing(-1)}"/>`;
}
