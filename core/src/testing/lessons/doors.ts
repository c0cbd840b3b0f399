import { cycleById } from '../../catalogue/index.js';
import type { AccentCycle } from '../../cycle/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { makeSection, makeStudy, type Section } from '../../piece/index.js';
import { DEFAULT_PROFILE } from '../../player/index.js';
import { toldFalseta, workOut } from '../../reading/index.js';
import { flatten, parseScript } from '../../script/index.js';
import { bothHands } from '../../solve/both-hands/index.js';
import {
  fingerLine,
  type LineNote,
  type LineStep,
  lineSchool,
  readLine,
  TAUGHT,
  voiced,
} from '../../solve/finger-line/index.js';
import { fretSchool, readNotes } from '../../solve/fret-line/index.js';
import { fingersOf } from '../../stroke/index.js';
import { bpm } from '../../time/index.js';
import { LEFT_HAND } from '../left-hand.js';
import type { Lesson } from './model.js';

/** Music at a tempo, whoever plays it. */
export type Music = Pick<Lesson, 'music' | 'bpm' | 'steps'>;

const four = cycleById('plain-four') as AccentCycle;
const said = (fingers: readonly (readonly string[])[]) => fingers.map((f) => f.join('')).join(' ');
export const lineOf = ({ music, steps }: Music) => readLine(music, steps);

/** Each place in which the fingers of a line can be asked for; null where its music can't be put there. */
export const DOORS: Readonly<Record<string, (lesson: Music) => string | null>> = {
  Line: (lesson) => {
    const { notes, length } = lineOf(lesson);
    const request = { notes, bpm: bpm(lesson.bpm), profile: DEFAULT_PROFILE, stroke: 'free' as const, loop: length };
    const found = fingerLine({ ...voiced(request), school: lineSchool(TAUGHT) });
    return found.infeasible ? null : said(found.answers[0]?.steps ?? []);
  },
  '?': (lesson) => written(lesson, lineOf(lesson).steps.map(asScript).join(' ')),
  Melody: (lesson) => {
    const text = lineOf(lesson)
      .steps.map((s) => {
        if (s.kind !== 'note') return s.kind === 'rest' ? '.' : '-';
        const places = s.note.strings.map(
          (string, i) => `${string}f${s.note.frets?.[i] ?? 0}${s.note.rings ? '~' : ''}`,
        );
        return places.length > 1 ? `[${places.join(' ')}]` : places[0];
      })
      .join(' ');
    const read = readNotes(text, lesson.steps, { tuning: STANDARD_TUNING, capo: 0 });
    if (read.faults.length) throw new Error(read.faults[0]?.code);
    const ask = { ...LEFT_HAND, bpm: bpm(lesson.bpm), school: fretSchool('open'), k: 1 };
    const found = bothHands(read, ask);
    return found.infeasible ? null : said(found.answers[0]?.right?.steps ?? []);
  },
  Falseta: (lesson) => {
    const { steps } = lineOf(lesson);
    const text = steps
      .map((s) => {
        if (s.kind !== 'note') return s.kind === 'rest' ? '.' : '-';
        const { strings, rings } = s.note;
        return `${strings.length > 1 ? `[${strings.join('')}]` : placeOf(s.note)}${rings ? '~' : ''}`;
      })
      .join(' ');
    const section = sectionOf(lesson, '');
    const study = { ...makeStudy('t', 'T', four), sections: [section] };
    const { texts } = toldFalseta(study, section, DEFAULT_PROFILE, 0, text);
    if (!texts || 'path' in texts) return null;
    return written(lesson, texts.script);
  },
};
const sectionOf = ({ bpm: tempo, steps }: Music, script: string): Section => ({
  ...makeSection('s', 'S', four),
  bpm: tempo,
  stepsPerCount: steps,
  script,
});
const asScript = (s: LineStep): string => {
  if (s.kind !== 'note') return s.kind === 'rest' ? '.' : '-';
  const { strings, rings } = s.note;
  return `${'?'.repeat(strings.length)}:${placeOf(s.note)}${rings ? '~' : ''}`;
};
/** Strings, and of a single note its fret. */
const placeOf = ({ strings, frets }: LineNote): string =>
  frets?.[0] && strings.length === 1 ? `${strings.join('')}f${frets[0]}` : strings.join('');
function written(lesson: Music, script: string): string {
  const section = sectionOf(lesson, script);
  const { pattern, faults } = parseScript(script, { stepsPerCount: lesson.steps, cycle: four });
  if (faults.length) throw new Error(faults[0]?.code);
  const instrument = { tuning: STANDARD_TUNING, capo: 0 };
  const worked = workOut(pattern, section, { instrument, shapes: [] }, DEFAULT_PROFILE);
  return said(flatten(worked.pattern).events.flatMap((e) => (e.motion.kind === 'stroke' ? [fingersOf(e.motion)] : [])));
}
