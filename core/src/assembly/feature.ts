import type { PatternCount } from '../fabric/index.js';
import {
  gatesOf,
  placedBy,
  singularName,
  walk,
  type Join,
  type MakingLine,
  type Named,
  type Placing,
  type RoundLine,
  type Span,
} from '../notation/index.js';
import type { Problem } from './problem.js';

/** Where in the text a feature is placed: a line of the making-up, a note of a part, or words about eyes. */
export type Said =
  | { readonly is: 'making-up'; readonly line: number }
  | { readonly is: 'note'; readonly part: number; readonly note: number }
  | { readonly is: 'eyes'; readonly part: number }
  | { readonly is: 'round'; readonly part: number; readonly line: number };

/** One thing, or several alike, that go somewhere on a host. */
export interface Feature {
  /** The same while the pattern names it so: "wing", "wing 1", "eyes". */
  readonly id: string;
  readonly name: string;
  readonly kind: 'piece' | 'eyes' | 'mark';
  /** The part it is a copy of; null for what is no part. */
  readonly part: number | null;
  /** The copies it is about, or the numbers of the things, 1-based. */
  readonly copies: readonly number[];
  /** Its `copy` is 0 where each goes on the host of its own number: "Bows: on Tails". */
  readonly host: { readonly part: number; readonly copy: number } | null;
  readonly placing: Placing;
  readonly join: Join;
  readonly said: Said;
  readonly span: Span | null;
}

/** How the features of a pattern are told apart from one another, and found by what other lines call them. */
export interface Features {
  readonly list: readonly Feature[];
  readonly problems: readonly Problem[];
}

const EYES = /^(?:safety )?eyes?$/i;
const MARKS = /^(?:mouth|smile|nose|snout|cheeks?|lash(?:es)?|brows?|eyebrows?|freckles?|whiskers?|face|stitch(?:es)?)$/i;

/** Everything a pattern places, in the order of its text. */
export function featuresOf({ pattern, parts }: PatternCount): Features {
  const problems: Problem[] = [];
  const list: Feature[] = [];
  const add = (feature: Feature): void => {
    const { id, name, span } = feature;
    if (list.some((other) => other.id === id))
      problems.push({ code: 'placed-twice', severity: 'warning', feature: id, name, span });
    else list.push(feature);
  };
  const made = pattern.makingUp.flatMap(({ placing, span }, line) =>
    placing ? [featureOf(placing, { is: 'making-up', line }, span, parts)] : [],
  );
  // Words of the making-up go before those elsewhere.
  const elsewhere = [...saidInParts(pattern.parts, parts), ...workedIn(parts)];
  for (const feature of elsewhere) if (!made.some(({ id }) => id === feature.id)) add(feature);
  made.forEach(add);
  for (const { placing, span, text } of pattern.makingUp) if (placing) problems.push(...unknownNames(placing, span, text, list));
  const own = list.map((feature) => withoutOthersCopies(feature, list));
  return {
    list: own.map((feature) => (feature.host ? feature : { ...feature, host: hostBy(feature, own, new Set()) })),
    problems,
  };
}

/** Eyes and other things that the notes of parts place. */
function saidInParts(all: PatternCount['pattern']['parts'], parts: PatternCount['parts']): Feature[] {
  return all.flatMap((part, index) => {
    const gate = gatesOf(part).find(({ kind, rounds }) => kind === 'eyes' && rounds !== null);
    const eyes = gate?.rounds ? [eyesOfGate(index, part.name, gate.rounds, gate.apart, gate.span)] : [];
    const notes = part.notes.flatMap(({ placing, span, facts }, note) =>
      placing && !facts.some(({ is }) => is === 'eyes')
        ? [featureOf(placing, { is: 'note', part: index, note }, span, parts)]
        : [],
    );
    return [...eyes, ...notes];
  });
}

function featureOf(placing: Placing, said: Said, span: Span, parts: PatternCount['parts']): Feature {
  const { subject, host, count } = placing;
  const part = subject.part === null ? null : parts[subject.part]!.part;
  const kind = part ? 'piece' : EYES.test(subject.name) ? 'eyes' : 'mark';
  const most = Math.min(part?.copies ?? 200, count ?? part?.copies ?? (kind === 'eyes' ? 2 : 1));
  const several = Array.from({ length: most }, (_, i) => i + 1);
  const spread = kind === 'mark' && count === null && placing.round?.is === 'apart' ? [1, 2] : several;
  return {
    id: idOf(subject),
    name: calledBy(part?.name ?? subject.name, subject.copy),
    kind,
    part: subject.part,
    copies: subject.copy === null ? spread : [subject.copy],
    host: hostOf(host, subject.copy === null ? spread.length : 1, parts),
    placing,
    join: placing.join ?? usualJoin(kind, subject.name),
    said,
    span,
  };
}

const calledBy = (name: string, copy: number | null): string => (copy === null ? name : `${name} ${copy}`);

function hostOf(host: Named | null, things: number, parts: PatternCount['parts']): Feature['host'] {
  const part = host?.part ?? null;
  if (!host || part === null) return null;
  const { copies } = parts[part]!.part;
  return { part, copy: host.copy ?? (copies > 1 && copies === things ? 0 : 1) };
}

/** Names that are alike but for their plural have one. */
const idOf = ({ name, copy }: Named): string => `${singularName(name).trim()}${copy === null ? '' : ` ${copy}`}`;

function usualJoin(kind: Feature['kind'], name: string): Join {
  if (kind === 'eyes') return 'set';
  return kind === 'mark' && MARKS.test(name) ? 'embroidered' : 'sewn';
}

function eyesOfGate(
  part: number,
  name: string,
  rounds: readonly [number, number],
  apart: Extract<NonNullable<Placing['round']>, { is: 'apart' }>['apart'] | null,
  span: Span | null,
): Feature {
  const placing: Placing = {
    subject: { name: 'Eyes', part: null, copy: null },
    host: { name, part, copy: null },
    height: rounds[1] === rounds[0] + 1 ? { is: 'gap', below: rounds[0] } : { is: 'rounds', first: rounds[0], last: rounds[1] },
    round: apart ? { is: 'apart', apart, side: 'front' } : null,
    count: null,
    mirrors: null,
    tip: null,
    join: 'set',
  };
  const host = { part, copy: 1 };
  return {
    id: 'eye',
    name: 'Eyes',
    kind: 'eyes',
    part: null,
    copies: [1, 2],
    host,
    placing,
    join: 'set',
    said: { is: 'eyes', part },
    span,
  };
}

/** Limbs that rounds work in: "4 sc through flipper". The stitches say where, and each next one takes the next copy. */
function workedIn(parts: PatternCount['parts']): Feature[] {
  const used = new Map<number, number>();
  return parts.flatMap(({ part }, host) =>
    part.lines.flatMap((line, index) => {
      const found: Feature[] = [];
      walk(line.items, (item) => {
        const limb = item.kind === 'work' ? (item.through?.part ?? null) : null;
        if (limb === null) return;
        const copy = (used.get(limb) ?? 0) + 1;
        used.set(limb, copy);
        const { name, copies } = parts[limb]!.part;
        if (copy <= copies)
          found.push(limbFeature({ name, part: limb, copy: copies > 1 ? copy : null }, host, part.name, line, index));
      });
      return found;
    }),
  );
}

function limbFeature(subject: Named, host: number, hostName: string, { first, span }: RoundLine, line: number): Feature {
  const placing: Placing = {
    subject,
    host: { name: hostName, part: host, copy: null },
    height: { is: 'rounds', first, last: first },
    round: null,
    count: null,
    mirrors: null,
    tip: null,
    join: 'worked in',
  };
  const name = calledBy(subject.name, subject.copy);
  const copies = [subject.copy ?? 1];
  const said: Said = { is: 'round', part: host, line };
  return {
    id: idOf(subject),
    name,
    kind: 'piece',
    part: subject.part,
    copies,
    host: { part: host, copy: 1 },
    placing,
    join: 'worked in',
    said,
    span,
  };
}

/** "Wing: …" is about the wings that have no line of their own. */
function withoutOthersCopies(feature: Feature, list: readonly Feature[]): Feature {
  if (feature.placing.subject.copy !== null || feature.part === null) return feature;
  const own = list.filter((other) => other !== feature && other.part === feature.part).flatMap(({ copies }) => copies);
  return own.length === 0 ? feature : { ...feature, copies: feature.copies.filter((copy) => !own.includes(copy)) };
}

/** The features a name means: that of the copy, or all of the part or the things. */
export function featuresNamed(list: readonly Feature[], { name, part, copy }: Named): readonly Feature[] {
  const own = list.filter((feature) =>
    part === null ? singularName(feature.placing.subject.name) === singularName(name) : feature.part === part,
  );
  return copy === null ? own : own.filter(({ copies }) => copies.includes(copy));
}

/** The host of what a feature goes by; where all features are on one host, that. */
function hostBy(feature: Feature, list: readonly Feature[], asked: Set<Feature>): Feature['host'] {
  if (feature.host || asked.has(feature)) return feature.host;
  asked.add(feature);
  for (const of of placedBy(feature.placing)) {
    const other = featuresNamed(list, of).find((each) => each !== feature);
    const host = other && hostBy(other, list, asked);
    if (host) return host;
  }
  const hosts = new Set(list.flatMap(({ host }) => (host && host.copy > 0 ? [`${host.part} ${host.copy}`] : [])));
  if (hosts.size !== 1) return null;
  const [part, copy] = [...hosts][0]!.split(' ').map(Number) as [number, number];
  return part === feature.part ? null : { part, copy };
}

function unknownNames(placing: Placing, span: Span, text: MakingLine['text'], list: readonly Feature[]): Problem[] {
  return placedBy(placing)
    .filter((named) => featuresNamed(list, named).length === 0)
    .map((named) => {
      const name = named.copy === null ? named.name : `${named.name} ${named.copy}`;
      const at = text.toLowerCase().lastIndexOf(name.toLowerCase());
      const place = at < 0 ? span : { from: span.from + at, to: span.from + at + name.length };
      return {
        code: 'not-placed-yet',
        severity: 'warning',
        feature: idOf(placing.subject),
        name: calledBy(placing.subject.name, placing.subject.copy),
        by: name,
        span: place,
      };
    });
}
