import Joi from 'joi/dist/joi-browser.min.mjs';
import { MOST_COUNTS } from '../cycle/index.js';
import { HIGHEST_FRET, LONGEST_NAME } from '../fretting/index.js';
import { FINGER_PAIRS, LEAST_SPACING, LEAST_SPAN, MOST_SPACING, WIDEST_SPAN } from '../neck/index.js';
import { LITTLE_FINGER_SPELLINGS } from '../hand/index.js';
import { LONGEST_CELL, LONGEST_SCRIPT } from '../pattern/index.js';
import { HIGHEST_CAPO, MOST_SECTIONS, MOST_SHAPES } from '../piece/index.js';
import { HIGHEST_BPM, LOWEST_BPM, STEPS_PER_COUNT, TICKS_PER_COUNT } from '../time/index.js';

const id = Joi.string().max(80).required();
/** A name may be any text; it is only ever shown as text, never read as markup. */
const name = Joi.string().trim().max(LONGEST_NAME).required();
const text = (most: number) => Joi.string().allow('').max(most);
const tempo = Joi.number().min(LOWEST_BPM).max(HIGHEST_BPM).required();
const longest = MOST_COUNTS * TICKS_PER_COUNT;

export const cycleSchema = Joi.object({
  id,
  name,
  family: Joi.string().valid('flamenco', 'tango', 'bossa nova').required(),
  counts: Joi.number().integer().min(1).max(MOST_COUNTS).required(),
  labels: Joi.array().items(Joi.string().max(20)).max(MOST_COUNTS).required(),
  accents: Joi.array()
    .items(
      Joi.object({
        at: Joi.number().integer().min(0).max(longest).required(),
        weight: Joi.number().min(0).max(1).required(),
      }),
    )
    .max(1024)
    .required(),
  groups: Joi.array().items(Joi.number().integer().positive().max(longest)).min(1).max(1024).required(),
  countNote: Joi.string().valid('half', 'quarter', 'eighth').required(),
  tempo: Joi.object({ low: tempo, usual: tempo, high: tempo }).required(),
  school: text(120),
  note: text(500),
});

const perString = (item: ReturnType<typeof Joi.number> | ReturnType<typeof Joi.alternatives>) =>
  Joi.array().items(item).length(6).required();
const shapeSchema = Joi.object({
  id,
  name,
  frets: perString(Joi.number().integer().min(0).max(HIGHEST_FRET).allow(null)),
  fingers: perString(Joi.alternatives(Joi.number().integer().min(0).max(4), Joi.string().valid('T')).allow(null)),
});

const ladderSchema = Joi.object({
  start: tempo,
  end: tempo,
  step: Joi.number().min(1).max(100).required(),
  passes: Joi.number().integer().min(1).max(50).required(),
});

const sectionSchema = Joi.object({
  id,
  name,
  cycle: cycleSchema.required(),
  script: text(LONGEST_SCRIPT).required(),
  stepsPerCount: Joi.number()
    .valid(...STEPS_PER_COUNT)
    .required(),
  start: Joi.number().integer().min(0).max(longest).required(),
  harmony: Joi.object({
    per: Joi.string().valid('turn', 'group').required(),
    shapes: Joi.array().items(Joi.string().max(80)).max(256).required(),
  }).required(),
  stopped: Joi.array()
    .items(
      Joi.object({
        at: Joi.number()
          .integer()
          .min(0)
          .max(LONGEST_SCRIPT * TICKS_PER_COUNT)
          .required(),
        string: Joi.number().integer().min(1).max(6).required(),
        fret: Joi.number().integer().min(0).max(HIGHEST_FRET).required(),
        finger: Joi.alternatives(Joi.number().integer().min(0).max(4), Joi.string().valid('T')),
      }),
    )
    .max(20_000),
  bpm: tempo,
  ladder: ladderSchema.required(),
});

export const studySchema = Joi.object({
  id,
  name,
  family: Joi.string().valid('flamenco', 'tango', 'bossa nova').required(),
  tuning: Joi.array().items(Joi.number().integer().min(20).max(90)).length(6).required(),
  capo: Joi.number().integer().min(0).max(HIGHEST_CAPO).required(),
  shapes: Joi.array().items(shapeSchema).max(MOST_SHAPES).unique('id').required(),
  sections: Joi.array().items(sectionSchema).min(1).max(MOST_SECTIONS).unique('id').required(),
  note: text(4_000).required(),
});

const moveMs = Joi.number().min(0).max(500).required();
const reachMm = Joi.number().min(10).max(300).required();
const reachSchema = Joi.object({ ease: reachMm, limit: reachMm.min(Joi.ref('ease')) }).required();
const limitMs = Joi.number().min(20).max(2_000).required();
const spacing = Joi.number().min(LEAST_SPACING).max(MOST_SPACING);
export const profileSchema = Joi.object({
  id,
  name,
  returnMs: Joi.object({ p: limitMs, i: limitMs, m: limitMs, a: limitMs, e: limitMs }).required(),
  jointMs: limitMs,
  thumbJointMs: limitMs,
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
  cautionsRead: Joi.boolean().required(),
});

export const cellSchema = Joi.object({
  id,
  name,
  script: Joi.string().max(LONGEST_CELL).required(),
  stepsPerCount: Joi.number()
    .valid(...STEPS_PER_COUNT)
    .required(),
  family: Joi.string().valid('flamenco', 'tango', 'bossa nova').required(),
  note: text(200).required(),
});

export const logEntrySchema = Joi.object({
  id,
  studyId: id,
  studyName: name,
  sectionName: name,
  startedAt: Joi.string().isoDate().required(),
  minutes: Joi.number().min(0).max(1_440).required(),
  passes: Joi.array()
    .items(Joi.object({ bpm: tempo, clean: Joi.boolean().required() }))
    .max(10_000)
    .required(),
  pain: Joi.boolean().required(),
});

const list = (schema: ReturnType<typeof Joi.object>, most: number) =>
  Joi.array().items(schema).max(most).unique('id').required();
export const fileSchema = Joi.object({
  format: Joi.string().required(),
  version: Joi.number().integer().required(),
  kind: Joi.string().valid('study', 'everything').required(),
  studies: list(studySchema, 500),
  log: list(logEntrySchema, 50_000),
  profiles: list(profileSchema, 50),
  cycles: list(cycleSchema, 500),
  cells: list(cellSchema, 500),
});
