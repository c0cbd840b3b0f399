import midiFile from '@tonejs/midi';
import { fact } from '../../fault/index.js';
import { isTime } from '../foreign/cycles.js';
import { CLAP, DRUMS, WOOD } from './out.js';
import { fromMidiText } from './text.js';
import {
  type ForeignBar,
  type ForeignMusic,
  type ForeignNote,
  type ImportNote,
  PER_QUARTER,
  type Refused,
} from '../foreign/model.js';

export const LARGEST_MIDI = 4_000_000;
const MOST_NOTES_READ = 40_000;
const MOST_BARS_READ = 4_000;

/**
 * A Standard MIDI file as bars with notes: of one track, or of all together.
 * @param wanted which of the tracks that are listed; default: all together where there are two at the most, else the one
 * with the most notes
 */
export function readMidi(bytes: Uint8Array, wanted?: number): ForeignMusic | Refused {
  const fault = chunkFault(bytes);
  if (fault) return fault;
  const midi = parsed(bytes);
  if (!midi) return { refusal: fact('breaks off', 1) };
  const { ppq } = midi.header;
  if (!Number.isFinite(ppq) || ppq <= 0) return { refusal: fact('no such file') };
  const tracks = midi.tracks.filter((t) => t.channel !== DRUMS && t.notes.length > 0);
  const notes = tracks.reduce((sum, t) => sum + t.notes.length, 0);
  if (notes === 0) return { refusal: fact('no notes') };
  if (notes > MOST_NOTES_READ) return { refusal: fact('too many notes', notes, MOST_NOTES_READ) };
  const parts = tracks.map((t) => ({ name: fromMidiText(t.name).slice(0, 60), notes: t.notes.length }));
  if (tracks.length > 1) parts.push({ name: '', notes });
  const most = parts
    .slice(0, tracks.length)
    .reduce((best, p, n, all) => (p.notes > (all[best]?.notes ?? 0) ? n : best), 0);
  const part = wanted ?? (tracks.length === 2 ? 2 : most);
  if (!parts[part]) return { refusal: fact('no such part', parts.length) };
  const own = part < tracks.length ? tracks.filter((_, n) => n === part) : tracks;
  const struck = midi.tracks.filter((t) => t.channel === DRUMS).flatMap((t) => t.notes);
  const sounding = [
    ...own.flatMap((t) => t.notes.map((n) => soundOf(n, n.midi))),
    // Wood that is struck is the soundboard.
    ...struck.filter((n) => n.midi === WOOD).map((n) => soundOf(n, null)),
  ].sort((a, b) => a.at - b.at || (a.midi ?? Infinity) - (b.midi ?? Infinity));
  const end = Math.max(...sounding.map((n) => n.at + n.length));
  const lines = barLines(midi.header.timeSignatures, ppq, end);
  if (!Number.isFinite(end) || lines.length > MOST_BARS_READ)
    return { refusal: fact('too many bars', Number.isFinite(lines.length) ? lines.length : 0, MOST_BARS_READ) };
  return {
    name: fromMidiText(midi.header.name).slice(0, 120),
    played: true,
    tuning: null,
    capo: null,
    bars: barsOf(midi.header, lines, sounding),
    notes: [
      ...oddTimes(midi.header.timeSignatures),
      ...ofTheHand(own),
      ...drumsLeft(struck.filter((n) => n.midi !== WOOD && n.midi !== CLAP).length),
    ],
    parts,
    part,
  };
}
type BarLine = ReturnType<typeof barLines>[number];
/** Sounds in bars, with what the file says where each begins. */
function barsOf(
  { ppq, tempos, meta }: InstanceType<typeof midiFile.Header>,
  lines: readonly BarLine[],
  sounding: readonly ReturnType<typeof soundOf>[],
): ForeignBar[] {
  let next = 0;
  return lines.map((line, n): ForeignBar => {
    const to = line.at + line.length;
    const within = <T extends { ticks: number }>(list: readonly T[]) =>
      list.filter((x) => x.ticks >= line.at && (x.ticks < to || n === lines.length - 1));
    const inside: ForeignNote[] = [];
    for (; next < sounding.length && (sounding[next]?.at ?? 0) < to; next++) {
      const s = sounding[next];
      if (s) inside.push(noteOf(s.midi, ((s.at - line.at) / ppq) * PER_QUARTER, (s.length / ppq) * PER_QUARTER));
    }
    const said = meta.filter((m) => m.ticks === line.at);
    return {
      beats: line.beats,
      beatType: line.beatType,
      length: (line.length / ppq) * PER_QUARTER,
      notes: inside,
      chords: [],
      levels: [],
      name: fromMidiText(said.find((m) => m.type === 'marker')?.text ?? '').slice(0, 60),
      words: said.filter((m) => m.type === 'text').map((m) => fromMidiText(m.text).slice(0, 120)),
      tempo: within(tempos)[0]?.bpm ?? null,
      opens: false,
      closes: null,
      endingBegins: null,
      endingEnds: false,
      lyrics: [],
      key: null,
    };
  });
}
const soundOf = (n: { readonly ticks: number; readonly durationTicks: number }, midi: number | null) => ({
  at: n.ticks,
  length: n.durationTicks,
  midi,
});
/** What a keyboard does beside its keys: strings that are bent and a pedal that holds have no place in what is read. */
function ofTheHand(tracks: InstanceType<typeof midiFile.Midi>['tracks']): ImportNote[] {
  const bends = tracks.reduce((n, t) => n + t.pitchBends.filter((b) => b.value !== 0).length, 0);
  const pedal = tracks.reduce((n, t) => n + (t.controlChanges[PEDAL] ?? []).filter((c) => c.value >= 0.5).length, 0);
  return [
    ...(bends ? [fact('bends not taken' as const, bends)] : []),
    ...(pedal ? [fact('pedal not taken' as const, pedal)] : []),
  ];
}
/** The controller of a pedal that lets strings ring. */
const PEDAL = 64;
/** Hands that clap are the cycle’s own accents; other drums have no place here. */
const drumsLeft = (n: number): ImportNote[] => (n ? [fact('drums not taken', n)] : []);
/** Time signatures that no turn can have are passed over. */
function oddTimes(times: readonly { readonly timeSignature: readonly number[] }[]): ImportNote[] {
  const odd = times.filter(({ timeSignature: [beats = 0, type = 0] }) => !isTime(beats, type)).length;
  return odd ? [fact('times not taken', odd)] : [];
}
function parsed(bytes: Uint8Array): InstanceType<typeof midiFile.Midi> | null {
  try {
    return new midiFile.Midi(tracksAlone(bytes));
  } catch {
    return null;
  }
}
interface Chunk {
  readonly name: string;
  readonly at: number;
  readonly end: number;
}
/** The chunks of a file one after another, the last perhaps longer than the file. */
function chunksOf(bytes: Uint8Array): Chunk[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const chunks: Chunk[] = [];
  for (let at = 0; at < bytes.length;) {
    const end = at + 8 <= bytes.length ? at + 8 + view.getUint32(at + 4) : Infinity;
    chunks.push({ name: String.fromCharCode(...bytes.subarray(at, at + 4)), at, end });
    at = end;
  }
  return chunks;
}
/** Chunks that are no tracks belong to other programs: they are skipped, as the format asks. */
function tracksAlone(bytes: Uint8Array): Uint8Array {
  const own = chunksOf(bytes).filter(({ name }) => name === 'MThd' || name === 'MTrk');
  const whole = new Uint8Array(own.reduce((sum, { at, end }) => sum + end - at, 0));
  own.reduce((to, { at, end }) => {
    whole.set(bytes.subarray(at, end), to);
    return to + end - at;
  }, 0);
  return whole;
}
/** Chunks must be as long as they say, and every track must come to its end. */
function chunkFault(bytes: Uint8Array): Refused | null {
  if (bytes.length === 0) return { refusal: fact('file empty') };
  if (bytes.length > LARGEST_MIDI) return { refusal: fact('file too large', bytes.length, LARGEST_MIDI) };
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const [head, ...others] = chunksOf(bytes);
  if (head?.name !== 'MThd' || bytes.length < 14 || view.getUint32(4) < 6) return { refusal: fact('no such file') };
  // Frames of film are no beats.
  if (view.getUint16(12) & 0x8000) return { refusal: fact('no beats in the file') };
  let tracks = 0;
  for (const { name, at, end } of others) {
    if (end > bytes.length) return { refusal: fact('breaks off', tracks) };
    if (name !== 'MTrk') continue;
    const closed = end - at >= 11 && bytes[end - 3] === 0xff && bytes[end - 2] === 0x2f && bytes[end - 1] === 0;
    if (!closed) return { refusal: fact('breaks off', tracks) };
    tracks++;
  }
  return tracks >= view.getUint16(10) && tracks > 0 ? null : { refusal: fact('breaks off', tracks) };
}
interface Line {
  readonly at: number;
  readonly length: number;
  readonly beats: number;
  readonly beatType: number;
}
/** Bars by the time signatures, up to the last note’s end. */
function barLines(
  times: readonly { readonly ticks: number; readonly timeSignature: readonly number[] }[],
  ppq: number,
  end: number,
): Line[] {
  const lines: Line[] = [];
  let [beats, beatType] = [4, 4];
  for (let at = 0; at < end && lines.length <= MOST_BARS_READ;) {
    for (const t of times) {
      const [b = 0, type = 0] = t.timeSignature;
      if (t.ticks <= at && isTime(b, type)) [beats, beatType] = [b, type];
    }
    const length = (beats * 4 * ppq) / beatType;
    lines.push({ at, length, beats, beatType });
    at += length;
  }
  return lines;
}
const noteOf = (midi: number | null, at: number, length: number): ForeignNote => ({
  ...{ at, length, midi, string: null, fret: null, left: null, right: '', marks: [], dir: null, plectrum: null },
  ...{ ligado: false, golpe: '', slap: false, strummed: false, tied: false, ties: false, voice: '' },
});
