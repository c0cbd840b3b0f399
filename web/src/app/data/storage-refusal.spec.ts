import { isStorageRefusal, NoAnswer } from './storage-refusal';

it.each<[string, unknown, boolean]>([
  ['no room', new DOMException('full', 'QuotaExceededError'), true],
  ['tables that are closed', { name: 'DatabaseClosedError', inner: new Error('any') }, true],
  ['a door that can’t be asked', new NoAnswer(), true],
  ['an abort for want of room', { name: 'AbortError', inner: { name: 'QuotaExceededError' } }, true],
  ['an abort by a key that is none', { name: 'AbortError', inner: { name: 'DataError' } }, false],
  ['many rows without room', { name: 'BulkError', failures: [{ name: 'QuotaExceededError' }] }, true],
  [
    'one of many that is no row',
    { name: 'BulkError', failures: [{ name: 'QuotaExceededError' }, { name: 'DataError' }] },
    false,
  ],
  ['a row that is none', new TypeError('null has no id'), false],
  ['what can’t be copied', new DOMException('a function', 'DataCloneError'), false],
  ['nothing at all', undefined, false],
])('%s', (_, error, refusal) => expect(isStorageRefusal(error)).toBe(refusal));
