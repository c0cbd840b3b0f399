// Two players with different hands, an own cycle, and five weeks of practice with a gap in it.
import { DEFAULT_PROFILE, leftHandOf, makeCycle, reachOf, withLeftHand } from '../core/dist/index.js';

const ines = {
  ...DEFAULT_PROFILE,
  id: 'ines',
  name: 'Inés',
  returnMs: { p: 185, i: 160, m: 165, a: 195, e: 235 },
  span: 98,
  littleFinger: 'e',
  choices: { thumb: 'on string 6', tips: 'firm' },
  notes: 'Shoulder down before every run.',
  cautionsRead: true,
};
/** She has measured her left hand: a weak reach between 3 and 4, a short barre, quick moves. */
const measured = {
  ...leftHandOf(ines),
  reach: { ...reachOf(98), 34: { ease: 36, limit: 46 }, 14: { ease: 98, limit: 116 } },
  barre: 6500,
  move: { start: 45, perBit: 56 },
};
export const profiles = [
  withLeftHand(ines, measured),
  {
    ...DEFAULT_PROFILE,
    id: 'tadeo',
    name: 'Tadeo',
    returnMs: { p: 175, i: 175, m: 185, a: 215, e: 270 },
    span: 122,
    scaleLength: 655,
    littleFinger: 'ch',
  },
];

export const cycles = [
  makeCycle({
    id: 'own-gangway',
    name: 'Gangway',
    family: 'tango',
    counts: 7,
    accents: [
      [0, 1],
      [2, 0.7],
      [4, 0.9],
    ],
    groups: [2, 2, 3],
    countNote: 'eighth',
    tempo: [120, 180, 240],
    note: 'Own cycle of the duo: two, two, three.',
  }),
];

export const cells = [
  {
    id: 'own-ticket',
    name: 'Ticket stamp',
    script: 'pd:54 pu:45 p:3_ G',
    stepsPerCount: 4,
    family: 'flamenco',
    note: 'Alzapúa in three, the tap on the fourth.',
  },
  {
    id: 'own-wash',
    name: 'Wash',
    script: 'ed ad md id pu pd',
    stepsPerCount: 6,
    family: 'flamenco',
    note: 'Four flicks, the thumb comes back through.',
  },
];

/** Days before the last one on which was played; nothing between the 22nd and the 13th. */
const DAYS = [35, 34, 32, 31, 29, 28, 26, 25, 23, 22, 13, 12, 10, 9, 8, 6, 5, 4, 2, 1, 0];
const LAST_DAY = Date.UTC(2026, 2, 20, 18, 30);
const DAY = 86_400_000;

/** One session a study in turn, climbing from the ladder's start, lower again after the gap. */
export function logOf(studies) {
  return DAYS.flatMap((before, n) =>
    studies.flatMap((study, s) => {
      if ((n + s) % 3 === 2) return [];
      const section = study.sections[0];
      const { start, end, step } = section.ladder;
      const gained = before > 20 ? n : Math.max(2, n - 5);
      const top = Math.min(end, start + step * Math.round((gained * (0.4 + 0.06 * s)) / 1.4));
      const first = Math.max(start, top - 2 * step);
      const passes = [];
      for (let bpm = first; bpm <= top; bpm += step)
        for (let pass = 0; pass < 5; pass++)
          passes.push({ bpm, clean: (pass * pass * 5 + n * n * 3 + s * 4 + bpm) % (n > 16 ? 9 : 5) !== 0 });
      for (let pass = 0; pass < 2; pass++) passes.push({ bpm: Math.min(400, top + step), clean: false });
      return [
        {
          id: `demo-${String(n).padStart(2, '0')}-${study.id}`,
          studyId: study.id,
          studyName: study.name,
          sectionName: section.name,
          sectionId: section.id,
          startedAt: new Date(LAST_DAY - before * DAY + s * 900_000).toISOString(),
          minutes: 8 + ((n * 5 + s * 3) % 9),
          passes,
          pain: false,
        },
      ];
    }),
  );
}
