import { readTalk } from '@lemniscus/core/notation/talk';
import { textOfLines } from '@lemniscus/core/decoding';
import { openFile } from '@lemniscus/core/opening';
import type { OpeningAnswer, OpeningQuestion } from './opening-messages';

/** Whoever wants it stopped ends the worker, so it never stops by itself. */
const going = (done: number): boolean => {
  say({ done });
  return true;
};

addEventListener('message', ({ data }: MessageEvent<OpeningQuestion>) => {
  open(data).catch((error: unknown) => say({ failed: error instanceof Error ? error.message : String(error) }));
});

async function open({ bytes }: OpeningQuestion): Promise<void> {
  const opened = await openFile(bytes, going);
  const talk = opened.ok && opened.kind === 'text' ? readTalk(textOfLines(opened.lines), going) : null;
  say({ opened, talk });
}

function say(answer: OpeningAnswer): void {
  postMessage(answer);
}
