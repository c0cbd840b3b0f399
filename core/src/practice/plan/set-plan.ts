import { fact } from '../../fault/index.js';
import { pitchName } from '../../instrument/index.js';
import type { Study } from '../../piece/index.js';
import { piecePlan } from '../../sound/index.js';
import { STRINGS, TICKS_PER_COUNT } from '../../time/index.js';
import type { PlannedBlock } from '../records.js';
import { HALVES } from './allot.js';
import type { BlockReason } from './reason.js';

/** Pieces of one set. */
export const MOST_IN_SET = 30;
/** Minutes between two pieces: as they are, with another capo, with other strings. */
const BREATH = 0.5;
const CAPO = 1;
const RETUNE = 2;

/** How long the form of a piece is, in half minutes; null where nothing is written in it. */
function formHalves(study: Study): { readonly minutes: number; readonly bpm: number } | null {
  const written = study.sections.some((s) => s.script.trim() !== '' || s.chart.trim() !== '');
  const plan = written ? piecePlan(study) : null;
  if (!plan || plan.length === 0) return null;
  const minutes = plan.length / (TICKS_PER_COUNT * plan.tempo);
  return { minutes: Math.max(1, Math.ceil(minutes * HALVES)) / HALVES, bpm: plan.tempo };
}
/**
 * What has to be done to the guitar before the next piece: its tempo is said always, the capo and each string where they
 * change.
 */
function before(next: Study, last: Study, bpm: number): Omit<PlannedBlock, 'kind' | 'bpm'> {
  const [now, was] = [next.instrument, last.instrument];
  const strings = STRINGS.flatMap((s, n) =>
    now.tuning[n] === was.tuning[n] ? [] : [`${s}: ${pitchName(now.tuning[n] ?? 0)}`],
  );
  const capo = now.capo === was.capo ? null : now.capo === 0 ? 'no capo' : 'other capo';
  const code: BlockReason['code'] = strings.length
    ? capo
      ? `next, other strings, ${capo}`
      : 'next, other strings'
    : capo
      ? `next, ${capo}`
      : 'next in the set';
  return {
    minutes: strings.length ? RETUNE : capo ? CAPO : BREATH,
    why: fact(code, next.name, bpm, ...(capo === 'other capo' ? [now.capo] : []), ...strings),
  };
}
/**
 * A set as blocks that follow one another: each piece from end to end, and before each of the others what has to be done
 * to the guitar. Where neither strokes nor chords are written, nothing is.
 * @example planSet([makeStudy('s', 'Stair')]) // []
 */
export function planSet(studies: readonly Study[]): readonly PlannedBlock[] {
  const blocks: PlannedBlock[] = [];
  let last: Study | null = null;
  for (const study of studies.slice(0, MOST_IN_SET)) {
    const form = formHalves(study);
    if (!form) continue;
    if (last) blocks.push({ kind: 'break', bpm: null, ...before(study, last, form.bpm) });
    blocks.push({
      kind: 'form',
      about: { studyId: study.id },
      bpm: null,
      minutes: form.minutes,
      why: fact('in the set', form.bpm),
    });
    last = study;
  }
  return blocks;
}
/** Whether a block is of a set: nothing of it is left out or made shorter for time. */
export const isOfSet = ({ why }: Pick<PlannedBlock, 'why'>): boolean =>
  why.code === 'in the set' || why.code.startsWith('next');
