import type { Changed, ChangedPart } from '@ruffle-wheel/core';
import { listed } from '@ruffle-wheel/core';

const PARTS: Readonly<Record<ChangedPart, string>> = {
  instrument: 'tuning and capo',
  shapes: 'shapes',
  cells: 'cells of the study',
  form: 'form',
  reminders: 'reminders',
  note: 'note',
  'study name': 'name of the study',
  'section name': 'name of the section',
  sections: 'the section itself',
  'section order': 'order of the sections',
  cycle: 'cycle',
  script: 'hand script',
  stepsPerCount: 'steps to a count',
  start: 'where the pattern begins',
  chart: 'chart',
  bars: 'bars',
  bpm: 'tempo',
  feel: 'feel',
  ladder: 'ladder',
  words: 'words',
  key: 'key',
};
const part = ({ what, stroke }: Changed) => (stroke === null ? PARTS[what] : `stroke ${stroke}`);

/** What undo and redo have done. */
export const undone = {
  /** Changes section by section, as: stroke 3 and chart of “Rasgueado”. */
  said: (changes: readonly Changed[]): string => {
    const sections = [...new Set(changes.map((c) => c.section?.name ?? ''))];
    return listed(
      sections.map((name) => {
        const own = listed(changes.filter((c) => (c.section?.name ?? '') === name).map(part));
        return name === '' ? own : `${own} of “${name}”`;
      }),
    );
  },
  takenBack: (what: string) => `Taken back: ${what}`,
  doneAgain: (what: string) => `Done again: ${what}`,
  nothingBack: 'Nothing to take back.',
  nothingAgain: 'Nothing to do again.',
};
