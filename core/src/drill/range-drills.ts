import { cutSpans, printChart, type Span, turnSpans } from '../chart/index.js';
import { barBegin, barTicks, cycleLength } from '../cycle/index.js';
import { isFault, type Section, type Study, textBetween, type WholeTexts, wholeTexts } from '../piece/index.js';
import type { LeftMove } from '../score/index.js';
import { flatten, parseScript } from '../script/index.js';
import { cutWords } from '../syllables/index.js';
import { TICKS_PER_COUNT } from '../time/index.js';
import { leftAlone } from './block-chords.js';
import { figureDrill } from './figure-drills.js';
import { type DrilledSection, drillsOfMove, type SectionDrill } from './section-drills.js';

/**
 * The key of a range of bars, counted from 0.
 * @example rangeKey(1, 2) // 'bars 2 3'
 */
export const rangeKey = (from: number, to: number): string => `bars ${from + 1} ${to + 1}`;
/**
 * The key of the way from a bar, counted from 0, to the end and round into the first.
 * @example roundKey(3) // 'round 4'
 */
export const roundKey = (from: number): string => `round ${from + 1}`;
/**
 * The key of the way from a section to the next.
 * @example joinKey('theme') // 'join theme'
 */
export const joinKey = (next: string): string => `join ${next}`;
/** The key of a section's chart as block chords. */
export const BLOCK_CHORDS_KEY = 'block chords';

/**
 * A drill that is asked for by its key rather than offered: a step of the figure that is
 * written, one move of the left hand, some bars alone, the way round to the first, or into another section.
 * @param moves of the section's left hand, as it has been read
 * @returns null where its bars can't be cut out, or the sections don't go together
 */
export function askedDrill(
  section: Section,
  study: Study,
  key: string,
  moves: readonly LeftMove[] = [],
): SectionDrill | null {
  const figure = figureDrill(section, study, key);
  if (figure) return figure;
  const move = moves.find((m) => key.endsWith(` ${m.from.id} ${m.to.id}`));
  const ofMove = move && drillsOfMove(section, move, study.cells).find((d) => d.key === key);
  if (ofMove) return ofMove;
  if (key === BLOCK_CHORDS_KEY) {
    const made = leftAlone(section);
    return made && { key, matter: { kind: 'block chords' }, make: () => made };
  }
  const round = /^round (\d+)$/.exec(key);
  if (round) {
    const from = Number(round[1]) - 1;
    const made = roundOf(section, study, from);
    return made && { key, matter: { kind: 'round', from }, make: () => made };
  }
  const bars = /^bars (\d+) (\d+)$/.exec(key);
  const next = study.sections.find((s) => key === joinKey(s.id));
  const made = bars
    ? rangeOf(section, study, Number(bars[1]) - 1, Number(bars[2]) - 1)
    : next
      ? joinOf(section, next, study)
      : null;
  if (!made) return null;
  const matter: SectionDrill['matter'] = bars
    ? { kind: 'range', from: Number(bars[1]) - 1, to: Number(bars[2]) - 1 }
    : { kind: 'join', into: next?.name ?? '' };
  return { key, matter, make: () => made };
}

/** A stretch of a section's texts; null where a stroke or a bracket goes over one of its ends. */
function cut(section: Section, study: Pick<Study, 'cells'>, { script, spans }: WholeTexts, from: number, to: number) {
  const { stepsPerCount, cycle } = section;
  const flat = flatten(parseScript(script, { stepsPerCount, cycle, start: 0, cells: study.cells }).pattern);
  const range = textBetween(script, flat, from, to);
  const [, behind] = cutSpans(spans, from);
  const [own] = cutSpans(behind, to - from);
  return range ? { script: script.slice(range.from, range.to), spans: own } : null;
}

function rangeOf(section: Section, study: Study, from: number, to: number): DrilledSection | null {
  const texts = wholeTexts(section, study);
  if (isFault(texts) || from < 0 || to < from) return null;
  const [begin, end] = [barBegin(section.cycle, from), barBegin(section.cycle, to + 1)];
  if (end > texts.length) return null;
  const own = cut(section, study, texts, begin, end);
  if (!own) return null;
  const { cycle, stepsPerCount } = section;
  const start = begin % cycleLength(cycle);
  // The chart is counted from the turn's beginning, wherever in it the bars begin.
  const spans = turnSpans(own.spans, 0 - start);
  return {
    script: own.script,
    stepsPerCount,
    start,
    chart: spans.length ? printChart(spans, cycle) : '',
    ...(section.words ? { words: cutWords(section.words, cycle, begin, end, start) } : {}),
  };
}

/** From a bar to the end, then the first bar: where a form goes round is where it is lost. */
function roundOf(section: Section, study: Study, from: number): DrilledSection | null {
  const texts = wholeTexts(section, study);
  if (isFault(texts) || from < 0) return null;
  const { cycle, stepsPerCount } = section;
  const [begin, first] = [barBegin(cycle, from), barBegin(cycle, 1)];
  if (begin >= texts.length || first > texts.length) return null;
  const [rest, start] = [cut(section, study, texts, begin, texts.length), cut(section, study, texts, 0, first)];
  if (!rest || !start) return null;
  const turned = begin % cycleLength(cycle);
  const spans = turnSpans([...rest.spans, ...start.spans], 0 - turned);
  return {
    script: `${rest.script.trimEnd()} | ${start.script.trimStart()}`,
    stepsPerCount,
    start: turned,
    chart: spans.length ? printChart(spans, cycle) : '',
    ...(section.words ? { words: '' } : {}),
  };
}

/** The last count of a section and the first bar of the next; the rest of the bar before is silent. */
function joinOf(section: Section, next: Section, study: Study): DrilledSection | null {
  const { cycle, stepsPerCount } = section;
  const alike = stepsPerCount === next.stepsPerCount && barTicks(cycle).join() === barTicks(next.cycle).join();
  const [a, b] = [wholeTexts(section, study), wholeTexts(next, study)];
  const bar = barTicks(cycle).at(-1) ?? 0;
  if (!alike || isFault(a) || isFault(b) || a.length < TICKS_PER_COUNT) return null;
  const last = cut(section, study, a, a.length - TICKS_PER_COUNT, a.length);
  const first = cut(next, study, b, 0, barTicks(next.cycle)[0] ?? 0);
  if (!last || !first) return null;
  const rests = Array.from({ length: (bar / TICKS_PER_COUNT - 1) * stepsPerCount }, () => '.').join(' ');
  const [, chords] = cutSpans(a.spans, a.length - bar);
  const open = (spans: readonly Span[], ticks: number): readonly Span[] =>
    spans.length ? spans : [{ name: '', ticks }];
  const spans = [...open(chords, bar), ...open(first.spans, barTicks(next.cycle)[0] ?? 0)];
  // It ends with a turn's last bar, the next begins a turn.
  const start = cycleLength(cycle) - bar;
  return {
    script: [rests, last.script, '|', first.script].filter((t) => t !== '').join(' '),
    stepsPerCount,
    start,
    chart: a.spans.length || b.spans.length ? printChart(turnSpans(spans, 0 - start), cycle) : '',
    ...(section.words ? { words: '' } : {}),
  };
}
