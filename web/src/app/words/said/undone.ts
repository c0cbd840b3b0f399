import { type Study, whatChanged } from '@ruffle-wheel/core';
import { undone } from '../undone';

export { undone };
/** What of a study has become another, in words; '' where nothing has. */
export function sayChanges(before: Study, now: Study): string {
  const changed = whatChanged(before, now);
  return changed.length ? undone.said(changed) : '';
}
