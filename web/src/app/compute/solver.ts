import {
  bassFacts,
  bassLine,
  bothHands,
  comp,
  compFacts,
  compScript,
  conflictsOf,
  compareSchools,
  easier,
  fingerLine,
  fitCycle,
  rankKeys,
  schoolsFor,
  shapeRow,
  voicings,
} from '@ruffle-wheel/core';
import type { Solver } from './protocol';

/** What each question is answered with: the worker exposes it, tests call it in the page. */
export const solver: Solver = {
  fitCycle: (request, progress) => fitCycle(request, { progress }),
  fingerLine: ({ line, school, k }, progress) => {
    const schoolsShown = schoolsFor(line.notes);
    const own = 1 / (schoolsShown.length + 1);
    const best = fingerLine({ ...line, school, k }, { progress: (share) => progress(share * own) });
    const schools = compareSchools(line, schoolsShown, { progress: (share) => progress(own + share * (1 - own)) });
    return { best, schools };
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
  comp: (request, progress) => {
    const found = comp(request, { progress });
    if (found.infeasible) return { ways: [], infeasible: found.infeasible };
    const ways = found.answers.map((answer) => ({
      answer,
      text: compScript(request, answer),
      facts: compFacts(request, answer),
    }));
    return { ways, infeasible: [] };
  },
  bassLine: (request, progress) => {
    const found = bassLine(request, { progress });
    if (found.infeasible) return { ways: [], infeasible: found.infeasible };
    const ways = found.answers.map((answer) => ({ answer, facts: bassFacts(request, answer.steps) }));
    return { ways, infeasible: [] };
  },
  conflicts: ({ study, profile }) => conflictsOf(study, profile),
};
