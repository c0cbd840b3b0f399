import type { ChordRefusal } from '../../../chord/index.js';
import { type Fact, quoted } from '../../../fault/index.js';
import type { HoldRefusal } from '../../../left-hand/index.js';
import type { NextTempo } from '../../../practice/index.js';
import type { BassRefusal } from '../../../solve/bass-line/index.js';
import type { CompRefusal } from '../../../solve/comp/index.js';
import type { TablatureRefusal } from '../../../script/index.js';
import type { LineRefusal, WeaveRefusal } from '../../../solve/finger-line/index.js';
import type { FitRefusal } from '../../../solve/fit-cycle/index.js';
import type { FretRefusal } from '../../../solve/fret-line/index.js';
import type { SectionKeyRefusal } from '../../../solve/rank-keys/index.js';
import type { RowRefusal } from '../../../solve/shape-row/index.js';
import type { LostChord, VoicingLimit, VoicingRefusal } from '../../../solve/voicings/index.js';
import { DATA_FAULTS } from './data-faults.js';
import { present, type Sentences } from './sentences.js';
import { sayLineSchool } from '../schools.js';
import { fretsMisread } from './frets-misread.js';

/** Facts name a school by its id. */
const named = (school: string | number): string => sayLineSchool(String(school)).name;

const CHORD: Sentences<ChordRefusal> = {
  'symbol too long': ([most]) => `A chord symbol has up to ${most} letters.`,
  'no chord symbol': ([text]) => `${text} is no chord symbol. Begin with a note from A to G, e.g. Am7, F#m7b5, G7/B.`,
  'two readings': ([text, first, second]) => `${text} is read in two ways: write ${first} or ${second}.`,
  'several chords': ([text, apart]) => `${text} is more than one chord: write ${apart}.`,
  'chord not known': ([text, ...near]) => `${text} is not known as a chord. Near it: ${present(near).join(', ')}.`,
};
const LIMITS: Record<VoicingLimit, string> = {
  strings: 'more strings',
  'no open': 'open strings',
  'some open': 'shapes without open strings',
  'no barre': 'barres',
  'root in the bass': 'other basses than the root',
  easy: 'stretches up to the limit',
  low: 'higher frets',
};
const asLimits = (about: readonly string[]): string[] => present(about).map((l) => LIMITS[l as VoicingLimit]);

const VOICING: Sentences<Exclude<VoicingRefusal, ChordRefusal>> = {
  'highest fret': ([most, asked]) => `The highest fret is 0 to ${most}, not ${asked}.`,
  'nothing named': () => 'Name a chord, or one to six notes.',
  'note named twice': () => 'A note is named twice; each is wanted once.',
  'tone not asked for': ([string, fret]) => `String ${string} at ${fret} does not belong to it.`,
  'note sounds twice': () => 'A note sounds twice.',
  'too few strings': ([sounding, wanted]) => `Only ${sounding} strings sound; ${wanted} are wanted.`,
  'tone missing': () => 'A tone is missing.',
  'another bass': () => 'The bass is another.',
  'lower than the first': ([string]) =>
    `String ${string} sounds lower than a thicker one: the first string that sounds is the bass.`,
  'no string open': () => 'No string is open.',
  'no barre wanted': () => 'No barre is wanted.',
  'no shape': (about) =>
    present(about).length
      ? `No shape answers this. Allow ${asLimits(about).join(', or ')}.`
      : 'No shape of it can be held by this hand. Ask for fewer tones, or another tuning or capo.',
};
const HOLD: Sentences<HoldRefusal> = {
  'silent string with a finger': ([string]) => `String ${string}: is silent and takes no finger.`,
  'open string with a finger': ([string]) => `String ${string}: is open.`,
  'fret without finger': ([string, fret]) => `String ${string}: fret ${fret} needs a finger.`,
  'thumb elsewhere': () => 'The thumb takes string 6 alone, and only of hands that play so.',
  'finger on two frets': ([finger]) => `Finger ${finger} stands on two frets at once.`,
  'finger over too many strings': ([finger, most]) => `Finger ${finger} lies over more than ${most} strings.`,
  'finger over a lower fret': ([finger, string]) =>
    `Finger ${finger} lies over string ${string}, which sounds below it.`,
  'finger behind finger': ([behind, before]) => `Finger ${behind} stands behind finger ${before}.`,
  'too wide': ([a, b, mm, limit]) => `Fingers ${a} and ${b} would be ${mm} mm apart; this hand’s limit is ${limit}.`,
  'thumb too far': () => 'The thumb does not reach so far from the fingers.',
  'no fingers hold it': () => 'No fingers of this hand hold it.',
};
const FIT: Sentences<FitRefusal> = {
  'no cells': () => 'Choose at least one cell.',
  'cell twice': ([cell]) => `“${cell}” stands twice among the cells; take one away.`,
  'too many cells': ([most]) => `At most ${most} cells at once; choose fewer.`,
  'cell not chosen': ([cell]) => `The rules name a cell “${cell}” that is not among those chosen.`,
  'cell asked and forbidden': ([cell]) => `“${cell}” is asked for and forbidden; loosen one of the two rules.`,
  'fixed outside the turn': ([counts]) => `A cell is fixed outside the turn; the turn has ${counts} counts.`,
  'two cells fixed on one place': ([place]) => `Two cells are fixed on ${place}; take one away.`,
  'all cells forbidden': () => 'Every cell is forbidden; allow at least one.',
  'cells longer than the turn': () => 'Every cell is longer than the cycle; allow a shorter length.',
  'cell can’t be read': ([cell, text]) => `Cell “${cell}” can’t be read at ${quoted(text)}.`,
  'cell without strokes': ([cell]) => `Cell “${cell}” has no strokes.`,
  'cell can’t be spread': ([cell]) => `Cell “${cell}” can’t be spread evenly over any of the lengths asked for.`,
  'cells don’t fill the turn': ([lengths, counts, ...rules]) => {
    const asked = rules.flatMap((cell, i) => {
      if (i % 2 || cell === '') return [];
      return [rules[i + 1] ? `“${cell}” begins on ${rules[i + 1] ?? ''}` : `“${cell}” must come`];
    });
    const loosen = asked.length
      ? ` together with: ${asked.join('; ')}. Loosen one of these, or allow other lengths.`
      : '. Allow another length.';
    return `Cells of ${lengths} counts can’t fill ${counts} counts exactly${loosen}`;
  },
};
const LINE: Sentences<LineRefusal> = {
  'no notes': () => 'There are no notes. Write at least one.',
  'too many notes': ([n, most]) => `${n} notes are too many at once; ${most} is the most. Take it in parts.`,
  'note without string': ([n]) => `Note ${n} names no string.`,
  'no such string': ([n, strings]) => `Note ${n}: strings are numbered 1 to 6, not ${strings}.`,
  'string struck twice': ([n]) => `Note ${n} strikes one string twice at once.`,
  'notes out of order': ([n, before]) => `Note ${n} does not come after note ${before}.`,
  'pins don’t match strings': ([n, strings, pins]) => `Note ${n} has ${strings} strings and ${pins} pinned fingers.`,
  'longer than its loop': () => 'The line is longer than its loop.',
  'no fingers for the chord': ([n, strings]) =>
    `Note ${n} strikes ${strings} strings at once; no fingers are left for that. Strum it, or leave strings out.`,
  'no finger of the school': ([n, school]) =>
    `Note ${n} can have no finger of “${named(school)}”; choose another school or free the note.`,
  'pinned against the school': ([n, school]) =>
    `Note ${n} can have no finger of “${named(school)}” that is pinned; choose another school or free the note.`,
  'no way through the pins': () => 'No fingering joins all notes; take a pinned finger away.',
  'school takes single notes': ([n, school]) =>
    `Note ${n} strikes several strings at once; “${named(school)}” takes single notes. Choose another school.`,
  'pins against the order': ([school]) =>
    `The pinned fingers don’t follow one another as “${named(school)}” does; free one of them.`,
};
const WEAVE: Sentences<WeaveRefusal> = {
  'step can’t be halved': ([steps, which]) => `A step of ${steps} to a count can’t be halved; take ${which}.`,
  'no melody': () => 'Write the bass melody first, e.g. 6 5 5 4.',
  'melody on the pedal string': ([n, string]) =>
    `Note ${n} of the melody is on string ${string} itself; choose another pedal string for it to ring.`,
  'chord in the melody': ([n]) => `Note ${n} strikes several strings; the thumb’s melody takes one at a time.`,
};
const FRETS: Sentences<Exclude<FretRefusal, 'no notes' | 'highest fret'>> = {
  'too many events': ([n, most]) => `${n} steps are too many at once; ${most} is the most. Take them in parts.`,
  'events out of order': ([n, before]) => `Step ${n} does not come after step ${before}.`,
  'event without note': ([n]) => `Step ${n} has no note.`,
  'chord and something else': ([n]) => `Step ${n} has a chord and something else; give notes, or one chord.`,
  'more notes than strings': ([n, notes]) => `Step ${n} has ${notes} notes for six strings.`,
  'two notes on one string': ([n]) => `Step ${n} puts two notes on one string.`,
  'event can’t be played': ([n]) => `Step ${n}`,
  'shape can’t be held': () => 'this hand can’t hold the shape. Leave a string out, or look for an easier one.',
  'note out of reach': ([pitch, string, fret]) =>
    `${pitch} is not on ${string ? `string ${string}` : 'any string'} up to fret ${fret}. Another tuning, capo or octave has it.`,
  'notes can’t be held together': () =>
    'no fingers hold these notes together. Free a string or a pinned finger, or leave a note out.',
  'no end to the ringing': ([n]) =>
    `Step ${n} can’t be held while what rings before it goes on. Let that end sooner, or free its string.`,
  'none of its shapes': ([n]) => `Step ${n} is held as none of its shapes.`,
  'another pitch': ([n, note]) => `Step ${n}, note ${note} sounds another pitch.`,
  'another string': ([n, note]) => `Step ${n}, note ${note} is on another string.`,
  'another finger': ([n, note]) => `Step ${n}, note ${note} has another finger.`,
  'too high': ([n, note]) => `Step ${n}, note ${note} is too high.`,
  'can’t be held with what rings': ([n]) => `Step ${n} can’t be held with what rings.`,
};
const ROW: Sentences<RowRefusal> = {
  'frets misread': fretsMisread,
  'no chords': () => 'Write chord symbols one after another, e.g. Am7 D7 Gmaj7.',
  'too many chords': ([n, most]) => `${n} chords; ${most} are the most at once.`,
  'chord without shape': ([n, chord]) => `Chord ${n}, ${chord}`,
};
const BASS: Sentences<Exclude<BassRefusal, ChordRefusal>> = {
  'no bass strokes': () =>
    'The thumb plucks no bass under a chord that is known. Write the chart, and a stroke of p on each beat that wants a bass; or take a figure from Comping.',
  'chord unread': ([n, chord]) => `Chord ${n}, ${chord}`,
  'bass nowhere': ([n]) => `Bass ${n} lies nowhere on strings 6 to 4 up to fret 12. Another tuning or capo has it.`,
  'bass not asked for': ([n, string, fret]) =>
    string ? `Bass ${n}: string ${string} fret ${fret} is not what is asked for.` : `Bass ${n} is missing or too many.`,
  'bass out of reach': ([n, string, fret]) => `Bass ${n}: string ${string} fret ${fret} can’t be had with this finger.`,
};
const COMP: Sentences<Exclude<CompRefusal, BassRefusal | RowRefusal | VoicingRefusal>> = {
  'no chart': () => 'The chart is empty. Write chord symbols, a bar each: Am7 | D7 | Gmaj7.',
  'chart has faults': ([n]) => `The chart has ${n} ${n === '1' ? 'fault' : 'faults'}; mend it first.`,
  'no figure': () => 'Write an order of cells, e.g. AB BA, with a stroke in one of them at least.',
  'figure too long': ([n, most]) => `The figure has ${n} bars; ${most} are the most.`,
  'no such cell': ([letter, known]) => `There is no cell ${letter} with beats in it. There is: ${known}.`,
  'figure bar not full': ([n, is, wanted]) =>
    `Bar ${n} of the figure is ${is} counts long; the cycle’s bar has ${wanted}. Take more or fewer cells, or another length of a beat.`,
  'figure line faulty': ([n]) => `The line of the figure has ${n} ${n === '1' ? 'fault' : 'faults'}.`,
  'no stroke of comping': () =>
    'The line of a figure takes plucks of thumb and fingers, strums, slaps, holds and rests only.',
  'comes round too late': ([n, most]) =>
    `Chart and figure come round together after ${n} bars; ${most} are the most. Take a figure whose bars divide the chart’s.`,
  'too many names': ([n, most]) => `The chart has ${n} different chords; ${most} are the most at once.`,
};
const KEYS: Sentences<SectionKeyRefusal> = {
  'nothing to move': () => 'There is nothing to move yet: write a chart, or strokes with frets.',
  'name is no symbol': ([name]) =>
    `${name} is no chord symbol: give its shape one on the Neck, or write the chart in symbols.`,
  'harmonic stays': () => 'A harmonic lies where the string has a node, in every key: write it anew there.',
  'fret below the nut': ([fret]) => `Fret ${fret} would lie below the nut. Take a higher key, or a lower capo.`,
  'fret beyond the neck': ([fret]) => `Fret ${fret} would lie beyond the neck. Take a lower key, or a higher capo.`,
  'no shapes in that key': (names) => `No shapes are found in that key for ${present(names).join(', ')}.`,
};
const TABLATURE: Sentences<TablatureRefusal> = {
  'no six lines': () => 'There are no six lines of strings one under another. Each begins with | or -.',
  'tablature too long': ([is, most]) => `${is} letters are too many at once; ${most} are the most. Take it in parts.`,
  'no note in the tablature': () => 'No fret stands on its lines.',
  'note beyond the neck': ([string, fret, most]) =>
    `String ${string} fret ${fret} lies beyond the neck; ${most} is its last fret.`,
  'bars unlike the cycle': ([steps]) =>
    `A bar of the cycle has no whole number of steps with ${steps} to a count. Take other steps.`,
};
const LOST: Sentences<LostChord | 'open basses' | 'open pedal'> = {
  thirteenth: () => 'the thirteenth',
  ninth: () => 'the ninth',
  'flat ninth': () => 'the flat ninth',
  seventh: () => 'the seventh',
  sixth: () => 'the sixth',
  plain: () => 'the plain sound, for a seventh comes in',
  'plain, major seventh': () => 'the plain sound, for a major seventh comes in',
  'root below': () => 'the root as the lowest note',
  'low basses': () => 'the low basses',
  basses: () => 'the basses',
  strings: ([n, all]) => `${n} of ${all} strings`,
  'open basses': ([n, all]) => `${n} of ${all} open basses`,
  'open pedal': ([n, all]) => `${n} of ${all} strokes of the open pedal`,
};
const NEXT: Sentences<NextTempo['reason']['code']> = {
  'own start': () => 'The ladder’s own start.',
  'after pain': () => 'Slow: pain was noted last time.',
  'after a break': ([best, days]) => `Four rungs under ${best}, after ${days} days without playing.`,
  'under the best': ([best]) => `One rung under ${best}, clean last time.`,
};
const ALL = {
  ...DATA_FAULTS,
  ...CHORD,
  ...VOICING,
  ...HOLD,
  ...FIT,
  ...LINE,
  ...WEAVE,
  ...FRETS,
  ...ROW,
  ...BASS,
  ...COMP,
  ...KEYS,
  ...TABLATURE,
  ...LOST,
  ...NEXT,
};

/**
 * Why something can't be had, or what is lost by it, as a player is told.
 * @example sayFact({ code: 'strings', about: [3, 6] }) // '3 of 6 strings'
 */
export function sayFact({ code, about, because }: Fact): string {
  const [a = '', b = '', c = '', d = '', ...rest] = about.map(String);
  const own = ALL[code as keyof typeof ALL]([a, b, c, d, ...rest]);
  return because ? `${own}: ${sayFact(because)}` : own;
}
/** Each once. */
export const sayFacts = (facts: readonly Fact[]): string[] => [...new Set(facts.map(sayFact))];
