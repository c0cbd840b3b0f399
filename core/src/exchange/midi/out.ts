import midiFile from '@tonejs/midi';
import { type AccentCycle, cycleLength } from '../../cycle/index.js';
import type { Study } from '../../piece/index.js';
import type { HandProfile } from '../../player/index.js';
import { type Level, marksOn } from '../../stroke/index.js';
import { gcd, TICKS_PER_COUNT } from '../../time/index.js';
import { cycleText } from '../written/cycle-text.js';
import { type PlayedNote, playedNotes } from '../written/played.js';
import { quartersInCount, timeOf } from '../../notation/index.js';
import { withoutUnisons } from '../written/unisons.js';
import { toMidiText } from './text.js';
import { playedLine, type Scope, writtenPlaces, type WrittenSection } from '../written/scope.js';

/** Ticks of a quarter: a count’s own, and halves of them where eighths are counted. */
const QUARTER = 2 * TICKS_PER_COUNT;
const NYLON = 24;
export const DRUMS = 9;
/** Sounds of the drum channel: hands that clap, wood that is struck. */
export const CLAP = 39;
export const WOOD = 75;
const LOUD: Record<Level, number> = { pp: 33, p: 49, mp: 64, mf: 80, f: 96, ff: 112 };
const ACCENT = 14;

export interface MidiNames {
  readonly fingers: string;
  readonly thumb: string;
  readonly taps: string;
  readonly claps: string;
}
/**
 * A study, or part of it, as a Standard MIDI file: repeats written out, a track a voice, taps and the cycle's claps on the
 * drum channel, each section with its tempo, time, name and cycle. A note lasts as long as it is written.
 * @param names what the tracks are called
 * @returns no bytes where nothing is to be written
 * @example midiBytes(makeStudy('s', 'Stair'), DEFAULT_PROFILE, { kind: 'form' }, MIDI_TRACKS).length > 0 // true
 */
export function midiBytes(study: Study, profile: HandProfile, scope: Scope, names: MidiNames): Uint8Array {
  const places = writtenPlaces(study, profile, scope, { line: playedLine(study, scope) });
  if (places.length === 0) return new Uint8Array();
  const midi = new midiFile.Midi();
  const tempos: { ticks: number; bpm: number }[] = [];
  const times: { ticks: number; timeSignature: number[] }[] = [];
  const meta: { ticks: number; type: string; text: string }[] = [];
  const lines: Record<keyof MidiNames, Sounding[]> = { fingers: [], thumb: [], taps: [], claps: [] };
  const known = new Map<WrittenSection['section'], readonly PlayedNote[]>();
  let begin = 0;
  for (const place of places) {
    const { section, bars } = place;
    const { cycle } = section;
    const scale = (QUARTER / TICKS_PER_COUNT) * quartersInCount(cycle);
    const at = (ticks: number) => begin + ticks * scale;
    tempos.push({ ticks: begin, bpm: section.bpm * quartersInCount(cycle) });
    meta.push({ ticks: begin, type: 'marker', text: toMidiText(section.name) });
    meta.push({ ticks: begin, type: 'text', text: toMidiText(cycleText(cycle)) });
    let here = 0;
    for (const bar of bars) {
      const own = timeOf(bar.length, cycle);
      if (String(times.at(-1)?.timeSignature) !== String(own)) times.push({ ticks: at(here), timeSignature: [...own] });
      here += bar.length;
    }
    const notes = known.get(section) ?? playedNotes(place);
    known.set(section, notes);
    for (const note of notes) soundsOf(note, at, scale, lines);
    lines.claps.push(
      ...claps(cycle, bars[0]?.at ?? 0, here).map((c) => ({ ...c, at: at(c.at), length: c.length * scale })),
    );
    begin = at(here);
  }
  const all = Object.values(lines).flat();
  const unit = [...all.flatMap((s) => [s.at, s.length]), ...times.map((t) => t.ticks), begin].reduce(gcd, QUARTER);
  // Files whose quarter has very few ticks are read badly by some.
  const step = gcd(unit, QUARTER / 480);
  const later = <T extends { ticks: number }>(list: T[]) => list.map((x) => ({ ...x, ticks: x.ticks / step }));
  midi.header.fromJSON({
    name: toMidiText(study.name),
    ppq: QUARTER / step,
    tempos: later(tempos),
    timeSignatures: later(times),
    keySignatures: [],
    meta: later(meta),
  });
  for (const line of LINES) if (lines[line].length) addTrack(midi, line, names[line], lines[line], step);
  return midi.toArray();
}
const LINES = ['fingers', 'thumb', 'taps', 'claps'] as const;
/** A voice as a track of its own. @param step ticks of core in a tick of the file */
function addTrack(
  midi: InstanceType<typeof midiFile.Midi>,
  line: keyof MidiNames,
  name: string,
  own: readonly Sounding[],
  step: number,
) {
  const track = midi.addTrack();
  track.name = toMidiText(name);
  const drums = line === 'taps' || line === 'claps';
  track.channel = drums ? DRUMS : line === 'fingers' ? 0 : 1;
  if (!drums) track.instrument.number = NYLON;
  for (const s of withoutUnisons(own))
    track.addNote({
      midi: s.midi,
      ticks: s.at / step,
      durationTicks: s.length / step,
      velocity: (Math.min(127, Math.max(1, Math.round(s.loud))) + 0.5) / 127,
    });
}
interface Sounding {
  readonly at: number;
  readonly length: number;
  readonly midi: number;
  readonly loud: number;
}
function soundsOf(
  { at: from, length, voice, event, note }: PlayedNote,
  at: (ticks: number) => number,
  scale: number,
  lines: Record<keyof MidiNames, Sounding[]>,
) {
  const marks = note ? marksOn(event.motion, note.string) : event.motion.kind === 'ghost' ? [] : event.motion.marks;
  const loud = LOUD[event.level] + (marks.includes('!') ? ACCENT : marks.includes(',') ? -ACCENT : 0);
  const sounding = { at: at(from), length: length * scale, loud };
  const taps = !note || (marks.includes('*') && note === event.notes[0]);
  if (taps && !lines.taps.some((t) => t.at === sounding.at)) lines.taps.push({ ...sounding, midi: WOOD });
  // A string that the left hand lies on has no pitch.
  if (note && !marks.includes('x')) lines[voice].push({ ...sounding, midi: note.midi });
}
/** The cycle’s accents from a place of it on. */
function claps(cycle: AccentCycle, from: number, length: number): Sounding[] {
  const turn = cycleLength(cycle);
  const own: Sounding[] = [];
  for (let round = Math.floor(from / turn) * turn; round < from + length; round += turn)
    for (const { at, weight } of cycle.accents) {
      const here = round + at - from;
      if (here >= 0 && here < length && weight > 0)
        own.push({
          at: here,
          length: Math.min(TICKS_PER_COUNT / 4, length - here),
          midi: CLAP,
          loud: 40 + 80 * weight,
        });
    }
  return own;
}
