/** Place in a text, `to` exclusive. */
export interface Range {
  readonly from: number;
  readonly to: number;
}
/** A fault in a text: where, what (by its code, with the figures that its sentence needs), and what would work. */
export interface TextFault<Code extends string = string> extends Range {
  readonly code: Code;
  readonly about: readonly (string | number)[];
  /** Text that would work in place of the faulty stretch. */
  readonly fix?: string;
}
/** @example textFault({ from: 0, to: 2 }, 'finger twice').code // 'finger twice' */
export const textFault = <Code extends string>(
  { from, to }: Range,
  code: Code,
  about: readonly (string | number)[] = [],
  fix?: string,
): TextFault<Code> => ({ from, to, code, about, ...(fix === undefined ? {} : { fix }) });

/** A fact: its code, with the figures that its sentence needs. Why something can't be had, what is lost by it. */
export interface Fact<Code extends string = string> {
  readonly code: Code;
  readonly about: readonly (string | number)[];
  /** What lies under it: why a chord of a row has no shape. */
  readonly because?: Fact;
}
/** @example fact('no notes').about // [] */
export const fact = <Code extends string>(code: Code, ...about: readonly (string | number)[]): Fact<Code> => ({
  code,
  about,
});
/** The same with what lies under it. */
export const factBecause = <Code extends string>(
  because: Fact | undefined,
  code: Code,
  ...about: readonly (string | number)[]
): Fact<Code> => ({ code, about, ...(because ? { because } : {}) });

/** A fault in plain data: a fact with the path of the field it is about. */
export interface DataFault<Code extends string = string> extends Fact<Code> {
  readonly path: string;
}
/** @example dataFault('capo', 'above the most', 30, 12).path // 'capo' */
export const dataFault = <Code extends string>(
  path: string,
  code: Code,
  ...about: readonly (string | number)[]
): DataFault<Code> => ({ path, code, about });
