import { fifthInBass, fingersOver, leadNote, type NeckPlace, type Shape } from '../../left-hand/index.js';
import { type Ask, settled } from '../../player/index.js';
import { gcd, STEPS_PER_COUNT, type StringNumber, STRINGS, TICKS_PER_COUNT } from '../../time/index.js';
import type { PlayedBass } from '../bass-line/index.js';
import type { FrettedShape } from '../voicings/index.js';
import { ownStrokes } from './bass-part.js';
import { type FigureBeat, isStrummed } from './figure.js';
import { layFigure, type Laid } from './laid.js';
import type { CompAnswer, CompRequest } from './model.js';
import { fingerSet, symbolOf } from './sounding.js';

/** An accompaniment as a section's text. */
export interface CompText {
  readonly script: string;
  readonly stepsPerCount: number;
}
const LETTERS = ['', 'i', 'im', 'ima', 'imae'];
const asShape = (request: CompRequest, name: string, held: FrettedShape): Shape => ({
  id: name,
  name,
  chord: symbolOf(request, name),
  ...held,
});

/**
 * The script of an accompaniment: what every chord of the chart has in common is left to the chord (`:b`, `:t`), what is
 * its own stands with string and fret. As short as it can be said: what comes round is written once.
 */
export function compScript(ask: Ask<CompRequest>, answer: CompAnswer): CompText {
  const request = settled<CompRequest>(ask);
  const laid = layFigure(request);
  if ('infeasible' in laid) return { script: '', stepsPerCount: 1 };
  const words = strokeWords(request, laid, answer);
  const step = stepOf(laid);
  const bars = laid.bars.map((bar): string[] => {
    const signs: string[] = [];
    for (let at = bar.at; at < bar.at + bar.length; at += step) {
      const word = words.get(at);
      const sounding = laid.chords.some((c) => c.strokes.some((s) => s.at < at && s.until > at));
      const goesOn = laid.chords.some((c) => c.strokes.some((s) => s.until - laid.length > at));
      signs.push(word ?? (sounding || goesOn ? '-' : '.'));
    }
    return signs;
  });
  // A hold at the very beginning has nothing before it in the text.
  const texts = bars.map((b) => b.join(' '));
  const period = texts.findIndex(
    (_, n) => n > 0 && texts.length % n === 0 && texts.every((t, i) => t === texts[i % n]),
  );
  const once = period > 0 ? texts.slice(0, period) : texts;
  return { script: once.join(' | '), stepsPerCount: TICKS_PER_COUNT / step };
}
/** The longest step in which everything can be written. */
function stepOf({ chords, bars }: Laid): number {
  let common: number = TICKS_PER_COUNT;
  for (const b of bars) common = gcd(common, b.at);
  for (const { strokes } of chords) for (const s of strokes) common = gcd(gcd(common, s.at), s.until);
  const steps = STEPS_PER_COUNT.find((n) => common % (TICKS_PER_COUNT / n) === 0) ?? 1;
  return TICKS_PER_COUNT / steps;
}

/** Each stroke in its place, as the script writes it. */
function strokeWords(request: CompRequest, laid: Laid, { shapes, pushes, bass }: CompAnswer): Map<number, string> {
  const words = new Map<number, string>();
  let thumbs = 0;
  laid.chords.forEach((chord, n) => {
    const name = laid.names[chord.name] ?? '';
    const next = laid.chords[(n + 1) % laid.chords.length];
    const after = laid.names[next?.name ?? 0] ?? '';
    const [held, coming] = [shapes[chord.name], shapes[next?.name ?? 0]];
    if (!held || !coming) return;
    const over: Over = {
      request,
      name,
      shape: asShape(request, name, held),
      next: asShape(request, after, coming),
    };
    const last = n + 1 === laid.chords.length ? laid.length : 0;
    const tied = next?.tied ? next.tied.at + last : null;
    const own = new Set(ownStrokes(laid, n, pushes).fingers.map((f) => f.at));
    for (const s of chord.strokes) {
      const note = s.thumb ? bass[thumbs++] : undefined;
      // What is pushed names the strings of the chord that it belongs to.
      const pushed = s.at === tied && !own.has(s.at);
      // What is not pushed is tied as it is written: it ends where the next grip takes its strings.
      const mark = pushed ? '>' : '';
      const set = pushed ? { request, name: after, shape: over.next } : over;
      words.set(s.at, wordOf(s, note, over, set, mark));
    }
  });
  return words;
}
interface Over {
  readonly request: CompRequest;
  readonly name: string;
  readonly shape: Shape;
  readonly next: Shape;
}
const isSet = (request: CompRequest, name: string): boolean => request.strings?.[name] !== undefined;

function wordOf(
  { thumb, fingers, hand }: FigureBeat,
  note: PlayedBass | undefined,
  over: Over,
  set: Pick<Over, 'request' | 'name' | 'shape'>,
  mark: string,
): string {
  const { request } = over;
  const own = fingerSet(request, set.name, set.shape);
  if (hand) return handWord(hand, own, set, mark);
  // What the thumb strikes itself the fingers leave to it.
  const strings = thumb && note ? own.filter((s) => s !== note.string) : own;
  const letters = LETTERS[strings.length] ?? 'ima';
  const numbers = strings.join('');
  const basses = bassMarks(request, note);
  if (!thumb || !note) return `${letters}${mark}:${isSet(request, set.name) ? numbers : 't'}`;
  const place = placeText(note, over);
  if (!fingers) return `p${basses}:${place}`;
  if (strings.length === 0) return `p${basses}:${place}`;
  if (place === 'b' && basses === '' && !isSet(request, set.name) && letters === 'ima') return `pima${mark}:t`;
  const bass = place === 'b' ? String(note.string) : placeNumber(note, over.shape);
  return `p${letters}${mark}:${bass}${basses}+${strings.join('+')}`;
}
/** What strikes the strings as a whole: the strings that were asked for, else all; beside a thumb that plucks the treble set. */
function handWord(
  hand: NonNullable<FigureBeat['hand']>,
  own: readonly StringNumber[],
  { request, name }: Pick<Over, 'request' | 'name'>,
  mark: string,
): string {
  if (hand === 'slap') return 'S';
  const down = hand === 'down';
  const strum = `i${down ? 'd' : 'u'}${mark}`;
  if (isSet(request, name)) return `${strum}:${(down ? own : [...own].reverse()).join('')}`;
  return isStrummed(request.figure, request.cycle) ? strum : `${strum}:t`;
}
/** Ways that leave the shape's own bass as it is. */
const STAYS: readonly (PlayedBass['way'] | undefined)[] = ['there', 'open', 'free finger'];
/** A bass under the palm does not ring, nor does one whose finger has to go back. */
const bassMarks = ({ bassLength, muted }: CompRequest, note: PlayedBass | undefined): string =>
  (bassLength === 'short' ? "'" : bassLength === 'ringing' && !muted && STAYS.includes(note?.way) ? '~' : '') +
  (muted ? '%' : '');
/** `b`, `f` or `n` where the chord's own means the same, else the place itself. */
function placeText(note: PlayedBass, { request, name, shape, next }: Over): string {
  const { tuning, neck } = request;
  const instrument = { tuning, capo: neck.capo };
  if (note.way === 'there' || note.way === 'open') {
    const lowest = shape.frets.findIndex((f) => f !== null);
    if (STRINGS[lowest] === note.string && shape.frets[lowest] === note.fret) return 'b';
  }
  const own = fingerSet(request, name, shape);
  const same = (place: NeckPlace): boolean =>
    place.string === note.string &&
    place.fret === note.fret &&
    // Whatever is struck meanwhile.
    (note.fret === 0 || [[], own].every((struck) => fingersOver(shape, [place], struck)[0] === note.finger));
  if (same(fifthInBass(shape, instrument))) return 'f';
  if (same(leadNote(shape, next, instrument))) return 'n';
  return placeNumber(note, shape);
}
function placeNumber({ string, fret, finger }: PlayedBass, shape: Shape): string {
  const i = STRINGS.indexOf(string);
  if (shape.frets[i] === fret) return String(string);
  return fret === 0 ? `${string}f0` : `${string}f${fret}=${finger}`;
}
