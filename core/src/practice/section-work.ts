import {
  askedDrill,
  BLOCK_CHORDS_KEY,
  drillList,
  drillsOfMove,
  rangeKey,
  roundKey,
  type SectionDrill,
} from '../drill/index.js';
import type { Section, Study } from '../piece/index.js';
import type { HandProfile } from '../player/index.js';
import { barreOver, type LeftMove, leftMoves, scoreOf } from '../score/index.js';
import type { Finger } from '../stroke/index.js';

/** One move of the left hand as work: the steps in which it is learned, by their drills' keys. */
export interface ChangeWork {
  readonly steps: readonly string[];
  readonly from: string;
  readonly to: string;
  /** What the slowest finger needs, and what there is, at the section's tempo; null where nothing is due. */
  readonly neededMs: number;
  readonly thereMs: number | null;
  /** A barre is held before or after it. */
  readonly barre: boolean;
}
/** What there is to practise in a section, as the keys of its drills; null where it has no such part. */
export interface SectionWork {
  readonly rightHand: string | null;
  readonly blockChords: string | null;
  /** The hardest first. */
  readonly changes: readonly ChangeWork[];
  /** The weakest joint, or a weak pair; the fingers that it is about. */
  readonly weak: { readonly key: string; readonly fingers: readonly Finger[] } | null;
  /** Pairs of fingers that change places, each with its drill. */
  readonly pairs: readonly { readonly key: string; readonly fingers: readonly [Finger, Finger] }[];
  readonly burst: string | null;
  /** Bar by bar, then round the seam: to what a lost section goes back. */
  readonly parts: readonly string[];
}
/** Moves that are looked at; one that has three times its time is no work. */
const MOST_CHANGES = 3;
const HARD_FROM = 0.35;
/** A section of more bars does not go back to every one of them. */
const MOST_PARTS = 4;

/** What there is to practise in a section for one hand. */
export function sectionWork(section: Section, study: Study, hand: HandProfile): SectionWork {
  const score = scoreOf(section, study);
  const moves = leftMoves(section, score, hand);
  const drills = drillList(section, study, hand, moves);
  const variantOf = ({ matter }: SectionDrill) => (matter.kind === 'pattern' ? matter.drill.variant : null);
  const keyOf = (is: (v: NonNullable<ReturnType<typeof variantOf>>) => boolean): string | null =>
    drills.find((d) => {
      const v = variantOf(d);
      return v !== null && is(v);
    })?.key ?? null;
  const tight = drills.flatMap((d) =>
    d.matter.kind === 'pattern' && d.matter.drill.tight ? [{ key: d.key, fingers: d.matter.drill.tight.fingers }] : [],
  )[0];
  const pairs = drills.flatMap((d) => {
    const v = variantOf(d);
    return v?.kind === 'pair' ? [{ key: d.key, fingers: [v.from, v.to] as const }] : [];
  });
  const asked = (key: string) => askedDrill(section, study, key, moves)?.key ?? null;
  return {
    rightHand: keyOf((v) => v.kind === 'open strings') ?? keyOf((v) => v.kind === 'muted' && v.what === 'all'),
    blockChords: moves.some((m) => m.line === null) ? asked(BLOCK_CHORDS_KEY) : null,
    changes: moves
      .slice(0, MOST_CHANGES)
      .filter((m) => m.moving > 0 && isHard(m))
      .map((m) => ({
        steps: drillsOfMove(section, m, study.cells).map((d) => d.key),
        from: m.from.name,
        to: m.to.name,
        neededMs: Math.round(m.block.neededMs),
        thereMs: m.block.thereMs,
        barre: barreOver(m.from) > 0 || barreOver(m.to) > 0,
      })),
    weak: tight ?? pairs[0] ?? null,
    pairs,
    burst: keyOf((v) => v.kind === 'burst'),
    parts: partsOf(score.bars.length, asked),
  };
}
const isHard = ({ block: { neededMs, thereMs } }: LeftMove): boolean =>
  thereMs !== null && neededMs >= thereMs * HARD_FROM;

function partsOf(bars: number, asked: (key: string) => string | null): string[] {
  if (bars < 2) return [];
  const single = Array.from({ length: Math.min(MOST_PARTS, bars) }, (_, n) => rangeKey(n, n));
  return [...single, roundKey(bars - 1)].flatMap((key) => asked(key) ?? []);
}
