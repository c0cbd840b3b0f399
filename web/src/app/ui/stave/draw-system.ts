import type { NotatedBar } from '@ruffle-wheel/core';
import {
  Barline,
  BarlineType,
  Formatter,
  type GhostNote,
  Renderer,
  Stave,
  StaveNote,
  TabStave,
  VexFlow,
  Voice,
} from 'vexflow/core';
import { addAccidentals, type DrawnVoice, keysOf, oneHead, signOf, voiceOf } from './drawn-signs';
import { spaced } from './spacing';
import { beamsOf, numbersOf, shorten, tiesOf, tupletsOf } from './joined-signs';
import { Heads } from './heads';
import {
  type Drawn,
  type DrawnStop,
  type PageView,
  STRING_GAP,
  stringY,
  type SystemLayout,
  xOf,
} from './system-layout';

const FONT = 'Bravura';
const CLEFS = 58;
/** What the strings' names take where there is no clef. */
const NAMES = 24;
/** What one sign of a key takes, and the figures of a time. */
const KEY_SIGN = 11;
const TIME = 34;
/** Keys by their signs, from six flats to six sharps. */
const KEYS = ['Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#'];
const NO_SIGNS = 6;
/** Letters of levels in the signs' own font, and where their line is. */
const DYNAMIC: Readonly<Record<string, string>> = { p: '\uE520', m: '\uE521', f: '\uE522' };
const LEVEL_LETTER = 9;
const FIRST_BAR_LEFT = 6;
/** What a sign of repeat takes, with room for the fingers beside the first note. */
const REPEAT_WIDTH = 30;
/** A whole rest hangs from the line above. */
const WHOLE_REST = 'd/5';

let ready: Promise<unknown> | null = null;
/** The signs' own font: widths are measured with it. */
export function fontHere(): Promise<unknown> {
  ready ??= document.fonts.load(`30px ${FONT}`).then(() => VexFlow.setFonts(FONT));
  return ready;
}

/** What is made step by step. */
export type Steps<T> = Generator<undefined, T, undefined>;
/** Signs drawn in one step. */
const AT_ONCE = 6;
/** Signs at the edges of a bar. */
export interface Edges {
  readonly begin: 'repeat' | null;
  /** `none` where a bar goes on in the next system. */
  readonly end: 'repeat' | 'end' | 'none' | null;
}
/**
 * Draws one or two bars into an element: a staff, tablature under it, both voices. It is made in steps, between which the
 * page may have its turn, and stands there when the last one is done.
 * @param width in units of the drawing
 * @param edges of each bar
 * @returns where everything stands, for what is laid over it
 */
export function* drawSystem(
  host: HTMLDivElement,
  bars: readonly NotatedBar[],
  width: number,
  edges: readonly Edges[],
  { view, words }: { readonly view: PageView; readonly words: boolean },
): Steps<Drawn> {
  const heads = new Heads(view, bars, words);
  const { layout } = heads;
  const made = document.createElement('div');
  const renderer = new Renderer(made, Renderer.Backends.SVG);
  renderer.resize(width, layout.height);
  const context = renderer.getContext();
  context.setFillStyle('currentColor');
  context.setStrokeStyle('currentColor');
  const svg = made.querySelector('svg');
  svg?.setAttribute('viewBox', `0 0 ${width} ${layout.height}`);
  svg?.setAttribute('aria-hidden', 'true');

  const all = bars.map((b) => Math.max(4, b.voices.fingers.length + b.voices.thumb.length) + 3);
  const sum = all.reduce((a, b) => a + b, 0);
  const begins = bars.map((b, n) => headWidth(b, n === 0, layout));
  const room = width - FIRST_BAR_LEFT * 2 - begins.reduce((a, b) => a + b, 0);
  const drawn: Drawn = { width, stops: [], bars: [], tuplets: [], slurs: [] };
  let x = FIRST_BAR_LEFT;
  for (const [n, bar] of bars.entries()) {
    yield;
    const own = (room * (all[n] ?? 1)) / sum + (begins[n] ?? 0);
    const stave = linesOf(context, {
      x,
      width: own,
      bar,
      layout,
      first: n === 0,
      ...(edges[n] ? { edges: edges[n] } : {}),
    });
    const voices = yield* drawBar(context, bar, stave, heads);
    const signs = voices.flatMap((v) => v.drawn.map(({ sign, note }) => [sign.at, note.getAbsoluteX()] as const));
    // In a bar of silence places lie evenly.
    const points = signs.length ? signs : [[0, stave.getNoteStartX()] as const];
    drawn.bars.push({
      n: bar.n,
      x,
      width: own,
      start: stave.getNoteStartX(),
      end: x + own,
      points: [...points].sort((a, b) => a[0] - b[0]),
    });
    const ghosts = ghostsOf(bar, drawn.bars.at(-1));
    drawn.stops.push(...[...stopsOf(bar, voices, heads), ...ghosts].sort((a, b) => a.at - b.at));
    drawn.tuplets.push(...numbersOf(bar, voices));
    x += own;
  }
  drawLevels(context, drawn.stops, bars[0]?.level, layout.levels);
  host.replaceChildren(...made.childNodes);
  return { ...drawn, slurs: slursOf(drawn.stops) };
}
/** What stands before the first note: the clef and the key at the beginning of a system, the time where it changes. */
const headWidth = (bar: NotatedBar, first: boolean, { pitches }: SystemLayout): number =>
  (first ? (pitches ? CLEFS + Math.abs(bar.signature) * KEY_SIGN : NAMES) : 0) + (bar.time ? TIME : 0);
/** Levels under the staff, where they change. */
function drawLevels(context: Context, stops: readonly DrawnStop[], before: string | undefined, y: number) {
  context.save();
  context.setFont(FONT, 24);
  let level = before;
  for (const { event, headX } of stops) {
    if (event.level === level) continue;
    level = event.level;
    const letters = [...level].map((l) => DYNAMIC[l] ?? '');
    // Beside the thumb's stem, not under it.
    context.fillText(letters.join(''), headX - 4 - LEVEL_LETTER * letters.length, y);
  }
  context.restore();
}
/** Movements without a sound stand between the signs of their bar. */
function ghostsOf(bar: NotatedBar, drawn: Drawn['bars'][number] | undefined): DrawnStop[] {
  if (!drawn) return [];
  return bar.events.flatMap((event): DrawnStop[] => {
    if (event.motion.kind !== 'ghost' || event.at < bar.at) return [];
    const x = xOf(drawn, event.at - bar.at, bar.length);
    return [{ at: event.at, bar: bar.n, x: x + 5, headX: x, event, notes: [] }];
  });
}

type Context = ReturnType<Renderer['getContext']>;
const END_TYPE = { repeat: BarlineType.REPEAT_END, end: BarlineType.END, none: BarlineType.NONE } as const;
interface Lines {
  readonly x: number;
  readonly width: number;
  readonly bar: NotatedBar;
  readonly layout: SystemLayout;
  /** At the beginning of a system. */
  readonly first: boolean;
  readonly edges?: Edges;
}
/** The lines of staff and tablature, with clef, key and time. */
function linesOf(context: Context, { x, width, bar, layout, first, edges }: Lines): Stave {
  const { staff, strings, pitches } = layout;
  const stave = new Stave(x, staff - 40, width);
  const tab =
    strings === null ? null : new TabStave(x, strings - 4 * STRING_GAP, width, { spacingBetweenLinesPx: STRING_GAP });
  const both = tab ? [stave, tab] : [stave];
  // A rhythm has the middle line alone.
  if (!pitches) stave.setConfigForLines(Array.from({ length: 5 }, (_, n) => ({ visible: n === 2 })));
  if (first && pitches) {
    stave.addClef('treble', 'default', '8vb');
    stave.addKeySignature(KEYS[NO_SIGNS + bar.signature] ?? 'C');
  }
  if (bar.time) stave.addTimeSignature(bar.time.join('/'));
  if (!first) stave.setBegBarType(BarlineType.NONE);
  for (const lines of both) if (edges?.end) lines.setEndBarType(END_TYPE[edges.end]);
  const begin = stave.getNoteStartX() + (first && !pitches ? NAMES : 4);
  if (edges?.begin) stave.setNoteStartX(begin + REPEAT_WIDTH);
  else if (first && !pitches) stave.setNoteStartX(begin);
  stave.setContext(context).draw();
  tab?.setContext(context).draw();
  // Behind the clef, on staff and tablature one under the other.
  if (edges?.begin) for (const lines of both) new Barline(BarlineType.REPEAT_BEGIN).drawRepeatBar(lines, begin, true);
  return stave;
}
/** The signs of both voices, their beams, ties and tuplets. */
function* drawBar(context: Context, bar: NotatedBar, stave: Stave, heads: Heads): Steps<DrawnVoice[]> {
  const voices = (['fingers', 'thumb'] as const).flatMap((voice): DrawnVoice[] => {
    const signs = bar.voices[voice];
    return signs.length ? [{ voice, drawn: signs.map((sign) => signOf(bar, voice, sign, heads)) }] : [];
  });
  addAccidentals(bar, voices, heads);
  if (voices.length === 0) {
    drawSilence(context, stave);
    return voices;
  }
  yield;
  // Silences of a voice that are not to be seen belong to a tuplet too, so its number is laid over the drawing.
  for (const { drawn } of voices) for (const group of tupletsOf(drawn)) shorten(group);
  const together = voices.map(({ drawn }) => soft(drawn.map((d) => d.note)));
  const beams = voices.flatMap(({ drawn }) => beamsOf(bar, drawn));
  const formatter = new Formatter().joinVoices(together);
  const width = stave.getNoteEndX() - stave.getNoteStartX() - 14;
  yield;
  formatter.format(together, width);
  evenly(formatter, width);
  oneHead(voices);
  for (const [n, { note }] of voices.flatMap((v) => v.drawn).entries()) {
    if (n % AT_ONCE === 0) yield;
    note.setStave(stave).setContext(context).drawWithStyle();
  }
  yield;
  beams.forEach((b) => b.setContext(context).draw());
  for (const { drawn } of voices) tiesOf(bar, drawn).forEach((t) => t.setContext(context).draw());
  return voices;
}
/** Signs of one length lie equally far apart. */
function evenly(formatter: Formatter, width: number) {
  const contexts = formatter.getTickContexts();
  if (!contexts) return;
  const all = contexts.list.map((tick) => ({ tick, own: contexts.map[tick] }));
  const last = all.at(-1);
  const end = (last?.tick ?? 0) + (last?.own?.getMaxTicks().value() ?? 0);
  const places = spaced(
    all.map(({ tick, own }, n) => {
      const { totalLeftPx = 0, totalRightPx = 0, notePx = 0 } = own?.getMetrics() ?? {};
      return { lasts: (all[n + 1]?.tick ?? end) - tick, left: totalLeftPx, right: notePx + totalRightPx };
    }),
    width,
  );
  all.forEach(({ own }, n) => own?.setX(places[n] ?? 0));
}
/** A bar in which nothing sounds: one rest in its middle, however long it is. */
function drawSilence(context: Context, stave: Stave) {
  const rest = new StaveNote({ keys: [WHOLE_REST], duration: 'wr', alignCenter: true });
  const voice = soft([rest]);
  new Formatter().joinVoices([voice]).format([voice], stave.getNoteEndX() - stave.getNoteStartX() - 14);
  voice.draw(context, stave);
}
/** Where strokes begin in a bar, each with all its notes. */
function stopsOf(bar: NotatedBar, voices: readonly DrawnVoice[], heads: Heads): DrawnStop[] {
  const { strings } = heads.layout;
  const stops = new Map<number, DrawnStop>();
  for (const { voice, drawn } of voices)
    for (const { sign, note } of drawn) {
      const event = bar.events[sign.event ?? -1];
      if (!event || sign.event === null || sign.tied || event.at < bar.at) continue;
      const ys = note instanceof StaveNote && heads.areNotes(event) ? note.getYs() : [];
      const notes = keysOf(bar, voiceOf(voice, sign), sign.event).map(
        ({ note: { string, left, fret, workedOut } }, i) => ({
          ...{ string, left, fret, workedOut },
          head: ys[i] ?? null,
          tab: strings === null || heads.isAgain(event) ? null : stringY(string, strings),
        }),
      );
      const there = stops.get(event.at);
      // A note that both voices have is one.
      if (there) there.notes.push(...notes.filter((n) => !there.notes.some((o) => o.string === n.string)));
      else {
        const x = note.getAbsoluteX();
        stops.set(event.at, {
          at: event.at,
          bar: bar.n,
          x: x + 5,
          headX: x - note.getMetrics().modLeftPx,
          event,
          notes,
        });
      }
    }
  return [...stops.values()].sort((a, b) => a.at - b.at);
}

/** From a note on a string to what the left hand alone sounds after it, in the tablature. */
function slursOf(stops: readonly DrawnStop[]): Drawn['slurs'] {
  const last = new Map<number, number>();
  return stops.flatMap(({ at, x, event, notes }) => {
    const from = event.motion.kind === 'ligado' ? last.get(event.motion.string) : undefined;
    for (const n of notes) last.set(n.string, x);
    const [own] = notes;
    return from === undefined || own?.tab == null ? [] : [{ key: at, from, to: x, y: own.tab - 8 }];
  });
}
function soft(notes: (StaveNote | GhostNote)[]): Voice {
  return new Voice({ numBeats: 4, beatValue: 4 }).setMode(Voice.Mode.SOFT).addTickables(notes);
}
