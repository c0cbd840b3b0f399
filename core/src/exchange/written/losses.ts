import { fact } from '../../fault/index.js';
import type { Score, ScoreEvent } from '../../score/index.js';
import { hasMarkAnywhere, MARKS, marksThat } from '../../stroke/index.js';
import type { Format, Loss } from './model.js';
import { withoutUnisons } from './unisons.js';
import { tablatureLosses } from './tablature.js';

/** Marks that a MIDI file bears, as loudness and as knocks. */
const IN_MIDI = marksThat((m) => m.midi);

/**
 * What bars of a score lose in a format; nothing where it holds them whole.
 * @param from the first bar, counted from 0
 * @param to behind the last
 * @example lossesOf(scoreOf(makeStudy('s', 'Stair').sections[0], makeStudy('s', 'Stair')), 'musicxml') // []
 */
export function lossesOf(score: Score, format: Format, from = 0, to = score.bars.length): Loss[] {
  const own = score.events.filter((e) => e.bar >= from && e.bar < to);
  const count = (code: Loss['code'], is: (e: ScoreEvent) => boolean): Loss[] => {
    const n = own.filter(is).length;
    return n > 0 ? [fact(code, n)] : [];
  };
  const silent = (e: ScoreEvent) => e.motion.kind === 'ghost' || (e.motion.kind === 'stroke' && e.notes.length === 0);
  const whole = score.truncated ? [fact('goes on' as const, score.bars.length)] : [];
  if (format === 'tablature') return [...tablatureLosses(score, from, to), ...whole];
  if (format === 'musicxml')
    return [
      ...count('strokes without strings', silent),
      ...count('worked out', (e) => e.notes.some((n) => n.workedOut)),
      ...whole,
    ];
  const sounding = own.flatMap((e) => e.notes.map((n) => ({ at: e.at, length: e.duration, midi: n.midi, loud: 0 })));
  const unisons = sounding.length - withoutUnisons(sounding).length;
  return [
    ...count('strokes without strings', silent),
    ...count('places', (e) => e.notes.length > 0),
    ...count('strums', (e) => e.motion.kind === 'stroke' && e.motion.dir !== null),
    ...count('ligados', (e) => e.motion.kind === 'ligado'),
    ...count('dead strings', (e) => hasMarkAnywhere(e.motion, 'x')),
    ...count('marks', (e) => MARKS.some((m) => m !== 'x' && !IN_MIDI.includes(m) && hasMarkAnywhere(e.motion, m))),
    ...(unisons > 0 ? [fact('unisons' as const, unisons)] : []),
    ...(score.chords.some((c) => c.name !== '') ? [fact('chord names' as const, score.chords.length)] : []),
    ...whole,
  ];
}
