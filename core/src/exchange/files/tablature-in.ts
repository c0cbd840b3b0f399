import { CYCLES } from '../../catalogue/index.js';
import { placedChart } from '../../chart/index.js';
import { type AccentCycle, barTicks } from '../../cycle/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { cleanName } from '../../name/index.js';
import { MOST_BARS, paceOf } from '../../piece/index.js';
import {
  LONGEST_SCRIPT,
  type ReadTablature,
  readTablature,
  type TablatureRefusal,
  typedTablature,
} from '../../script/index.js';
import { clampBpm } from '../../time/index.js';
import { letters } from '../foreign/parts.js';
import {
  type ImportedPiece,
  type ImportedSection,
  type ImportNote,
  isRefused,
  type Refused,
} from '../foreign/model.js';
import { importMusic, type ImportSetting } from '../foreign/import.js';
import { readTablatureFile, type TablatureHead } from '../written/tablature-file.js';
import { ownTablature } from './own-tablature.js';

/** Steps to a count that people type tablature in; the coarsest that moves the fewest notes is taken. */
const STEPS_TRIED = [2, 4, 3, 6, 1, 8];
/** A section’s name as people type it, alone in its line. */
const BRACKETED = /^\s*\[([^\]|]{1,120})\]\s*$/;
/** A section’s line as it is written here: its name, its cycle, its counts a minute. */
const HEAD = /^(.{1,120}?) · (.{1,120}?) · (\d{1,3})\b.*$/;

/**
 * Tablature in plain text as a piece: six lines a system, with a section for each line that names one with its cycle.
 * @param cycle what its bars are laid on where the text names no cycle
 */
export function importTablature(
  text: string,
  cycle: AccentCycle,
  setting: ImportSetting,
): ImportedPiece | { readonly refusal: Fact<TablatureRefusal> } | Refused {
  const { instrument, cycles = [] } = setting;
  const written = readTablatureFile(text, [...cycles, ...CYCLES]);
  if (written) return importWritten(written, setting);
  const sections: ImportedSection[] = [];
  const taken = { moved: 0, coarse: 0, lost: 0, notes: 0 };
  const unread = new Set<string>();
  for (const part of partsOf(text, cycle, [...cycles, ...CYCLES])) {
    const read = readBest(part.text, part.cycle);
    if ('refusal' in read) return read;
    const { stepsPerCount, script, bars, moved, lost, notes } = read;
    taken.moved += moved;
    taken.coarse = Math.max(taken.coarse, moved ? Math.round(50 / stepsPerCount) : 0);
    taken.lost += lost;
    taken.notes += notes - lost;
    for (const sign of read.unread) unread.add(sign);
    const bpm = clampBpm(part.bpm ?? paceOf(part.cycle).bpm);
    const called = part.name || letters(sections.length);
    const length = barTicks(part.cycle)[0] ?? 0;
    let from = 0;
    for (const piece of inSections(script, bars)) {
      // What is held when a section begins stands at its beginning.
      const begin = from * length;
      const held = read.chords.findLast((c) => c.at <= begin);
      const own = read.chords.filter((c) => c.at > begin).map((c) => ({ ...c, at: c.at - begin }));
      const chart = placedChart(held ? [{ ...held, at: 0 }, ...own] : own, piece.bars * length, part.cycle);
      from += piece.bars;
      let name = called;
      for (let n = 2; sections.some((s) => s.name === name); n++) name = `${called} ${n}`;
      sections.push({ name, cycle: part.cycle, ...piece, stepsPerCount, chart, words: '', key: null, bpm });
    }
  }
  const notes: ImportNote[] = [
    ...(taken.moved ? [fact('moved' as const, taken.moved, taken.coarse)] : []),
    ...(taken.lost ? [fact('too many at once' as const, taken.lost)] : []),
    ...(unread.size ? [fact('signs not read' as const, ...[...unread].slice(0, 12))] : []),
  ];
  const own = instrument ?? { tuning: STANDARD_TUNING, capo: 0 };
  const title = text.trimStart().split('\n')[0] ?? '';
  return {
    name: /[|-]{3}/.test(title) || HEAD.test(title) || /^\s*[[{]/.test(title) ? '' : cleanName(title.trim()),
    ...own,
    sections,
    shapes: [],
    form: '',
    notes,
    counted: { notes: taken.notes, fretted: 0 },
    parts: [],
    part: 0,
  };
}
/** What was written here comes back as it was, its sections in their order. */
function importWritten(written: TablatureHead, setting: ImportSetting): ImportedPiece | Refused {
  const made = importMusic(ownTablature(written), setting);
  if (isRefused(made)) return made;
  const asWritten = written.form !== '' && written.sections.every((s) => made.sections.some((m) => m.name === s.name));
  return asWritten ? { ...made, form: written.form } : made;
}
/** A script whose bars are cut where it grows longer than a section holds, four together. */
function inSections(script: string, bars: number): { readonly script: string; readonly bars: number }[] {
  if (script.length <= LONGEST_SCRIPT && bars <= MOST_BARS) return [{ script, bars }];
  const all = script.split(BETWEEN);
  const made: { script: string; bars: number }[] = [];
  for (let from = 0; from < all.length; from += BARS_TOGETHER) {
    const own = all.slice(from, from + BARS_TOGETHER);
    const last = made.at(-1);
    const longer = last ? last.script.length + BETWEEN.length + own.join(BETWEEN).length : Infinity;
    if (last && longer <= LONGEST_SCRIPT && last.bars + own.length <= MOST_BARS) {
      last.script += BETWEEN + own.join(BETWEEN);
      last.bars += own.length;
    } else made.push({ script: own.join(BETWEEN), bars: own.length });
  }
  return made;
}
const BETWEEN = ' | ';
const BARS_TOGETHER = 4;

interface Part {
  readonly name: string;
  readonly cycle: AccentCycle;
  readonly bpm: number | null;
  readonly text: string;
}
function partsOf(text: string, cycle: AccentCycle, known: readonly AccentCycle[]): Part[] {
  const parts: (Part & { lines: string[] })[] = [];
  const begin = (own: Omit<Part, 'text'>) => parts.push({ ...own, text: '', lines: [] });
  begin({ name: '', cycle, bpm: null });
  for (const line of typedTablature(text).split('\n')) {
    const head = HEAD.exec(line);
    const named = head && known.find((c) => c.name === head[2]);
    const said = BRACKETED.exec(line)?.[1];
    if (said !== undefined) begin({ name: cleanName(said), cycle, bpm: null });
    else if (head && named) begin({ name: cleanName(head[1] ?? ''), cycle: named, bpm: Number(head[3]) });
    else parts.at(-1)?.lines.push(line);
  }
  // What stands above the first named section is its title, where no strings are in it.
  const own = parts.filter((p, n) => n > 0 || parts.length === 1 || p.lines.some((l) => /-.*-.*-/.test(l)));
  return own.map(({ lines, ...part }) => ({ ...part, text: lines.join('\n') }));
}
type Best = ReadTablature & { readonly stepsPerCount: number };
function readBest(text: string, cycle: AccentCycle): Best | { readonly refusal: Fact<TablatureRefusal> } {
  const [length] = barTicks(cycle);
  let best: Best | null = null;
  let why: Fact<TablatureRefusal> | null = null;
  for (const stepsPerCount of STEPS_TRIED) {
    const read = readTablature(text, length ?? 0, stepsPerCount);
    if ('refusal' in read) {
      why ??= read.refusal;
      continue;
    }
    const own = { ...read, stepsPerCount };
    if (!best || own.lost < best.lost || (own.lost === best.lost && own.moved < best.moved)) best = own;
    if (own.moved === 0 && own.lost === 0) break;
  }
  return best ?? { refusal: why ?? fact('no six lines') };
}
