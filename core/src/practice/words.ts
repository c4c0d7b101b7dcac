import { counted } from '../notation/index.js';
import type { TaskKind } from '../bounds/index.js';
import type { Option, Task } from './task.js';

/** What is practised, in a word or two. */
export const KIND_WORDS: Readonly<Record<TaskKind, string>> = {
  stitches: 'Counting stitches',
  rounds: 'Counting rounds',
  marker: 'Which round',
  increases: 'Finding increases',
  hidden: 'The hidden stitch',
  side: 'Outside or inside',
  loop: 'Which loop',
  apart: 'How far apart',
  slip: 'What went wrong',
  shape: 'How it grows',
  start: 'The creeping start',
};

/** What is asked. */
export function askWords({ kind, facts }: Task): string {
  switch (kind) {
    case 'stitches':
      return 'How many stitches has the top round?';
    case 'rounds':
      return 'How many rounds are worked?';
    case 'marker':
      return 'The marker sits in a round’s first stitch. Which round is being worked?';
    case 'increases':
      if (facts['own'] === undefined) return 'Tap every increase of the last round.';
      return `This is round ${facts['own']} as you will work it. Tap every ${facts['decreases'] ? 'decrease' : 'increase'}.`;
    case 'hidden':
      return 'A decrease is in the last round. Tap the stitch that hides beside it.';
    case 'side':
      return 'Is this the outside or the inside?';
    case 'loop':
      return 'One round may be worked through one loop only. Through which?';
    case 'apart':
      return 'How many stitches lie between the eyes?';
    case 'slip':
      return `The last round should have ${facts['due']}, and has ${facts['made']}. Count groups from the marker, the way the work goes. What happened?`;
    case 'shape':
      return 'How does this piece grow?';
    case 'start':
      return 'The thread runs through each round’s start. How many stitches more bring it back over the line?';
  }
}

export function optionWords(option: Option): string {
  switch (option.is) {
    case 'side':
      return option.side === 'outside' ? 'The outside' : 'The inside';
    case 'loop':
      return { both: 'Through both loops, all of it', back: 'The back loop', front: 'The front loop' }[option.loop];
    case 'shape':
      return {
        stacked: 'Round, increases above each other',
        staggered: 'Round, increases staggered',
        oval: 'Oval, on a chain',
      }[option.shape];
    case 'slip':
      return {
        'increase missing': `An increase is missing in group ${option.group}`,
        'increase too many': `One increase too many in group ${option.group}`,
        'stitch missed': `A stitch was passed over in group ${option.group}`,
      }[option.slip];
  }
}

/** Why that is the answer, to be read beside the marked picture. */
export function whyWords({ kind, ask, facts }: Task): string {
  const answer = ask.is === 'choice' ? optionWords(ask.answer) : '';
  switch (kind) {
    case 'stitches':
      return `${counted(facts['stitches']!, 'stitch')}: one V along the edge each, from the marker on.`;
    case 'rounds':
      return `${counted(facts['rounds']!, 'round')}: each ring from the middle out is one, and the ring around the hole is the first.`;
    case 'marker':
      return `Round ${facts['round']}: ${counted(facts['below']!, 'ring')} below the marker, and the one that is begun.`;
    case 'increases':
      return `${counted(facts['increases']!, facts['decreases'] ? 'decrease' : 'increase')}: ${facts['decreases'] ? 'two feet run together under one V' : 'two V’s that share one foot'}.`;
    case 'hidden':
      return 'The stitch after an invisible decrease lies half under it. It is the one most often missed, or worked twice.';
    case 'side':
      return `${answer}: ${answer.endsWith('outside') ? 'V’s stand beside each other, and no bars lie across' : 'bars lie across the V’s'}.`;
    case 'loop':
      return ask.is === 'choice' && ask.answer.is === 'loop' ? LOOP_WHY[ask.answer.loop] : '';
    case 'apart':
      return `${counted(facts['stitches']!, 'stitch')}: one pair of legs each, from one eye to the other.`;
    case 'slip':
      return `${answer}: its stitches are marked. Every other group is as it should be.`;
    case 'shape':
      return ask.is === 'choice' && ask.answer.is === 'shape' ? SHAPE_WHY[ask.answer.shape] : '';
    case 'start':
      return `${counted(facts['more']!, 'stitch')} from the thread at the top to the line.`;
  }
}

const LOOP_WHY = {
  both: 'Through both: no strand of any V was left free.',
  back: 'The back loop: the front strands are left and lie across as a ridge, on the outside.',
  front: 'The front loop: the stitches stand before their V’s, and the ridge is on the inside.',
} as const;

const SHAPE_WHY = {
  stacked: 'The increases stand above each other in six lines: in time they show as corners.',
  staggered: 'In every second round the increases lie between those below: it stays round.',
  oval: 'It has two straight sides, and all its increases lie in the two ends.',
} as const;
