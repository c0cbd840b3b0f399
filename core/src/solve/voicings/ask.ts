import { readChord } from '../../chord/index.js';
import { type Fact, fact } from '../../fault/index.js';
import {
  type FingeringHand,
  type Frets,
  handOn,
  SHAPE_WEIGHTS,
  type ShapeWeights,
  growls,
} from '../../left-hand/index.js';
import { STRINGS } from '../../time/index.js';
import { formsOf, nearestForm, type Nearness, type PlacedForm } from './forms.js';
import type { VoicingRefusal, VoicingRequest, VoicingTerm } from './model.js';

export const HIGHEST_VOICING_FRET = 15;
/** Strings that sound when the request does not limit them. */
const WANTED_STRINGS = 5;

/** A request with everything worked out that each fret is asked about. */
export interface Asked {
  readonly request: VoicingRequest;
  readonly weights: ShapeWeights;
  readonly hand: FingeringHand;
  readonly highest: number;
  readonly atLeast: number;
  readonly wanted: number;
  /** Tones there are, and which of them must sound, as bits. */
  readonly needed: number;
  readonly all: number;
  readonly tones: number;
  /** For each string (6 to 1) the frets that may sound with the bit of their tone. */
  readonly frets: readonly (readonly { readonly fret: number; readonly bit: number; readonly midi: number }[])[];
  /** The same by fret. */
  readonly at: readonly ReadonlyMap<number, { readonly bit: number; readonly midi: number }>[];
  readonly bassIs: (midi: number) => 'right' | 'other' | 'wrong';
  /** Taught forms of the chord, from string 6 on. */
  readonly forms: readonly PlacedForm[];
  /** One of them is an open chord. */
  readonly opens: boolean;
  /** Exact pitches: none twice. */
  readonly once: boolean;
}
export type AskReading = { readonly asked: Asked } | { readonly faults: readonly Fact<VoicingRefusal>[] };

/** Reads a request, or tells what can't be asked. */
export function readAsk(request: VoicingRequest): AskReading {
  const faults: Fact<VoicingRefusal>[] = [];
  const highest = request.highestFret ?? 12;
  if (!Number.isInteger(highest) || highest < 0 || highest > HIGHEST_VOICING_FRET)
    faults.push(fact('highest fret', HIGHEST_VOICING_FRET, highest));
  const reading = request.chord === undefined ? null : readChord(request.chord);
  if (reading && !reading.ok) faults.push(reading.refusal);
  const notes = request.notes ?? [];
  if (!reading && (notes.length === 0 || notes.length > 6)) faults.push(fact('nothing named'));
  if (!reading && new Set(notes).size !== notes.length) faults.push(fact('note named twice'));
  if (faults.length) return { faults };
  const chord = reading?.ok ? reading.chord : null;
  const bits = chord ? chord.tones.map((t) => t.pitchClass) : [...notes];
  const bitOf = (midi: number) => 1 << bits.indexOf(chord ? midi % 12 : midi);
  const needed = chord
    ? chord.tones.reduce((sum, t, i) => (t.needed ? sum | (1 << i) : sum), 0)
    : (1 << bits.length) - 1;
  const allowed = new Set(request.strings ?? STRINGS);
  const { neck, tuning } = request;
  const frets = STRINGS.map((string, i) => {
    if (!allowed.has(string)) return [];
    const open = (tuning[i] ?? 0) + neck.capo;
    return Array.from({ length: highest + 1 }, (_, fret) => ({ fret, midi: open + fret, bit: 0 }))
      .filter((f) => (request.open === 'none' ? f.fret > 0 : true) && bits.includes(chord ? f.midi % 12 : f.midi))
      .map((f) => ({ ...f, bit: bitOf(f.midi) }));
  });
  const weights = request.weights ?? SHAPE_WEIGHTS;
  const forms = chord ? formsOf(chord, neck.capo, highest, (i) => allowed.has(STRINGS[i] ?? 1)) : [];
  return {
    asked: {
      request,
      weights,
      hand: easier(handOn(neck, request.profile, weights), request.easy === true),
      highest,
      atLeast: chord ? Math.max(1, request.atLeast ?? 3) : notes.length,
      wanted: chord ? Math.min(allowed.size, WANTED_STRINGS) : notes.length,
      needed,
      all: (1 << bits.length) - 1,
      tones: bits.length,
      frets,
      at: frets.map((list) => new Map(list.map((f) => [f.fret, f]))),
      forms,
      opens: forms.some((f) => !f.small && f.frets.includes(0)),
      once: !chord,
      bassIs: (midi) => {
        if (!chord) return 'right';
        if (chord.bass !== null) return midi % 12 === chord.bass ? 'right' : 'wrong';
        if (midi % 12 === chord.root) return 'right';
        return request.bass === 'root' ? 'wrong' : 'other';
      },
    },
  };
}

const easier = (hand: FingeringHand, easy: boolean): FingeringHand => {
  if (!easy) return hand;
  const reach = Object.fromEntries(
    Object.entries(hand.left.reach).map(([pair, r]) => [pair, { ease: r.ease, limit: r.ease }]),
  ) as FingeringHand['left']['reach'];
  return { ...hand, left: { ...hand.left, reach } };
};

/** Why these frets are no answer to what was asked; null when they are one. */
export function soundFault(asked: Asked, frets: Frets): Fact<VoicingRefusal> | null {
  let mask = 0;
  let sounding = 0;
  let lowest: number | null = null;
  let open = false;
  for (let i = 0; i < 6; i++) {
    const fret = frets[i] ?? null;
    if (fret === null) continue;
    const found = asked.at[i]?.get(fret);
    if (!found) return fact('tone not asked for', STRINGS[i] ?? 1, fret);
    if (asked.once && mask & found.bit) return fact('note sounds twice');
    mask |= found.bit;
    sounding++;
    open ||= fret === 0;
    // Of a chord the first string that sounds is the lowest note: it is heard as the bass.
    if (asked.request.chord !== undefined && lowest !== null && found.midi < lowest)
      return fact('lower than the first', STRINGS[i] ?? 1);
    if (lowest === null || found.midi < lowest) lowest = found.midi;
  }
  if (sounding < asked.atLeast) return fact('too few strings', sounding, asked.atLeast);
  if ((mask & asked.needed) !== asked.needed) return fact('tone missing');
  if (lowest !== null && asked.bassIs(lowest) === 'wrong') return fact('another bass');
  if (asked.request.open === 'some' && !open) return fact('no string open');
  return null;
}

/** From this fret on, counted from the capo, a form is high up. */
const HIGH = 10;
const isLow = (fret: number | null): boolean => fret === null || fret < HIGH;
/** What a shape is to the taught forms of its chord; of a beginning, the best that any ending of it can be. */
export interface AmongForms {
  /** Points of frets that no method teaches. */
  readonly points: number;
  /** A whole taught form, small or not. */
  readonly taught: boolean;
}
export function amongForms({ forms, weights }: Asked, frets: readonly (number | null)[]): AmongForms {
  if (forms.length === 0) return { points: 0, taught: false };
  const near = nearestForm(forms, frets);
  // High up only where no form lies lower.
  const high = frets.some((f) => f !== null && f >= HIGH) && forms.some(({ frets: own }) => own.every(isLow));
  const points = pointsOf(weights, near);
  return {
    points: high ? Math.min(points + weights.highForm, weights.untaught) : points,
    taught: near === 'taught' || near === 'small',
  };
}
const pointsOf = (weights: ShapeWeights, near: Nearness): number =>
  near === 'taught'
    ? 0
    : near === 'small'
      ? weights.smallForm
      : near === 'part'
        ? weights.partOfForm
        : weights.untaught;

/** What it costs that tones of the chord are missing. */
export const missingCost = ({ all, tones, weights }: Asked, mask: number): number =>
  (mask & all) === all ? 0 : tones > 3 ? weights.missing : weights.missingInTriad;
/** What it costs that the first stopped fret is not the first of the neck. */
export const heightCost = ({ weights }: Asked, firstStopped: number): number =>
  firstStopped === Infinity ? 0 : (firstStopped - 1) * weights.height;

/** What these frets cost apart from the fingers that hold them. */
export function soundCost(asked: Asked, frets: Frets): Partial<Record<VoicingTerm, number>> {
  const { weights } = asked;
  let [count, silentSince, inner, last] = [0, 0, 0, 0];
  let [mask, lowest, firstStopped] = [0, Infinity, Infinity];
  let [mud, below] = [0, Infinity];
  for (let i = 0; i < 6; i++) {
    const fret = frets[i] ?? null;
    if (fret === null) {
      silentSince++;
      continue;
    }
    if (count > 0) inner += silentSince;
    silentSince = 0;
    count++;
    last = i;
    if (fret > 0) firstStopped = Math.min(firstStopped, fret);
    const found = asked.at[i]?.get(fret);
    mask |= found?.bit ?? 0;
    lowest = Math.min(lowest, found?.midi ?? Infinity);
    if (growls(below, found?.midi ?? Infinity)) mud++;
    below = found?.midi ?? Infinity;
  }
  const { taught, points } = amongForms(asked, frets);
  return {
    // The silent strings of a taught form are learned along with it.
    mutes: taught ? 0 : inner * weights.innerMute + (5 - last) * weights.outerMute,
    missing: missingCost(asked, mask),
    bass: asked.bassIs(lowest) === 'other' ? weights.bass : 0,
    height: heightCost(asked, firstStopped),
    mud: mud * weights.mud,
    thin: Math.max(0, asked.wanted - count) * weights.thin,
    form: points + (asked.opens && !frets.includes(0) ? weights.closed : 0),
  };
}
