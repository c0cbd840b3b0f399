import {
  bassFacts,
  bassLine,
  bothHands,
  comp,
  compFacts,
  compScript,
  orderCharts,
  conflictsOf,
  compareSchools,
  easier,
  fact,
  fingerLine,
  fitCycle,
  passageOf,
  rangeThen,
  type RankedKey,
  rankKeys,
  remediesOf,
  proposed,
  schoolsOfKind,
  scriptWithBass,
  sectionBass,
  sectionHands,
  sectionInKey,
  sectionKeys,
  shapeRow,
  toldFalseta,
  voiced,
  voicings,
  withPassage,
} from '@ruffle-wheel/core';
import type { KeyAnswer, Solver } from './protocol';

/** Keys that are listed; the rest are no easier. */
const SHOWN_KEYS = 8;
/** Keys that are looked at for them, each held its own way once: some can't be taken. */
const TRIED_KEYS = 96;

/** What each question is answered with: the worker exposes it, tests call it in the page. */
export const solver: Solver = {
  fitCycle: (request, progress) => fitCycle(request, { progress }),
  fingerLine: ({ line: asked, school, k }, progress) => {
    const line = voiced(asked);
    const { given, folded, kinds } = schoolsOfKind(asked);
    const schoolsShown = [...given, ...folded];
    const own = 1 / (schoolsShown.length + 1);
    const best = fingerLine({ ...line, school, k }, { progress: (share) => progress(share * own) });
    const schools = compareSchools(line, schoolsShown, { progress: (share) => progress(own + share * (1 - own)) });
    const ways = best.infeasible ? best : { ...best, answers: proposed(best.answers) };
    return { best: ways, schools, folded: folded.map((s) => s.id), kinds };
  },
  voicings: ({ request, hard }, progress) => {
    const { chord } = request;
    const found = voicings(request, { progress });
    const from = hard ?? (found.infeasible ? null : (found.answers[0]?.steps[0] ?? null));
    return { found, easier: from && chord !== undefined ? easier({ ...request, chord }, from) : [] };
  },
  bothHands: ({ read, request, right, bars }, progress) => bothHands(read, request, right, { progress }, bars),
  rankKeys: (request, progress) => rankKeys(request, { progress }),
  shapeRow: (request, progress) => shapeRow(request, { progress }),
  comp: ({ charts: named = [], ...request }, progress) => {
    const found = comp(request, { progress });
    if (found.infeasible) return { ways: [], infeasible: found.infeasible, charts: [] };
    const charts = orderCharts(request, named);
    const ways = found.answers.map((answer) => ({
      answer,
      text: compScript(request, answer),
      facts: compFacts(request, answer),
    }));
    return { ways, infeasible: [], charts };
  },
  bassLine: ({ study, section: id, profile, wishes }, progress) => {
    const section = study.sections.find((s) => s.id === id);
    const played = section && sectionBass(section, study, profile);
    if (!section || !played) return { ways: [], infeasible: [fact('no bass strokes')] };
    const request = { ...played.request, ...wishes };
    const found = bassLine(request, { progress });
    if (found.infeasible) return { ways: [], infeasible: found.infeasible };
    const places = request.strokes.map((s) => ({ at: s.at, chord: request.chords[s.chord]?.symbol ?? '' }));
    const ways = found.answers.map((answer) => ({
      answer,
      facts: bassFacts(request, answer.steps),
      script: scriptWithBass(section, study, played, answer.steps),
      places,
    }));
    return { ways, infeasible: [] };
  },
  falseta: ({ study, section: id, profile, bar, text }) => {
    const section = study.sections.find((s) => s.id === id);
    return section ? toldFalseta(study, section, profile, bar, text) : null;
  },
  hands: ({ study, section: id, profile, wish }) => {
    const section = study.sections.find((s) => s.id === id);
    const { instrument, shapes, cells } = study;
    return section ? sectionHands({ section, shapes, ...instrument, profile, called: cells }, wish) : null;
  },
  conflicts: ({ study, profile }) => conflictsOf(study, profile),
  remedies: ({ study, profile, findings }) => findings.map((f) => remediesOf(f, study, profile)),
  sectionKeys: ({ study, section: id, profile, bars }, progress) => {
    const whole = study.sections.find((s) => s.id === id);
    const section = whole && bars ? passageOf(whole, study, bars) : whole;
    const asked = section && sectionKeys(section, study, profile);
    if (!whole || !section || !asked || 'code' in asked)
      return { keys: [], refusal: asked && 'code' in asked ? asked : null, uncut: !!whole && !section };
    const ranked = rankKeys(asked, { progress });
    const here = ranked.find((k) => k.transposed === 0 && k.capo === study.instrument.capo);
    // What is held the same way under another capo is one answer: the one nearest to where it stands comes first.
    const held = (k: RankedKey) => (((k.transposed - k.capo) % 12) + 12) % 12;
    const answer = (key: RankedKey): KeyAnswer => {
      const moved = sectionInKey(section, study, key, profile);
      if ('code' in moved) return { key, made: moved };
      const range = rangeThen(section, study, moved);
      return { key: { ...key, ...range }, made: bars ? withPassage(whole, study, bars, moved) : moved };
    };
    const could = ranked.filter((k) => k.total !== null && (!bars || k.capo === study.instrument.capo));
    const [taken, not]: [KeyAnswer[], KeyAnswer[]] = [[], []];
    for (const key of could.slice(0, TRIED_KEYS)) {
      if (taken.length >= SHOWN_KEYS) break;
      if (taken.some((t) => held(t.key) === held(key))) continue;
      const own = answer(key);
      if ('code' in own.made) not.push(own);
      else taken.push(own);
    }
    // Only what can be taken is an answer; where nothing can be it is told why.
    const shown = taken.length ? taken : not.slice(0, 1);
    const isHere = ({ key }: KeyAnswer) => key.transposed === here?.transposed && key.capo === here.capo;
    return { keys: here && !shown.some(isHere) ? [...shown, answer(here)] : shown, refusal: null, uncut: false };
  },
};
