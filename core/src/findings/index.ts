export { conflictsOf } from './conflicts-of.js';
export { findingsOf } from './findings-of.js';
export type {
  AccentPlace,
  CountLabel,
  Finding,
  FindingCode,
  FindingFigures,
  FindingMatter,
  FindingOf,
  FindingPlace,
  Tone,
} from './model.js';
export { FINDINGS, isAgainst, rank } from './rank.js';
export { remediesOf } from './remedies-of.js';
export { type Remedy, type RemedyCode, remedyCommand, type RemedyFigures, type SectionChange } from './remedy.js';
