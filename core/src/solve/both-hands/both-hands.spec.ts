import { sayFacts, sayFault, sayFretting } from '../../words/index.js';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { makeStudy, setCell } from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { readSection } from '../../reading/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { LEFT_HAND } from '../../testing/left-hand.js';
import { bpm } from '../../time/index.js';
import { fretSchool, readNotes, transposeNotes } from '../fret-line/index.js';
import { bothHands } from './index.js';

const base = { ...LEFT_HAND, bpm: bpm(90), school: fretSchool('open'), k: 3 };
const FALSETA = '[a2~ e4] d4 c4 b3 a3 b3 c4 d4 [e2~ e4] d4 c4 b3 g#3 b3 d4 e4';

describe('a melody by note names', () => {
  it('is read a step a note, basses ringing to the next, with strings, fingers, rests and holds', () => {
    const read = readNotes('[a2~ e4!] f#4/2 . bb3=2 - cb4', 4);
    expect(read.faults).toEqual([]);
    expect(read.steps.map((s) => s.kind)).toEqual(['notes', 'notes', 'rest', 'notes', 'hold', 'notes']);
    expect(read.events.map((e) => e.notes.map((n) => n.midi))).toEqual([[45, 64], [66], [58], [59]]);
    expect(read.events[0]?.notes[0]?.rings).toBe(6 * 1260);
    expect(read.events[1]?.notes[0]?.string).toBe(2);
    expect(read.events[2]?.notes[0]?.finger).toBe(2);
    expect(read.accents[0]).toBe(true);
    expect(readNotes('[e2~ e4] f4 [a2~ e4]', 4).events[0]?.notes[0]?.rings).toBe(2 * 1260);
  });
  it('takes places on the neck beside names, and repeats', () => {
    const instrument = { tuning: STANDARD_TUNING, capo: 2 };
    const read = readNotes('{1f5=3! [6f0~ 2f3]}x2 e4', 4, instrument);
    expect(read.faults).toEqual([]);
    expect(read.events.map((e) => e.notes.map((n) => n.midi))).toEqual([[71], [42, 64], [71], [42, 64], [64]]);
    expect(read.events[0]?.notes[0]).toMatchObject({ string: 1, finger: 3 });
    expect(transposeNotes('1f5 e4', 1, instrument)).toBe('c5 f4');
    expect(readNotes('1f25', 4).faults[0]?.code).toBe('no note');
  });
  it.each(['h4', 'e', 'e9', 'e4/7', '[]', 'e4 ]'])('what is no note is named: %s', (text) =>
    expect(sayFault(readNotes(text, 4).faults[0]!)).toMatch(/is no note/),
  );
});

describe('another key', () => {
  it('moves every note and keeps the rhythm; strings and fingers of the old key go', () => {
    expect(transposeNotes('[a2~ e4!] f#4/2 . bb3=2 -', 2)).toBe('[b2~ f#4!] g#4 . c4 -');
    expect(transposeNotes('bb3 (Ab7) eb4/2=3', 0)).toBe('bb3 (Ab7) eb4');
    expect(transposeNotes('bb3 eb4 c4', 1)).toBe('b3 e4 db4');
    expect(transposeNotes('f#4 c#4 d4', 2)).toBe('g#4 d#4 e4');
    const there = readNotes(transposeNotes(FALSETA, 5), 4);
    const here = readNotes(FALSETA, 4);
    expect(there.faults).toEqual([]);
    expect(there.events.map((e) => e.notes.map((n) => n.midi - 5))).toEqual(
      here.events.map((e) => e.notes.map((n) => n.midi)),
    );
  });
});

describe('both hands', () => {
  it('sixteen notes over two basses: every pitch sounds, the thumb has the basses, the basses keep their finger', () => {
    const read = readNotes(FALSETA, 4);
    const result = bothHands(read, base);
    const answers = result.infeasible ? [] : result.answers;
    expect(answers.length).toBe(3);
    for (const a of answers) {
      expect(a.fault).toBeNull();
      expect(a.reasons).toHaveLength(16);
      expect(sayFretting(a.reasons[0]!, 0).text).toMatch(/^Note 1: string 5 open with /);
      const { pattern, faults } = parseScript(a.script, { stepsPerCount: 4 });
      expect(faults).toEqual([]);
      const events = flatten(pattern).events;
      expect(events).toHaveLength(16);
      for (const n of [0, 8])
        expect(events[n]?.motion).toMatchObject({ fingers: expect.arrayContaining(['p']) as unknown });
      const study = setCell('s-a', a.script, 4, a.stopped)(makeStudy('s', 'S', cycleById('tangos')));
      const { plan } = readSection({
        section: study.sections[0]!,
        shapes: [],
        tuning: STANDARD_TUNING,
        capo: 0,
        profile: DEFAULT_PROFILE,
      });
      const heard = plan.sounds.flatMap((s) => (s.kind === 'pluck' ? [[s.at, s.midi] as const] : []));
      for (const e of read.events) for (const note of e.notes) expect(heard).toContainEqual([e.at, note.midi]);
    }
  });
  it('all on 6 to 4 under a melody is the thumb’s, closing basses too; a run without basses is the fingers’', () => {
    const right = (text: string) => {
      const result = bothHands(readNotes(text, 4), base);
      const a = result.infeasible ? null : result.answers[0];
      return (a?.right?.steps ?? []).map((f, i) => [a!.left.steps[i]![0]!.string, f[0]] as const);
    };
    // The last bass is not marked to ring.
    const under = right('a2~ e4 c4 e4 d3 f4 a4 a2');
    for (const [string, finger] of under) expect(finger === 'p').toBe(string >= 4);
    expect(under.at(-1)![1]).toBe('p');
    const run = right('e4 d4 c4 b3 a3 g3 f3 e3 d3 c3');
    expect(run.some(([string]) => string >= 4)).toBe(true);
    expect(run.every(([, finger]) => finger !== 'p')).toBe(true);
    // A treble note that rings on is no bass.
    expect(right('e4~ d4 c4 d4').every(([, finger]) => finger !== 'p')).toBe(true);
  });
  it('says where the right hand has no good way, and nothing where it has one', () => {
    const minded = (text: string, school?: string) => {
      const result = bothHands(readNotes(text, 4), { ...base, bpm: bpm(120), k: 1 }, school);
      return (result.infeasible ? [] : (result.answers[0]?.minded ?? [])).map((r) => r.code);
    };
    expect(minded('e4 f4 g4 f4 e4 d4 c4 b3')).toEqual([]);
    expect(minded('a2 a3 c4 e4 a2 a3 c4 e4')).toEqual([]);
    expect(minded('[a3 c4 e4] e4 [a3 c4 e4] e4')).toContain('plays twice');
  });
  it('says what the best answer is read as, and which ways are given for that', () => {
    const offered = (text: string) => {
      const result = bothHands(readNotes(text, 4), base);
      return result.infeasible ? null : result.offered;
    };
    const run = offered('g3 a3 b3 c4 d4 e4 f4 g4');
    expect(run?.kinds).toEqual(['run']);
    expect(run?.given.map((s) => s.id)).toEqual(['taught', 'im over basses', 'habit', 'fingering', 'ami afresh']);
    expect(run?.folded.map((s) => s.id)).toEqual(['home']);
    expect(offered('a2 a3 c4 e4 a2 a3 c4 e4')?.folded.map((s) => s.id)).toContain('habit');
  });
  it('says when the left hand can’t hold it', () => {
    const result = bothHands(readNotes('[f2~ c6]', 4), base);
    expect(sayFacts(result.infeasible ?? [])[0]).toMatch(/^Step 1: /);
  });
});
