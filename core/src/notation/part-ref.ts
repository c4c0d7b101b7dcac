import { mapItems, walk } from './items.js';
import type { Item, Part, PartRef, RoundLine } from './pattern.js';
import { singularName } from './plural.js';

/** A part by its name, as it is read: which it is, is resolved when all are known. */
export function named(name: string): PartRef {
  return { part: null, name };
}

export function isSamePart(a: PartRef | null, b: PartRef | null): boolean {
  return a === b || (a !== null && b !== null && a.part === b.part && (a.part !== null || a.name === b.name));
}

/** The parts that an item speaks of, those of a group apart. */
export function partsNamed(item: Item): readonly PartRef[] {
  if (item.kind === 'work') return item.through ? [item.through] : [];
  if (item.kind !== 'foundation') return [];
  if (item.from === 'bridge' || item.from === 'layers') return item.parts;
  return item.from === 'chain' || item.part === null ? [] : [item.part];
}

function withParts(item: Exclude<Item, { kind: 'group' }>, change: (ref: PartRef) => PartRef): Item {
  if (item.kind === 'work') return item.through ? { ...item, through: change(item.through) } : item;
  if (item.kind !== 'foundation') return item;
  if (item.from === 'bridge' || item.from === 'layers') return { ...item, parts: item.parts.map(change) };
  return item.from === 'chain' || item.part === null ? item : { ...item, part: change(item.part) };
}

/** Items that speak of other parts, or of the same ones otherwise. */
export function mapParts(items: readonly Item[], change: (ref: PartRef) => PartRef): Item[] {
  return mapItems(items, (item) => withParts(item, change));
}

function refsIn(line: RoundLine): PartRef[] {
  const refs: PartRef[] = line.like?.part ? [line.like.part] : [];
  walk(line.items, (item) => refs.push(...partsNamed(item)));
  return refs;
}

/** Whether a line speaks of a part, by its index. */
export function speaksOf(line: RoundLine, part: number): boolean {
  return refsIn(line).some((ref) => ref.part === part);
}

/**
 * The parts with every part that their rounds speak of resolved: of several of one name the nearest before, which is
 * finished by then, else the first that comes.
 */
export function resolveParts(parts: readonly Part[]): Part[] {
  const names = parts.map(({ name }) => singularName(name));
  return parts.map((part, own) => {
    const resolve = ({ name }: PartRef): PartRef => {
      const wanted = singularName(name);
      const before = own > 0 ? names.lastIndexOf(wanted, own - 1) : -1;
      const found = before >= 0 ? before : names.indexOf(wanted);
      return { part: found < 0 ? null : found, name };
    };
    const lines = part.lines.map((line) => (refsIn(line).length > 0 ? resolved(line, resolve) : line));
    return lines.some((line, i) => line !== part.lines[i]) ? { ...part, lines } : part;
  });
}

function resolved(line: RoundLine, resolve: (ref: PartRef) => PartRef): RoundLine {
  const like = line.like?.part ? { ...line.like, part: resolve(line.like.part) } : line.like;
  return { ...line, like, items: mapParts(line.items, resolve) };
}
