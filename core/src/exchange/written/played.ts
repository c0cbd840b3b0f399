import type { Voice } from '../../notation/index.js';
import type { ScoreEvent, ScoreNote } from '../../score/index.js';
import type { WrittenSection } from './scope.js';
import { settingOf } from './setting.js';

/** A note with the time that it is written for, its tied signs together. */
export interface PlayedNote {
  /** From the beginning of what is written, in ticks. */
  readonly at: number;
  readonly length: number;
  readonly voice: Voice;
  readonly event: ScoreEvent;
  /** Null for a tap or a slap. */
  readonly note: ScoreNote | null;
}
/** Everything that sounds in a section, as its page has it, in order. */
export function playedNotes(written: WrittenSection): PlayedNote[] {
  const { bars } = written;
  const begin = bars[0]?.at ?? 0;
  const setting = settingOf(written);
  const played: { at: number; length: number; voice: Voice; event: ScoreEvent; notes: readonly ScoreNote[] }[] = [];
  for (const voice of ['fingers', 'thumb'] as const) {
    let last: (typeof played)[number] | null = null;
    for (const bar of bars)
      for (const sign of bar.voices[voice]) {
        const own = setting.played(bar, voice, sign);
        if (!own) continue;
        if (sign.tied && last?.event === own.event) last.length += sign.ticks;
        else if (!sign.tied) {
          last = { at: bar.at - begin + sign.at, length: sign.ticks, voice, ...own };
          played.push(last);
        }
      }
  }
  return played
    .sort((a, b) => a.at - b.at)
    .flatMap(({ notes, ...own }) => (notes.length ? notes : [null]).map((note): PlayedNote => ({ ...own, note })));
}
