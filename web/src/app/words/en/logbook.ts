import { plural } from '@ruffle-wheel/core';

/** The Logbook. */
export const logbook = {
  title: 'Logbook',
  empty: 'Nothing practised yet. Begin in Practise; stopping writes a line here.',
  day: 'Day',
  study: 'Study',
  minutes: 'Minutes',
  reached: 'Reached',
  marks: 'Clean',
  none: 'none clean',
  cleanOf: (clean: number, passes: number, percent: number) => `${clean} of ${passes} (${percent} %)`,
  chart: 'Tempo reached, counts a minute',
  line: (study: string, from: number, to: number) => `${study} from ${from} to ${to}`,
  moreLines: (n: number) => `left out, practised longer ago: ${n}`,
  reading: 'Reading the log…',
  all: 'All studies',
  ofDemo: 'The demo’s sessions',
  invented: 'The demo’s sessions: invented. Your own stand apart from them.',
  remove: 'Delete line',
  removed: 'Line deleted',
  sessions: (n: number, minutes: number) => `${plural(n, 'session')} · ${plural(minutes, 'minute')}`,
  minutesUnit: 'min',
  cold: 'cold',
  pain: 'pain noted',
};
