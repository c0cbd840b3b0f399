import type { Shape } from '../../left-hand/index.js';
import { readStep } from '../../script/index.js';
import { FINGERS, type Mark, MARKS, marksClash, marksThat } from '../../stroke/index.js';
import { STRINGS } from '../../time/index.js';
import type { LaidNote, LaidStroke } from './lay.js';

/** A stroke as a script writes it, and what of it could not be written. */
export interface StepText {
  readonly text: string;
  readonly lost: readonly ('letters' | 'marks' | 'left' | 'ligado' | 'index')[];
}
/** Thumb and three fingers. */
const MOST_PLUCKED = 4;
interface Wishes {
  readonly letters: boolean;
  readonly marks: boolean;
  readonly left: boolean;
}
/** What is given up first, and what last. */
const LESS: readonly Wishes[] = [
  { letters: true, marks: true, left: true },
  { letters: true, marks: false, left: true },
  { letters: true, marks: true, left: false },
  { letters: false, marks: true, left: true },
  { letters: false, marks: true, left: false },
  { letters: false, marks: false, left: false },
];
/**
 * A stroke as the script writes it: with all that its notes say, or with the most of it that a hand can do.
 * @param held what the chord holds there: a note that it has anyway is written by its string alone
 * @param rings strings that go on sounding under the next stroke
 */
export function stepText(
  stroke: LaidStroke,
  held: Pick<Shape, 'frets' | 'fingers'> | null,
  rings: ReadonlySet<number>,
): StepText | null {
  const pitched = stroke.notes.filter((n) => n.midi !== null && n.string !== null && n.fret !== null);
  const taps = stroke.notes.filter((n) => n.midi === null);
  if (pitched.length === 0) {
    const [tap] = taps;
    if (tap?.strummed) return throughTheChord(tap);
    const mark = marksThat((m) => m.taps).find((m) => tap?.marks.includes(m)) ?? '';
    return tap ? { text: `${tap.slap ? 'S' : 'G'}${mark}`, lost: [] } : null;
  }
  const ligado = pitched.some((n) => n.ligado);
  const asOne = ligado && pitched.length === 1 && taps.length === 0;
  for (const wishes of LESS) {
    const { text, index, letters } = written(pitched, { wishes, held, rings, taps, ligado: asOne });
    if (readStep(text).step === null) continue;
    const said = pitched.some((n) => n.right !== '');
    return {
      text,
      lost: [
        ...(letters || !said || asOne ? [] : (['letters'] as const)),
        ...(wishes.marks ? [] : (['marks'] as const)),
        ...(wishes.left || !pitched.some((n) => n.left) ? [] : (['left'] as const)),
        ...(ligado && !asOne ? (['ligado'] as const) : []),
        ...(index ? (['index'] as const) : []),
      ],
    };
  }
  return null;
}
/** A stroke through the chord that is held, by the index where nobody is named. */
function throughTheChord({ plectrum, right, dir, marks }: LaidNote): StepText {
  const hand = plectrum ? `P${plectrum}` : `${right || 'i'}${dir ?? 'd'}`;
  const text = hand + marks.join('');
  const isRead = readStep(text).step !== null;
  return {
    text: isRead ? text : hand,
    lost: [...(isRead ? [] : (['marks'] as const)), ...(right || plectrum ? [] : (['index'] as const))],
  };
}
interface Writing {
  readonly wishes: Wishes;
  readonly held: Pick<Shape, 'frets' | 'fingers'> | null;
  readonly rings: ReadonlySet<number>;
  readonly taps: readonly LaidNote[];
  readonly ligado: boolean;
}
function written(notes: readonly LaidNote[], { wishes, held, rings, taps, ligado }: Writing) {
  const plectrum = notes.find((n) => n.plectrum)?.plectrum ?? null;
  // More strings than fingers pluck are strummed, whatever the file says.
  const strummed = notes.length > MOST_PLUCKED && notes.every((n) => n.right === '') && !plectrum ? 'd' : null;
  const dir = notes.find((n) => n.dir)?.dir ?? strummed;
  const upward = (plectrum ?? dir) === 'u';
  const sorted = [...notes].sort((a, b) => (upward ? -1 : 1) * ((b.string ?? 0) - (a.string ?? 0)));
  const own = sorted.map((n) => marksOf(n, rings, wishes.marks));
  // Behind several strings a golpe is the stroke’s.
  const common = MARKS.filter((m) => m !== '*' && own.every((list) => list.includes(m)));
  const taps_ = wishes.marks && (taps.length > 0 || own.some((list) => list.includes('*')));
  const golpe = notes.find((n) => n.golpe)?.golpe ?? '';
  const asHeld = sorted.map((n) => isAsHeld(n, held, wishes.left));
  // A finger that leaves the shape for one string opens its others: then each says where it is.
  const leaves = sorted.some(
    (n, i) => !asHeld[i] && n.fret !== 0 && (n.left === null || !!held?.fingers.includes(n.left)),
  );
  const places = sorted.map((n, i) => {
    const marks = (own[i] ?? []).filter((m) => m !== '*' && !common.includes(m));
    return placeOf(n, marks, !!asHeld[i] && !leaves, wishes.left);
  });
  const plain = places.every((p) => /^\d$/.test(p));
  const whole = `${taps_ ? `*${golpe}` : ''}${common.join('')}`;
  if (ligado) return { text: `L:${places[0] ?? ''}${whole}`, index: false, letters: false };
  const hand = plectrum ? { text: `P${plectrum}`, index: false, letters: true } : handOf(sorted, dir, wishes.letters);
  const strings = plain ? places.join('') : places.join('+');
  const text = places.length > 1 && !plain ? `${hand.text}${whole}:${strings}` : `${hand.text}:${strings}${whole}`;
  return { ...hand, text };
}
/** Marks that stay when there is no room for all: without them it would be another sound. */
const SHAPES_SOUND: ReadonlySet<Mark> = new Set(marksThat((m) => m.damped === 'left hand' || m.node));
const marksOf = (n: LaidNote, rings: ReadonlySet<number>, all: boolean): Mark[] => {
  const ring = n.string !== null && rings.has(n.string);
  // What is short does not ring.
  const marks = new Set(all ? n.marks : n.marks.filter((m) => SHAPES_SOUND.has(m)));
  if (ring && ![...marks].some((m) => marksClash(m, '~'))) marks.add('~');
  return MARKS.filter((m) => marks.has(m));
};
function isAsHeld(n: LaidNote, held: Pick<Shape, 'frets' | 'fingers'> | null, left: boolean): boolean {
  const at = STRINGS.findIndex((s) => s === n.string);
  const finger = left ? n.left : null;
  return !!held && held.frets[at] === n.fret && (finger === null || held.fingers[at] === finger);
}
function placeOf(n: LaidNote, marks: readonly Mark[], asHeld: boolean, left: boolean): string {
  const finger = left ? n.left : null;
  const stop = asHeld ? '' : `f${n.fret ?? 0}${finger === null || finger === 0 || n.fret === 0 ? '' : `=${finger}`}`;
  return `${n.string ?? ''}${stop}${marks.join('')}`;
}
/** Letters where each string has its own, a strum's where it says them; else they are left open. */
function handOf(sorted: readonly LaidNote[], dir: 'd' | 'u' | null, letters: boolean) {
  const all = [...new Set(sorted.flatMap((n) => [...n.right]))];
  const inOrder = FINGERS.filter((f) => all.includes(f)).join('');
  const said = letters && inOrder !== '';
  if (dir) return { text: `${said ? inOrder : 'i'}${dir}`, index: !said, letters: said };
  const each = sorted.map((n) => n.right);
  const known = said && each.every((l) => l.length === 1) && each.join('') === inOrder;
  return { text: known ? inOrder : '?'.repeat(sorted.length), index: false, letters: known };
}
