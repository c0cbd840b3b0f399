/** What the browser's storage itself says when it does not take something now: Dexie's names and the platform's. */
const REFUSALS: ReadonlySet<string> = new Set([
  'AbortError',
  'DatabaseClosedError',
  'InvalidStateError',
  'MissingAPIError',
  'NoAnswer',
  'NotReadableError',
  'OpenFailedError',
  'PrematureCommitError',
  'QuotaExceededError',
  'ReadOnlyError',
  'SecurityError',
  'TimeoutError',
  'TransactionInactiveError',
  'UnknownError',
  'UpgradeError',
  'VersionChangeError',
  'VersionError',
]);

/** What checks a row before it is written could not be reached. */
export class NoAnswer extends Error {
  override readonly name = 'NoAnswer';
}

interface Thrown {
  readonly name?: unknown;
  readonly inner?: unknown;
  readonly failures?: unknown;
}
/**
 * Whether the storage has refused, so that trying again may help. Everything else that is thrown lies in the operation
 * and would come again each time.
 */
export function isStorageRefusal(error: unknown): boolean {
  const { name, inner, failures } = (error ?? {}) as Thrown;
  // Of many rows at once the library tells what was said of each.
  if (name === 'BulkError' && Array.isArray(failures)) return failures.length > 0 && failures.every(isStorageRefusal);
  // An abort names what brought it about.
  if (name === 'AbortError' && inner) return isStorageRefusal(inner);
  return typeof name === 'string' && REFUSALS.has(name);
}
