import { YARN_WEIGHTS, type YarnWeightNumber, INCH } from '../gauge/index.js';
import { numberOf, tokenize, type Part, type Pattern, type Token } from '../notation/index.js';

export type Firmness = 'soft' | 'medium' | 'firm';

/** Yarn, hook and eyes as the pattern's own words name them; null where they do not. */
export interface StatedKit {
  readonly yarnWeight: YarnWeightNumber | null;
  readonly hookMm: number | null;
  readonly eyeMm: number | null;
}

/** Small things a pattern may ask for beside yarn, eyes and stuffing. */
export type Thing = 'ring' | 'magnet' | 'cord' | 'button' | 'bead' | 'card' | 'wire' | 'bell' | 'thread';

const THINGS: readonly (readonly [Thing, readonly string[]])[] = [
  ['ring', ['keyring', 'keyrings', 'keychain']],
  ['magnet', ['magnet', 'magnets']],
  ['cord', ['cord', 'cords', 'ribbon', 'string', 'lanyard']],
  ['button', ['button', 'buttons']],
  ['bead', ['bead', 'beads']],
  ['card', ['card', 'cardboard']],
  ['wire', ['wire', 'wires']],
  ['bell', ['bell', 'bells', 'rattle', 'squeaker']],
  ['thread', ['thread', 'floss', 'embroider', 'embroidery']],
];
/** "Thread the tail through": here it is something to do. */
const THREADS_THE_TAIL = new Set(['the', 'tail', 'it', 'through']);

/** Every remark of a part: notes between its rounds, and words inside them. */
function remarksOf(part: Part): string[] {
  const inside = part.lines.flatMap((line) => line.items.flatMap((item) => (item.kind === 'remark' ? [item.text] : [])));
  return [...part.notes.map((note) => note.text), ...inside];
}

export function statedKit(pattern: Pattern): StatedKit {
  const texts = [...pattern.notes.map((note) => note.text), ...pattern.parts.flatMap(remarksOf)].map((text) => tokenize(text));
  const first = <T>(find: (tokens: readonly Token[]) => T | null): T | null => {
    for (const tokens of texts) {
      const found = find(tokens);
      if (found !== null) return found;
    }
    return null;
  };
  return {
    yarnWeight: first(yarnWeightIn),
    hookMm: first((tokens) => millimetresBefore(tokens, ['hook', 'hooks'])),
    eyeMm: first((tokens) => millimetresBefore(tokens, ['eyes', 'eye'])),
  };
}

function yarnWeightIn(tokens: readonly Token[]): YarnWeightNumber | null {
  const keys = tokens.map((token) => token.key);
  const at = keys.findIndex((key) => key === 'yarn' || key === 'weight');
  if (at < 1) return null;
  // "Super fine" before "fine".
  const named = [...YARN_WEIGHTS].sort((a, b) => b.name.length - a.name.length);
  const words = keys.slice(Math.max(0, at - 3), at).join(' ');
  return named.find(({ name }) => words.endsWith(name.toLowerCase()))?.number ?? null;
}

/** "a 3.5 mm hook", "two 9 mm safety eyes". */
function millimetresBefore(tokens: readonly Token[], names: readonly string[]): number | null {
  for (let i = 0; i + 2 < tokens.length; i++) {
    const value = numberOf(tokens[i]);
    if (value === null || value <= 0 || tokens[i + 1]!.key !== 'mm') continue;
    if (tokens.slice(i + 2, i + 4).some((token) => names.includes(token.key))) return value;
  }
  return null;
}

/** How firmly a part is stuffed, as the pattern says: 'none' for "do not stuff" and "press flat", null when it says nothing. */
export function stuffingSaid(part: Part): Firmness | 'none' | null {
  let said: Firmness | 'none' | null = null;
  for (const remark of remarksOf(part)) {
    const keys = tokenize(remark).map((token) => token.key);
    const stuff = keys.some((key) => key.startsWith('stuff') || key.startsWith('fill'));
    const flat = keys.includes('flat') && keys.includes('press');
    if (flat || keys.includes('unstuffed') || (stuff && keys.includes('not'))) return 'none';
    if (!stuff) continue;
    if (keys.includes('firmly') || keys.includes('firm')) said = 'firm';
    else if (keys.includes('lightly') || keys.includes('loosely') || keys.includes('softly')) said = 'soft';
    else said ??= 'medium';
  }
  return said;
}

/** The tail a part's words ask to leave ("leave 25 cm of yarn"), mm; null when they name no length. */
export function tailSaid(part: Part): number | null {
  for (const remark of remarksOf(part)) {
    const tokens = tokenize(remark);
    if (!tokens.some(({ key }) => key === 'yarn' || key === 'tail' || key === 'end')) continue;
    for (let i = 0; i + 1 < tokens.length; i++) {
      const value = numberOf(tokens[i]);
      const unit = tokens[i + 1]!.key;
      const mm = unit === 'cm' ? 10 : ['in', 'inch', 'inches', '"'].includes(unit) ? INCH : unit === 'mm' ? 1 : null;
      if (value !== null && mm !== null && value * mm >= 40) return value * mm;
    }
  }
  return null;
}

/** The small things a pattern's words ask for, each once, with a length where one is named (mm). */
export function thingsSaid(pattern: Pattern): { readonly thing: Thing; readonly mm: number | null; readonly text: string }[] {
  const found = new Map<Thing, { thing: Thing; mm: number | null; text: string }>();
  for (const text of [...pattern.notes.map((note) => note.text), ...pattern.parts.flatMap(remarksOf)]) {
    const tokens = tokenize(text);
    for (const [thing, words] of THINGS) {
      const at = tokens.findIndex(
        ({ key }, i) => words.includes(key) && !(key === 'thread' && THREADS_THE_TAIL.has(tokens[i + 1]?.key ?? '')),
      );
      if (at < 0 || found.has(thing)) continue;
      const cm = tokens.findIndex(({ key }, i) => key === 'cm' && Math.abs(i - at) <= 4);
      const value = numberOf(tokens[cm - 1]);
      found.set(thing, { thing, mm: value === null ? null : value * 10, text });
    }
  }
  return [...found.values()];
}
