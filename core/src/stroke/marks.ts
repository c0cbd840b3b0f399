/** What stops a string while it sounds. */
export type Damped = 'left hand' | 'palm';
/**
 * How a score file in MusicXML has a mark: as an element among its technical signs or articulations, as a tie that rings,
 * as the head of the note, as how it is muted, or in a word where the format has nothing for it.
 */
export type ScoreSign =
  | {
      readonly as: 'technical' | 'articulation';
      readonly name: string;
      /** Elements inside it. */
      readonly inside?: readonly string[];
      /** Once for the whole stroke. */
      readonly once?: true;
      /** Other names that are read as the same. */
      readonly also?: readonly string[];
    }
  | { readonly as: 'tied' | 'head' | 'mute' | 'word'; readonly name: string };
/** What is drawn for it at the head of a note on a staff; a cross is the head itself. */
export type StaffSign = 'dot' | 'ring' | 'cross';
/** What is drawn for it beside a stroke's stitch, on the wheel as on the page. */
export type StitchSign =
  'edge' | 'hollow' | 'knock' | 'lean' | 'wave' | 'dot' | 'lift' | 'cross' | 'palm' | 'ahead' | 'ring';

/** Everything that a mark means, in one row. */
export interface MarkRow {
  readonly id: string;
  /** Marks that can't stand beside it; on one string it goes before those of the whole stroke. */
  readonly against: string;
  /** It holds for the whole stroke, wherever it is written. */
  readonly whole: boolean;
  /** It may stand with a golpe or a slap alone; with what the left hand sounds alone; in a told falseta. */
  readonly taps: boolean;
  readonly ligado: boolean;
  readonly told: boolean;
  /** What it adds to the weight of a stroke. */
  readonly weight: number;
  /** How loud it is struck, 0…1; null where it does not say. */
  readonly gain: number | null;
  readonly damped: Damped | null;
  /** The string rings on until it is struck anew. */
  readonly rings: boolean;
  /** What ends it: the right hand half-way, the left hand when it is over. */
  readonly ended: 'half-way' | 'over' | null;
  /** The finger leans on to the next string. */
  readonly leans: boolean;
  /** It is touched where it lies and sounds from there: a natural harmonic, where a node lies. */
  readonly node: boolean;
  /** What is tied over a change by it is none: it belongs to the next chord, or ends before. */
  readonly overChange: boolean;
  readonly staff: StaffSign | null;
  readonly stitch: StitchSign;
  readonly musicxml: ScoreSign;
  /** Whether these files hold it. */
  readonly midi: boolean;
  /** Its sign in tablature of plain text: behind a fret, in place of it, or behind the letters under the stroke. */
  readonly tablature: { readonly behind: string } | { readonly instead: string } | { readonly under: string };
}
const NOTHING = {
  ...{ against: '', whole: false, taps: false, ligado: true, told: true, weight: 0, gain: null, damped: null },
  ...{
    rings: false,
    ended: null,
    leans: false,
    node: false,
    overChange: false,
    staff: null,
    midi: false,
  },
} as const satisfies Partial<MarkRow>;

/** Every mark by its letter, in the order in which they are printed. */
export const MARK_ROWS = {
  '!': {
    ...{
      ...NOTHING,
      id: 'accent',
      tablature: { under: '!' },
      stitch: 'edge',
      against: ',',
      taps: true,
      weight: 0.2,
      gain: 0.95,
      midi: true,
    },
    musicxml: { as: 'articulation', name: 'accent', also: ['strong-accent'] },
  },
  ',': {
    ...{
      ...NOTHING,
      id: 'soft',
      tablature: { under: ',' },
      stitch: 'hollow',
      against: '!',
      taps: true,
      weight: -0.35,
      gain: 0.35,
      midi: true,
    },
    musicxml: { as: 'word', name: 'soft' },
  },
  '*': {
    ...{
      ...NOTHING,
      id: 'golpe',
      tablature: { under: '*' },
      stitch: 'knock',
      whole: true,
      ligado: false,
      told: false,
      weight: 0.2,
      midi: true,
    },
    musicxml: { as: 'technical', name: 'golpe', once: true },
  },
  _: {
    ...{
      ...NOTHING,
      id: 'rest stroke',
      tablature: { under: '_' },
      stitch: 'lean',
      ligado: false,
      weight: 0.15,
      leans: true,
    },
    musicxml: { as: 'word', name: 'rest stroke' },
  },
  '~': {
    ...{
      ...NOTHING,
      id: 'let ring',
      tablature: { under: '~' },
      stitch: 'wave',
      against: "'x%",
      rings: true,
      midi: true,
    },
    musicxml: { as: 'tied', name: 'let-ring' },
  },
  "'": {
    ...{
      ...NOTHING,
      id: 'staccato',
      tablature: { under: "'" },
      stitch: 'dot',
      staff: 'dot',
      against: '~',
      ended: 'half-way',
      overChange: true,
    },
    musicxml: { as: 'articulation', name: 'staccato', also: ['staccatissimo'] },
  },
  '^': {
    ...{
      ...NOTHING,
      id: 'release',
      tablature: { under: ')' },
      stitch: 'lift',
      staff: 'dot',
      ended: 'over',
      overChange: true,
    },
    musicxml: { as: 'word', name: 'left hand lets go' },
  },
  x: {
    ...{ ...NOTHING, id: 'dead', stitch: 'cross', staff: 'cross', damped: 'left hand', tablature: { instead: 'x' } },
    musicxml: { as: 'head', name: 'x' },
  },
  '%': {
    ...{ ...NOTHING, id: 'palm', weight: -0.2, tablature: { under: '%' }, stitch: 'palm', damped: 'palm' },
    musicxml: { as: 'mute', name: 'palm' },
  },
  '>': {
    ...{
      ...NOTHING,
      id: 'next chord',
      tablature: { under: '>' },
      stitch: 'ahead',
      whole: true,
      told: false,
      overChange: true,
      midi: true,
    },
    musicxml: { as: 'word', name: 'next chord' },
  },
  o: {
    ...{ ...NOTHING, id: 'harmonic', stitch: 'ring', staff: 'ring', ligado: false, node: true, overChange: true },
    ...{ tablature: { behind: 'o' } },
    musicxml: { as: 'technical', name: 'harmonic', inside: ['natural', 'sounding-pitch'] },
  },
} as const satisfies Record<string, MarkRow>;

/**
 * What is written behind a stroke or one of its strings: `!` accent, `,` soft, `*` golpe with it, `_` rest stroke, `~` let
 * ring, `'` staccato, `^` the left hand lets go after it, `x` left hand lies on the strings, `%` palm mute, `>` already
 * belongs to the next chord, `o` natural harmonic at its fret.
 */
export type Mark = keyof typeof MARK_ROWS;
/** The order in which marks are printed. */
export const MARKS = Object.keys(MARK_ROWS) as readonly Mark[];

/**

 * What a mark means.

 * @example markRow('%').damped // 'palm'

 */
export const markRow = (mark: Mark): MarkRow => MARK_ROWS[mark];
/**
 * @example isMark('q') // false
 */
export const isMark = (text: string): text is Mark => Object.hasOwn(MARK_ROWS, text);
/**
 * Marks of a kind, in their order.
 * @example marksThat((m) => m.taps) // ['!', ',']
 */
export const marksThat = (is: (row: MarkRow) => boolean): readonly Mark[] => MARKS.filter((m) => is(markRow(m)));
/**
 * Whether two marks can't stand on one string.
 * @example marksClash('~', 'x') // true
 */
export const marksClash = (a: Mark, b: Mark): boolean =>
  markRow(a).against.includes(b) || markRow(b).against.includes(a);
/** Every two marks that clash, each pair once: the second gives way. */
export const MARK_CLASHES: readonly (readonly [Mark, Mark])[] = MARKS.flatMap((a, n) =>
  MARKS.slice(n + 1).flatMap((b) => (marksClash(a, b) ? [[a, b] as const] : [])),
);
/** Marks as a set of letters in a regular expression. */
export const lettersOfMarks = (marks: readonly Mark[]): string => `[${marks.map((m) => `\\${m}`).join('')}]`;
