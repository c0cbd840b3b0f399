import type { Span } from '../chart/index.js';
import { barBegin, barOf } from '../cycle/index.js';
import { quoted, type Range, textFault } from '../fault/index.js';
import { OPEN_SHAPE } from '../left-hand/index.js';
import { readStep, stringsText, writeOutText } from '../script/index.js';
import { type Finger, FINGERS, type Mark } from '../stroke/index.js';
import { isStringNumber, stepTicks, type StringNumber, STRINGS, TICKS_PER_COUNT } from '../time/index.js';
import { type FalsetaFault, type FalsetaRequest, LONGEST_FALSETA, type ReadFalseta } from './model.js';
import {
  flatten,
  goTo,
  hold,
  isDown,
  NOTHING_HELD,
  putFinger,
  soundsOn,
  standUp,
  stopSaid,
  type ToldHand,
} from './told-hand.js';
import { gestureOf, ONE_STRING, SEVERAL_STRINGS, stopOf, type Struck, TOLD_WORD } from './told-words.js';

/**
 * The names of the shapes that a falseta holds, in its order: `(Am)`, `(hold E7)`.
 * @example namesHeld('(Am) 5 3 (4 1f3) 1 (back) (hold E7) 6') // ['Am', 'E7']
 */
export function namesHeld(text: string): string[] {
  const names = [...text.slice(0, LONGEST_FALSETA).matchAll(/\(([^()]*)\)/g)].flatMap((m) =>
    (m[1] ?? '').split(',').flatMap((g) => {
      const gesture = gestureOf(g.trim());
      return gesture.kind === 'hold' && gesture.name ? [gesture.name] : [];
    }),
  );
  return [...new Set(names)];
}
/**
 * Reads a falseta as a player tells it, a step a word: a digit plucks that string as the hand has it, `[632]` several
 * together, `[p5 a1]` with their fingers, `d5` strums from string 5 on; letters before them say the fingers, frets and
 * marks stand as in a script.
 * In brackets stands what the left hand does between two strokes: `(Am)` holds a shape, `(4 1f3)` puts finger 4 on
 * string 1 fret 3, `(flat 1 2-1)` collapses finger 1 over strings 2 and 1, `(up 1)` stands it up again, `(lift 4)`, `(back)`
 * to the shape, `(open)` lets go. `L2f3` is sounded by the left hand alone,
 * `<3 2 1>` share two steps, `.` is silent, `-` goes on, `%` the bar before once more, `{…}x2` twice, `@mf` so loud from there on.
 * @example readFalseta('p5 3 2 1 [61] - . .', { cycle: cycleById('tangos'), stepsPerCount: 2, bar: 0, shapes: [] }).script // 'p:5 ?:3 ?:2 ?:1 ??:61 - . .'
 */
export function readFalseta(text: string, request: FalsetaRequest): ReadFalseta {
  const reader = new Telling(request);
  if (text.length > LONGEST_FALSETA)
    reader.fault({ from: LONGEST_FALSETA, to: text.length }, 'falseta too long', [LONGEST_FALSETA, text.length]);
  else reader.read(text);
  return reader.told();
}

class Telling {
  private readonly faults: FalsetaFault[] = [];
  /** Words of each bar. */
  private readonly bars: string[][] = [[]];
  private readonly spans: { name: string; at: number }[] = [];
  private readonly step: number;
  private readonly begin: number;
  private at = 0;
  private hand: ToldHand | null = null;
  /** Fingers that have moved while the chart's own shape is held. */
  private over: { readonly shape: object; hand: ToldHand } | null = null;
  /** Words that share steps, while their bracket is open. */
  private shared: { readonly range: Range; readonly words: string[] } | null = null;
  private range: Range = { from: 0, to: 0 };
  /** How loud from the next step on, as it is written. */
  private level = '';

  constructor(private readonly request: FalsetaRequest) {
    this.step = stepTicks(request.stepsPerCount) ?? TICKS_PER_COUNT / 2;
    this.begin = barBegin(request.cycle, request.bar);
  }
  fault(range: Range, code: FalsetaFault['code'], about: readonly (string | number)[] = []) {
    this.faults.push(textFault(range, code, about));
  }
  read(text: string) {
    const out = writeOutText(text);
    const place = (n: number) => out.from[n] ?? text.length;
    for (const m of out.text.matchAll(TOLD_WORD)) {
      this.range = { from: place(m.index), to: place(m.index + m[0].length - 1) + 1 };
      const g = m.groups ?? {};
      if (g.told !== undefined) for (const gesture of g.told.split(',')) this.gesture(gesture.trim());
      else if (g.bar) this.barLine();
      else if (g.again) this.barAgain();
      else if (g.quiet) this.word(g.quiet);
      else if (g.level) this.level = `@${g.level} `;
      else if (g.open) this.share();
      else if (m[0].startsWith('>')) this.shareEnds(Number(g.shared ?? 2));
      else if (g.odd) this.fault(this.range, 'no sign of a falseta', [quoted(g.odd)]);
      else if (!g.space) this.stroke(g);
    }
    if (this.shared) this.fault(this.shared.range, 'never closed', ['<', '>']);
  }
  told(): ReadFalseta {
    const { cycle, bar } = this.request;
    let filled = 0;
    while (this.at % this.step === 0 && this.inBar() > 0 && this.faults.length === 0) {
      this.put('.', this.step);
      filled++;
    }
    const bars = this.bars.filter((b) => b.length > 0);
    const length = barBegin(cycle, bar + bars.length) - this.begin;
    const spans = this.spans.flatMap(({ name, at }, n): Span[] => {
      const until = this.spans[n + 1]?.at ?? length;
      return until > at ? [{ name, ticks: until - at }] : [];
    });
    const first = this.spans[0];
    return {
      script: bars.map((b) => b.join(' ')).join(' | '),
      length,
      bars: bars.length,
      held: first ? { from: first.at, spans } : null,
      filled,
      faults: this.faults,
    };
  }

  /** How far in its bar the next step stands. */
  private inBar(): number {
    const { cycle } = this.request;
    const here = this.begin + this.at;
    return here - barBegin(cycle, barOf(cycle, here));
  }
  private word(text: string) {
    if (this.shared) this.shared.words.push(text);
    else this.put(text, this.step);
  }
  private put(text: string, length: number) {
    if (this.inBar() === 0 && (this.bars.at(-1)?.length ?? 0) > 0) this.bars.push([]);
    const { cycle } = this.request;
    const room = barBegin(cycle, barOf(cycle, this.begin + this.at) + 1) - this.begin - this.at;
    if (length > room) this.fault(this.range, 'bar told long', [room / this.step]);
    this.bars.at(-1)?.push(this.level + text);
    this.level = '';
    this.at += length;
  }
  private barLine() {
    const missing = this.inBar();
    if (missing === 0) return;
    const { cycle } = this.request;
    const here = this.begin + this.at;
    const n = barOf(cycle, here);
    const full = barBegin(cycle, n + 1) - barBegin(cycle, n);
    this.fault(this.range, 'bar told short', [n + 1, missing / this.step, full / this.step]);
  }
  private barAgain() {
    const last = this.bars.at(-1);
    if (this.inBar() > 0 || !last?.length || this.shared) return this.fault(this.range, 'no bar before');
    const { cycle } = this.request;
    const here = barOf(cycle, this.begin + this.at);
    const [from, to, end] = [barBegin(cycle, here - 1), barBegin(cycle, here), barBegin(cycle, here + 1)];
    if (to - from !== end - to) return this.fault(this.range, 'no bar before');
    const [begin, until] = [from - this.begin, to - this.begin];
    // What was held in it comes again in its place.
    const held = this.spans.findLast((s) => s.at <= begin);
    const within = this.spans.filter((s) => s.at > begin && s.at < until);
    if (held && this.spans.at(-1)?.name !== held.name) this.spans.push({ name: held.name, at: this.at });
    for (const s of within) this.spans.push({ name: s.name, at: s.at + to - from });
    this.bars.push([...last]);
    this.at += to - from;
  }
  private share() {
    if (this.shared) this.fault(this.range, 'no sign of a falseta', ['<']);
    else this.shared = { range: this.range, words: [] };
  }
  private shareEnds(steps: number) {
    const own = this.shared;
    this.shared = null;
    if (!own) return this.fault(this.range, 'nothing to close', ['>']);
    if (own.words.length === 0) return this.fault(own.range, 'nothing between');
    if (steps < 1) return this.fault(this.range, 'number wanted', ['>:', 1, 16]);
    this.put(`[${own.words.join(' ')}]${steps === 1 ? '' : `:${steps}`}`, steps * this.step);
  }

  /** The hand as it is here: as told, or as the chart has it. */
  private now(): ToldHand {
    if (this.hand) return this.hand;
    const shape = this.request.under?.(this.at) ?? OPEN_SHAPE;
    if (this.over?.shape !== shape) this.over = { shape, hand: shape === OPEN_SHAPE ? NOTHING_HELD : hold(shape) };
    return this.over.hand;
  }
  private becomes(hand: ToldHand) {
    if (this.hand) this.hand = hand;
    else if (this.over) this.over.hand = hand;
  }
  private gesture(text: string) {
    if (text === '') return this.fault(this.range, 'no gesture');
    const g = gestureOf(text);
    const hand = this.now();
    if (g.kind === 'back') this.becomes(hold(hand.shape));
    else if (g.kind === 'put') {
      const step = readStep(`i:${g.string}f${g.fret}=${g.finger}`);
      if (step.fault) this.fault(this.range, step.fault.code, step.fault.about);
      else this.becomes(goTo(hand, g.finger, g.string, g.fret));
    } else if (g.kind === 'flat' || g.kind === 'up') {
      if (!isDown(hand, g.finger)) this.fault(this.range, 'finger not down', [g.finger]);
      else this.becomes(g.kind === 'up' ? standUp(hand, g.finger) : flatten(hand, g.finger, g.from, g.to));
    } else if (g.kind === 'lift') {
      for (const finger of g.fingers) {
        if (!isDown(this.now(), finger)) this.fault(this.range, 'finger not down', [finger]);
        else this.becomes(putFinger(this.now(), finger, null));
      }
    } else this.holds(g.name);
  }
  private holds(name: string) {
    const shape = name === '' ? OPEN_SHAPE : this.request.shapes.find((s) => s.name === name);
    if (!shape) return this.fault(this.range, 'no such hold', [quoted(name)]);
    this.hand = hold(shape);
    const last = this.spans.at(-1);
    if (last?.at === this.at) last.name = name;
    else if (last?.name !== name) this.spans.push({ name, at: this.at });
  }

  private stroke({ hand = '', dir, begin, together, single = '', marks = '' }: Record<string, string | undefined>) {
    if (dir) return this.strum(hand || 'i', dir as 'd' | 'u', Number(begin) as StringNumber, marks);
    if (single.startsWith('L')) {
      const [, string, fret, finger] = ONE_STRING.exec(single) ?? [];
      const place = stringsText({ strings: [Number(string) as StringNumber], stops: [stopOf(fret, finger)] });
      return this.played(`L${place}${marks}`);
    }
    const struck: (Struck & { readonly by: string })[] = [];
    for (const [whole, by = '', string, fret, finger, own = '', odd] of (together ?? single).matchAll(
      SEVERAL_STRINGS,
    )) {
      if (odd || (!string && whole.trim())) return this.wrong('no sign of a falseta', [quoted(whole)]);
      if (string) struck.push({ string: Number(string) as StringNumber, stop: stopOf(fret, finger), marks: own, by });
    }
    const strings = struck.map((s) => s.string);
    if (strings.length === 0 || !strings.every(isStringNumber)) return this.wrong('strings wanted', []);
    if (new Set(strings).size < strings.length) return this.wrong('string twice', []);
    struck.sort((a, b) => b.string - a.string);
    // Letters stand before them all, or each before its string.
    const each = struck.map((s) => s.by).join('');
    const said = hand + each;
    if (said && said.length !== strings.length) return this.wrong('letters for strings', [said.length, strings.length]);
    const letters = ([...said] as Finger[]).sort((a, b) => FINGERS.indexOf(a) - FINGERS.indexOf(b)).join('');
    if (each && each !== letters) return this.wrong('no sign of a falseta', [quoted(together ?? single)]);
    this.played(this.withStrings(letters || '?'.repeat(strings.length), struck, marks));
  }
  /** From a string on to the thin ones, or up to it: all that sound in the hand. */
  private strum(hand: string, dir: 'd' | 'u', begin: StringNumber, marks: string) {
    const now = this.now();
    const all = STRINGS.filter((s) => s <= begin && soundsOn(now, s) !== null);
    if (all.length === 0) return this.wrong('strings wanted', []);
    const order = dir === 'd' ? all : [...all].reverse();
    const struck = order.map((string): Struck => ({ string, stop: null, marks: '' }));
    this.played(this.withStrings(`${hand}${dir}`, struck, marks));
  }
  private withStrings(hand: string, struck: readonly Struck[], marks: string): string {
    const now = this.now();
    const stops = struck.map((s) => s.stop ?? stopSaid(now, s.string));
    const strings = stringsText({
      strings: struck.map((s) => s.string),
      stops,
      placeMarks: struck.map((s) => [...s.marks] as Mark[]),
    });
    const places = stops.some(Boolean) || struck.some((s) => s.marks);
    return places && struck.length > 1 ? hand + marks + strings : hand + strings + marks;
  }
  private played(text: string) {
    const { fault } = readStep(text);
    if (fault) this.wrong(fault.code, fault.about);
    else this.word(text);
  }
  /** What can't be played is silent, so that what follows keeps its place. */
  private wrong(code: FalsetaFault['code'], about: readonly (string | number)[]) {
    this.fault(this.range, code, about);
    this.word('.');
  }
}
