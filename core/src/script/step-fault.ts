import type { StepFaultCode } from './model.js';

/** What is wrong with one step, wherever it stands. */
export interface StepFault {
  readonly code: StepFaultCode;
  readonly about: readonly (string | number)[];
  readonly fix?: string;
}
export const stepFault = (code: StepFaultCode, about: readonly (string | number)[] = [], fix?: string): StepFault => ({
  code,
  about,
  ...(fix ? { fix } : {}),
});
export const isFault = (x: object): x is StepFault => 'code' in x;
