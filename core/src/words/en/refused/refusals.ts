import type { DataFault, Fact } from '../../../fault/index.js';
import { DATA_FAULTS } from './data-faults.js';

/**
 * Why a command, a row or a file is refused. Apart from all other facts: the application's first part needs these alone.
 * @example sayRefusal({ code: 'above the most', about: [30, 12] }) // 'It is 30; 12 is the most.'
 */
export function sayRefusal({ code, about }: Fact): string {
  const [a = '', b = '', c = '', d = '', ...rest] = about.map(String);
  return DATA_FAULTS[code as keyof typeof DATA_FAULTS]([a, b, c, d, ...rest]);
}
/** A fault's path with its sentence. */
export interface SaidDataFault {
  readonly path: string;
  readonly message: string;
}
export const sayDataFaults = (faults: readonly DataFault[]): SaidDataFault[] =>
  faults.map((f) => ({ path: f.path, message: sayRefusal(f) }));
/**
 * Path and sentence in one line.
 * @example sayDataFault({ path: 'capo', code: 'above the most', about: [30, 12] }) // 'capo: It is 30; 12 is the most.'
 */
export const sayDataFault = (f: DataFault): string => `${f.path}: ${sayRefusal(f)}`;
