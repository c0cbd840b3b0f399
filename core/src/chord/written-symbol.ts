/** A chord symbol taken apart: its root, how the chord goes on, single tones that are added, and a bass. */
export interface WrittenSymbol {
  /** From A to G with its accidental. */
  readonly root: string;
  /** As the library names chords, without what stands in brackets. */
  readonly quality: string;
  /** Degrees of the scale over the root, as `b9`, `#11`, `13`. */
  readonly added: readonly string[];
  readonly bass: string | null;
}
/** A text with more than one reading, and what to write for each. */
export interface TwoReadings {
  readonly either: readonly [string, string];
}

const SOLFEGE: Readonly<Record<string, string>> = {
  do: 'C',
  re: 'D',
  ré: 'D',
  mi: 'E',
  fa: 'F',
  sol: 'G',
  la: 'A',
  si: 'B',
};
const NOTE = /^(?:(do|r[eé]|mi|fa(?!dd|ug)|sol|la|si)|([a-g]))([#b]?)/i;
/** A degree of the scale, natural or altered. */
const DEGREE = /^(?:add|no)?([#b]?)(2|4|5|6|9|11|13)$/;
/** Endings that players read in two ways, with what says each of them. */
const TWO_WAYS: Readonly<Record<string, readonly [string, string]>> = {
  '2': ['sus2', 'add9'],
  '4': ['sus4', 'add4'],
  '7+': ['maj7', '7#5'],
};

/** Signs and spellings that players use, in the letters of the keyboard. */
const inLetters = (text: string) =>
  text
    .trim()
    .replace(/♯/g, '#')
    .replace(/♭/g, 'b')
    .replace(/[[{]/g, '(')
    .replace(/[\]}]/g, ')')
    .replace(/−/g, '-')
    .replace(/ø7?/g, 'm7b5')
    .replace(/[°º]/g, 'dim')
    .replace(/Δ7?/g, 'maj7')
    .replace(/\s/g, '');

/** The note that a text begins with, and what stands behind it. */
function noteAt(text: string): { readonly note: string; readonly rest: string } | null {
  const m = NOTE.exec(text);
  if (!m) return null;
  const [whole, syllable, letter, accidental = ''] = m;
  const name = syllable ? SOLFEGE[syllable.toLowerCase()] : letter?.toUpperCase();
  return name ? { note: name + accidental, rest: text.slice(whole.length) } : null;
}
/**
 * A note's name alone, by letter or syllable, in letters; null for anything else.
 * @example noteOf('Sol♯') // 'G#'
 */
export function noteOf(text: string): string | null {
  const at = noteAt(inLetters(text));
  return at?.rest === '' ? at.note : null;
}
const NAMED = '(?:do|r[eé]|mi|fa(?!dd|ug)|sol|la|si|[a-g])[#b♯♭]?';
/** Where a symbol names its root, and its bass. */
export const ROOT_WRITTEN = new RegExp(`^${NAMED}`, 'i');
export const BASS_WRITTEN = new RegExp(`/(${NAMED})$`, 'i');
/** The ending as the library has it. */
const qualityOf = (text: string): string =>
  text
    .replace(/^[-](?=maj|\d|$)/, 'm')
    .replace(/^min(?!or)/, 'm')
    .replace(/7M|M7|ma7|Maj7/g, 'maj7')
    .replace(/^mmaj7$/, 'mM7')
    .replace(/^\+$/, 'aug')
    .replace(/^\+7$/, '7#5')
    .replace(/^7sus$/, '7sus4')
    .replace(/^sus$/, 'sus4')
    .replace(/^7\/4$/, '7sus4')
    .replace(/^6\/9$/, '69');

/**
 * Takes a chord symbol apart as players write it: solfège (`Lam`, `Sol7`), brackets (`E7(b9)`: one never melts into the
 * root), `7M`, `7/4`, `add4`, `7add11`, slash basses. null where no note begins it.
 * @example takeApart('E(b9)') // { root: 'E', quality: '', added: ['b9'], bass: null }
 * @example takeApart('Lam7/Sol') // { root: 'A', quality: 'm7', added: [], bass: 'G' }
 */
export function takeApart(text: string): WrittenSymbol | TwoReadings | null {
  const letters = inLetters(text);
  const slash = /^(.+)\/([^/]+)$/.exec(letters);
  const under = slash ? noteAt(slash[2] ?? '') : null;
  const bass = under?.rest === '' ? under.note : null;
  const head = noteAt(bass === null ? letters : (slash?.[1] ?? ''));
  if (!head) return null;
  const two = TWO_WAYS[head.rest];
  if (two) return { either: [head.note + two[0], head.note + two[1]] };
  const inBrackets = [...head.rest.matchAll(/\(([^()]*)\)/g)].flatMap((m) => (m[1] ?? '').split(/[,/]/));
  let rest = head.rest.replace(/\([^()]*\)/g, '');
  const added: string[] = [];
  const quality: string[] = [];
  for (const item of inBrackets) (DEGREE.test(item) ? added : quality).push(item.replace(/^add/, ''));
  // `7/13`, `m7add11`: degrees behind the chord, each added to it.
  for (;;) {
    const behind = /^(.*\d)\/([#b]?(?:5|9|11|13))$/.exec(rest) ?? /^(.*)add([#b]?(?:2|4|9|11|13))$/.exec(rest);
    if (!behind || rest === '6/9') break;
    rest = behind[1] ?? '';
    added.unshift(behind[2] ?? '');
  }
  return { root: head.note, quality: qualityOf(rest + quality.join('')), added, bass };
}

const MAJOR: Readonly<Record<string, number>> = { '2': 2, '4': 5, '5': 7, '6': 9, '9': 14, '11': 17, '13': 21 };
/** A degree as an interval over the root. */
export interface Degree {
  /** As the library names intervals. */
  readonly interval: string;
  readonly semitones: number;
}
/** @example degreeOf('b9') // { interval: '9m', semitones: 13 } */
export function degreeOf(text: string): Degree | null {
  const [, sign = '', n = ''] = DEGREE.exec(text) ?? [];
  const own = MAJOR[n];
  if (own === undefined) return null;
  const perfect = n === '4' || n === '5' || n === '11';
  const kind = sign === '#' ? 'A' : sign === 'b' ? (perfect ? 'd' : 'm') : perfect ? 'P' : 'M';
  return { interval: n + kind, semitones: own + (sign === '#' ? 1 : sign === 'b' ? -1 : 0) };
}

/** Between chords that stand on one line without white space. */
const BETWEEN = /[-–—,;>]+/;
/**
 * Several chords that are written as one, as the chart would have them; null where there is one only: `A-7` is a chord.
 * @example separated('Am-G-F-E', () => true) // 'Am G F E'
 */
export function separated(text: string, isChord: (symbol: string) => boolean): string | null {
  const parts = text.split(BETWEEN).filter((p) => p !== '');
  if (parts.length === 0 || (parts.length === 1 && parts[0] === text)) return null;
  return parts.every((p) => noteAt(inLetters(p)) !== null && isChord(p)) ? parts.join(' ') : null;
}
