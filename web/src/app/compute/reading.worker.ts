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
import { readForPage } from './read-for-page';
import type { Computer } from './protocol';

const computer: Computer = {
  readForPage,
  startingPoints,
  planSession,
  planSet,
  courseFor,
  writtenBars,
  unrollForm: (study) => unrollForm(study),
  piecePlan: (study, first, keeping) => JSON.stringify(piecePlan(study, first, keeping)),
};
expose(computer);
