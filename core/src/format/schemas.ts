import Joi from 'joi/dist/joi-browser.min.mjs';
import {
  COUNT_NOTES,
  FAMILIES,
  LONGEST_CYCLE_NOTE,
  LONGEST_SCHOOL,
  MOST_ACCENTS,
  MOST_COUNTS,
} from '../cycle/index.js';
import { LEAST_SPACING, MOST_SPACING } from '../instrument/index.js';
import { HIGHEST_FRET } from '../left-hand/index.js';
import { LONGEST_CHART } from '../chart/index.js';
import { LONGEST_WORDS } from '../syllables/index.js';
import { cleanName, LONGEST_NAME } from '../name/index.js';
import {
  HIGHEST_CAPO,
  LADDER_BOUNDS,
  FEEL_BOUNDS,
  LATEST_START,
  LONGEST_FORM,
  LONGEST_ID,
  LONGEST_REMINDER,
  LONGEST_STUDY_NOTE,
  MODES,
  TONIC,
  MOST_BARS,
  MOST_NAMED_CELLS,
  MOST_REMINDERS,
  MOST_SECTIONS,
  MOST_SHAPES,
  OPEN_STRING_BOUNDS,
} from '../piece/index.js';
import {
  EVERY_CHOICE,
  FINGER_PAIRS,
  HAND_CHOICES,
  LEAST_SPAN,
  LONGEST_HAND_NOTES,
  LITTLE_FINGER_SPELLINGS,
  WIDEST_SPAN,
} from '../player/index.js';
import {
  FIRST_LOGGED_YEAR,
  LAST_LOGGED_YEAR,
  LONGEST_SESSION_MINUTES,
  LONGEST_RECORD_NOTE,
  MOST_PASSES,
  MOST_PLANNED_BLOCKS,
  LONGEST_DRILL_KEY,
} from '../practice/index.js';
import { FINGERS } from '../stroke/index.js';
import { LONGEST_CELL, LONGEST_SCRIPT } from '../script/index.js';
import { HIGHEST_BPM, LOWEST_BPM, STEPS_PER_COUNT, TICKS_PER_COUNT } from '../time/index.js';

export const id = Joi.string().max(LONGEST_ID).required();
/**
 * A name may be any text that can be seen; it is only ever shown as text, never read as markup. White space at its
 * ends and marks that would turn the text beside it are taken off.
 */
export const name = Joi.string()
  .max(LONGEST_NAME)
  .required()
  .custom((value: string, helpers: Joi.CustomHelpers) => cleanName(value) || helpers.error('name.unseen'));
export const text = (most: number) => Joi.string().allow('').max(most);
export const tempo = Joi.number().min(LOWEST_BPM).max(HIGHEST_BPM).required();
const longest = MOST_COUNTS * TICKS_PER_COUNT;
const family = Joi.string()
  .valid(...FAMILIES)
  .required();
const steps = Joi.number()
  .valid(...STEPS_PER_COUNT)
  .required();

export const cycleSchema = Joi.object({
  id,
  name,
  family,
  counts: Joi.number().integer().min(1).max(MOST_COUNTS).required(),
  labels: Joi.array().items(Joi.string().max(20)).max(MOST_COUNTS).required(),
  accents: Joi.array()
    .items(
      Joi.object({
        at: Joi.number().integer().min(0).max(longest).required(),
        weight: Joi.number().min(0).max(1).required(),
      }),
    )
    .max(MOST_ACCENTS)
    .required(),
  groups: Joi.array().items(Joi.number().integer().positive().max(longest)).min(1).max(MOST_ACCENTS).required(),
  bars: Joi.array().items(Joi.number().integer().positive().max(longest)).min(1).max(MOST_ACCENTS),
  wishedSilent: Joi.array().items(Joi.number().integer().min(0).max(longest)).max(MOST_ACCENTS),
  countNote: Joi.string()
    .valid(...COUNT_NOTES)
    .required(),
  tempo: Joi.object({ low: tempo, usual: tempo, high: tempo }).required(),
  school: text(LONGEST_SCHOOL),
  note: text(LONGEST_CYCLE_NOTE),
});

const leftFinger = Joi.alternatives(Joi.number().integer().min(0).max(4), Joi.string().valid('T'));
const fret = Joi.number().integer().min(0).max(HIGHEST_FRET);
const perString = (item: ReturnType<typeof Joi.number> | ReturnType<typeof Joi.alternatives>) =>
  Joi.array().items(item).length(6).required();
export const shapeSchema = Joi.object({
  id,
  name,
  chord: Joi.string().max(LONGEST_NAME),
  frets: perString(fret.allow(null)),
  fingers: perString(leftFinger.allow(null)),
});

const ladderSchema = Joi.object({
  start: tempo,
  end: tempo,
  step: Joi.number().min(LADDER_BOUNDS.step.low).max(LADDER_BOUNDS.step.high).required(),
  passes: Joi.number().integer().min(LADDER_BOUNDS.passes.low).max(LADDER_BOUNDS.passes.high).required(),
});

const between = ({ low, high }: { readonly low: number; readonly high: number }) =>
  Joi.number().min(low).max(high).required();
const feelSchema = Joi.object({
  countNote: Joi.string().valid(...COUNT_NOTES),
  swing: between(FEEL_BOUNDS.swing),
  leanMs: between(FEEL_BOUNDS.leanMs),
  countsABeat: Joi.number().integer().min(FEEL_BOUNDS.countsABeat.low).max(FEEL_BOUNDS.countsABeat.high),
});
const keySchema = Joi.object({
  tonic: Joi.string().pattern(TONIC).required(),
  mode: Joi.string()
    .valid(...MODES)
    .required(),
});
const sectionSchema = Joi.object({
  id,
  name,
  cycle: cycleSchema.required(),
  script: text(LONGEST_SCRIPT).required(),
  stepsPerCount: steps,
  start: Joi.number().integer().min(0).max(LATEST_START).required(),
  chart: text(LONGEST_CHART).required(),
  bars: Joi.number().integer().min(1).max(MOST_BARS).allow(null).required(),
  bpm: tempo,
  feel: feelSchema.allow(null).required(),
  ladder: ladderSchema.required(),
  words: text(LONGEST_WORDS).required(),
  key: keySchema.allow(null).required(),
});

const { low, high } = OPEN_STRING_BOUNDS;
export const studySchema = Joi.object({
  id,
  name,
  instrument: Joi.object({
    tuning: Joi.array().items(Joi.number().integer().min(low).max(high)).length(6).required(),
    capo: Joi.number().integer().min(0).max(HIGHEST_CAPO).required(),
  }).required(),
  cells: Joi.array()
    .items(Joi.object({ name, script: text(LONGEST_SCRIPT).required(), stepsPerCount: steps }))
    .max(MOST_NAMED_CELLS)
    .required(),
  form: text(LONGEST_FORM).required(),
  shapes: Joi.array().items(shapeSchema).max(MOST_SHAPES).unique('id').required(),
  sections: Joi.array().items(sectionSchema).min(1).max(MOST_SECTIONS).unique('id').required(),
  reminders: Joi.array().items(Joi.string().max(LONGEST_REMINDER)).max(MOST_REMINDERS).required(),
  note: text(LONGEST_STUDY_NOTE).required(),
});

const moveMs = Joi.number().min(0).max(500).required();
const reachMm = Joi.number().min(10).max(300).required();
const reachSchema = Joi.object({ ease: reachMm, limit: reachMm.min(Joi.ref('ease')) }).required();
const limitMs = Joi.number().min(20).max(2_000).required();
const spacing = Joi.number().min(LEAST_SPACING).max(MOST_SPACING);
/** So many fingers, in their order. */
export const fingersIn = (least: number, most: number) =>
  Joi.array()
    .items(Joi.string().valid(...FINGERS))
    .min(least)
    .max(most)
    .required();
export const profileSchema = Joi.object({
  id,
  name,
  returnMs: Joi.object({ p: limitMs, i: limitMs, m: limitMs, a: limitMs, e: limitMs }).required(),
  jointMs: limitMs,
  thumbJointMs: limitMs,
  plectrumMs: limitMs.optional(),
  scaleLength: Joi.number().min(400).max(800).required(),
  nutSpacing: spacing,
  bridgeSpacing: spacing,
  span: Joi.number().min(LEAST_SPAN).max(WIDEST_SPAN).required(),
  left: Joi.object({
    reach: Joi.object(Object.fromEntries(FINGER_PAIRS.map((pair) => [pair, reachSchema]))).required(),
    barre: Joi.number().min(500).max(60_000).required(),
    thumbOver: Joi.boolean().required(),
    move: Joi.object({ start: moveMs, perBit: moveMs }).required(),
  }),
  littleFinger: Joi.string()
    .valid(...LITTLE_FINGER_SPELLINGS)
    .required(),
  habits: Joi.object({
    pair: fingersIn(2, 2),
    tremolo: fingersIn(2, 8),
    tremoloOfFour: fingersIn(2, 8),
  }),
  choices: Joi.object(Object.fromEntries(EVERY_CHOICE.map((c) => [c, Joi.string().valid(...HAND_CHOICES[c])]))),
  notes: text(LONGEST_HAND_NOTES),
  cautionsRead: Joi.boolean().required(),
});

export const cellSchema = Joi.object({
  id,
  name,
  script: Joi.string().max(LONGEST_CELL).required(),
  stepsPerCount: steps,
  family,
  lean: Joi.string().valid('first', 'last', 'landing'),
  note: text(200).required(),
});

/** A day that a log can hold: a wrong clock must not stretch the chart over millennia. */
export const logged = Joi.string()
  .isoDate()
  .required()
  .custom((value: string, helpers: Joi.CustomHelpers) => {
    const year = new Date(value).getUTCFullYear();
    return year >= FIRST_LOGGED_YEAR && year <= LAST_LOGGED_YEAR ? value : helpers.error('date.year');
  });
export const logEntrySchema = Joi.object({
  id,
  studyId: id,
  studyName: name,
  sectionName: name,
  sectionId: Joi.string().max(LONGEST_ID),
  drill: Joi.string().max(LONGEST_DRILL_KEY),
  startedAt: logged,
  minutes: Joi.number().min(0).max(LONGEST_SESSION_MINUTES).required(),
  passes: Joi.array()
    .items(Joi.object({ bpm: tempo, clean: Joi.boolean().required() }))
    .max(MOST_PASSES)
    .required(),
  pain: Joi.boolean().required(),
  tension: Joi.boolean(),
  spoken: Joi.boolean(),
  cold: Joi.boolean(),
  plan: Joi.string().max(LONGEST_ID),
  block: Joi.number().integer().min(0).max(MOST_PLANNED_BLOCKS),
  take: Joi.string().max(LONGEST_ID),
  note: text(LONGEST_RECORD_NOTE),
});
