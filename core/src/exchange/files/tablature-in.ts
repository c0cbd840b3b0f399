import { CYCLES } from '../../catalogue/index.js';
import { type AccentCycle, barTicks } from '../../cycle/index.js';
import { type Fact, fact } from '../../fault/index.js';
import { STANDARD_TUNING } from '../../instrument/index.js';
import { cleanName } from '../../name/index.js';
import { paceOf } from '../../piece/index.js';
import { type ReadTablature, readTablature, type TablatureRefusal } from '../../script/index.js';
import { clampBpm } from '../../time/index.js';
import type { ImportedPiece, ImportedSection, ImportNote } from '../foreign/model.js';
import type { ImportSetting } from '../foreign/import.js';

/** Steps to a count that people type tablature in; the coarsest that moves the fewest notes is taken. */
const STEPS_TRIED = [2, 4, 3, 6, 1, 8];
/** A section’s line as it is written here: its name, its cycle, its counts a minute. */
const HEAD = /^(.{1,120}?) · (.{1,120}?) · (\d{1,3})\b.*$/;

/**
 * Tablature in plain text as a piece: six lines a system, with a section for each line that names one with its cycle.
 * @param cycle what its bars are laid on where the text names no cycle
 */
export function importTablature(
  text: string,
  cycle: AccentCycle,
  { instrument, cycles = [] }: Pick<ImportSetting, 'instrument' | 'cycles'>,
): ImportedPiece | { readonly refusal: Fact<TablatureRefusal> } {
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
    let name = part.name || String.fromCharCode(65 + (sections.length % 26));
    while (sections.some((s) => s.name === name)) name += ' 2';
    const bpm = clampBpm(part.bpm ?? paceOf(part.cycle).bpm);
    sections.push({ name, cycle: part.cycle, script, stepsPerCount, chart: '', bpm, bars });
  }
  const notes: ImportNote[] = [
    ...(taken.moved ? [fact('moved' as const, taken.moved, taken.coarse)] : []),
    ...(taken.lost ? [fact('too many at once' as const, taken.lost)] : []),
    ...(unread.size ? [fact('signs not read' as const, ...[...unread].slice(0, 12))] : []),
  ];
  const own = instrument ?? { tuning: STANDARD_TUNING, capo: 0 };
  const title = text.trimStart().split('\n')[0] ?? '';
  return {
    name: /[|-]{3}/.test(title) || HEAD.test(title) ? '' : cleanName(title.trim()),
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
  for (const line of text.replace(/\r\n?/g, '\n').split('\n')) {
    const head = HEAD.exec(line);
    const named = head && known.find((c) => c.name === head[2]);
    if (head && named) begin({ name: cleanName(head[1] ?? ''), cycle: named, bpm: Number(head[3]) });
    else parts.at(-1)?.lines.push(line);
  }
  const own = parts.length > 1 ? parts.slice(1) : parts;
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
