/** A fault in plain data, with the path of the field it is about. */
export interface DataFault {
  readonly path: string;
  readonly message: string;
}

/** Place in the script's text, `to` exclusive. */
export interface Range {
  readonly from: number;
  readonly to: number;
}
/** A fault in a text, at its place. */
export interface ScriptFault extends Range {
  readonly message: string;
  /** Text that would work in place of the faulty stretch. */
  readonly fix?: string;
}
