/** Told when the last question is answered, before the study is there. */
export interface Answered {
  readonly answered: () => void;
}
