import Joi from 'joi/dist/joi-browser.min.mjs';
import { LONGEST_ID } from '../piece/index.js';
import {
  BLOCK_ENDS,
  BLOCK_KINDS,
  COURSE_WHATS,
  GOAL_KINDS,
  LONGEST_DRILL_KEY,
  LONGEST_RECORD_NOTE,
  LONGEST_SESSION_MINUTES,
  MOST_COURSE_STEPS,
  MOST_PLANNED_BLOCKS,
  MOST_TAKE_MEASURES,
  TAKE_SOURCES,
} from '../practice/index.js';
import { fingersIn, id, logged, name, tempo, text } from './schemas.js';

const some = Joi.string().max(LONGEST_ID);
const one = (list: readonly string[]) =>
  Joi.string()
    .valid(...list)
    .required();
const minutes = Joi.number().min(0).max(LONGEST_SESSION_MINUTES);
const note = text(LONGEST_RECORD_NOTE).required();
const figure = Joi.number().min(-1e9).max(1e9).required();
const count = Joi.number().integer().min(0).max(1e6).required();
const about = Joi.object({ studyId: id, sectionId: some, drill: Joi.string().max(LONGEST_DRILL_KEY) });
const someTempo = tempo.allow(null);

export const goalSchema = Joi.object({
  id,
  name,
  kind: one(GOAL_KINDS),
  about,
  bpm: tempo.optional(),
  pair: fingersIn(2, 2).optional(),
  by: logged.optional(),
  minutesADay: minutes,
  days: Joi.number().integer().min(1).max(366),
  begun: logged,
  reached: logged.optional(),
  note,
});

const courseStep = Joi.object({
  what: one(COURSE_WHATS),
  text: text(LONGEST_RECORD_NOTE).required(),
  drill: Joi.string().max(LONGEST_DRILL_KEY),
  bpm: someTempo,
  minutes,
  gate: Joi.object({
    clean: Joi.number().integer().min(1).max(100).required(),
    days: Joi.number().integer().min(1).max(100).required(),
    by: one(['mark', 'sound']),
  }).required(),
  passed: Joi.array().items(logged.optional()).max(100).required(),
});
export const courseSchema = Joi.object({
  id,
  name,
  about: about.required(),
  steps: Joi.array().items(courseStep).max(MOST_COURSE_STEPS).required(),
  begun: logged,
  note,
});

const plannedBlock = Joi.object({
  kind: one(BLOCK_KINDS),
  about,
  course: some,
  step: Joi.number().integer().min(0).max(MOST_COURSE_STEPS),
  goal: some,
  bpm: someTempo,
  minutes: minutes.required(),
  why: Joi.object({
    code: Joi.string().max(LONGEST_ID).required(),
    about: Joi.array()
      .items(Joi.alternatives(Joi.number(), text(LONGEST_DRILL_KEY)))
      .max(20)
      .required(),
  }).required(),
  done: Joi.object({ minutes: minutes.required(), end: one(BLOCK_ENDS), tension: Joi.boolean().required() }),
});
export const planSchema = Joi.object({
  id,
  startedAt: logged,
  minutes: minutes.required(),
  blocks: Joi.array().items(plannedBlock).max(MOST_PLANNED_BLOCKS).required(),
});

const measure = Joi.object({
  of: Joi.string().max(LONGEST_ID).required(),
  n: count,
  meanMs: figure,
  spreadMs: figure,
  loudness: figure,
});
const result = Joi.object({
  planned: count,
  matched: count,
  missed: count,
  doubled: count,
  extra: count,
  offsetMs: figure,
  driftPercent: figure,
  spreadMs: figure,
  trust: Joi.number().min(0).max(1).required(),
  measures: Joi.array().items(measure).max(MOST_TAKE_MEASURES).required(),
});
export const takeSchema = Joi.object({
  id,
  about: about.required(),
  studyName: name,
  sectionName: name,
  startedAt: logged,
  bpm: tempo,
  seconds: Joi.number().min(0).max(86_400).required(),
  source: one(TAKE_SOURCES),
  profileId: Joi.string().allow('').max(LONGEST_ID).required(),
  result: result.allow(null).required(),
  note,
});
