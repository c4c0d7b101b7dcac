import { Component, computed, input } from '@angular/core';
import { Graph, layout } from '@dagrejs/dagre';
import { stepTitle } from '@lemniscus/core/assembly';
import { curveBasis, line } from 'd3-shape';
import type { StepAt } from '../data/follows/assembling';

const BOX = { width: 156, height: 46 };
/** The room it is usually drawn in, width over height. */
const ROOM = 1.35;
const MOST_LETTERS = 40;
/** More steps than this are read in the list. */
const MOST_DRAWN = 120;

interface DrawnStep {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly lines: readonly string[];
  readonly state: StepAt['state'];
}

/** The order of the steps, drawn: what waits for what, from left to right. */
@Component({
  selector: 'lem-order-graph',
  template: `
    <svg [attr.viewBox]="'-8 -8 ' + (drawn().width + 16) + ' ' + (drawn().height + 16)" role="img" [attr.aria-label]="label()">
      <defs>
        <marker id="order-tip" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M0 0L8 4L0 8Z" />
        </marker>
      </defs>
      @for (edge of drawn().edges; track edge.id) {
        <path class="edge" [class.easier]="edge.easier" [attr.d]="edge.path" marker-end="url(#order-tip)" />
      }
      @for (step of drawn().steps; track step.id) {
        <g [class]="step.state" [attr.transform]="'translate(' + step.x + ' ' + step.y + ')'">
          <rect x="-78" y="-23" width="156" height="46" rx="13" />
          @for (words of step.lines; track $index) {
            <text [attr.y]="step.lines.length === 1 ? 5 : $index * 17 - 4">{{ words }}</text>
          }
        </g>
      }
    </svg>
    <p>
      {{
        hidden() > 0
          ? hidden() + ' more steps are in the list.'
          : 'An arrow: the step it points to waits for the other. Dashed: it could wait, but is easier so.'
      }}
    </p>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      padding: 4px 18px 12px;
    }
    svg {
      flex: 1;
      min-height: 0;
      width: 100%;
    }
    rect {
      fill: var(--card);
      stroke: var(--faint);
      stroke-width: 1.6;
    }
    text {
      font-size: 14.5px;
      text-anchor: middle;
      fill: var(--ink);
    }
    .ready rect,
    .later rect {
      stroke: var(--act);
      stroke-width: 3;
    }
    .done rect,
    .not rect {
      fill: var(--dec-wash);
      stroke: var(--dec-mark);
    }
    .not rect {
      stroke-dasharray: 4 4;
    }
    .waits text {
      fill: var(--soft);
    }
    .edge {
      fill: none;
      stroke: var(--soft);
      stroke-width: 1.5;
    }
    .easier {
      stroke-dasharray: 4 4;
    }
    marker path {
      fill: var(--soft);
    }
    p {
      color: var(--soft);
      font-size: 14.5px;
    }
  `,
})
export class OrderGraph {
  readonly steps = input.required<readonly StepAt[]>();

  protected readonly hidden = computed(() => Math.max(0, this.steps().length - MOST_DRAWN));
  protected readonly drawn = computed(() => {
    const steps = this.steps().slice(0, MOST_DRAWN);
    // Whichever way it comes out larger in its room.
    const [across, down] = [laidOut(steps, 'LR'), laidOut(steps, 'TB')];
    const size = ({ width, height }: typeof across): number => Math.max(width / ROOM, height);
    return size(across) <= size(down) ? across : down;
  });
  protected readonly label = computed(
    () =>
      `The order of ${this.steps().length} steps: ${this.steps()
        .map(({ step }) => stepTitle(step))
        .join(', then ')}`,
  );
}

function laidOut(
  steps: readonly StepAt[],
  rankdir: 'LR' | 'TB',
): {
  readonly steps: readonly DrawnStep[];
  readonly edges: readonly { readonly id: string; readonly path: string; readonly easier: boolean }[];
  readonly width: number;
  readonly height: number;
} {
  const graph = new Graph();
  graph.setGraph({ rankdir, nodesep: 12, ranksep: 30 });
  graph.setDefaultEdgeLabel(() => ({}));
  const shown = new Set(steps.map(({ step }) => step.id));
  for (const { step } of steps) graph.setNode(step.id, { ...BOX });
  const waits = steps.flatMap(({ step }) =>
    step.waits
      .filter(({ step: from }) => shown.has(from))
      .map(({ step: from, because }) => ({ from, to: step.id, easier: because === 'easier' })),
  );
  for (const { from, to } of waits) graph.setEdge(from, to);
  layout(graph);
  const curve = line<{ x: number; y: number }>(
    ({ x }) => x,
    ({ y }) => y,
  ).curve(curveBasis);
  const { width = 1, height = 1 } = graph.graph() as { width?: number; height?: number };
  return {
    width,
    height,
    steps: steps.map(({ step, state }) => {
      const { x, y } = graph.node(step.id) as { x: number; y: number };
      return { id: step.id, x, y, lines: inTwo(stepTitle(step)), state };
    }),
    edges: waits.map(({ from, to, easier }) => {
      const { points } = graph.edge(from, to) as { points: { x: number; y: number }[] };
      return { id: `${from} ${to}`, path: curve(points) ?? '', easier };
    }),
  };
}

/** Words in one line, or in two of about a length. */
function inTwo(words: string): readonly string[] {
  const short = words.length > MOST_LETTERS ? `${words.slice(0, MOST_LETTERS - 1)}…` : words;
  if (short.length <= 19) return [short];
  const cut = short.lastIndexOf(' ', Math.ceil(short.length / 2) + 3);
  return cut < 0 ? [short] : [short.slice(0, cut), short.slice(cut + 1)];
}
