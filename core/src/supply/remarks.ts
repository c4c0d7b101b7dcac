import { YARN_WEIGHTS, type YarnWeightNumber } from '../gauge/index.js';
import { remarksOf, type Fact, type Firmness, type Part, type Pattern, type Thing } from '../notation/index.js';

/** Yarn, hook and eyes as the pattern's own words name them; null where they do not. */
export interface StatedKit {
  readonly yarnWeight: YarnWeightNumber | null;
  readonly hookMm: number | null;
  readonly eyeMm: number | null;
}

/** The facts of one kind. */
type FactOf<Is extends Fact['is'], F = Fact> = F extends { readonly is: infer Own } ? (Is extends Own ? F : never) : never;

function factsOf<Is extends Fact['is']>(facts: readonly Fact[], is: Is): FactOf<Is>[] {
  return facts.filter((fact): fact is FactOf<Is> & Fact => fact.is === is);
}

const partFacts = (part: Part): Fact[] => remarksOf(part).flatMap(({ facts }) => facts);

export function statedKit(pattern: Pattern): StatedKit {
  const facts = [...[...pattern.notes, ...pattern.makingUp].flatMap((note) => note.facts), ...pattern.parts.flatMap(partFacts)];
  const weights = factsOf(facts, 'yarn').flatMap(({ words }) => yarnWeightIn(words) ?? []);
  return {
    yarnWeight: weights[0] ?? null,
    hookMm: factsOf(facts, 'hook')[0]?.mm ?? null,
    eyeMm: factsOf(facts, 'eye size')[0]?.mm ?? null,
  };
}

/** What is written on bands beside the names of weights (Craft Yarn Council's types of yarn in each category, recalled). */
const ALSO_CALLED: Readonly<Record<string, YarnWeightNumber>> = {
  fingering: 1,
  sock: 1,
  baby: 2,
  sport: 2,
  dk: 3,
  'light worsted': 3,
  worsted: 4,
  aran: 4,
  chunky: 5,
  'super chunky': 6,
};

/** The weight a yarn's words end on; "super fine" before "fine". */
function yarnWeightIn(words: string): YarnWeightNumber | null {
  const named = [
    ...YARN_WEIGHTS.map(({ name, number }) => [name.toLowerCase(), number] as const),
    ...Object.entries(ALSO_CALLED),
  ];
  return named.sort(([a], [b]) => b.length - a.length).find(([name]) => words.endsWith(name))?.[1] ?? null;
}

/** How firmly a part is stuffed, as the pattern says: 'none' where it says not to, null when it says nothing. */
export function stuffingSaid(part: Part): Firmness | 'none' | null {
  const said = factsOf(partFacts(part), 'stuffing').map(({ how }) => how);
  // The plainest word wins: "Stuff it … Stuff firmly" is firm.
  return said.find((how) => how === 'none') ?? said.findLast((how) => how !== 'medium') ?? said[0] ?? null;
}

/** The tail a part's words ask to leave ("leave 25 cm of yarn"), mm; null when they name no length. */
export function tailSaid(part: Part): number | null {
  return factsOf(partFacts(part), 'tail').find(({ mm }) => mm !== null)?.mm ?? null;
}

/** A small thing that is asked for; how many, where that is said. */
export interface ThingSaid {
  readonly thing: Thing;
  readonly count: number | null;
  readonly mm: number | null;
  readonly text: string;
}

/** The small things a pattern's words ask for, each once, with a length where one is named (mm). */
export function thingsSaid(pattern: Pattern): ThingSaid[] {
  const remarks = [...pattern.notes, ...pattern.parts.flatMap(remarksOf), ...pattern.makingUp];
  const all = remarks.flatMap(({ text, facts }) =>
    factsOf(facts, 'thing').map(({ thing, count, mm }) => ({ thing, count, mm, text })),
  );
  return all.filter(({ thing }, i) => all.findIndex((each) => each.thing === thing) === i);
}
