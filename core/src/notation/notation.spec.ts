import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../catalogue/index.js';
import {
  inOrder,
  type Key,
  makeStudy,
  MODES,
  setChart,
  setKey,
  setScript,
  setSteps,
  setWords,
  type Study,
} from '../piece/index.js';
import { scoreOf } from '../score/index.js';
import { midi, ticks, TICKS_PER_COUNT as COUNT } from '../time/index.js';
import type { Sign } from './model.js';
import { notesOf, type WrittenAs } from './lasting.js';
import { notate, restSeen } from './notate.js';
import { signsOf, type Stretch } from './note-values.js';
import { repeatedStrums } from './page-look.js';
import { shownAccidentals } from './accidentals.js';
import { beamGroups, isNumbered } from './beams.js';
import { breakBar, partsFor, partStarts } from './break.js';
import { alterIn, keyOf, namesIn, signatureOf, signatureOfKey } from './signature.js';
import { spell } from './spelling.js';

const sound = (...counts: number[]): Stretch[] => {
  let at = 0;
  return counts.map((c, event) => {
    const from = at;
    at += c * COUNT;
    return { from, to: at, event, tied: false };
  });
};
const written = (...counts: number[]) =>
  signsOf(sound(...counts), []).map(
    (s) =>
      `${s.tied ? '~' : ''}${s.value}${s.dotted ? '.' : ''}${s.tuplet ? `(${s.tuplet.notes}:${s.tuplet.inSpaceOf})` : ''}`,
  );

describe('note values', () => {
  it('halves and dots inside a count, whole counts as one sign', () => {
    expect(written(1, 0.5, 0.5, 2)).toEqual(['4', '8', '8', '2']);
    expect(written(0.75, 0.25, 3)).toEqual(['8.', '16', '2.']);
    expect(written(0.125, 0.125, 0.25, 0.5)).toEqual(['32', '32', '16', '8']);
    expect(written(4)).toEqual(['1']);
    expect(written(5)).toEqual(['1', '~4']);
  });
  it('with another note to a count the same music has other values, none longer than a whole note', () => {
    const values = (count: 2 | 4 | 8, ...counts: number[]) =>
      signsOf(sound(...counts), [], 0, count).map((s) => `${s.tied ? '~' : ''}${s.value}${s.dotted ? '.' : ''}`);
    expect(values(8, 1, 0.5, 0.5, 2, 3, 6)).toEqual(['8', '16', '16', '4', '4.', '2.']);
    expect(values(8, 0.125, 0.125, 0.75)).toEqual(['64', '64', '16.']);
    expect(values(2, 1, 0.5, 0.5, 2, 3)).toEqual(['2', '4', '4', '1', '1.']);
    expect(values(2, 4)).toEqual(['1.', '~2']);
    expect(values(2, 1.5, 0.5)).toEqual(['2.', '4']);
  });
  it('what goes over a divided count is tied', () => {
    expect(written(2.5, 0.5)).toEqual(['2', '~8', '8']);
    expect(written(0.5, 1, 0.5)).toEqual(['8', '8', '~8', '8']);
    expect(written(0.25, 0.5, 0.25)).toEqual(['16', '8', '16']);
  });
  it('a count and a half from a count on is dotted, unless a seam or a tuplet parts it', () => {
    expect(written(1.5, 0.5)).toEqual(['4.', '8']);
    expect(written(1.5, 1.5, 1)).toEqual(['4.', '8', '~4', '4']);
    expect(written(1.5, 1 / 6, 1 / 3)[0]).toBe('4');
    expect(signsOf(sound(1.5, 0.5), [COUNT]).map((s) => [s.value, s.dotted])).toEqual([
      [4, false],
      [8, false],
      [8, false],
    ]);
    expect(signsOf(sound(1.5, 0.5), [], 0, 8).map((s) => [s.value, s.dotted])).toEqual([
      [8, true],
      [16, false],
    ]);
  });
  it('thirds, fifths, sixths and sevenths of a count are tuplets of their own', () => {
    expect(written(1 / 3, 1 / 3, 1 / 3)).toEqual(['8(3:2)', '8(3:2)', '8(3:2)']);
    expect(written(2 / 3, 1 / 3)).toEqual(['4(3:2)', '8(3:2)']);
    expect(written(...Array.from({ length: 5 }, () => 1 / 5))).toEqual(Array.from({ length: 5 }, () => '16(5:4)'));
    expect(written(1 / 6, 5 / 6)).toEqual(['16(6:4)', '4(6:4)', '~16(6:4)']);
    expect(written(...Array.from({ length: 7 }, () => 1 / 7))[0]).toBe('16(7:4)');
    const two = signsOf(sound(...Array.from({ length: 6 }, () => 1 / 3)), []);
    expect(new Set(two.map((s) => s.tuplet?.group)).size).toBe(2);
  });
  it('a long note is cut where a group begins', () => {
    const signs = signsOf(sound(6), [3 * COUNT]);
    expect(signs.map((s) => [s.at / COUNT, s.value, s.dotted, s.tied])).toEqual([
      [0, 2, true, false],
      [3, 2, true, true],
    ]);
  });
  it('whatever is played, the signs fill the bar in order and last as long as they say', () =>
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(0.125, 0.25, 0.5, 0.75, 1, 1.5, 2, 3), { minLength: 1, maxLength: 12 }),
        (counts) => {
          const signs = signsOf(sound(...counts), []);
          let at = 0;
          for (const s of signs) {
            expect(s.at).toBe(at);
            const length = (4 / s.value) * (s.dotted ? 1.5 : 1) * (s.tuplet ? s.tuplet.inSpaceOf / s.tuplet.notes : 1);
            expect(s.ticks / COUNT).toBeCloseTo(length);
            at += s.ticks;
          }
          expect(at / COUNT).toBeCloseTo(counts.reduce((a, b) => a + b, 0));
        },
      ),
    ));
});

describe('beams and numbers', () => {
  const signs = (...counts: number[]) => signsOf(sound(...counts), []);
  const groups = (counts: number[], seams: number[] = [], count: 4 | 8 = 4) =>
    beamGroups({ count, seams: seams.map((s) => ticks(s * COUNT)) }, signs(...counts), () => true);
  it('a beam goes through a count, and over no seam of the cycle', () => {
    expect(groups([0.5, 0.5, 0.5, 0.5])).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(groups([0.25, 0.25, 0.25, 0.25], [0.5])).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(groups([1, 0.5, 0.5])).toEqual([[1, 2]]);
  });
  it('the thumb’s number is left out where the fingers have the same', () => {
    const [triplet] = signs(1 / 3, 1 / 3, 1 / 3);
    const [plain] = signs(0.5, 0.5);
    const bar = (fingers: Sign) => ({ voices: { fingers: [fingers], thumb: [triplet!] } });
    expect(isNumbered(bar(triplet!), 'thumb', triplet!)).toBe(false);
    expect(isNumbered(bar(triplet!), 'fingers', triplet!)).toBe(true);
    expect(isNumbered(bar(plain!), 'thumb', triplet!)).toBe(true);
    expect(isNumbered(bar({ ...triplet!, event: null }), 'thumb', triplet!)).toBe(true);
    expect(isNumbered(bar(plain!), 'fingers', plain!)).toBe(false);
  });
});

describe('spelling', () => {
  const name = (n: number, chord = '') => {
    const s = spell(midi(n), chord);
    return `${s.letter}${s.accidental}${s.octave}`;
  };
  it('is an octave above the sound, by the chord’s own tones, then by its key', () => {
    expect(name(40)).toBe('E3');
    expect(name(58)).toBe('A#4');
    expect(name(58, 'C7')).toBe('Bb4');
    expect(name(61, 'A')).toBe('C#5');
    expect(name(61, 'Bbm7')).toBe('Db5');
    // The flat ninth of an E chord is an F, its third a G sharp; beside them the key has sharps.
    expect([name(53, 'E7b9'), name(56, 'E7b9'), name(54, 'E7b9')]).toEqual(['F4', 'G#4', 'F#4']);
    expect(name(63, 'Gm')).toBe('Eb5');
    expect(name(59, 'Abm7')).toBe('Cb5');
  });
});

describe('key signatures', () => {
  const scale = (tonic: number, steps: readonly number[]) => steps.map((s) => tonic + s);
  const major = [0, 2, 4, 5, 7, 9, 11];
  it('have the fewest signs beside them: every major scale its own', () => {
    const tonics = { C: 0, G: 1, D: 2, A: 3, E: 4, B: 5, F: -1, 'B♭': -2, 'E♭': -3, 'A♭': -4, 'D♭': -5 };
    const midiOf = { C: 60, G: 67, D: 62, A: 69, E: 64, B: 71, F: 65, 'B♭': 70, 'E♭': 63, 'A♭': 68, 'D♭': 61 };
    for (const [name, signs] of Object.entries(tonics))
      expect(signatureOf(scale(midiOf[name as 'C'], major)), name).toBe(signs);
  });
  it('a Phrygian key has its scale’s, the raised third stands beside the notes', () => {
    // E and A Phrygian, each with the major chord on its first degree.
    expect(signatureOf([52, 53, 55, 57, 59, 60, 62, 56, 52])).toBe(0);
    expect(signatureOf([57, 58, 60, 62, 64, 65, 67, 61, 57])).toBe(-1);
    expect(namesIn(-1)[1]).toBe('C#');
    expect(namesIn(0)[8]).toBe('G#');
  });
  it('of a key is that of its scale, a key that is set goes before what is struck', () => {
    const signs = (tonic: string, mode: Key['mode']) => signatureOfKey({ tonic, mode });
    expect([signs('A', 'minor'), signs('E', 'phrygian'), signs('D', 'dorian'), signs('G', 'mixolydian')]).toEqual([
      0, 0, 0, 0,
    ]);
    expect([signs('F#', 'phrygian'), signs('Bb', 'major'), signs('C#', 'minor')]).toEqual([2, -2, 4]);
    // Eight sharps are four flats.
    expect(signs('G#', 'major')).toBe(-4);
    const set = inOrder(setScript('s-a', 'p:6 p:5'), setKey('s-a', { tonic: 'A', mode: 'major' }))(makeStudy('s', 'S'));
    expect(notate(scoreOf(set.sections[0]!, set), set.sections[0]!.cycle)[0]!.signature).toBe(3);
  });
  it('names its key in every mode, and none that nobody writes', () => {
    for (const mode of MODES)
      for (let n = -6; n <= 6; n++) expect(signatureOfKey(keyOf(n, mode)!), `${n} ${mode}`).toBe(n);
    expect([keyOf(0, 'none'), keyOf(9, 'major'), keyOf(Number.NaN, 'minor')]).toEqual([null, null, null]);
  });
  it('of equals the one with the fewest signs; nothing struck has none', () => {
    expect(signatureOf([])).toBe(0);
    expect(signatureOf([64, 69])).toBe(0);
  });
  it('name every pitch class once, the scale by its letters', () => {
    for (let n = -6; n <= 6; n++) {
      const names = namesIn(n);
      expect(new Set(names).size, String(n)).toBe(12);
      for (const letter of 'CDEFGAB') {
        const own = { '-1': 'b', 0: '', 1: '#' }[alterIn(n, letter)];
        expect(names, `${n} ${letter}`).toContain(`${letter}${own}`);
      }
    }
    expect([alterIn(1, 'F'), alterIn(1, 'C'), alterIn(-2, 'B'), alterIn(-2, 'E'), alterIn(-2, 'A')]).toEqual([
      1, 0, -1, -1, 0,
    ]);
  });
  it('spell what no chord names, and chords as they spell themselves', () => {
    const name = (n: number, chord: string, signature: number) => {
      const { letter, accidental, octave } = spell(midi(n), chord, signature);
      return `${letter}${accidental}${octave}`;
    };
    expect([name(58, '', -1), name(58, '', 2), name(63, '', -3)]).toEqual(['Bb4', 'A#4', 'Eb5']);
    expect(name(63, 'B7', 0)).toBe('D#5');
    expect(name(63, 'Am', 0)).toBe('Eb5');
  });
});

describe('accidentals', () => {
  const shown = (notes: string, signature: number) =>
    [
      ...shownAccidentals(
        notes.split(' ').map((n, key) => {
          const spelled = { letter: n[0]!, accidental: n.slice(1, -1) as '#', octave: Number(n.at(-1)) };
          return { key, ...spelled };
        }),
        signature,
      ),
    ].map(([key, sign]) => `${key}${sign}`);
  it('stand where a line has something else than before, from the signature on', () => {
    expect(shown('F#4 F#4 F4 F4 F#4', 0)).toEqual(['0#', '2n', '4#']);
    expect(shown('F#4 F4 F#4', 1)).toEqual(['1n', '2#']);
    expect(shown('Bb4 B4', -1)).toEqual(['1n']);
  });
  it('another octave is another line', () => expect(shown('F#4 F#5', 0)).toEqual(['0#', '1#']));
});

describe('bars as they are written', () => {
  const bossa = (script: string, chart = ''): Study =>
    inOrder(setChart('s-a', chart), setScript('s-a', script))(makeStudy('s', 'Study', cycleById('bossa-three-two')));
  const bars = (study: Study, as: WrittenAs = 'struck') =>
    notate(scoreOf(study.sections[0]!, study), study.sections[0]!.cycle, 0, undefined, as);
  const said = (study: Study, bar = 0, as: WrittenAs = 'struck') =>
    Object.entries(bars(study, as)[bar]!.voices).map(
      ([voice, signs]) =>
        `${voice} ${signs.map((s) => `${s.event === null ? 'r' : s.tied ? '~' : s.shared ? 's' : 'n'}${s.value}${s.dotted ? '.' : ''}`).join(' ')}`,
    );

  it('the thumb’s notes have a voice of their own, stems down', () => {
    const study = bossa('p:5 ima:432 p:5 ima:432 p:5 ima:432 p:5 ima:432');
    expect(said(study)).toEqual(['fingers r8 n8 r8 n8 r8 n8 r8 n8', 'thumb n8 r8 n8 r8 n8 r8 n8 r8']);
    const { voices, events } = bars(study)[0]!;
    expect(voices.fingers.filter((s) => s.event === null && restSeen(s, voices.thumb))).toEqual([]);
    expect(notesOf(events[1]!, 'fingers').map((n) => n.string)).toEqual([4, 3, 2]);
    expect(notesOf(events[1]!, 'thumb')).toEqual([]);
  });
  it('a thumb that strums and plucks alone has one voice for both', () => {
    const study = bossa('pd:54 pu:45 p:3_ - pd:54 pu:45 p:3_ -');
    expect(said(study)).toEqual(['fingers n8 n8 n4 n8 n8 n4', 'thumb ']);
    const [bar] = bars(study);
    expect(notesOf(bar!.events[2]!, 'fingers', bar!.oneVoice)).toHaveLength(1);
    // With fingers beside it, it has its own again.
    expect(said(bossa('pd:54 pu:45 p:3_ - i:1 - p:3 -'))[1]).not.toBe('thumb ');
  });
  it('a stroke of thumb and fingers together is a note in each voice', () => {
    const { events } = bars(bossa('pima:5432 - - - - - - -'))[0]!;
    expect(notesOf(events[0]!, 'thumb').map((n) => n.string)).toEqual([5]);
    expect(notesOf(events[0]!, 'fingers').map((n) => n.string)).toEqual([4, 3, 2]);
    expect(said(bossa('pima:5432 - - - - - - -'))).toEqual(['fingers n1', 'thumb n1']);
  });
  it('a bass that rings goes on to the thumb’s next; silence of both is a rest that is seen', () => {
    expect(said(bossa('p:5~ i:3 m:2 i:3 p:5 . . .'))[1]).toBe('thumb n2 n8 r8 r4');
    const { voices } = bars(bossa('p:5 . . .'))[0]!;
    expect(voices.fingers).toEqual([]);
    expect(voices.thumb.filter((s) => s.event === null).every((s) => restSeen(s, voices.fingers))).toBe(true);
  });
  it('a pedal rings on unmarked, to its next stroke', () => {
    expect(said(bossa('p:5 i:1 p:4 i:1 p:5 i:1 p:6 i:1'), 0, 'score')[0]).toBe('fingers r8 n8 ~8 n8 ~8 n8 ~8 n8');
    // The same strings under a held chord have no voice that moves.
    expect(said(bossa('p:5 i:1 p:5 i:1 p:5 i:1 p:5 i:1'), 0, 'score')[0]).toBe('fingers r8 n8 r8 n8 r8 n8 r8 n8');
  });
  it('a bass lasts until the thumb’s next stroke', () => {
    const thumb = (script: string, chart = '') => said(bossa(script, chart), 0, 'score')[1];
    expect(thumb('p:5 i:3 m:2 i:3 p:6 i:3 m:2 i:3')).toBe('thumb n2 n2');
    // … the change of the chord, the end of the bar,
    expect(thumb('p:5 i:3 m:2 a:1 m:2 i:3 m:2 i:3', 'Am:2 E')).toBe('thumb n2 r2');
    // … a stroke on its own string, or through the strings,
    expect(thumb('p:5 i:3 i:5 m:5 p:6 - i:3 id')).toBe('thumb n4 r4 n4. r8');
    expect(thumb('p:6 - i:3 - id:321 - - -')).toBe('thumb n2 r2');
    // … a silence. A chord that ends does not end it while others go on.
    expect(thumb('p:5 i:3 . . p:5 i:3 m:2 i:3')).toBe('thumb n4 r4 n2');
    // What is cut short, muted or dead lasts as it is struck.
    expect(thumb("p:5' i:3 p:5^ i:3 p:5x i:3 p:5% i:3")).toBe('thumb n8 r8 n8 r8 n8 r8 n8 r8');
  });
  it('what rings goes on over the bar line, to the next of its voice', () => {
    const study = bossa('. . . . p:5~ i:3 m:2 i:3 . . p:6 - - - - -');
    expect(said(study, 0, 'score')[1]).toBe('thumb r2 n2');
    expect(said(study, 1, 'score')[1]).toBe('thumb ~4 n2.');
    const [first, second] = bars(study, 'score');
    expect(first!.voices.thumb.at(-1)).toMatchObject({ goesOver: true });
    expect(second!.voices.thumb[0]).toMatchObject({ tied: true });
    // Where the thumb has all of the next bar, that bar has one voice: nothing is tied into it.
    const strummed = bossa('. . . . i:3 - p:5~ - | pd:54 - pu:45 - pd:54 - pu:45 -');
    expect(bars(strummed, 'score')[0]!.voices.thumb.at(-1)).not.toHaveProperty('goesOver');
    // In what is played, as in a MIDI file, it ends with its bar.
    expect(said(study, 1)[1]).toBe('thumb r4 n2.');
  });
  it('on the page thumb and fingers in turn share a beam; a bass that lasts has a stem of its own too', () => {
    expect(said(bossa('p:5 ima:432 p:5 ima:432 p:5 - ima:432 -'), 0, 'page')).toEqual([
      'fingers s8 n8 s8 n8 r4 n4',
      'thumb n4 n4 n2',
    ]);
    // What rings into the next bar keeps its stem, however short it is in this one.
    expect(said(bossa('. . . . . . i:3 p:5~ . . p:6 - - - - -'), 0, 'page')).toEqual([
      'fingers r2. n8 s8',
      'thumb r2. r8 n8',
    ]);
    // On one string nothing lasts: one voice, and a tuplet has one number.
    const alike = bossa('[p:5 i:5 m:5]:2 [p:5 i:5 m:5]:2 - - - -');
    expect(said(alike, 0, 'page')).toEqual(['fingers s8 n8 n8 s8 n8 n8 ~2', 'thumb ']);
  });
  it('a rest is seen beside a note that ends where it begins, or begins where it ends', () => {
    const sign = (at: number, event: number | null) =>
      ({ at, ticks: COUNT, value: 4, dotted: false, tuplet: null, event, tied: false }) as Sign;
    const rest = sign(COUNT, null);
    expect(restSeen(rest, [sign(0, 0), sign(2 * COUNT, 1)])).toBe(true);
    expect(restSeen(rest, [sign(COUNT, 0)])).toBe(false);
  });
  it('what is held over a bar line is tied into the next bar', () => {
    const study = bossa('. . . . . . . i:3 - - i:3 . . . . .');
    expect(said(study, 0)[0]).toBe('fingers r2. r8 n8');
    expect(said(study, 1)[0]).toBe('fingers ~4 n8 r8 r2');
    expect(bars(study)[1]!.events[0]!.at).toBeLessThan(bars(study)[1]!.at);
  });
  it('have the key of what is struck: what lies dead under the hand has no pitch', () => {
    const bar = (script: string) => bars(bossa(script))[0]!;
    expect(bar('i:1f2 m:1f3 i:1f5 m:1f7 i:2f3 m:2f5 - -').signature).toBe(1);
    expect(bar('i:1f1x m:1f1x i:1 m:2 i:1f2 - - -').signature).toBe(1);
    expect(bar('i:1f1 m:1f1 i:1 m:2 i:1f2 - - -').signature).toBe(0);
  });
  it('say their time where it changes, how loud it was before, and at the beginning the strings', () => {
    const all = bars(bossa('@f p:5 - - - - - - - @pp p:5 - - - - - - - p:5 - - - - - - -')).slice(0, 3);
    expect(all.map((b) => b.time)).toEqual([[4, 4], null, null]);
    expect(all.map((b) => b.level)).toEqual(['mf', 'f', 'pp']);
    expect(all.map((b) => b.opening?.capo ?? null)).toEqual([0, null, null]);
  });
  it('only the bars that are asked for, the same as all of them would be', () => {
    const study = bossa('{p:5 i:3 m:2 a:1 m:2 i:3 p:5 ima:432}x8', 'Am | % | E7 | %');
    const section = study.sections[0]!;
    const score = scoreOf(section, study);
    const all = notate(score, section.cycle);
    expect(all.length).toBeGreaterThan(3);
    expect(notate(score, section.cycle, 2, 4)).toEqual(all.slice(2, 4));
    expect(all[1]!.chords).toEqual([{ at: 0, name: 'Am', goesOn: true, frets: null }]);
  });
  it('have the words that stand under their counts, and parts of them theirs', () => {
    const study = inOrder(
      setScript('s-a', 'p - - -'),
      setWords('s-a', 'uno . "y tres" | cua- tro'),
    )(makeStudy('s', 'S', cycleById('tangos')));
    const bars = notate(scoreOf(study.sections[0]!, study), study.sections[0]!.cycle);
    expect(bars[0]!.words.map((w) => [w.at / COUNT, w.text])).toEqual([
      [0, 'uno'],
      [2, 'y tres'],
    ]);
    expect(breakBar(bars[0]!, 2).map((b) => b.words.map((w) => [w.at / COUNT, w.text]))).toEqual([
      [[0, 'uno']],
      [[0, 'y tres']],
    ]);
  });
  it('of strums on one shape again and again the first is written out', () => {
    const again = (script: string, chart = '') => {
      const own = [setScript('s-a', script), setSteps('s-a', 1), setChart('s-a', chart)];
      const study = inOrder(...own)(makeStudy('s', 'S', cycleById('tangos')));
      const bars = notate(scoreOf(study.sections[0]!, study), study.sections[0]!.cycle);
      const repeated = repeatedStrums(bars);
      return bars.flatMap((b) => b.events.map((e) => (repeated.has(e) ? '/' : 'o'))).join('');
    };
    expect(again('id:654 iu:456 id:654 id:65')).toBe('o//o');
    // Chords that are plucked are written out.
    expect(again('ima:321 ima:321 ima:321 ima:321')).toBe('oooo');
    // What the thumb plucks between them changes nothing; another chord does.
    expect(again('id:654 p:6 iu:456 p:6')).toBe('oo/o');
    expect(again('id:321 id:321 id:321 id:321', 'Am:2 E:2')).toBe('o/o/');
  });
  it('are broken over systems where groups begin, and nothing of them is lost', () => {
    const solea = (script: string) =>
      inOrder(setChart('s-a', 'Am:6 E'), setScript('s-a', script))(makeStudy('s', 'Study', cycleById('solea')));
    const [bar] = bars(solea('@f p:5~ i:3 m:2 i:3 {i:1 m:1}x8 p:6 - - -'), 'page');
    const counts = (ticks: number) => ticks / COUNT;
    const parts = breakBar(bar!, 3);
    expect(parts.map((p) => [counts(p.at), counts(p.length), p.part])).toEqual([
      [0, 3, [0, 3]],
      [3, 5, [1, 3]],
      [8, 4, [2, 3]],
    ]);
    for (const p of parts) expect(bar!.seams.includes(p.at as never) || p.at === 0, String(p.at)).toBe(true);
    expect(parts.map((p) => p.at)).toEqual(partStarts(cycleById('solea')!, 0, 3));
    expect(parts.reduce((sum, p) => sum + p.length, 0)).toBe(bar!.length);
    for (const voice of ['fingers', 'thumb'] as const) {
      const whole = bar!.voices[voice].map((s) => [
        s.at,
        s.value,
        s.tied,
        s.event === null ? null : bar!.events[s.event]!.at,
      ]);
      const broken = parts.flatMap((p) =>
        p.voices[voice].map((s) => [s.at + p.at, s.value, s.tied, s.event === null ? null : p.events[s.event]!.at]),
      );
      expect(broken).toEqual(whole);
      for (const p of parts) expect(p.voices[voice].reduce((sum, s) => sum + s.ticks, 0)).toBe(p.length);
    }
    // The chord goes on, and so does the level; the time and the strings stand once.
    expect(parts.map((p) => p.chords[0]!.goesOn)).toEqual([false, true, true]);
    expect(parts.map((p) => p.level)).toEqual(['mf', 'f', 'f']);
    expect(parts.map((p) => p.time !== null)).toEqual([true, false, false]);
    expect(breakBar(bar!, 1)).toEqual([bar]);
    // A bass that rings through a cut is tied over it.
    expect(parts[0]!.voices.thumb.at(-1)!.goesOver).toBe(true);
  });
  it('so many parts as leave room for the strokes, no more than counts', () => {
    expect([partsFor(12, 24, 12), partsFor(48, 24, 12), partsFor(200, 24, 12), partsFor(200, 24, 2)]).toEqual([
      1, 2, 4, 2,
    ]);
  });
  it('a tap has a place without a pitch, a ghost stroke is silence', () => {
    expect(said(bossa('G (d) i:3 - - - - -'))[0]).toBe('fingers n8 r8 n2.');
    expect(bars(bossa('G (d) i:3 - - - - -'))[0]!.events).toHaveLength(3);
  });
});
