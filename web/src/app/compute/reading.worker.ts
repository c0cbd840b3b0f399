/// <reference lib="webworker" />
import {
  courseFor,
  piecePlan,
  planSession,
  planSet,
  startingPoints,
  unrollForm,
  writtenBars,
} from '@ruffle-wheel/core';
import { expose } from 'comlink';
import { LogInParts } from './log-in-parts';
import { readForPage } from './read-for-page';
import type { Computer } from './protocol';

const logs = new LogInParts();
const computer: Computer = {
  readForPage,
  startingPoints,
  takeLog: (id, lines) => logs.take(id, lines),
  planSession: (request, id, lines) => planSession({ ...request, log: logs.whole(id, lines) }),
  planSet,
  courseFor,
  writtenBars,
  unrollForm: (study) => unrollForm(study),
  piecePlan: (study, first, keeping) => JSON.stringify(piecePlan(study, first, keeping)),
};
expose(computer);
