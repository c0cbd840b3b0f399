import type { StartingPoint, WayToBegin } from '../../solve/fit-cycle/index.js';
import { sayCell } from './catalogue.js';

interface SaidWay {
  readonly name: string;
  /** In a line: how it feels. */
  readonly note: string;
}
const STRUMS: Record<Extract<WayToBegin, string>, SaidWay> = {
  rolls: {
    name: 'Rolls that land on the accents',
    note: 'Flicks of three, four and five with the index between them.',
  },
  'index alone': { name: 'Index alone', note: 'Down and up with one finger.' },
  alzapúa: { name: 'Alzapúa', note: 'The thumb alone: through the strings, back, one string.' },
};
/**
 * What a way to begin is called, and how it feels.
 * @example sayWayToBegin({ way: 'alzapúa' }).name // 'Alzapúa'
 */
export const sayWayToBegin = ({ way }: Pick<StartingPoint, 'way'>): SaidWay =>
  typeof way === 'string' ? STRUMS[way] : sayCell(way.cell);
