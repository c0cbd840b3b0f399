import type { CourseStep } from '../../practice/index.js';

const WHATS: Record<CourseStep['what'], string> = {
  'right hand alone': 'Right hand alone',
  'dead strings': 'On dead strings',
  'accents only': 'Accents only',
  'one chord': 'One chord',
  'all chords': 'All chords, as blocks',
  'as written': 'As written',
  faster: 'Faster',
  own: 'Then',
};
/**
 * What a step of a course asks for.
 * @example sayCourseStep({ what: 'own', text: 'Em → F', bpm: 80, gate: { clean: 4, days: 2, by: 'mark' }, passed: [] }) // 'Then: Em → F'
 */
export const sayCourseStep = ({ what, text }: CourseStep): string =>
  text === '' ? WHATS[what] : `${WHATS[what]}: ${text}`;
