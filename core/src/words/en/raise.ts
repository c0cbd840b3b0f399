import type { RaiseWay } from '../../drill/index.js';

/** What would raise the ceiling, without its figure: “i and a change places”. */
export function sayRaise(way: RaiseWay): string {
  switch (way.how) {
    case 'exchange':
      return `${way.from} and ${way.to} change places`;
    case 'start finger':
      return `The order begun ${way.by} ${way.by === 1 ? 'finger' : 'fingers'} later`;
    case 'school':
      return `Fingered by “${way.school}”`;
    case 'cell':
      return `${way.cell}, as dense`;
  }
}
