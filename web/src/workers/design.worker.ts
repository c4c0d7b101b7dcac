import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { aimAt, changePart, describeNoChange, LARGEST, resize, SMALLEST, type Reworked } from '@lemniscus/core/resize';
import { findSteps } from '@lemniscus/core/sketch';
import type { DesignAnswer, DesignQuestion, DesignRequest, Remade } from './design-messages';

/** The question of each asker that holds; what was asked before is left where it is. */
const latest = new Map<string, number>();

addEventListener('message', ({ data }: MessageEvent<DesignRequest>) => {
  if ('stop' in data) latest.delete(data.slot);
  else {
    latest.set(data.slot, data.id);
    void work(data.slot, data.id, data.ask);
  }
});

type Said = DesignAnswer extends infer A ? (A extends DesignAnswer ? Omit<A, 'slot' | 'id'> : never) : never;

async function work(slot: string, id: number, question: DesignQuestion): Promise<void> {
  const say = (said: Said): void => postMessage({ slot, id, ...said });
  const holds = (): boolean => latest.get(slot) === id;
  try {
    // What was asked quickly one after the other is answered once.
    await turn();
    if (!holds()) return;
    if (question.is !== 'find') {
      say({ remade: question.is === 'resize' ? resized(question) : changed(question) });
      return;
    }
    const steps = findSteps(question.part, question.gauge, question.rim);
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) {
        say({ found: step.value });
        return;
      }
      say({ share: step.value });
      await turn();
      if (!holds()) return;
    }
  } catch (error) {
    say({ trouble: error instanceof Error ? error.message : String(error) });
  }
}

/** Lets messages in that wait. */
const turn = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 0));

function resized({ text, aim, hands, only }: Extract<DesignQuestion, { is: 'resize' }>): Remade {
  const count = checkPattern(read(text));
  const parts = only && new Set(only);
  if (aim.to === 'by') {
    if (!(aim.by >= SMALLEST && aim.by <= LARGEST))
      return { refused: `From ${SMALLEST} to ${LARGEST} times as large can be made.` };
    return told(resize(text, count, aim.by, parts), aim.by, null);
  }
  const aimed = aimAt(text, count, aim, hands, parts);
  if (aimed) return told(aimed.made, aimed.by, aimed.reached);
  return { refused: aim.to === 'eyes' ? 'The pattern names no eye size to go by.' : 'There are no rounds to measure.' };
}

function changed({ text, part, change, stitch }: Extract<DesignQuestion, { is: 'change' }>): Remade {
  const made = changePart(text, checkPattern(read(text)), part, change, stitch);
  return 'code' in made ? { refused: describeNoChange(made) } : told(made, null, null);
}

const told = ({ text, looks }: Reworked, by: number | null, reached: number | null): Remade => ({
  text,
  by,
  reached,
  looks: looks.map(({ part, round }) => `${part}, R${round}`),
});
