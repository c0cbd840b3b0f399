import type { RaiseWay } from '../../drill/index.js';
import { sayCell } from './catalogue.js';
import { sayLineSchool } from './schools.js';

/** What would raise the ceiling, without its figure: “i and a change places”. */
export function sayRaise(way: RaiseWay): string {
  switch (way.how) {
    case 'exchange':
      return way.both ? `${way.from} and ${way.to} change places` : `${way.to} in place of ${way.from}`;
    case 'school':
      return `Fingered by “${sayLineSchool(way.school).name}”`;
    case 'cell':
      return `${sayCell({ name: way.cell, note: '' }).name}, as dense`;
  }
}
