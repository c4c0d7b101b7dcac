import { HOOKS, stuffedHooks } from '../gauge/index.js';
import { ballsFor, type Yarn } from './basket.js';
import { supplyOf, type Demand, type Stop, type Supply } from './demand.js';
import { chooseYarn, type Kit } from './kit.js';
import { inOrder, type Situation } from './situation.js';

/** A way to make a yarn last, with what it changes. */
export type Plan =
  /** Work some parts in another yarn of the basket. */
  | { readonly kind: 'swap'; readonly parts: readonly string[]; readonly yarn: Yarn; readonly kit: Kit }
  /** A finer hook takes less; everything comes out smaller by `factor`. */
  | { readonly kind: 'hook'; readonly hookMm: number; readonly factor: number }
  | { readonly kind: 'copies'; readonly kit: Kit }
  /** Nothing lasts longer, but it runs out where another yarn shows least. */
  | { readonly kind: 'order'; readonly kit: Kit; readonly stop: Stop }
  | { readonly kind: 'buy'; readonly balls: number; readonly ballGrams: number; readonly price: number | null };

/** Up to so many parts every choice of them is tried; with more, one part at a time. */
const TRY_ALL = 10;

/** Ways to make the yarn of a demand last, the least change first. None when it lasts anyway or was not chosen. */
export function plansFor(situation: Situation, key: string): Plan[] {
  const supply = supplyOf(situation);
  const short = supply.demands.find((demand) => demand.key === key);
  const free = short?.free ?? null;
  if (!short || free === null || short.verdict === 'enough') return [];
  const plans = [
    swap(situation, supply, short),
    finerHook(situation, key),
    fewerCopies(situation, key),
    otherOrder(situation, short),
  ];
  return [...plans.filter((plan) => plan !== null), buy(short, free)];
}

const lasts = ({ demands }: Supply, key: string): boolean =>
  demands.every((demand) => demand.key !== key || demand.verdict === 'enough');

function begun({ parts }: Situation, part?: string): boolean {
  return parts.some(
    ({ key, pieces }) => (part === undefined || key === part) && pieces.some(({ at }) => at.round > 0 || at.action > 0),
  );
}

/** The fewest parts, and of those the least yarn, that another yarn of the same weight can take over. */
function swap(situation: Situation, { demands }: Supply, short: Demand): Plan | null {
  const perMm = short.whole.mm > 0 ? short.whole.grams / short.whole.mm : 0;
  const grams = new Map<string, number>();
  for (const { part, onePiece, copies } of short.portions) {
    if (begun(situation, part)) continue;
    grams.set(part, (grams.get(part) ?? 0) + onePiece * copies * situation.kit.copies * perMm);
  }
  const choices = subsets([...grams.keys()])
    .map((parts) => ({ parts, grams: parts.reduce((sum, part) => sum + grams.get(part)!, 0) }))
    .sort((a, b) => a.parts.length - b.parts.length || a.grams - b.grams);
  const others = situation.basket
    .filter(({ yarn }) => yarn.id !== short.key && yarn.yarnWeight === situation.tools.yarnWeight)
    .map(({ yarn, free }) => {
      const own = demands.find((demand) => demand.key === yarn.id);
      return { yarn, spare: free - (own ? own.left.grams * (1 + own.spread) : 0), near: near(yarn, short) };
    })
    .sort((a, b) => Number(b.near) - Number(a.near) || b.spare - a.spare);
  for (const { parts, grams: moved } of choices) {
    if ((short.left.grams - moved) * (1 + short.spread) > short.free!) continue;
    for (const { yarn, spare } of others) {
      if (spare < moved) continue;
      const kit = short.portions
        .filter(({ part }) => parts.includes(part))
        .reduce((changed, { part, colour }) => chooseYarn(changed, part, colour, yarn.id), situation.kit);
      const then = supplyOf({ ...situation, kit });
      if (!lasts(then, short.key) || !lasts(then, yarn.id)) continue;
      const names = situation.parts.filter((part) => parts.includes(part.key)).map((part) => part.name);
      return { kind: 'swap', parts: names, yarn, kit };
    }
  }
  return null;
}

/** Whether a yarn's colour shares a word with what it would stand for: "charcoal black" for "black". */
function near({ colour }: Yarn, { yarn, colours }: Demand): boolean {
  const words = (text: string): string[] => text.toLowerCase().split(/\s+/).filter(Boolean);
  const meant = new Set([...words(yarn?.colour ?? ''), ...colours.flatMap(words)]);
  return words(colour).some((word) => meant.has(word));
}

function subsets(parts: readonly string[]): string[][] {
  if (parts.length > TRY_ALL) return parts.map((part) => [part]);
  return Array.from({ length: 2 ** parts.length - 1 }, (_, mask) => parts.filter((_part, bit) => (mask + 1) & (1 << bit)));
}

/** The largest finer hook that suits stuffed work and makes everything last; not once a piece is begun. */
function finerHook(situation: Situation, key: string): Plan | null {
  if (begun(situation)) return null;
  const { tools } = situation;
  const { gauge } = supplyOf(situation);
  const [low] = stuffedHooks(tools.yarnWeight, gauge.factor);
  for (const hookMm of HOOKS.filter((hook) => hook < tools.hookMm && hook >= low).reverse()) {
    const then = supplyOf({ ...situation, tools: { ...tools, hookMm } });
    if (lasts(then, key)) return { kind: 'hook', hookMm, factor: then.gauge.stitch.width / gauge.stitch.width };
  }
  return null;
}

function fewerCopies(situation: Situation, key: string): Plan | null {
  for (let copies = situation.kit.copies - 1; copies >= 1; copies--) {
    const kit = { ...situation.kit, copies };
    if (lasts(supplyOf({ ...situation, kit }), key)) return { kind: 'copies', kit };
  }
  return null;
}

/** The smallest part in the yarn is made last, so that it is the one that gets another yarn. */
function otherOrder(situation: Situation, short: Demand): Plan | null {
  const sizes = new Map<string, number>();
  for (const { part, onePiece } of short.portions) sizes.set(part, (sizes.get(part) ?? 0) + onePiece);
  const [last] = [...sizes].sort(([, a], [, b]) => a - b).find(([part]) => !begun(situation, part)) ?? [];
  if (last === undefined || !short.runsOut || short.runsOut.part === last) return null;
  const now = inOrder(situation.parts, situation.kit).map((part) => part.key);
  const kit = { ...situation.kit, order: [...now.filter((part) => part !== last), last] };
  const stop = supplyOf({ ...situation, kit }).demands.find((demand) => demand.key === short.key)?.runsOut ?? null;
  return stop?.part === last ? { kind: 'order', kit, stop } : null;
}

function buy({ yarn, left, spread }: Demand, free: number): Plan {
  const price = yarn?.price ?? null;
  const { balls, ballGrams } = ballsFor(Math.max(0, left.grams * (1 + spread) - free), yarn);
  return { kind: 'buy', balls, ballGrams, price: price === null ? null : price * balls };
}
