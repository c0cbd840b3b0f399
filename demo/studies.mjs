// A residency at a ferry-terminal café, made up for this product: five studies in three families.
import {
  bothHands,
  COMP_FIGURES,
  comp,
  compScript,
  cycleById,
  fretLine,
  fretSchool,
  makeSection,
  makeStudy,
  neckOf,
  readNotes,
  readShape,
  sayFaults,
  sectionHands,
  scriptWithStops,
  STANDARD_TUNING,
  stoppedBy,
  toldFalseta,
  WRITING_SCHOOLS,
} from '../core/dist/index.js';
import { profiles } from './players.mjs';
import { sayFact } from '@ruffle-wheel/core';

const shape = (id, name, frets, fingers) => {
  const read = readShape(frets, fingers);
  if (read.faults.length) throw new Error(`${name}: ${read.faults[0].message}`);
  return { id, name, frets: read.frets, fingers: read.fingers };
};
/** Frets of single strokes stand in the script, as they do in everything that is kept. */
function section(id, name, cycle, { stopped = [], ...more }) {
  const made = { ...makeSection(id, name, cycleById(cycle)), ...more };
  const { script, left } = scriptWithStops(made.script, made.stepsPerCount, stopped);
  if (left.length) throw new Error(`${name}: ${left.length} notes that no stroke can take.`);
  return { ...made, script };
}
const study = (id, name, cycle, more) => ({ ...makeStudy(id, name, cycleById(cycle)), ...more });

/** What the solvers are asked for the duo's lines: the first player's hand. */
const line = (bpm, school) => ({
  tuning: STANDARD_TUNING,
  neck: neckOf(profiles[0]),
  profile: profiles[0],
  bpm,
  school: fretSchool(school),
  k: 1,
});
const best = (result) => {
  if (result.infeasible) throw new Error(sayFact(result.infeasible[0]));
  return result.answers[0];
};
/** A melody over basses, fingered for both hands. */
function falseta(text, stepsPerCount, bpm, school) {
  const { script, stopped } = best(bothHands(readNotes(text, stepsPerCount), line(bpm, school)));
  return { script, stopped, stepsPerCount };
}
/** A falseta told over shapes that are held, both hands worked out. */
function told(cycle, stepsPerCount, tempo, shapes, text) {
  const own = { ...makeSection('told', 'Told', cycleById(cycle)), stepsPerCount, bpm: tempo };
  const whole = { ...makeStudy('told', 'Told', cycleById(cycle)), shapes, sections: [own] };
  const { read, texts } = toldFalseta(whole, own, profiles[0], 0, text);
  if (!texts || 'code' in texts) throw new Error(`${text}: ${sayFaults(read.faults)[0]?.message ?? texts?.code}`);
  const { script, chart } = texts;
  const { ways } = sectionHands(
    { section: { ...own, script, chart }, shapes, tuning: STANDARD_TUNING, capo: 0, profile: profiles[0] },
    { ...WRITING_SCHOOLS, anew: false, k: 1 },
  );
  return { script: ways[0].script, chart, stepsPerCount };
}
/** The left hand of a script that is written already: the same notes by name. */
function stoppedFor(text, stepsPerCount, bpm, school) {
  const read = readNotes(text, stepsPerCount);
  if (read.faults.length) throw new Error(read.faults[0].message);
  return stoppedBy(read, best(fretLine({ ...line(bpm, school), events: read.events })).steps);
}
/** A chart as an accompaniment, with the shapes that the study has and those that are found for its other names. */
function accompaniment(cycle, chart, figure, shapes, more = {}) {
  const { cells, order, beat } = COMP_FIGURES.find((f) => f.id === figure);
  const request = {
    tuning: STANDARD_TUNING,
    neck: neckOf(profiles[0]),
    profile: profiles[0],
    cycle: cycleById(cycle),
    chart,
    figure: { cells, order, beat: beat * 5040 },
    habit: 'root fifth',
    pushes: 'none',
    tempo: 120,
    given: Object.fromEntries(shapes.map(({ name, frets, fingers }) => [name, { frets, fingers }])),
    ...more,
  };
  const answer = best(comp(request));
  const found = answer.names.flatMap((name, n) =>
    shapes.some((s) => s.name === name) ? [] : [{ id: name.replace(/\s/g, '-'), name, ...answer.shapes[n] }],
  );
  return { text: { ...compScript(request, answer), chart }, shapes: found };
}
/** Tremolo: the melody's string at every stroke of the fingers, a fret for each count. */
const tremolo = (frets, strokes) =>
  frets.flatMap((fret, count) =>
    Array.from({ length: strokes - 1 }, (_, n) => ({
      at: (count * strokes + n + 1) * (5040 / strokes),
      string: 1,
      fret,
      finger: fret === 0 ? 0 : 4,
    })),
  );
const EVENING = [0, 0, 3, 3, 0, 3, 0, 3, 3, 0, 0, 0];
const RUN = 'a4/1 g4/1 f4/1 e4/1 d4/2 c#4/2 c4/2 b3/2 bb3/3 a3/3 g#3/3 g3/3';

const lanternShapes = [
  shape('fs', 'F♯ open', '2-4-4-3-0-0', '1-3-4-2-0-0'),
  shape('g', 'G 6', '3-x-5-4-0-0', '1-x-3-2-0-0'),
  shape('em', 'Em add 9', '0-2-4-0-0-0', '0-1-3-0-0-0'),
  shape('d', 'D 6', 'x-x-0-2-0-2', 'x-x-0-1-0-2'),
];
const lanternStair = study('lantern-stair', 'Lantern Stair', 'buleria', {
  form: '{Rasgueado}x4 {Falseta [1 Rasgueado] [2 Answer]}x2 {Rasgueado}x2 Close',
  reminders: ['Land on the 12, not before it.', 'The hand opens as soon as it has struck.'],
  note: 'Opener at Muelle Nueve. Keep the twelve when the ferry horn goes.',
  shapes: lanternShapes,
  sections: [
    section('ls-a', 'Rasgueado', 'buleria', {
      script: 'id! iu ad md id iu | id! iu ad md id iu | id! iu id iu | id! iu id iu | id!* iu id iu',
      chart: '"F♯ open":3 "G 6":3 "Em add 9":2 "G 6":2 "F♯ open":2',
      bpm: 184,
      ladder: { start: 140, end: 220, step: 8, passes: 4 },
    }),
    section('ls-b', 'Falseta', 'buleria', {
      ...falseta(
        '[f#2~ a#3] . c#4 d4 c#4 b3 | [g2~ b3] d4 e4 f#4 e4 d4 | [e2~ e4] g4 f#4 e4 | [g2~ d4] b3 c#4 b3 | [f#2~ a#3] . c#4 a#3',
        2,
        120,
        'open',
      ),
      bpm: 120,
      ladder: { start: 80, end: 160, step: 6, passes: 4 },
    }),
    section('ls-c', 'Answer', 'buleria', {
      ...told(
        'buleria',
        2,
        120,
        lanternShapes,
        `(F♯ open) p6 3 2 1 2 3 (G 6) p6 3 2 (4 2f3) 2 1 (lift 4) 2 (Em add 9) p6 3 2 1 (G 6) p6 4 3 2 (F♯ open) [61] - 3 2 |
         (Em add 9) p6 4 3 (4 2f3) 2 1 2 (D 6) p4 3 2 1 2 3 (Em add 9) p6 4 3 2 (G 6) p6 4 3 2 (F♯ open) d6! - - .`,
      ),
      bpm: 120,
      ladder: { start: 80, end: 160, step: 6, passes: 4 },
    }),
    section('ls-d', 'Close', 'buleria', {
      script: 'id! iu ad md id iu | id! iu ad md id iu | id! iu id iu | id! iu id iu | id!*~ - - -',
      chart: '"Em add 9":6 "G 6":4 "F♯ open":2',
      bpm: 176,
      ladder: { start: 140, end: 208, step: 8, passes: 4 },
    }),
  ],
});

const saltShapes = [shape('am', 'Am', 'x-0-2-2-1-0', 'x-0-2-3-1-0'), shape('bb', 'B♭', 'x-1-0-3-3-x', 'x-1-0-3-4-x')];
const saltRope = study('salt-rope', 'Salt Rope', 'solea-por-buleria', {
  form: '{"Picado run" Alzapúa}x2 {Falseta [1 Alzapúa] [2 Close]}x2',
  note: 'Run, then thumb. Thumb rests on 6 while the fingers are on 1 to 3.',
  shapes: saltShapes,
  sections: [
    section('sr-a', 'Picado run', 'solea-por-buleria', {
      script: '{i:1_ m:1_ i:1_ m:1_ i:2_ m:2_ i:2_ m:2_ i:3_ m:3_ i:3_ m:3_}x4',
      stopped: stoppedFor(Array(4).fill(RUN).join(' '), 4, 84, 'position'),
      stepsPerCount: 4,
      chart: 'Am',
      bpm: 84,
      ladder: { start: 60, end: 108, step: 4, passes: 4 },
    }),
    section('sr-b', 'Alzapúa', 'solea-por-buleria', {
      script: '{pd:54 pu:45 p:3_}x12',
      stepsPerCount: 3,
      chart: 'Am:3 "B♭":3 Am:2 "B♭":2 Am:2',
      bpm: 92,
      ladder: { start: 66, end: 126, step: 4, passes: 4 },
    }),
    section('sr-c', 'Falseta', 'solea-por-buleria', {
      ...told(
        'solea-por-buleria',
        2,
        92,
        saltShapes,
        `(Am) p5 3 2 1 2 3 (B♭) p5 4 3 2 3 4 (Am) p5 3 2 1 (B♭) p5 4 3 2 (Am) [51] - 3 2 |
         (Am) p5 3 2 (4 1f3) 1 2 3 (lift 4) p5 3 2 1 2 3 (B♭) p5 4 3 2 3 4 3 2 (Am) p5 3 2 .`,
      ),
      bpm: 92,
      ladder: { start: 66, end: 120, step: 4, passes: 4 },
    }),
    section('sr-d', 'Close', 'solea-por-buleria', {
      script: '{pd:54 pu:45 p:3_}x10 | pd:5432!~ - - - - -',
      stepsPerCount: 3,
      chart: 'Am:3 "B♭":3 Am:2 "B♭":2 Am:2',
      bpm: 92,
      ladder: { start: 66, end: 116, step: 4, passes: 4 },
    }),
  ],
});

const slackShapes = [shape('dm', 'Dm 7', 'x-x-0-2-1-1', 'x-x-0-2-1-1'), shape('c', 'C', 'x-3-2-0-1-0', 'x-3-2-0-1-0')];
const slackWater = study('slack-water', 'Slack Water', 'fandango', {
  form: '{"Four to the count" [1 Shore] [2 "Five to the count"]}x2 Shore',
  note: 'Freely at first; from the second time through in measure. Listen for the gap after the thumb.',
  shapes: slackShapes,
  sections: [
    section('sw-a', 'Four to the count', 'fandango', {
      script: '{p:4 a:1 m:1 i:1 p:3 a:1 m:1 i:1 p:2 a:1 m:1 i:1}x4',
      stopped: tremolo(EVENING, 4),
      stepsPerCount: 4,
      chart: '"Dm 7" | C',
      bpm: 72,
      ladder: { start: 54, end: 96, step: 3, passes: 4 },
    }),
    section('sw-b', 'Five to the count', 'fandango', {
      script: '{p:b i:1 a:1 m:1 i:1}x12',
      stopped: tremolo(EVENING, 5),
      stepsPerCount: 5,
      chart: '"Dm 7" | C',
      bpm: 60,
      ladder: { start: 44, end: 76, step: 3, passes: 4 },
    }),
    section('sw-c', 'Shore', 'fandango', {
      ...told(
        'fandango',
        2,
        76,
        slackShapes,
        `(Dm 7) {p4 3 2 1 2 3}x2 (C) {p5 3 2 1 2 3}x2 |
         (Dm 7) p4 3 2 (4 1f3) 1 2 3 (lift 4) p4 3 2 1 2 3 (C) p5 3 2 (4 1f3) 1 2 3 (lift 4) [51]~ - - - - .`,
      ),
      bpm: 76,
      ladder: { start: 56, end: 96, step: 4, passes: 4 },
    }),
  ],
});

const lastBoatShapes = [
  shape('em7', 'Em 7', '0-2-2-0-3-0', '0-1-2-0-4-0'),
  shape('b7', 'B 7', 'x-2-1-2-0-2', 'x-2-1-3-0-4'),
  shape('am6', 'Am 6', '5-x-4-5-5-x', '2-x-1-3-4-x'),
];
const sincopa = accompaniment(
  'sincopa',
  '"Em 7" | "Am 6" | "B 7" | "Em 7" | "C 7" | "Am 6" | "B 7" | %',
  'sincopa',
  lastBoatShapes,
  { tempo: 112, muted: true },
);
const lastBoat = study('last-boat-south', 'Last Boat South', 'three-three-two', {
  form: '{"Thumb 3-3-2" [1 Marcato] [2 Marcato Marcato]}x2 {Síncopa}x2 "Thumb 3-3-2" Close',
  note: 'Thumb carries the 3-3-2; the figure never gets louder than it.',
  shapes: [...lastBoatShapes, ...sincopa.shapes],
  sections: [
    section('lb-a', 'Thumb 3-3-2', 'three-three-two', {
      script: 'p:b! i:3 m:2 p:b! i:3 m:2 p:b! ima:t',
      chart: '"Em 7" | "B 7" | "Am 6" | "B 7"',
      bpm: 116,
      ladder: { start: 88, end: 138, step: 5, passes: 4 },
    }),
    section('lb-b', 'Marcato', 'marcato-four', {
      script: "pima:t!' . pima:t,' . pima:t!' . pima:t,' .",
      chart: '"Em 7" | "B 7"',
      bpm: 120,
      ladder: { start: 96, end: 144, step: 6, passes: 4 },
    }),
    section('lb-c', 'Síncopa', 'sincopa', {
      ...sincopa.text,
      bpm: 112,
      ladder: { start: 84, end: 132, step: 6, passes: 4 },
    }),
    section('lb-d', 'Close', 'marcato-four', {
      script: "p:b' . pima:t' . p:b' . pima:t' . | pima:t!~ - - - - - - -",
      chart: '"B 7" | "Em 7"',
      bpm: 104,
      ladder: { start: 84, end: 120, step: 4, passes: 4 },
    }),
  ],
});

const harbourShapes = [
  shape('gmaj', 'G maj 7', '3-x-4-4-3-x', '1-x-3-4-2-x'),
  shape('e7', 'E 7 ♭9', 'x-x-2-1-3-1', 'x-x-2-1-4-1'),
  shape('am7', 'Am 7', '5-x-5-5-5-x', '1-x-2-3-4-x'),
];
const bridge = accompaniment(
  'bossa-three-two',
  '"C maj 7" | "B m7 ♭5" | "E 7 ♭9" | "Am 7" | "D 7" | "G maj 7" | "C maj 7" | "E 7 ♭9"',
  'straight-and-pushed',
  harbourShapes,
  { habit: 'walking', pushes: 'every' },
);
const harbourLamps = study('harbour-lamps', 'Harbour Lamps', 'bossa-three-two', {
  form: '"Bass in fifths" {Comping}x4 Bridge {Comping [1 Bridge] [2 "Out to sea"]}x2',
  note: 'Three chords under a two-bar pattern: the change falls in another place each time.',
  shapes: [...harbourShapes, shape('abmaj', 'A♭ maj 7', '4-x-5-5-4-x', '1-x-3-4-2-x'), ...bridge.shapes],
  sections: [
    section('hl-a', 'Comping', 'bossa-three-two', {
      // The last stroke takes the coming chord; the thumb goes to the fifth on 3.
      script: 'pima:t! - p:b ima:t p:f - pima:t - | p:b - pima:t - p:f ima:t p:b ima:t>',
      chart: '"G maj 7" | "E 7 ♭9" | "Am 7" | %',
      bpm: 126,
      ladder: { start: 90, end: 150, step: 5, passes: 4 },
    }),
    section('hl-b', 'Bass in fifths', 'bossa-three-two', {
      script: '{p:6 - p:5 -}x2 | {p:6 - p:5 -}x2',
      stopped: stoppedFor('g2/6 - d3/5 - g2/6 - d3/5 - | a2/6 - e3/5 - a2/6 - e3/5 -', 2, 120, 'position'),
      bpm: 120,
      ladder: { start: 80, end: 150, step: 6, passes: 4 },
    }),
    section('hl-c', 'Bridge', 'bossa-three-two', {
      ...bridge.text,
      bpm: 126,
      ladder: { start: 90, end: 150, step: 5, passes: 4 },
    }),
    section('hl-d', 'Out to sea', 'bossa-three-two', {
      // One shape slides up and back and keeps its fingers.
      script: 'p:b - ima:t - p:b - ima:t - | p:b - ima:t - pima:t!~ - - -',
      stepsPerCount: 2,
      chart: '"G maj 7":2 "A♭ maj 7":2 | "G maj 7"',
      bpm: 112,
      ladder: { start: 80, end: 126, step: 4, passes: 4 },
    }),
  ],
});

export const studies = [lanternStair, saltRope, slackWater, lastBoat, harbourLamps];
