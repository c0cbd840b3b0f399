import { keyHint } from '../key-hints';
import { plural } from '@ruffle-wheel/core';

/** Practise. */
export const practise = {
  begin: `Begin${keyHint('Space')}`,
  stop: `Stop and write down${keyHint('Space')}`,
  clean: `Clean${keyHint('PageDown')}`,
  notClean: `Not clean${keyHint('PageUp')}`,
  takeMarkBack: `Take mark back${keyHint('Backspace')}`,
  passGoesOn: 'A pass is marked once, when it has come round.',
  marksSoFar: (passes: number, held: number | null) =>
    `${plural(passes, 'pass', 'passes')}${held === null ? '' : ` · ${held} held`}`,
  countsAMinute: 'counts a minute',
  ladder: 'Ladder',
  start: 'From',
  end: 'To',
  step: 'Step',
  passes: 'Clean passes each',
  overCeiling: (bpm: number) =>
    `Above ${bpm} a finger of this hand is late: the ladder ends higher than it can follow. Stop there, or work on what is late.`,
  bothWays: 'To a slower tempo the ladder leads down, where control shows. Two misses in a row: one rung slower.',
  drill: 'Drill',
  nextDrill: `Next drill${keyHint('N')}`,
  drillOf: (n: number, all: number) => `${n} of ${all}`,
  asWritten: 'As written',
  asWrittenWhy:
    'Harder than needed, then back: rhythms, starts, weak pairs, bursts. Each drill has its own line in the logbook.',
  stand: `Stand view${keyHint('V')}`,
  leaveStand: `Leave stand view${keyHint('V')}`,
  today: (bpm: number) => `Begin at ${bpm}`,
  cleanHere: (clean: number, passes: number) => `${clean} / ${passes} clean here`,
  marks: 'Passes this session',
  noMarks: 'None yet. Play, then mark each pass by key or pedal.',
  written: (minutes: number, passes: number, best: number | null) =>
    `Written to the logbook: ${minutes} min, ${plural(passes, 'pass', 'passes')}${best === null ? '' : `, ${best} held`}.`,
  pain: 'Pain, numbness or tingling: stop and note it',
  painNoted: 'Noted. Stop for today; a teacher or a clinician decides, not this program.',
  caution: 'Warm up. A few minutes at a time on bursts and stretches; let the finger go after each stroke.',
  next: 'next',
  nextOn: 'on',
  strip: 'What the right hand plays in this turn',
  holds: 'Does it hold?',
  holdsHelp: (n: number) =>
    `${plural(n, 'check')} due. One pass, cold, before anything else: the first counts. After 1, 3, 7, 14 and 30 days.`,
  heldAt: (bpm: number, days: number) => `${bpm}, ${plural(days, 'day')} ago`,
  check: 'Check it',
  checkNamed: (study: string, name: string) => `Check it: ${study}, ${name}`,
  coldPass: (bpm: number) => `One pass at ${bpm}, cold. Mark it: the first counts.`,
  notCold: 'Practise it instead',
  keepInMind: 'Keep in mind',
  reminders: 'Three reminders of this study',
  reminder: (n: number) => `Reminder ${n}`,
  handRules: 'Of this hand; settled on the Shelf',
  done: 'End of the ladder held',
};
