import { type NotatedBar, notesOf, type Sign, type Voice } from '../../notation/index.js';
import type { ScoreEvent, ScoreNote, Slur } from '../../score/index.js';
import type { StringNumber } from '../../time/index.js';
import type { WrittenSection } from './scope.js';

/** What of a section belongs to its notes and is not written on them. */
export interface SectionSetting {
  /** Strokes of the left hand from note to note of a string, within what is written. */
  readonly slurFrom: (event: ScoreEvent, string: StringNumber) => Slur | null;
  readonly slurTo: (event: ScoreEvent, string: StringNumber) => Slur | null;
  /** Whether a sign goes on into the next of its voice. */
  readonly goesOn: (bar: number, voice: Voice, sign: number) => boolean;
  /** What a sign plays; nothing where it was begun before what is written. */
  readonly played: (
    bar: NotatedBar,
    voice: Voice,
    sign: Sign,
  ) => { event: ScoreEvent; notes: readonly ScoreNote[] } | null;
}
export function settingOf({ score, bars, from, to }: WrittenSection): SectionSetting {
  const begins = bars[0]?.at ?? 0;
  const froms = new Map<ScoreEvent, Map<StringNumber, Slur>>();
  const tos = new Map<ScoreEvent, Map<StringNumber, Slur>>();
  const last = new Map<StringNumber, ScoreEvent>();
  const put = (map: typeof froms, event: ScoreEvent, string: StringNumber, slur: Slur) =>
    map.set(event, (map.get(event) ?? new Map<StringNumber, Slur>()).set(string, slur));
  for (const e of score.events) {
    if (e.bar < from || e.bar >= to) continue;
    if (e.motion.kind === 'ligado' && e.slur) {
      const before = last.get(e.motion.string);
      if (before) {
        put(froms, before, e.motion.string, e.slur);
        put(tos, e, e.motion.string, e.slur);
      }
    }
    for (const n of e.notes) last.set(n.string, e);
  }
  const eventOf = (bar: NotatedBar | undefined, sign: Sign | undefined): ScoreEvent | null =>
    bar && sign && sign.event !== null ? (bar.events[sign.event] ?? null) : null;
  const own: SectionSetting = {
    slurFrom: (event, string) => froms.get(event)?.get(string) ?? null,
    slurTo: (event, string) => tos.get(event)?.get(string) ?? null,
    goesOn: (n, voice, at) => {
      const bar = bars[n];
      const signs = bar?.voices[voice] ?? [];
      const event = eventOf(bar, signs[at]);
      const next =
        at + 1 < signs.length
          ? { bar, sign: signs[at + 1] }
          : { bar: bars[n + 1], sign: bars[n + 1]?.voices[voice][0] };
      return (
        !!event &&
        !!next.sign?.tied &&
        eventOf(next.bar, next.sign) === event &&
        !!own.played(next.bar as NotatedBar, voice, next.sign)
      );
    },
    played: (bar, voice, sign) => {
      const event = eventOf(bar, sign);
      return event && event.at >= begins ? { event, notes: notesOf(event, voice, bar.oneVoice) } : null;
    },
  };
  return own;
}
