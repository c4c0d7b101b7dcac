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

/** Whether a line speaks of any part. */
function speaks({ like, items }: RoundLine): boolean {
  return (like !== null && like.part !== null) || names(items);
}

function names(items: readonly Item[]): boolean {
  return items.some((item) => (item.kind === 'group' ? names(item.items) : partsNamed(item).length > 0));
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
    if (!part.lines.some(speaks)) return part;
    const lines = part.lines.map((line) => (speaks(line) ? resolved(line, resolve) : line));
    return { ...part, lines };
  });
}

function resolved(line: RoundLine, resolve: (ref: PartRef) => PartRef): RoundLine {
  const like = line.like?.part ? { ...line.like, part: resolve(line.like.part) } : line.like;
  return { ...line, like, items: mapParts(line.items, resolve) };
}
