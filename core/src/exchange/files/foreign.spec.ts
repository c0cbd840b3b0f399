import { strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { cycleById } from '../../catalogue/index.js';
import { makeStudy, setForm, setScript } from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { unrollForm } from '../../score/index.js';
import { sayImportNote } from '../../words/index.js';
import { type ImportedFile, importFile } from './import-file.js';
import { midiBytes } from '../midi/index.js';
import { onGrid } from '../foreign/grid.js';
import { importedStudy, takeImport } from '../foreign/take.js';

const four = cycleById('plain-four')!;
const read = (text: string, more = {}): ImportedFile => {
  const made = importFile(strToU8(text), { profile: DEFAULT_PROFILE, cycle: four, ...more });
  if ('refusal' in made) throw new Error(made.refusal.code);
  return made;
};
const said = (piece: ImportedFile) => piece.notes.map(sayImportNote).join(' ');
/** A note as other programs write it: step, octave, length in sixteenths, and what else stands in it. */
const n = (pitch: string, length: number, more = '', before = '') => {
  const [, step, alter, octave] = /^([A-G])([#b]?)(\d)$/.exec(pitch) ?? [];
  const altered = alter ? `<alter>${alter === '#' ? 1 : -1}</alter>` : '';
  return `<note>${before}<pitch><step>${step}</step>${altered}<octave>${octave}</octave></pitch><duration>${length}</duration>${more}</note>`;
};
const rest = (length: number) => `<note><rest/><duration>${length}</duration></note>`;
const at = (string: number, fret: number, more = '') =>
  `<notations><technical><string>${string}</string><fret>${fret}</fret>${more}</technical></notations>`;
const time = (beats = 4, type = 4) =>
  `<attributes><divisions>4</divisions><time><beats>${beats}</beats><beat-type>${type}</beat-type></time></attributes>`;
const score = (...bars: string[]) =>
  `<?xml version="1.0"?><!DOCTYPE score-partwise PUBLIC "-//any//DTD" "any.dtd"><score-partwise><movement-title>Quay</movement-title>` +
  `<part-list><score-part id="P1"><part-name>Gtr</part-name></score-part></part-list><part id="P1">` +
  `${bars.map((b, i) => `<measure number="${i + 1}">${i === 0 && !b.includes('<time>') ? time() : ''}${b}</measure>`).join('')}</part></score-partwise>`;
const first = (piece: ImportedFile) => piece.sections[0]!;

describe('plain notes', () => {
  it('get strings and frets, stay on their beats, and the piece its name', () => {
    const piece = read(score(n('E4', 4) + n('G4', 4) + n('B3', 8), n('E2', 16)));
    expect(piece.name).toBe('Quay');
    expect(first(piece)).toMatchObject({ name: 'A', cycle: { id: 'plain-four' }, bars: 2, stepsPerCount: 1 });
    expect(first(piece).script).toBe(
      '?:1f0 ?:1f3 ?:2f0 - | ?:6f0 - - -'.replaceAll(/f0/g, '').replace('?:1f3', '?:1f3'),
    );
    expect(piece.counted).toEqual({ notes: 4, fretted: 4 });
  });
  it('two voices at once: what goes on under the next stroke rings', () => {
    const piece = read(
      score(`${n('A2', 16)}<backup><duration>16</duration></backup>${rest(4)}${n('C4', 4)}${n('E4', 8)}`),
    );
    expect(first(piece).script).toBe('?:5~ ?:2f1 ?:1 -');
  });
  it('tied notes are one, triplets a group, sixteenths finer steps where they are many', () => {
    const tie = (type: string) => `<tie type="${type}"/>`;
    const tied = read(score(n('E4', 14) + n('G4', 2, tie('start')), n('G4', 4, tie('stop')) + rest(12)));
    expect(first(tied).script).toBe('?:1 - - [- ?:1f3] | - . . .');
    const third = '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>';
    const thirds = ['E4', 'F4', 'G4'].map((p) => n(p, 4 / 3, third)).join('');
    expect(first(read(score(thirds + n('E4', 12)))).script).toBe('[?:1 ?:1f1 ?:1f3] ?:1 - -');
  });
  it('what is tied to nothing that ends there begins nowhere: it is silent, and told', () => {
    const tie = (type: string) => `<tie type="${type}"/>`;
    const piece = read(score(n('G4', 4, tie('start')) + rest(8) + n('G4', 4, tie('stop'))));
    expect(first(piece).script).toBe('?:1f3 . . .');
    expect(said(piece)).toMatch(/1 note held over from another section/);
  });
  it('a pickup ends where the first whole bar begins; short and long bars are told', () => {
    const pickup = read(score(n('E4', 4), n('G4', 16)));
    expect(first(pickup).script).toBe('. . . ?:1 | ?:1f3 - - -');
    expect(said(pickup)).toMatch(/1 bar shorter than the time says/);
    expect(said(read(score(n('E4', 16), n('G4', 20))))).toMatch(/1 bar longer than the time says/);
  });
  it('sounds as its part transposes', () => {
    const piece = read(
      score(
        time().replace(
          '</attributes>',
          '<transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose></attributes>',
        ) + n('E5', 16),
      ),
    );
    expect(first(piece).script).toBe('?:1 - - -');
  });
  it('grace notes, signs without a meaning here, jumps and notes no string reaches are told', () => {
    const trill = '<notations><ornaments><trill-mark/></ornaments></notations>';
    const grace = '<note><grace/><pitch><step>D</step><octave>4</octave></pitch></note>';
    const lyric = (verse: number, text: string) => `<lyric number="${verse}"><text>${text}</text></lyric>`;
    const words = '<direction><direction-type><words>con brio</words></direction-type></direction>';
    const piece = read(
      score(
        `${words}${grace}${n('E4', 8, `${trill}${lyric(1, 'la')}${lyric(2, 'lo')}`)}${n('C1', 8)}<sound dacapo="yes"/>`,
      ),
    );
    expect(said(piece)).toMatch(/1 grace note left out/);
    expect(said(piece)).toMatch(/Signs passed over: words, lyric, trill-mark/);
    // The first verse is taken.
    expect(first(piece).words).toBe('la');
    expect(said(piece)).toMatch(/1 note left out: no string reaches/);
    expect(said(piece)).toMatch(/Jumps by sign/);
  });
  it('more notes than a hand has strings for: the outer ones stay', () => {
    const chord = ['E2', 'B2', 'E3', 'G3', 'B3', 'E4', 'A4', 'C5']
      .map((p, i) => n(p, 16, '', i ? '<chord/>' : ''))
      .join('');
    const piece = read(score(chord));
    expect(said(piece)).toMatch(/left out: the same string, or more than six/);
    expect(first(piece).script).toMatch(/^(?:id:|\?+:)/);
    expect(piece.counted.notes).toBeGreaterThan(3);
    expect(first(piece).script).toMatch(/6[+~f].*1f8/);
  });
  it('a note that no string has at once with the others is left out, and told', () => {
    const piece = read(score(n('E2', 16) + n('F2', 16, '', '<chord/>')));
    expect(said(piece)).toMatch(/In 1 place the left hand can’t hold all/);
    expect(piece.counted.notes).toBe(1);
  });
});
describe('notes with their places', () => {
  it('are taken as they stand, with fingers, letters, ligados and strums', () => {
    const piece = read(
      score(
        n('C4', 4, at(2, 1, '<fingering>1</fingering><pluck>i</pluck>')) +
          n('D4', 4, at(2, 3, '<fingering>3</fingering><hammer-on type="stop">H</hammer-on>')) +
          n(
            'E2',
            4,
            '<notations><technical><string>6</string><fret>0</fret></technical><arpeggiate direction="up"/></notations>',
          ) +
          n('B2', 4, at(5, 2), '<chord/>') +
          n('E4', 4, at(1, 0, '<up-bow/>')),
      ),
    );
    expect(first(piece).script).toBe('i:2f1=1 L:2f3=3 id:6f0+5f2 Pu:1');
    expect(piece.counted.fretted).toBe(0);
    expect(said(piece)).toMatch(/1 stroke over many strings became strums/);
  });
  it('a chord that is rolled without a way is plucked, finger by finger', () => {
    const rolled = '<notations><arpeggiate/></notations>';
    const piece = read(score(n('E3', 16, rolled) + n('G3', 16, rolled, '<chord/>') + n('C4', 16, rolled, '<chord/>')));
    expect(first(piece).script).toMatch(/^\?\?\?:/);
  });
  it('a string that does not give the pitch is not believed', () => {
    const piece = read(score(n('E4', 16, at(3, 2))));
    expect(first(piece).script).toBe('?:1 - - -');
    expect(said(piece)).toMatch(/1 note written on strings that don’t give the pitch/);
  });
  it('of staff and tablature one beside the other the tablature is read', () => {
    const clefs = '<clef number="1"><sign>G</sign></clef><clef number="2"><sign>TAB</sign></clef></attributes>';
    const both = `${n('E4', 16, '<staff>1</staff>')}<backup><duration>16</duration></backup>${n('E4', 16, `<staff>2</staff>${at(2, 5)}`)}`;
    expect(first(read(score(time().replace('</attributes>', clefs) + both))).script).toBe('?:2f5 - - -');
  });
  it('letters that fit no stroke are left open', () => {
    const two = n('E2', 16, at(6, 0, '<pluck>a</pluck>')) + n('E4', 16, at(1, 0, '<pluck>p</pluck>'), '<chord/>');
    const piece = read(score(two));
    expect(first(piece).script).toBe('??:61 - - -');
    expect(said(piece)).toMatch(/letters of 1 stroke/);
  });
});
describe('chords', () => {
  const chord = (more = '') =>
    `<harmony><root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>minor-seventh</kind>${more}</harmony>`;
  it('by their kind into the chart; without frets they are told', () => {
    const piece = read(score(chord() + n('E4', 16)));
    expect(first(piece).chart).toBe('Bbm7');
    expect(said(piece)).toMatch(/Chords without frets: Bbm7/);
  });
  it('steps of a key have no root: they are passed over, and what is held goes on', () => {
    const step = '<harmony><numeral><numeral-root>5</numeral-root></numeral><kind>major</kind></harmony>';
    const piece = read(score(chord() + n('E4', 16), step + n('E4', 16)));
    expect(first(piece).chart).toBe('Bbm7 | %');
    expect(said(piece)).toMatch(/Signs passed over: harmony/);
  });
  it('with frets they bring their shape, fingers worked out where none are given', () => {
    const frame = `<frame><frame-strings>6</frame-strings><frame-frets>4</frame-frets>${[
      [5, 1],
      [4, 3],
      [3, 1],
      [2, 2],
      [1, 1],
    ]
      .map(([s, f]) => `<frame-note><string>${s}</string><fret>${f}</fret></frame-note>`)
      .join('')}</frame>`;
    const piece = read(score(chord(frame) + n('E4', 16)));
    expect(piece.shapes[0]).toMatchObject({ name: 'Bbm7', frets: [null, 1, 3, 1, 2, 1] });
    expect(piece.shapes[0]?.fingers[2]).toBe(3);
    expect(piece.notes).toEqual([]);
  });
});
describe('time and form', () => {
  const bar = (more = '', p = 'E4') => `${more}${n(p, 16)}`;
  const line = (direction: string, more = '') => `<barline>${more}<repeat direction="${direction}"/></barline>`;
  const ending = (number: string, type: string) => `<ending number="${number}" type="${type}"/>`;
  it('repeats and endings cut sections and become the form; what comes again is the same section', () => {
    const piece = read(
      score(
        bar(line('forward')),
        `<barline>${ending('1', 'start')}</barline>${bar('', 'G4')}${line('backward', ending('1', 'stop'))}`,
        `<barline>${ending('2', 'start')}</barline>${bar('', 'A4')}<barline>${ending('2', 'discontinue')}</barline>`,
        bar(),
      ),
    );
    expect(piece.form).toBe('{A [1 B] [2 C]}x2 A');
    const study = importedStudy(
      piece,
      'x',
      (() => {
        let i = 0;
        return () => `n${++i}`;
      })(),
    );
    expect(unrollForm(study).order).toEqual(['A', 'B', 'A', 'C', 'A']);
  });
  it('a repeat without a beginning goes back to the piece’s, and times are kept', () =>
    expect(
      read(score(bar(), `${bar('', 'G4')}<barline><repeat direction="backward" times="3"/></barline>`, bar('', 'A4')))
        .form,
    ).toBe('{A}x3 B'));
  it('what comes before a repeat is not repeated', () =>
    expect(read(score(bar(), `${bar(line('forward'), 'G4')}${line('backward')}`)).form).toBe('A {B}x2'));
  it('a section without a word of its cycle goes on in the one before it', () => {
    const direction = (inside: string) => `<direction><direction-type>${inside}</direction-type></direction>`;
    const words = direction('<words>Soleá (12): 3, 6, 8, 10, 12</words>');
    const next = direction('<rehearsal>Vuelta</rehearsal>');
    const piece = read(score(time(12, 4) + words + n('E4', 48), next + n('G4', 48)));
    expect(piece.sections.map((s) => s.cycle.id)).toEqual(['solea', 'solea']);
  });
  it('names of sections, the tempo from where it stands, and changes within a section told', () => {
    const mark = (name: string) =>
      `<direction><direction-type><rehearsal>${name}</rehearsal></direction-type></direction>`;
    const piece = read(
      score(bar(`${mark('Ida')}<sound tempo="70"/>`), bar('<sound tempo="90"/>'), bar(mark('Vuelta'))),
    );
    expect(piece.sections.map((s) => [s.name, s.bpm])).toEqual([
      ['Ida', 70],
      ['Vuelta', 70],
    ]);
    expect(said(piece)).toMatch(/1 change of tempo/);
  });
  it('other times have beats as they say; bars of several lengths are one turn', () => {
    const six = read(score(time(6, 8) + n('E4', 12), n('G4', 12)));
    expect(first(six).cycle).toMatchObject({ name: '6/8', counts: 6, countNote: 'eighth', groups: [15120, 15120] });
    const turn = read(
      score(time(3, 4) + n('E4', 12), time(2, 4) + n('E4', 8), time(3, 4) + n('G4', 12), time(2, 4) + n('A4', 8)),
    );
    expect(turn.sections).toHaveLength(1);
    expect(first(turn).cycle).toMatchObject({ counts: 5, bars: [15120, 10080] });
  });
  it('a cycle that is named above the bars is that cycle', () => {
    const words = '<direction><direction-type><words>Soleá (12): 3, 6, 8, 10, 12</words></direction-type></direction>';
    expect(first(read(score(time(12, 4) + words + n('E4', 48)))).cycle.id).toBe('solea');
  });
  it('bars inside, parts outside are read as well', () => {
    const timewise = `<score-timewise><part-list/><measure number="1"><part id="P1">${time()}${n('E4', 16)}</part></measure></score-timewise>`;
    expect(first(read(timewise)).script).toBe('?:1 - - -');
  });
});
describe('taking', () => {
  const piece = read(score(n('E4', 16)));
  let i = 0;
  const newId = () => `id${++i}`;
  it('stands behind the sections that are there, under a name of its own, and its order behind theirs', () => {
    const study = setForm('{A}x2')(makeStudy('s', 'S', four));
    const after = takeImport(study, piece, newId)(study);
    expect(after.sections.map((s) => s.name)).toEqual(['A', 'A 2']);
    expect(after.form).toBe('{A}x2 "A 2"');
    expect(takeImport(makeStudy('s', 'S', four), piece, newId)(makeStudy('s', 'S', four)).form).toBe('');
  });
  it('more sections than a study holds are refused whole', () => {
    const many = {
      ...piece,
      sections: Array.from({ length: 32 }, (_, k) => ({ ...piece.sections[0]!, name: `N${k}` })),
    };
    const study = makeStudy('s', 'S', four);
    const command = takeImport(study, many, newId);
    expect(command(study)).toBe(study);
    expect(command.refusal?.(study)).toMatchObject({ code: 'too many sections' });
  });
});
describe('bars as other programs write them', () => {
  const frame =
    '<frame><frame-strings>6</frame-strings><frame-frets>4</frame-frets>' +
    [
      [5, 0],
      [4, 2],
      [3, 2],
      [2, 1],
      [1, 0],
    ]
      .map(([s, f]) => `<frame-note><string>${s}</string><fret>${f}</fret></frame-note>`)
      .join('') +
    '</frame>';
  const am = `<harmony><root><root-step>A</root-step></root><kind>minor</kind>${frame}</harmony>`;
  it('slash heads are a rhythm through the chord that stands above', () => {
    const slash = (length: number, more = '') => n('B4', length, `<notehead>slash</notehead>${more}`);
    const up = '<notations><technical><up-bow/></technical></notations>';
    const piece = read(score(am + slash(4) + slash(2) + slash(2, up) + rest(4) + slash(4)));
    expect(first(piece).script).toBe('id [id Pu] . id');
    expect(first(piece).chart).toMatch(/Am/);
    expect(first(piece).script).not.toMatch(/:/);
  });
  it('a bar that comes again by its sign has the notes of the one before, or of the two', () => {
    const again = (type: string, bars: number) =>
      `<attributes><measure-style><measure-repeat type="${type}">${bars}</measure-repeat></measure-style></attributes>`;
    const piece = read(
      score(n('E4', 16), `${again('start', 1)}${rest(16)}`, rest(16), `${again('stop', 1)}${n('G4', 16)}`),
    );
    expect(first(piece).script).toBe('?:1 - - - | ?:1 - - - | ?:1 - - - | ?:1f3 - - -');
    const two = read(score(n('E4', 16), n('G4', 16), `${again('start', 2)}${rest(16)}`, rest(16)));
    expect(first(two).script).toBe('?:1 - - - | ?:1f3 - - - | ?:1 - - - | ?:1f3 - - -');
  });
  it('a tie that is only drawn ties', () => {
    const tied = (type: string) => `<notations><tied type="${type}"/></notations>`;
    const piece = read(score(n('E4', 16, tied('start')), n('E4', 8, tied('stop')) + n('G4', 8)));
    expect(first(piece).script).toBe('?:1 - - - | - - ?:1f3 -');
  });
  it('two halves of one bar are one; where a repeat parts them they stay apart', () => {
    const halves = (between = '') =>
      score(n('E4', 16), `${n('E4', 8)}${between}`, n('G4', 8), n('A4', 16))
        .replace('<measure number="3">', '<measure number="X1" implicit="yes">')
        .trim();
    const piece = read(halves());
    expect(first(piece)).toMatchObject({ bars: 3, script: '?:1 - - - | ?:1 - ?:1f3 - | ?:1f5 - - -' });
    const repeat = '<barline location="right"><repeat direction="backward"/></barline>';
    expect(read(halves(repeat)).sections.reduce((sum, s) => sum + s.bars, 0)).toBe(4);
  });
  it('a part of drums that stands first is not the one that is read', () => {
    const drum =
      '<note><unpitched><display-step>C</display-step><display-octave>5</display-octave></unpitched><duration>16</duration></note>';
    const text = score(n('E4', 16))
      .replace(
        '<score-part id="P1">',
        '<score-part id="P0"><part-name>Cajón</part-name></score-part><score-part id="P1">',
      )
      .replace('<part id="P1">', `<part id="P0"><measure number="1">${time()}${drum}</measure></part><part id="P1">`);
    const piece = read(text);
    expect([piece.part, first(piece).script]).toEqual([1, '?:1 - - -']);
  });
});
describe('tablature as people type it', () => {
  const lines = (...six: string[]) => six.join('\n');
  it('the coarsest steps that move no note; sections by their lines where they name a cycle', () => {
    const text = `My tune\n\nIda · Tangos · 90 counts\n${lines('e|-0---0---0---0---|', 'B|-----------------|', 'G|-----------------|', 'D|-----------------|', 'A|-----------------|', 'E|-----------------|')}`;
    const piece = read(text);
    expect(piece.name).toBe('My tune');
    expect(first(piece)).toMatchObject({ name: 'Ida', cycle: { id: 'tangos' }, bpm: 90 });
    expect(piece.counted.notes).toBe(4);
    expect(piece.notes).toEqual([]);
  });
  it('as mails and phones make it: quoted, with other dashes, bars and spaces, and upside down', () => {
    const six = ['e|-0---2---0---3---|', 'B|-----1-----------|', ...[...'GDAE'].map((s) => `${s}|-----------------|`)];
    const plain = first(read(lines(...six))).script;
    const sent = [
      six.map((l) => `> ${l}`),
      six.map((l) => `> > ${l}`),
      six.map((l) => l.replaceAll('-', '\u2013').replaceAll('|', '\u2502')),
      six.map((l) => `\u00a0${l.replace('-', '\u2014')}\u200b`),
      [...six].reverse(),
    ];
    for (const own of sent) expect(first(read(lines(...own))).script).toBe(plain);
  });
});
describe('repeats in tablature', () => {
  const six = (own: (string: string) => string) => [...'eBGDAE'].map(own).join('\n');
  const frets = (text: string) =>
    [...first(read(text)).script.matchAll(/1f(\d)|\||:1(?=\s|$)/g)].map((m) => m[1] ?? m[0][0]).join('');
  it('x4 behind the last bar line plays its bar so often', () => {
    const text = six((s) => `${s}|${s === 'e' ? '-2---3---' : '---------'}|${s === 'e' ? ' x3' : ''}`);
    expect(frets(text)).toBe('23|23|23');
    expect(read(text).notes).toEqual([]);
  });
  it('between signs of repeat everything is played twice, or as often as is said', () => {
    const signs = six(
      (s) =>
        `${s}|-${s === 'e' ? '1' : '-'}---|:-${s === 'e' ? '2' : '-'}---|-${s === 'e' ? '3' : '-'}---:|-${s === 'e' ? '4' : '-'}---|`,
    );
    expect(frets(signs)).toBe('1|2|3|2|3|4');
    const dots = six(
      (s) => `${s}|${'GD'.includes(s) ? 'o' : '-'}-${s === 'e' ? '2' : '-'}---${'GD'.includes(s) ? 'o' : '-'}|`,
    );
    expect(frets(dots)).toBe('2');
    // Without a beginning it goes back to the first bar.
    const back = six(
      (s) => `${s}|-${s === 'e' ? '2' : '-'}---|-${s === 'e' ? '3' : '-'}---:|${s === 'e' ? ' (x3)' : ''}`,
    );
    expect(frets(back)).toBe('2|3|2|3|2|3');
  });
});
describe('what was played', () => {
  it('goes to the nearest place for which its count need not be cut too finely', () => {
    const near = (...counts: number[]) =>
      onGrid(counts.map((c) => c * 5040)).map((g) => Math.round((g.at / 5040) * 1000) / 1000);
    expect(near(0.02, 0.49, 1.03, 1.27, 1.52, 1.74)).toEqual([0, 0.5, 1, 1.25, 1.5, 1.75]);
    expect(near(0.01, 0.35, 0.65)).toEqual([0, 0.333, 0.667]);
    expect(near(0.97)).toEqual([1]);
    // Two sixteenths are worth cutting the count in four for.
    expect(near(0.27, 0.52)).toEqual([0.25, 0.5]);
  });
});

describe('MIDI', () => {
  it('bends and a pedal are told', () => {
    const name = (text: string) => [...text].map((c) => c.charCodeAt(0));
    // A key that is held over a pedal and a string that is bent and let go.
    const events = [
      0, 0xb0, 64, 127, 0, 0x90, 64, 90, 48, 0xe0, 0, 0x60, 48, 0xe0, 0, 0x40, 48, 0x80, 64, 0, 0, 0xb0, 64, 0,
    ];
    const track = [...events, 0, 0xff, 0x2f, 0];
    const bytes = [...name('MThd'), 0, 0, 0, 6, 0, 0, 0, 1, 0, 96, ...name('MTrk'), 0, 0, 0, track.length, ...track];
    const piece = importFile(Uint8Array.from(bytes), { profile: DEFAULT_PROFILE, cycle: four });
    if ('refusal' in piece) throw new Error(piece.refusal.code);
    expect(piece.notes).toContainEqual({ code: 'bends not taken', about: [1] });
    expect(said(piece)).toMatch(/Bends of the pitch were left out.* The pedal was left out/);
  });
  it('a tie goes on from its own voice where two notes of its pitch end there', () => {
    const pitch = '<pitch><step>A</step><octave>3</octave></pitch>';
    const note = (voice: number, duration: number, tie: string) =>
      `<note>${pitch}<duration>${duration}</duration>${tie}<voice>${voice}</voice></note>`;
    const start = '<tie type="start"/>';
    const stop = '<tie type="stop"/>';
    const back = '<backup><duration>16</duration></backup>';
    const rest = '<note><rest/><duration>8</duration><voice>2</voice></note>';
    const first = `${note(1, 16, start)}${back}${rest}${note(2, 8, start)}`;
    const second = `${note(1, 4, stop)}<forward><duration>12</duration></forward>${back}${note(2, 16, stop)}`;
    const piece = read(score(first, second));
    // The one that begins later is held to the second bar's end.
    expect(piece.sections[0]!.script).toMatch(/^\?:\S+ - \?:\S+ - \| - - - -$/);
  });
  it('chunks of other programs are skipped', () => {
    const study = setScript('s-a', 'p:5 i:3 m:2 a:1')(makeStudy('s', 'S', cycleById('tangos')));
    const own = midiBytes(
      study,
      DEFAULT_PROFILE,
      { kind: 'form' },
      { fingers: 'F', thumb: 'T', taps: 'G', claps: 'C' },
    );
    const chunk = [...'XFIH'].map((c) => c.charCodeAt(0));
    const foreign = Uint8Array.from([...own.slice(0, 14), ...chunk, 0, 0, 0, 3, 1, 2, 3, ...own.slice(14)]);
    expect(foreign.length).toBe(own.length + 11);
    const [a, b] = [own, foreign].map((bytes) => importFile(bytes, { profile: DEFAULT_PROFILE, cycle: four }));
    expect(b).toEqual(a);
    expect(b && 'sections' in b && b.sections.length).toBeGreaterThan(0);
  });
});
