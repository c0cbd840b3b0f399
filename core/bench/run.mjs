// Medians of what the worker does while a player types and plays. Ratios where there is something to compare.
import { performance } from 'node:perf_hooks';
import {
  bpm,
  comp,
  cycleById,
  FIT_SCHOOLS,
  fingerLine,
  FRET_SCHOOLS,
  fretLine,
  LINE_SCHOOLS,
  fitCycle,
  DEFAULT_PROFILE,
  layOnCycle,
  makeNeck,
  makeSection,
  makeStudy,
  parseScript,
  printScript,
  rankKeys,
  readSection,
  renderPlan,
  rotations,
  scoreOf,
  sectionHands,
  setCell,
  shapeRow,
  STANDARD_TUNING,
  voicings,
  WRITING_SCHOOLS,
} from '../dist/index.js';
import { musicXml, practiceTrack, wavBytes } from '../dist/exchange/files/index.js';

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
function measure(work, runs = 31) {
  for (let n = 0; n < Math.min(30, runs); n++) work();
  return median(
    Array.from({ length: runs }, () => {
      const from = performance.now();
      work();
      return performance.now() - from;
    }),
  );
}
const say = (what, figure, note = '') => console.log(`${what.padEnd(58)} ${figure.padStart(12)}  ${note}`);
const ms = (n) => `${n.toFixed(2)} ms`;

const buleria = cycleById('buleria');
const strokes = (n) => Array.from({ length: n }, (_, i) => ['p:5', 'i:3', 'm:2', 'a:1'][i % 4]).join(' ');
const reading = (script) => () =>
  readSection({
    section: { ...makeSection('s', 'S', buleria), script },
    shapes: [],
    tuning: STANDARD_TUNING,
    capo: 0,
    profile: DEFAULT_PROFILE,
  });

say('whole reading, five strokes over 12 counts', ms(measure(reading('ed ad md id iu'))), 'keystroke to findings');
say('whole reading, 61 strokes that come round after 61 turns', ms(measure(reading(strokes(61)), 9)), 'under 50 ms');
say('whole reading, 4 000 strokes', ms(measure(reading(strokes(4000)), 3)), 'in the worker');
/** 64 bars of tangos, sixteen strokes a bar, a chord a bar, frets in a quarter of the strokes. */
const SIXTY_FOUR = Array.from({ length: 64 }, (_, bar) =>
  Array.from({ length: 16 }, (_, n) =>
    n % 4 === 0 ? 'p:b' : n % 4 === 3 ? `i:2f${(bar % 4) + 1}=${(bar % 4) + 1}` : 'ima:t'[0] + ':3',
  ).join(' '),
).join(' | ');
const NAMES = ['C', 'G', 'Am', 'F'];
const FRETS = { C: [null, 3, 2, 0, 1, 0], G: [3, 2, 0, 0, 0, 3], Am: [null, 0, 2, 2, 1, 0], F: [1, 3, 3, 2, 1, 1] };
const FINGERS = { C: [null, 3, 2, 0, 1, 0], G: [2, 1, 0, 0, 0, 3], Am: [null, 0, 2, 3, 1, 0], F: [1, 3, 4, 2, 1, 1] };
const held = NAMES.map((name) => ({ id: name, name, frets: FRETS[name], fingers: FINGERS[name] }));
const tangos = cycleById('tangos');
const bars64 = (script) => ({
  section: {
    ...makeSection('s', 'S', tangos),
    stepsPerCount: 4,
    script,
    chart: Array.from({ length: 64 }, (_, n) => NAMES[n % 4]).join(' | '),
  },
  shapes: held,
  tuning: STANDARD_TUNING,
  capo: 0,
  profile: DEFAULT_PROFILE,
});
{
  const { section, shapes } = bars64(SIXTY_FOUR);
  const study = { instrument: { tuning: STANDARD_TUNING, capo: 0 }, shapes };
  say(
    'scoreOf, 64 bars',
    ms(measure(() => scoreOf(section, study), 31)),
    `${scoreOf(section, study).events.length} strokes`,
  );
  say('scoreOf + whole reading, 64 bars', ms(measure(() => readSection(bars64(SIXTY_FOUR)), 31)), 'under 50 ms');
  let n = 0;
  say(
    'a keystroke in it',
    ms(measure(() => readSection(bars64(SIXTY_FOUR.slice(0, -7) + (++n % 2 ? 'i:3' : 'i:2'))), 31)),
    'under 16 ms',
  );
}
const parse = (n) => {
  const text = strokes(n);
  return measure(() => parseScript(text, { stepsPerCount: 2 }));
};
const [short, long] = [parse(400), parse(4000)];
say('parse, 4 000 strokes', ms(long), `${(long / short).toFixed(1)}× the time of 400`);
const pattern = parseScript(strokes(4000), { stepsPerCount: 2 }).pattern;
say('print, 4 000 strokes', ms(measure(() => printScript(pattern))));
const laid = measure(() => layOnCycle(parseScript(strokes(61), { stepsPerCount: 2 }).pattern, buleria), 9);
say('layOnCycle, 1 464 strokes', ms(laid));
say(
  'rotations, 61 starts over 61 turns',
  ms(measure(() => rotations(parseScript(strokes(61), { stepsPerCount: 2 }).pattern, buleria), 9)),
);
const { plan } = reading('ed ad md id iu')();
const seconds = (plan.length / 5040) * (60 / 180);
const render = measure(() => renderPlan(plan, { bpm: bpm(180), rate: 48_000 }), 5);
say('offline render, six strings and knocks', `${((seconds * 1000) / render).toFixed(0)}×`, 'faster than real time');

// fitCycle: 12 counts, 12 cells at 3 speeds, k = 10.
const fitCells = [
  'id iu',
  'ad md id',
  'ed ad md id',
  'ed ad md id iu',
  'ad md id iu',
  'pu md pd',
  'pu ad pd',
  'pd pu',
  'md id iu',
  'id iu id iu',
  'G id iu',
  'md id',
].map((script) => ({ id: script, script }));
const fitRequest = (tempo, weights) => ({
  cycle: buleria,
  cells: fitCells,
  profile: DEFAULT_PROFILE,
  bpm: bpm(tempo),
  k: 10,
  ...(weights ? { weights } : {}),
});
for (const school of FIT_SCHOOLS)
  for (const tempo of [120, 200, 280]) {
    const { looked } = fitCycle(fitRequest(tempo, school.weights));
    const time = measure(() => fitCycle(fitRequest(tempo, school.weights)), 5);
    // Chains there are, counted by the places they can break at: what enumeration would have to score.
    const ways = Array.from({ length: 25 }, () => 0);
    ways[0] = 1;
    for (let at = 1; at <= 24; at++) for (const l of [1, 2, 4]) if (at >= l) ways[at] += 12 * ways[at - l];
    say(
      `fitCycle, 12 cells at 3 speeds, k 10, ${tempo}, ${school.id}`,
      ms(time),
      `under 50 ms; ${looked} moves of ${ways[24].toExponential(1)} chains`,
    );
  }

// fingerLine: a scale up and down the strings, k = 5; time must grow with the notes and no faster.
const scale = (n) =>
  Array.from({ length: n }, (_, i) => {
    const place = Math.floor(i / 3) % 10;
    return { at: i * 1260, strings: [place < 5 ? 6 - place : place - 3] };
  });
const lineRequest = (n, school, loops) => ({
  notes: scale(n),
  bpm: bpm(140),
  profile: DEFAULT_PROFILE,
  school,
  stroke: 'rest',
  k: 5,
  ...(loops ? { loop: n * 1260 } : {}),
});
for (const school of LINE_SCHOOLS.filter((s) => !s.cycle))
  for (const loops of [false, true]) {
    const [a, b, c] = [100, 1000, 10000].map((n) =>
      measure(() => fingerLine(lineRequest(n, school, loops)), n > 1000 ? 9 : 31),
    );
    say(
      `fingerLine, 1 000 notes, ${school.id}${loops ? ', looped' : ''}`,
      ms(b),
      `under 30 ms; 1 000→10 000 ${(c / b).toFixed(1)}×, at most 12×; 100→1 000 ${(b / a).toFixed(1)}×`,
    );
  }

// voicings: one chord, all six strings, 15 frets.
const leftBase = { tuning: STANDARD_TUNING, neck: makeNeck(650), profile: DEFAULT_PROFILE };
for (const chord of ['Am7', 'E7b9', 'C', 'G7/B', 'C13']) {
  const ask = { ...leftBase, chord, highestFret: 15, k: 5 };
  const { looked } = voicings(ask);
  say(`voicings, ${chord}, six strings, 15 frets`, ms(measure(() => voicings(ask), 9)), `under 30 ms; ${looked} moves`);
}
const row = { ...leftBase, chords: 'Am7 D7 Gmaj7 Cmaj7 F#m7b5 B7 Em7 E7'.split(' '), round: true };
/** A hand that has asked for nothing yet: what it has found for a symbol is kept. */
const fresh = (ask) => ({ ...ask, profile: { ...ask.profile } });
say('shapeRow, eight chords going round', ms(measure(() => shapeRow(fresh(row)), 3)), 'under 300 ms');
const accompaniment = {
  ...leftBase,
  cycle: cycleById('bossa-three-two'),
  tempo: 120,
  chart:
    '{Am7 | % | Dm7 | G7 | Cmaj7 | Fmaj7 | Bm7b5 | E7}x2 | Gm7 | C7 | Fmaj7 | % | F#m7b5 | B7 | E7 | % | ' +
    'Am7 | % | Dm7 | G7 | Cmaj7 | Fmaj7 | Bm7b5 E7 | Am7',
  figure: {
    cells: [
      { letter: 'A', beats: ['bass then chord'] },
      { letter: 'B', beats: ['short long short'] },
    ],
    order: 'AB BA',
    beat: 2 * 5040,
  },
  habit: 'root fifth',
  pushes: 'none',
  k: 5,
};
say('comp, 32 bars, k = 5, asked again', ms(measure(() => comp(accompaniment), 9)), 'under 200 ms');
say('comp, 32 bars, k = 5, first asking', ms(measure(() => comp(fresh(accompaniment)), 3)), 'eleven symbols looked up');

// Both hands over a section that is written without fingers.
const bare = '?:5f0~ ?:1f5 ?:1f7 ?:1f8 ?:2f5 ?:2f6 ?:1f5 ?:1f8 ?:6f3~ ?:1f7 ?:1f5 ?:2f8 ?:2f5 ?:3f7 ?:3f5 ?:2f5';
let typed = 0;
/** Another fret in the last bar each time: what was found before is of no use. */
const falseta = () => {
  const script = [
    ...Array.from({ length: 18 }, () => bare),
    bare.replace('1f7', `1f${(typed++ % 12) + 1}`).replace('3f7', `3f${(typed % 11) + 1}`),
  ].join(' | ');
  return setCell('s-a', script, 4)(makeStudy('s', 'S', cycleById('tangos')));
};
const asked = ({ sections: [section], instrument }) => ({
  section,
  shapes: [],
  ...instrument,
  profile: DEFAULT_PROFILE,
});
say('304 strokes without fingers read anew', ms(measure(() => readSection(asked(falseta())), 9)), 'no pause felt');
say(
  'both hands over 304 strokes, k = 3',
  ms(measure(() => sectionHands(asked(falseta()), { ...WRITING_SCHOOLS, anew: false, k: 3 }), 9)),
  'no pause felt',
);

// fretLine: a melody on free strings.
const tune = [64, 65, 67, 69, 71, 72, 71, 69, 67, 65, 64, 62, 60, 59, 57, 60];
const fretEvents = (n) => Array.from({ length: n }, (_, i) => ({ at: i * 1260, notes: [{ midi: tune[i % 16] }] }));
for (const school of FRET_SCHOOLS) {
  const [a, b] = [300, 3000].map((n) =>
    measure(() => fretLine({ ...leftBase, bpm: bpm(100), events: fretEvents(n), school, k: 5 }), n > 1000 ? 5 : 9),
  );
  say(`fretLine, 300 events, ${school.id}`, ms(a), `under 250 ms; 300→3 000 ${(b / a).toFixed(1)}×`);
}

const keysOf64 = { ...leftBase, bpm: bpm(100), events: fretEvents(64), school: FRET_SCHOOLS[0] };
say('rankKeys, 64 events, 12 keys × 8 capo places', ms(measure(() => rankKeys(keysOf64), 1)), 'under 2 s');

{
  const bars = Array.from({ length: 50 }, () => 'p:5 i:3 m:2 a:1 m:2 i:3 p:5 ima:321').join(' | ');
  const section = { ...makeSection('s-a', 'A', cycleById('plain-four')), script: bars, bars: 200 };
  const study = { ...makeStudy('s', 'S', cycleById('plain-four')), sections: [section] };
  const scope = { kind: 'section', section: 's-a' };
  say(
    'MusicXML out, 200 bars',
    ms(measure(() => musicXml(study, DEFAULT_PROFILE, scope), 9)),
    'reach 120, staff and tablature',
  );
  const volumes = { guitar: 0.8, claps: 0.5, click: 0.3 };
  const track = practiceTrack(study, DEFAULT_PROFILE, scope, {
    bpm: 240,
    times: 1,
    countIn: true,
    volumes,
    part: null,
  });
  const took = measure(() => wavBytes(track, volumes), 3);
  say(
    'WAV of a practice track',
    `${((track.seconds * 1000) / took).toFixed(0)}x`,
    'times faster than it lasts; reach 40',
  );
}
