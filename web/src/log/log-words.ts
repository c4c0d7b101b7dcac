import { localTime, type Mark, type Sitting, type TwinDifference, type WorkKind } from '@lemniscus/core/history';
import { counted } from '@lemniscus/core/notation';
import { dayWords } from '../controls/day-words';

/** Minutes in words: "1 h 20 min". */
export function minutesWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${rest} min`;
}

export function clockWords(at: number, zone: number): string {
  const { minute } = localTime(at, zone);
  return `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`;
}

export function sittingWords({ day, from, to, zone, ms, stitches, byHand }: Sitting): string {
  const what = byHand === null ? counted(stitches, 'stitch') : 'put in by hand';
  return `${dayWords(day)}, ${clockWords(from, zone)} to ${clockWords(to, zone)}: ${minutesWords(ms / 60_000)}, ${what}`;
}

export const KIND_WORDS: Readonly<Record<WorkKind, string>> = {
  starting: 'Starting',
  plain: 'Plain rounds',
  increases: 'Increases',
  closing: 'Closing',
  joining: 'Sewing on',
  details: 'By the way',
};

const WHY: Readonly<Record<string, string>> = {
  count: 'the count was off',
  slip: 'a stitch went wrong',
  otherwise: 'to make it otherwise',
};

/** What happened, as a sentence. */
export function markWords(mark: Mark, nameOf: (piece: string) => string): string {
  const name = nameOf(mark.piece);
  switch (mark.is) {
    case 'begun':
      return `${name} begun`;
    case 'ended':
      return `${name} worked to its end`;
    case 'colour':
      return `${name}: ${mark.from || 'undyed'} to ${mark.to || 'undyed'} at R${mark.round + 1}`;
    case 'remark':
      return `${name}: “${mark.text}”`;
    case 'done':
      return doneWords(mark.gate, name);
    case 'stuffed':
      return `${name}: ${mark.grams} g of stuffing`;
    case 'placed':
      return `${mark.feature} ${mark.copy} put elsewhere on ${name}`;
    case 'ripped': {
      const why = mark.ripped.event.why;
      return `${name}: ${counted(mark.ripped.stitches, 'stitch')} ripped back to R${mark.ripped.to.round + 1}${why ? `, ${WHY[why]}` : ''}`;
    }
  }
}

/** Gates and steps are keys; their first word says what they are about. */
function doneWords(gate: string, name: string): string {
  if (gate.startsWith('step join')) return `${capital(gate.slice(10))} sewn on`;
  if (gate.startsWith('step set')) return `Eyes set`;
  if (gate.startsWith('step look')) return 'Looked over';
  if (gate.startsWith('step mark')) return `${capital(gate.slice(10))} done`;
  return `${name}: ${gate.replace(/^step /, '').split(' ')[0] ?? gate} done`;
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** In what two differ, as a sentence: the first, then the second. */
export function differenceWords(difference: TwinDifference): string {
  const told = (value: number | null, unit: string): string =>
    value === null ? 'not told' : `${Number(value.toFixed(1))}${unit}`;
  switch (difference.is) {
    case 'rounds':
      return `${difference.one} rounds, and ${difference.two}`;
    case 'count':
      return `R${difference.round} ends on ${difference.one}, and on ${difference.two}`;
    case 'words':
      return `R${difference.round}: “${difference.one}”, and “${difference.two}”`;
    case 'put': {
      const at = (put: typeof difference.one): string =>
        put === null
          ? 'as written'
          : `R${put.round} ${put.inside ? 'in stitch' : 'after stitch'} ${put.inside ? put.after + 1 : put.after}`;
      return `${capital(difference.what)}: ${at(difference.one)}, and ${at(difference.two)}`;
    }
    case 'stuffing':
      return `Stuffing ${told(difference.one, ' g')}, and ${told(difference.two, ' g')}`;
    case 'height':
      return `${told(difference.one, ' mm')} tall, and ${told(difference.two, ' mm')}`;
    case 'width':
      return `${told(difference.one, ' mm')} wide, and ${told(difference.two, ' mm')}`;
    case 'yarn':
      return `Yarn ${told(difference.one, ' g')}, and ${told(difference.two, ' g')}`;
    case 'minutes':
      return `${minutesWords(difference.one ?? 0)}, and ${minutesWords(difference.two ?? 0)}`;
    case 'ripped':
      return `${counted(difference.one ?? 0, 'stitch')} ripped, and ${difference.two ?? 0}`;
  }
}

export const ALIKE_WORDS: Readonly<Record<TwinDifference['is'], string>> = {
  rounds: 'number of rounds',
  count: 'stitches of each round',
  words: 'words of each round',
  put: 'places',
  stuffing: 'stuffing',
  height: 'height',
  width: 'width',
  yarn: 'yarn',
  minutes: 'time',
  ripped: 'what was ripped',
};
