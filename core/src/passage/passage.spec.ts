import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../player/index.js';
import { readLine } from '../solve/finger-line/index.js';
import { bpm, midi } from '../time/index.js';
import { kindsOf, pedalNotes, pedalPitches, readPassage, TEXTURE_WEIGHTS, voicesOf } from './index.js';
import { texturePoints, texturesOf, turnPoints } from './textures.js';

const passage = (music: string, tempo = 100, steps = 2) => ({
  notes: readLine(music, steps).notes,
  bpm: bpm(tempo),
  profile: DEFAULT_PROFILE,
});
/** Voices by their first letters, note by note. */
const voices = (music: string) =>
  voicesOf(passage(music))
    .map((v) => v.map((x) => x[0]).join(''))
    .join(' ');
const kinds = (music: string, tempo?: number, steps?: number) =>
  kindsOf(passage(music, tempo, steps)).map((s) => `${s.kind} ${s.from}-${s.to}${s.free ? ' free' : ''}`);

describe('voices of a passage', () => {
  it('the lower of two voices is a bass on any string', () => {
    expect(voices('[51]')).toBe('bm');
    expect(voices('[31] 1 1')).toBe('bm m m');
    expect(voices('3111 3111')).toBe('b m m m b m m m');
    expect(voices('5 111 222 6 222')).toBe('b m m m m m m b m m m');
  });
  it('what an arpeggio breaks is inner, and string 4 too where the set goes down to it', () => {
    expect(voices('5321')).toBe('b i i i');
    expect(voices('6432')).toBe('b i i i');
    expect(voices('64321')).toBe('b b i i i');
  });
  it('a run has one voice, through the thick strings too', () => {
    expect(voices('5544 3322')).toBe('m m m m m m m m');
    expect(voices('4 333')).toBe('m m m m');
    // A thin string that rings makes no bass of what follows.
    expect(voices('1~44332')).toBe('m m m m m m');
  });
  it('double notes in a row have no bass, one alone under its own melody has', () => {
    expect(voices('[21][21][32]')).toBe('ii ii ii');
    expect(voices('[21] 1 1')).toBe('bm m m');
  });
  it('a string struck again and again open beside a voice that moves is a pedal, above it or below', () => {
    expect(voices('5141 5161')).toBe('b p b p b p b p');
    expect(voices('3f1 1 3f3 1 2f1 1')).toBe('b p b p b p');
    expect([...pedalNotes(passage('3 2 1 2 . . . . 5141 5161'))]).toEqual([5, 7, 9, 11]);
    expect(voices('4 3f2 4 3f3 4 2f1')).toBe('p m p m p m');
    // A held chord's notes do not move, nor is an order over thin strings a voice.
    expect(voices('5151 5151')).not.toMatch(/p/);
    expect(voices('3121 3121')).not.toMatch(/p/);
    // What leaps from string to string is no one voice, wherever its frets go.
    expect(voices('6f1 1 2f3 1 6f3 1 2f1 1')).not.toMatch(/p/);
    // Two notes of the moving voice in a row: it was no pedal, not in a part of it either.
    expect([...pedalNotes(passage('5 1 4 1 6 5 1 4 1'))]).toEqual([]);
    // A string that is fretted is none.
    expect(voices('5 1f3 4 1f3 5 1f3 6 1f3')).not.toMatch(/p/);
  });
});

describe('pedals by their pitches, before strings are chosen', () => {
  const E = midi(64);
  const pedals = (pitches: readonly (number | readonly number[])[]) =>
    pedalPitches(
      pitches.map((p) => [p].flat().map(midi)),
      [E, midi(59), midi(45)],
    ).map((p) => p ?? 0);
  it('a voice of three pitches or more moves under one that stays', () => {
    expect(pedals([64, 57, 64, 59, 64, 60])).toEqual([64, 0, 64, 0, 64, 0]);
    // Two pitches are a held chord's.
    expect(pedals([64, 57, 64, 60, 64, 57, 64, 60])).toEqual([0, 0, 0, 0, 0, 0, 0, 0]);
  });
  it('not over more than an octave at once, not in chords, not where no open string has it', () => {
    expect(pedals([64, 45, 64, 58, 64, 60])).toEqual([0, 0, 0, 0, 0, 0]);
    expect(pedals([64, [57, 60], 64, 59, 64, 60])).toEqual([0, 0, 0, 0, 0, 0]);
    expect(pedals([65, 57, 65, 60, 65, 62])).toEqual([0, 0, 0, 0, 0, 0]);
  });
});

describe('kinds of a passage', () => {
  it('are told stretch by stretch', () => {
    expect(kinds('332211 532123 532123')).toEqual(['run 0-6', 'arpeggio 6-18 free']);
    expect(kinds('5111 4111 3322 1122')).toEqual(['tremolo 0-8 free', 'run 8-16']);
    expect(kinds('66554455', 60)).toEqual(['thumb line 0-8 free']);
    expect(kinds('66554455', 200, 4)).toEqual(['run 0-8']);
    // Whose thumb is settled has had the time for it.
    const settled = passage('66554455', 200, 4);
    expect(kindsOf({ ...settled, notes: settled.notes.map((n) => ({ ...n, pinned: ['p'] as const })) })[0]?.kind).toBe(
      'thumb line',
    );
    expect(kinds('5 [321] 5 [321]')).toEqual(['comping 0-4 free']);
    expect(kinds('[5321] [5321]')).toEqual(['block chords 0-2 free']);
  });
  it('a hand begins afresh after a silence of two counts', () => {
    expect(kinds('3 2 1 2 . . . 3 3 2 2 1 1')).toEqual(['arpeggio 0-4', 'run 4-10']);
    expect(readPassage(passage('5 . . . 1')).figures).toEqual([0, 1]);
  });
  it('a bass that a chord answers two counts later is comping all the same', () => {
    expect(kinds('5 . . . [321] . . . 5 . . . [321] . . .')).toEqual([
      'comping 0-1 free',
      'comping 1-2 free',
      'comping 2-3 free',
      'comping 3-4 free',
    ]);
    expect(kinds('5 . . . 1 . . . 4 . . . 2')).not.toContainEqual(expect.stringMatching(/comping/));
  });
  it('a bass opens a figure, but goes on from another that was struck alone', () => {
    const figures = (music: string) => readPassage(passage(music)).figures;
    expect(figures('5 6 2 1 3')).toEqual([0]);
    expect(figures('[53] 6 2 1 3')).toEqual([0, 1]);
  });
  it('what repeats without frets of its own is free; one figure is enough where it goes round', () => {
    expect(kinds('5321')).toEqual(['arpeggio 0-4']);
    expect(kindsOf({ ...passage('5321'), loops: true })[0]?.free).toBe(true);
    expect(kinds('5f3 3 2 1 5f3 3 2 1')).toEqual(['arpeggio 0-8']);
    expect(kinds('5321 6321')).toEqual(['arpeggio 0-8 free']);
    expect(kinds('333222111')).toEqual(['run 0-9']);
  });
});

describe('what speaks against a texture', () => {
  const W = TEXTURE_WEIGHTS;
  const points = (music: string, i: number, texture: 'line' | 'figure' | 'low line', where = {}) =>
    texturePoints(passage(music, 240), i, texture, where);
  it('a line: strings beside and leaps, chords, a bass that rings, time for the thumb', () => {
    expect(points('33', 1, 'line')).toBe(0);
    expect(points('32', 1, 'line')).toBe(W.besideInLine);
    expect(points('31', 1, 'line')).toBe(W.leapInLine);
    expect(points('[32]', 0, 'line')).toBe(W.doubleInLine);
    expect(points('[51]', 0, 'line')).toBe(W.overBassInLine);
    expect(points('[31]', 0, 'line')).toBe(W.chordInLine);
    expect(points('[321]', 0, 'line')).toBe(W.chordInLine);
    expect(points('1 5~', 1, 'line')).toBe(W.leapInLine + W.ringsInLine);
    expect(texturePoints(passage('55', 60), 1, 'line')).toBe(W.slowLowInLine);
    // Where it begins nobody asks how it was come to.
    expect(points('31', 1, 'line', { begins: true })).toBe(0);
  });
  it('a figure: the same string, but in a group; to and fro between two strings', () => {
    expect(points('33', 1, 'figure')).toBe(W.sameInFigure);
    expect(points('33', 1, 'figure', { grouped: true })).toBe(0);
    expect(points('321', 1, 'figure')).toBe(W.besideInFigure);
    expect(points('3232', 1, 'figure')).toBe(W.trillInFigure);
    expect(points('531', 1, 'figure')).toBe(W.leapInFigure);
  });
  it('a low line: a little always, more without time, never above string 4', () => {
    expect(texturePoints(passage('55', 60), 1, 'low line')).toBe(W.lowLine);
    expect(points('55', 1, 'low line')).toBe(W.fastLowLine);
    expect(points('53', 1, 'low line')).toBe(W.highInLowLine);
  });
  it('turning costs, more to the thumb alone; the whole is the least of all ways', () => {
    expect([turnPoints('line', 'line'), turnPoints('line', 'figure'), turnPoints('low line', 'line')]).toEqual([
      0,
      W.turn,
      W.turnToLow,
    ]);
    const none = new Set<number>();
    for (const music of ['332211', '3212', '66554433', '5 1 1 2 2', '332211 3212 3212', '1 2 5 6 5 4']) {
      const asked = passage(music);
      const all = ['line', 'figure', 'low line'] as const;
      const total = (list: readonly (typeof all)[number][]) =>
        list.reduce((sum, t, i) => {
          const begins = i > 0 && list[i - 1] !== t;
          return sum + texturePoints(asked, i, t, { begins }) + (begins ? turnPoints(list[i - 1]!, t) : 0);
        }, 0);
      let ways: (typeof all)[number][][] = [[]];
      for (let i = 0; i < Math.min(8, asked.notes.length); i++) ways = ways.flatMap((w) => all.map((t) => [...w, t]));
      const short = { ...asked, notes: asked.notes.slice(0, 8) };
      expect(total(texturesOf(short, none)), music).toBeCloseTo(Math.min(...ways.map(total)));
    }
  });
});
