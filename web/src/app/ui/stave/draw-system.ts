import {
  beamGroups,
  hasMarkAnywhere,
  isDead,
  isNumbered,
  markRow,
  MARKS,
  notesOf,
  type NotatedBar,
  restSeen,
  type ScoreEvent,
  type ShownAccidental,
  shownAccidentals,
  type Sign,
  spell,
  type StaffSign,
  type Voice as HandVoice,
} from '@ruffle-wheel/core';
import {
  Accidental,
  Articulation,
  Barline,
  BarlineType,
  Beam,
  Dot,
  Formatter,
  GhostNote,
  Modifier,
  Renderer,
  Stave,
  StaveNote,
  StaveTie,
  TabStave,
  Tuplet,
  VexFlow,
  Voice,
} from 'vexflow/core';
import { type Drawn, type DrawnStop, HEIGHT, STAVE_TOP, STRING_GAP, stringY, TAB_TOP, xOf } from './system-layout';

const FONT = 'Bravura';
const CLEFS = 58;
/** What one sign of a key takes, and the figures of a time. */
const KEY_SIGN = 11;
const TIME = 34;
/** Keys by their signs, from six flats to six sharps. */
const KEYS = ['Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#'];
const NO_SIGNS = 6;
/** Letters of levels in the signs' own font, and where their line is. */
const DYNAMIC: Readonly<Record<string, string>> = { p: '\uE520', m: '\uE521', f: '\uE522' };
const LEVELS_AT = 182;
const LEVEL_LETTER = 9;
const FIRST_BAR_LEFT = 6;
/** What a sign of repeat takes, with room for the fingers beside the first note. */
const REPEAT_WIDTH = 30;
const LETTER: Record<number, string> = { 1: 'w', 2: 'h', 4: 'q', 8: '8', 16: '16', 32: '32', 64: '64' };
/** Where a voice that rests alone has its rests. */
const MIDDLE = 'b/4';
/** A whole rest hangs from the line above. */
const WHOLE_REST = 'd/5';
const TAP = 'g/5/x2';
/** Behind a pitch: its head is a cross. */
const CROSS = '/x2';

let ready: Promise<unknown> | null = null;
/** The signs' own font: widths are measured with it. */
export function fontHere(): Promise<unknown> {
  ready ??= document.fonts.load(`30px ${FONT}`).then(() => VexFlow.setFonts(FONT));
  return ready;
}

/** Signs at the edges of a bar. */
export interface Edges {
  readonly begin: 'repeat' | null;
  /** `none` where a bar goes on in the next system. */
  readonly end: 'repeat' | 'end' | 'none' | null;
}
/**
 * Draws one or two bars into an element: a staff, tablature under it, both voices.
 * @param width in units of the drawing
 * @param edges of each bar
 * @returns where everything stands, for what is laid over it
 */
export function drawSystem(
  host: HTMLDivElement,
  bars: readonly NotatedBar[],
  width: number,
  edges: readonly Edges[],
): Drawn {
  host.replaceChildren();
  const renderer = new Renderer(host, Renderer.Backends.SVG);
  renderer.resize(width, HEIGHT);
  const context = renderer.getContext();
  context.setFillStyle('currentColor');
  context.setStrokeStyle('currentColor');
  const svg = host.querySelector('svg');
  svg?.setAttribute('viewBox', `0 0 ${width} ${HEIGHT}`);
  svg?.setAttribute('aria-hidden', 'true');

  const all = bars.map((b) => Math.max(4, b.voices.fingers.length + b.voices.thumb.length) + 3);
  const sum = all.reduce((a, b) => a + b, 0);
  const heads = bars.map((b, n) => headWidth(b, n === 0));
  const room = width - FIRST_BAR_LEFT * 2 - heads.reduce((a, b) => a + b, 0);
  const drawn: Drawn = { width, stops: [], bars: [], tuplets: [], slurs: [] };
  let x = FIRST_BAR_LEFT;
  bars.forEach((bar, n) => {
    const own = (room * (all[n] ?? 1)) / sum + (heads[n] ?? 0);
    const stave = linesOf(context, { x, width: own, bar, first: n === 0, ...(edges[n] ? { edges: edges[n] } : {}) });
    const voices = drawBar(context, bar, stave);
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
    drawn.stops.push(...[...stopsOf(bar, voices), ...ghosts].sort((a, b) => a.at - b.at));
    drawn.tuplets.push(...numbersOf(bar, voices));
    x += own;
  });
  drawLevels(context, drawn.stops, bars[0]?.level);
  return { ...drawn, slurs: slursOf(drawn.stops) };
}
/** What stands before the first note: the clef and the key at the beginning of a system, the time where it changes. */
const headWidth = (bar: NotatedBar, first: boolean): number =>
  (first ? CLEFS + Math.abs(bar.signature) * KEY_SIGN : 0) + (bar.time ? TIME : 0);
/** Levels under the staff, where they change. */
function drawLevels(context: Context, stops: readonly DrawnStop[], before: string | undefined) {
  context.save();
  context.setFont(FONT, 24);
  let level = before;
  for (const { event, headX } of stops) {
    if (event.level === level) continue;
    level = event.level;
    const letters = [...level].map((l) => DYNAMIC[l] ?? '');
    // Beside the thumb's stem, not under it.
    context.fillText(letters.join(''), headX - 4 - LEVEL_LETTER * letters.length, LEVELS_AT);
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

interface DrawnSign {
  readonly sign: Sign;
  readonly note: StaveNote | GhostNote;
}
type Context = ReturnType<Renderer['getContext']>;
interface DrawnVoice {
  readonly voice: HandVoice;
  readonly drawn: readonly DrawnSign[];
}
const END_TYPE = { repeat: BarlineType.REPEAT_END, end: BarlineType.END, none: BarlineType.NONE } as const;
interface Lines {
  readonly x: number;
  readonly width: number;
  readonly bar: NotatedBar;
  /** At the beginning of a system. */
  readonly first: boolean;
  readonly edges?: Edges;
}
/** The lines of staff and tablature, with clef, key and time. */
function linesOf(context: Context, { x, width, bar, first, edges }: Lines): Stave {
  const stave = new Stave(x, STAVE_TOP - 40, width);
  const tab = new TabStave(x, TAB_TOP - 4 * STRING_GAP, width, { spacingBetweenLinesPx: STRING_GAP });
  if (first) {
    stave.addClef('treble', 'default', '8vb');
    stave.addKeySignature(KEYS[NO_SIGNS + bar.signature] ?? 'C');
  }
  if (bar.time) stave.addTimeSignature(bar.time.join('/'));
  if (!first) stave.setBegBarType(BarlineType.NONE);
  for (const lines of [stave, tab]) if (edges?.end) lines.setEndBarType(END_TYPE[edges.end]);
  const begin = stave.getNoteStartX() + 4;
  if (edges?.begin) stave.setNoteStartX(begin + REPEAT_WIDTH);
  stave.setContext(context).draw();
  tab.setContext(context).draw();
  // Behind the clef, on staff and tablature one under the other.
  if (edges?.begin)
    for (const lines of [stave, tab]) new Barline(BarlineType.REPEAT_BEGIN).drawRepeatBar(lines, begin, true);
  return stave;
}
/** The signs of both voices, their beams, ties and tuplets. */
function drawBar(context: Context, bar: NotatedBar, stave: Stave): DrawnVoice[] {
  const voices = (['fingers', 'thumb'] as const).flatMap((voice): DrawnVoice[] => {
    const signs = bar.voices[voice];
    return signs.length ? [{ voice, drawn: signs.map((sign) => signOf(bar, voice, sign)) }] : [];
  });
  addAccidentals(bar, voices);
  if (voices.length === 0) {
    drawSilence(context, stave);
    return voices;
  }
  // Silences of a voice that are not to be seen belong to a tuplet too, so its number is laid over the drawing.
  for (const { drawn } of voices) for (const group of tupletsOf(drawn)) shorten(group);
  const together = voices.map(({ drawn }) => soft(drawn.map((d) => d.note)));
  const beams = voices.flatMap(({ drawn }) => beamsOf(bar, drawn));
  const formatter = new Formatter().joinVoices(together);
  formatter.format(together, stave.getNoteEndX() - stave.getNoteStartX() - 14);
  oneHead(voices);
  together.forEach((v) => v.draw(context, stave));
  beams.forEach((b) => b.setContext(context).draw());
  for (const { drawn } of voices) tiesOf(bar, drawn).forEach((t) => t.setContext(context).draw());
  return voices;
}
/** A note in the beam of one voice and with a stem of the other has one head, where both heads are black. */
function oneHead(voices: readonly DrawnVoice[]) {
  const [fingers, thumb] = [voices[0]?.drawn ?? [], voices[1]?.drawn ?? []];
  for (const { sign, note } of fingers) {
    if (!sign.shared) continue;
    const own = thumb.find((t) => t.sign.at === sign.at && t.sign.event === sign.event);
    if (!own || own.sign.value < 4) continue;
    for (const n of [note, own.note]) n.setXShift(0);
  }
}
/** Accidentals before the heads that need one; a string that is dead needs none. */
function addAccidentals(bar: NotatedBar, voices: readonly DrawnVoice[]) {
  const heads = voices
    .flatMap(({ voice, drawn }) => drawn.map((d) => ({ voice, ...d })))
    .filter(({ sign }) => sign.event !== null && !sign.tied)
    .sort((a, b) => a.sign.at - b.sign.at)
    .flatMap(({ voice, sign, note }) =>
      keysOf(bar, voiceOf(voice, sign), sign.event ?? 0).flatMap((k, index) =>
        k.dead || !(note instanceof StaveNote) ? [] : [{ ...k.spelled, key: { note, index } }],
      ),
    );
  const shown: Map<{ note: StaveNote; index: number }, ShownAccidental> = shownAccidentals(heads, bar.signature);
  for (const [{ note, index }, sign] of shown) note.addModifier(new Accidental(sign), index);
}
/** A bar in which nothing sounds: one rest in its middle, however long it is. */
function drawSilence(context: Context, stave: Stave) {
  const rest = new StaveNote({ keys: [WHOLE_REST], duration: 'wr', alignCenter: true });
  const voice = soft([rest]);
  new Formatter().joinVoices([voice]).format([voice], stave.getNoteEndX() - stave.getNoteStartX() - 14);
  voice.draw(context, stave);
}
/** Where strokes begin in a bar, each with all its notes. */
function stopsOf(bar: NotatedBar, voices: readonly DrawnVoice[]): DrawnStop[] {
  const stops = new Map<number, DrawnStop>();
  for (const { voice, drawn } of voices)
    for (const { sign, note } of drawn) {
      const event = bar.events[sign.event ?? -1];
      if (!event || sign.event === null || sign.tied || event.at < bar.at) continue;
      const heads = note instanceof StaveNote ? note.getYs() : [];
      const notes = keysOf(bar, voiceOf(voice, sign), sign.event).map(
        ({ note: { string, left, fret, workedOut } }, i) => ({
          ...{ string, left, fret, workedOut },
          head: heads[i] ?? null,
          tab: stringY(string),
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
    return from === undefined || !own ? [] : [{ key: at, from, to: x, y: own.tab - 8 }];
  });
}
/** The notes of a sign from low to high, as a staff wants them. */
function keysOf(bar: NotatedBar, voice: HandVoice, n: number) {
  const event = bar.events[n];
  const chord = bar.chords.findLast((c) => event && c.at <= Math.max(0, event.at - bar.at))?.name ?? '';
  return (event ? [...notesOf(event, voice, bar.oneVoice)] : [])
    .sort((a, b) => a.midi - b.midi)
    .map((note) => {
      const spelled = spell(note.midi, chord, bar.signature);
      const { letter, accidental, octave } = spelled;
      const dead = event !== undefined && isDead(event.motion, note.string);
      return { note, spelled, dead, key: `${letter.toLowerCase()}${accidental}/${octave}${dead ? CROSS : ''}` };
    });
}
/** Whose note a sign is: the fingers' beam goes through some of the thumb's. */
const voiceOf = (voice: HandVoice, sign: Sign): HandVoice => (sign.shared ? 'thumb' : voice);
function signOf(bar: NotatedBar, voice: HandVoice, sign: Sign): DrawnSign {
  const duration = `${LETTER[sign.value] ?? 'q'}${sign.dotted ? 'd' : ''}`;
  const stemDirection = voice === 'thumb' ? -1 : 1;
  const ghost = () => new GhostNote({ duration });
  if (sign.event === null) {
    const other = bar.voices[voice === 'thumb' ? 'fingers' : 'thumb'];
    if (!restSeen(sign, other) || (voice === 'thumb' && other.length > 0)) return { sign, note: ghost() };
    const rest = new StaveNote({ keys: [MIDDLE], duration: `${duration}r` });
    if (sign.dotted) Dot.buildAndAttach([rest], { all: true });
    return { sign, note: rest };
  }
  const keys = keysOf(bar, voiceOf(voice, sign), sign.event);
  const note = new StaveNote({ keys: keys.length ? keys.map((k) => k.key) : [TAP], duration, stemDirection });
  if (sign.dotted) Dot.buildAndAttach([note], { all: true });
  // On the side of the head: a dot where the stroke is stopped at once, a ring for a harmonic.
  const event = bar.events[sign.event];
  const place = voice === 'thumb' ? Modifier.Position.ABOVE : Modifier.Position.BELOW;
  if (event && !sign.tied)
    for (const code of articulationsOf(event)) note.addModifier(new Articulation(code).setPosition(place));
  note.setStemStyle({ strokeStyle: 'currentColor' });
  note.setLedgerLineStyle({ strokeStyle: 'currentColor' });
  return { sign, note };
}
/** Signs beside the head, by what a mark asks of a staff; a cross is the head itself. */
const ARTICULATION: Readonly<Record<StaffSign, string | null>> = { dot: 'a.', ring: 'ah', cross: null };
const articulationsOf = ({ motion }: ScoreEvent): string[] => {
  const signs = MARKS.filter((m) => hasMarkAnywhere(motion, m)).flatMap((m) => markRow(m).staff ?? []);
  return [...new Set(signs)].flatMap((s) => ARTICULATION[s] ?? []);
};
function soft(notes: (StaveNote | GhostNote)[]): Voice {
  return new Voice({ numBeats: 4, beatValue: 4 }).setMode(Voice.Mode.SOFT).addTickables(notes);
}
function tupletsOf(drawn: readonly DrawnSign[]): DrawnSign[][] {
  const groups = new Map<number, DrawnSign[]>();
  for (const d of drawn)
    if (d.sign.tuplet) groups.set(d.sign.tuplet.group, [...(groups.get(d.sign.tuplet.group) ?? []), d]);
  return [...groups.values()];
}
/** So many signs in the time of so many. */
function shorten(group: readonly DrawnSign[]) {
  const { notes = 3, inSpaceOf = 2 } = group[0]?.sign.tuplet ?? {};
  return new Tuplet(
    group.map((d) => d.note),
    { numNotes: notes, notesOccupied: inSpaceOf },
  );
}
/** The numbers of tuplets, beyond the ends of their stems. */
function numbersOf(bar: NotatedBar, voices: readonly DrawnVoice[]): Drawn['tuplets'] {
  return voices.flatMap(({ voice, drawn }) =>
    tupletsOf(drawn).flatMap((group) => {
      const seen = group.flatMap(({ note }) => (note instanceof StaveNote && !note.isRest() ? [note] : []));
      const [first, last] = [seen[0], seen[seen.length - 1]];
      const sign = group[0]?.sign;
      const tuplet = sign?.tuplet;
      if (!first || !last || !tuplet || !isNumbered(bar, voice, sign)) return [];
      const ends = seen.map((n) => n.getStemExtents().topY);
      const y = voice === 'fingers' ? Math.min(...ends) - 4 : Math.max(...ends) + 12;
      const x = (first.getAbsoluteX() + last.getAbsoluteX()) / 2 + 5;
      return [{ key: `${bar.n} ${voice} ${tuplet.group}`, x, y, text: String(tuplet.notes) }];
    }),
  );
}
const beamsOf = (bar: NotatedBar, drawn: readonly DrawnSign[]): Beam[] => {
  const notes = new Map(
    drawn.map(({ sign, note }) => [sign, note instanceof StaveNote && !note.isRest() ? note : null]),
  );
  const signs = drawn.map((d) => d.sign);
  return beamGroups(bar, signs, (s) => s.event !== null && !!notes.get(s)).map(
    (group) => new Beam(group.flatMap((n) => notes.get(signs[n] as Sign) ?? [])),
  );
};
/** Ties inside a bar, and halves of those that come over its lines. */
function tiesOf(bar: NotatedBar, drawn: readonly DrawnSign[]): StaveTie[] {
  const ties: StaveTie[] = [];
  const tie = (first: StaveNote | null, last: StaveNote | null) => {
    const keys = (last ?? first)?.keys.length ?? 0;
    const indexes = Array.from({ length: keys }, (_, i) => i);
    ties.push(new StaveTie({ firstNote: first, lastNote: last, firstIndexes: indexes, lastIndexes: indexes }));
  };
  let before: StaveNote | null = null;
  /** What was played last on every string: a ligado is bound to it. */
  const last = new Map<number, { note: StaveNote; event: number }>();
  const lastOn = (string: number) => last.get(string);
  for (const { sign, note } of drawn) {
    const event = bar.events[sign.event ?? -1];
    if (!event || !(note instanceof StaveNote)) continue;
    const { motion } = event;
    if (motion.kind === 'ligado' && !sign.tied) {
      const from = lastOn(motion.string);
      const index = (n: number) => keysOf(bar, 'fingers', n).findIndex((k) => k.note.string === motion.string);
      if (from) {
        const firstIndexes = [Math.max(0, index(from.event))];
        ties.push(new StaveTie({ firstNote: from.note, lastNote: note, firstIndexes, lastIndexes: [0] }));
      }
    }
    if (sign.tied) tie(before?.keys.length === note.keys.length ? before : null, note);
    before = note;
    for (const n of event.notes) last.set(n.string, { note, event: sign.event ?? 0 });
    if (sign.goesOver) tie(note, null);
  }
  return ties;
}
