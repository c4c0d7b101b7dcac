import { isLate, simulate, startBy, taskOf, waysOutOf } from '@lemniscus/core/planning';
import type { PlanAnswer, PlanQuestion } from './plan-messages';

let latest = -1;

addEventListener('message', ({ data }: MessageEvent<PlanQuestion>) => {
  latest = data.key;
  void plan(data);
});

async function plan({ key, wishes, options }: PlanQuestion): Promise<void> {
  const say = (answer: PlanAnswer): void => postMessage(answer);
  const ready = simulate(wishes.map(taskOf), options);
  say({ key, ready });
  for (const each of ready) {
    if (each.chance === null) continue;
    // A newer question is heard between two wishes.
    await new Promise((resolve) => setTimeout(resolve));
    if (key !== latest) return;
    const ways = isLate(each) ? waysOutOf(wishes, each.id, options) : [];
    say({ key, wish: each.id, startBy: startBy(wishes, each.id, options), ways });
  }
  say({ key, done: true });
}
