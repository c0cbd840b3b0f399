import {
  hasMarkAnywhere,
  isDead,
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
import type { Heads } from './heads';
import { Accidental, Articulation, Dot, GhostNote, Modifier, StaveNote } from 'vexflow/core';

const LETTER: Record<number, string> = { 1: 'w', 2: 'h', 4: 'q', 8: '8', 16: '16', 32: '32', 64: '64' };
/** Where a voice that rests alone has its rests. */
const MIDDLE = 'b/4';
/** Behind a pitch: its head is a cross. */
const CROSS = '/x2';

/** A sign with what is drawn for it. */
export interface DrawnSign {
  readonly sign: Sign;
  readonly note: StaveNote | GhostNote;
}
export interface DrawnVoice {
  readonly voice: HandVoice;
  readonly drawn: readonly DrawnSign[];
}
/** The notes of a sign from low to high, as a staff wants them. */
export function keysOf(bar: NotatedBar, voice: HandVoice, n: number) {
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
export const voiceOf = (voice: HandVoice, sign: Sign): HandVoice => (sign.shared ? 'thumb' : voice);
export function signOf(bar: NotatedBar, voice: HandVoice, sign: Sign, heads: Heads): DrawnSign {
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
  const event = bar.events[sign.event];
  const pitched = keysOf(bar, voiceOf(voice, sign), sign.event).map((k) => k.key);
  const keys = event ? heads.keysOf(event, pitched) : pitched;
  const note = new StaveNote({ keys, duration, stemDirection });
  if (sign.dotted) Dot.buildAndAttach([note], { all: true });
  // On the side of the head: a dot where the stroke is stopped at once, a ring for a harmonic.
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
/** A note in the beam of one voice and with a stem of the other has one head, where both heads are black. */
export function oneHead(voices: readonly DrawnVoice[]) {
  const [fingers, thumb] = [voices[0]?.drawn ?? [], voices[1]?.drawn ?? []];
  for (const { sign, note } of fingers) {
    if (!sign.shared) continue;
    const own = thumb.find((t) => t.sign.at === sign.at && t.sign.event === sign.event);
    if (!own || own.sign.value < 4) continue;
    for (const n of [note, own.note]) n.setXShift(0);
  }
}
/** Accidentals before the heads that need one; a string that is dead needs none. */
export function addAccidentals(bar: NotatedBar, voices: readonly DrawnVoice[], heads: Heads) {
  const wanting = voices
    .flatMap(({ voice, drawn }) => drawn.map((d) => ({ voice, ...d })))
    .filter(({ sign }) => {
      const event = sign.event === null ? undefined : bar.events[sign.event];
      return event !== undefined && !sign.tied && heads.areNotes(event);
    })
    .sort((a, b) => a.sign.at - b.sign.at)
    .flatMap(({ voice, sign, note }) =>
      keysOf(bar, voiceOf(voice, sign), sign.event ?? 0).flatMap((k, index) =>
        k.dead || !(note instanceof StaveNote) ? [] : [{ ...k.spelled, key: { note, index } }],
      ),
    );
  const shown: Map<{ note: StaveNote; index: number }, ShownAccidental> = shownAccidentals(wanting, bar.signature);
  for (const [{ note, index }, sign] of shown) note.addModifier(new Accidental(sign), index);
}
