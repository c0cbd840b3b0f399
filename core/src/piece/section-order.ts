import { cutSpans, printChart, type Span } from '../chart/index.js';
import { barBegin, barTicks, cycleLength } from '../cycle/index.js';
import type { DataFault } from '../fault/index.js';
import { cleanName } from '../name/index.js';
import { flatten, parseScript } from '../script/index.js';
import { cutWords, printWords, wordsUntil } from '../syllables/index.js';
import { refused, sectionOf } from './changing.js';
import { asCommand, type Command, refusable } from './command.js';
import { followInForm, mergeInForm } from './form-names.js';
import { freeName } from './make.js';
import { LONGEST_FORM, LONGEST_ID, MOST_BARS, MOST_SECTIONS, type Section, type Study } from './model.js';
import { textBetween } from './repeat-bar.js';
import { ticks } from '../time/index.js';
import { isFault, silence, tooLong, type WholeTexts, wholeTexts } from './whole-texts.js';

/** A name that no section of the study has: “Theme 2”. */
const freeSectionName = (name: string, { sections }: Study): string =>
  cleanName(
    freeName(
      name,
      sections.map((s) => s.name),
    ),
  );
const idFault = (study: Study, id: string): DataFault | null => {
  if (study.sections.length >= MOST_SECTIONS) return refused('sections', 'too many sections', MOST_SECTIONS);
  return id === '' || id.length > LONGEST_ID || sectionOf(study, id) ? refused('sections', 'section without id') : null;
};
const after = (study: Study, id: string, ...own: readonly Section[]): Section[] =>
  study.sections.flatMap((s) => (s.id === id ? [s, ...own] : [s]));

/** The same section once more, behind itself, under a name of its own. The form stays as it is. */
export const copySection = (section: string, id: string): Command =>
  refusable(
    (study) => {
      const own = sectionOf(study, section);
      if (!own) return study;
      return { ...study, sections: after(study, section, { ...own, id, name: freeSectionName(own.name, study) }) };
    },
    (study) => idFault(study, id),
  );

/** A section so many places on or back among the others. */
export const moveSection =
  (section: string, by: number): Command =>
  (study) => {
    const from = study.sections.findIndex((s) => s.id === section);
    const to = Math.max(0, Math.min(study.sections.length - 1, from + Math.trunc(by)));
    const own = study.sections[from];
    if (!own || to === from || !Number.isFinite(by)) return study;
    const others = study.sections.filter((s) => s !== own);
    return { ...study, sections: [...others.slice(0, to), own, ...others.slice(to)] };
  };

/**
 * A section becomes two at a bar that begins a turn of its cycle; the form plays them one after the other.
 * @param bar counted from 0
 * @param id of the second
 */
export function splitSection(section: string, bar: number, id: string): Command {
  const split = (study: Study): Study | DataFault => {
    const own = sectionOf(study, section);
    if (!own) return study;
    if (!Number.isInteger(bar) || bar < 1 || bar > MOST_BARS)
      return refused('sections', 'no turn begins there', bar + 1);
    const texts = wholeTexts(own, study);
    if (isFault(texts)) return texts;
    const at = barBegin(own.cycle, bar);
    if (at >= texts.length || at % cycleLength(own.cycle) !== 0)
      return refused('sections', 'no turn begins there', bar + 1);
    const options = { stepsPerCount: own.stepsPerCount, cycle: own.cycle, start: 0, cells: study.cells };
    const flat = flatten(parseScript(texts.script, options).pattern);
    const [first, second] = [textBetween(texts.script, flat, 0, at), textBetween(texts.script, flat, at, texts.length)];
    if (texts.script !== '' && (!first || !second)) return refused('sections', 'no cut at that bar', bar + 1);
    const [before, behind] = cutSpans(texts.spans, at);
    const part = (range: typeof first, spans: Span[]): Pick<Section, 'script' | 'chart' | 'bars'> => ({
      script: range ? texts.script.slice(range.from, range.to) : '',
      chart: spans.length ? printChart(spans, own.cycle) : '',
      bars: null,
    });
    const long = tooLong(part(first, before), part(second, behind));
    if (long) return long;
    const name = freeSectionName(own.name, study);
    const sections = study.sections.flatMap((s) =>
      s === own
        ? [
            { ...own, ...part(first, before), words: cutWords(own.words, own.cycle, 0, at) },
            { ...own, id, name, ...part(second, behind), words: cutWords(own.words, own.cycle, at, texts.length) },
          ]
        : [s],
    );
    const form = followInForm(study.form, own.name, name);
    return form.length > LONGEST_FORM
      ? refused('form', 'form too long', LONGEST_FORM, form.length)
      : { ...study, sections, form };
  };
  return asCommand(split, (study) => idFault(study, id));
}

/** Two sections that follow one another become one, at the first one's tempo. */
export function joinSections(section: string): Command {
  return asCommand((study) => {
    const n = study.sections.findIndex((s) => s.id === section);
    const [first, second] = [study.sections[n], study.sections[n + 1]];
    if (!first || !second) return study;
    const alike =
      first.stepsPerCount === second.stepsPerCount &&
      cycleLength(first.cycle) === cycleLength(second.cycle) &&
      barTicks(first.cycle).join() === barTicks(second.cycle).join();
    if (!alike) return refused('sections', 'unlike sections', first.name, second.name);
    const [a, b] = [wholeTexts(first, study), wholeTexts(second, study)];
    if (isFault(a)) return a;
    if (isFault(b)) return b;
    const form = study.form.trim() === '' ? study.form : mergeInForm(study.form, first.name, second.name);
    if (form === null) return refused('sections', 'apart in the form', first.name, second.name);
    const rests = (texts: WholeTexts) => silence(texts.length, first);
    // A level holds until the next one: the second part begins as it did.
    const level = a.script.includes('@') && !b.script.startsWith('@') ? '@mf ' : '';
    const script = a.script || b.script ? `${a.script || rests(a)} | ${level}${b.script || rests(b)}` : '';
    const open = (texts: WholeTexts): readonly Span[] =>
      texts.spans.length ? texts.spans : [{ name: '', ticks: texts.length }];
    const chart = a.spans.length || b.spans.length ? printChart([...open(a), ...open(b)], first.cycle) : '';
    const sung = (s: Section, texts: WholeTexts, at: number) =>
      wordsUntil(s.words, s.cycle, texts.length).map((w) => ({ ...w, at: ticks(at + w.at) }));
    const words = printWords([...sung(first, a, 0), ...sung(second, b, a.length)], first.cycle, a.length + b.length);
    const long = tooLong({ script, chart, words });
    if (long) return long;
    const joined: Section = { ...first, script, chart, words, bars: script === '' && chart === '' ? first.bars : null };
    return {
      ...study,
      form,
      sections: study.sections.flatMap((s) => (s === first ? [joined] : s === second ? [] : [s])),
    };
  });
}
