import type { AccentCycle } from '../../cycle/index.js';
import { type Instrument, readTuning, tuningText } from '../../instrument/index.js';
import type { Shape } from '../../left-hand/index.js';
import type { Study } from '../../piece/index.js';
import type { Scope } from './scope.js';
import type { TablaturePart } from './study-tablature.js';

/** Lines above the sections, as they are written and read. */
const STRINGS_LINE = /^Strings 6 to 1: (.+?)(?:, capo on fret (\d{1,2}))?$/;
const SHAPE_LINE = /^Shape (.{1,120}): ((?:(?:x|\d{1,2})-){5}(?:x|\d{1,2})), fingers ((?:(?:x|\d|T)-){5}(?:x|\d|T))$/;
const ORDER_LINE = /^Order: (.+)$/;
/** A section's line: its name, its cycle with its id, its counts a minute. */
const SECTION_LINE = /^(.{1,120}?) · (.{1,120}?) \[([^\]\s]{1,80})\] · (\d{1,3}) counts a minute$/;

/**
 * A whole file of tablature: the study, its strings, the shapes that it calls, the order, then each section with its cycle
 * and tempo; '' where nothing is written.
 * @param bars how some bars of a section are called
 */
export function tablatureFile(
  study: Study,
  scope: Scope,
  all: readonly TablaturePart[],
  bars: (from: number, to: number) => string,
): string {
  const parts = all.filter((p) => p.text !== '');
  if (parts.length === 0) return '';
  const { tuning, capo } = study.instrument;
  const called = new Map(parts.flatMap((p) => p.shapes).map((s) => [s.name, s]));
  const head = [
    study.name,
    `Strings 6 to 1: ${tuningText(tuning)}${capo ? `, capo on fret ${capo}` : ''}`,
    ...[...called.values()].map(
      ({ name, frets, fingers }) =>
        `Shape ${name}: ${frets.map((f) => f ?? 'x').join('-')}, fingers ${fingers.map((f) => f ?? 'x').join('-')}`,
    ),
    ...(scope.kind === 'form' && study.form ? [`Order: ${study.form}`] : []),
  ];
  const sections = parts.flatMap((p) => {
    const section = study.sections.find((s) => s.id === p.section);
    if (!section) return [];
    const { name, cycle, bpm } = section;
    const some = scope.kind === 'bars' ? `, ${bars(scope.bars[0] + 1, scope.bars[1] + 1)}` : '';
    return [`${name}${some} · ${cycle.name} [${cycle.id}] · ${bpm} counts a minute\n\n${p.text}`];
  });
  return `${head.join('\n')}\n\n${sections.join('\n\n\n')}\n`;
}

/** A section of a file that was written here. */
export interface TablatureSection {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly bpm: number;
  readonly text: string;
}
/** What a file that was written here says above its strings. */
export interface TablatureHead {
  readonly name: string;
  readonly instrument: Instrument | null;
  readonly shapes: readonly Pick<Shape, 'name' | 'frets' | 'fingers'>[];
  readonly form: string;
  readonly sections: readonly TablatureSection[];
}
/**
 * A file of tablature that was written here, taken apart; null where it is another's, or names a cycle that nobody has.
 * @param known cycles by their ids
 */
export function readTablatureFile(text: string, known: readonly AccentCycle[]): TablatureHead | null {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const first = lines.findIndex((l) => SECTION_LINE.test(l));
  if (first < 0) return null;
  let [instrument, form]: [Instrument | null, string] = [null, ''];
  const shapes: Pick<Shape, 'name' | 'frets' | 'fingers'>[] = [];
  for (const line of lines.slice(0, first)) {
    const strings = STRINGS_LINE.exec(line);
    const { tuning } = readTuning(strings?.[1] ?? '');
    if (strings && tuning) instrument = { tuning, capo: Number(strings[2] ?? 0) };
    const shape = SHAPE_LINE.exec(line);
    if (shape) shapes.push(shapeFrom(shape));
    form = ORDER_LINE.exec(line)?.[1] ?? form;
  }
  const sections: (Omit<TablatureSection, 'text'> & { lines: string[] })[] = [];
  for (const line of lines.slice(first)) {
    const [, name = '', , id, bpm] = SECTION_LINE.exec(line) ?? [];
    const cycle = known.find((c) => c.id === id);
    if (id !== undefined && !cycle) return null;
    if (cycle) sections.push({ name, cycle, bpm: Number(bpm), lines: [] });
    else sections.at(-1)?.lines.push(line);
  }
  const title = lines[0] ?? '';
  return {
    name: STRINGS_LINE.test(title) || SECTION_LINE.test(title) ? '' : title.trim(),
    ...{ instrument, shapes, form },
    sections: sections.map(({ lines: own, ...section }) => ({ ...section, text: own.join('\n') })),
  };
}
function shapeFrom([, name = '', frets = '', fingers = '']: RegExpExecArray) {
  const each = (text: string) => text.split('-').map((f) => (f === 'x' ? null : f === 'T' ? f : Number(f)));
  return {
    name,
    frets: each(frets) as unknown as Shape['frets'],
    fingers: each(fingers) as unknown as Shape['fingers'],
  };
}
