import { LARGEST_FILE } from '@ruffle-wheel/core';
import type { Exchange } from '../../compute/exchange';
import type { PlacedRow } from '../../data';
import type { ArrivalResult, Arrivals, Collection } from '../../study';
import { files } from '../../words/files';
import { sayLogCsvFault } from '../../words/said/score-files';

/** A log as a table, compared with the one that is kept; nothing is taken yet. */
export async function lookAtTable(
  file: File,
  exchange: Exchange,
  arrivals: Arrivals,
  collection: Collection,
): Promise<ArrivalResult> {
  // No more is read than is taken.
  const bytes = new Uint8Array(await file.slice(0, LARGEST_FILE + 1).arrayBuffer());
  await collection.wholeLog();
  const read = await exchange.readLogTable(bytes, collection.log());
  if (read && 'log' in read)
    return arrivals.compare(
      file.name,
      read.log.map((row): PlacedRow => ({ table: 'log', row })),
    );
  const [message = files.look.notRead, ...more] = read?.faults.map(sayLogCsvFault) ?? [];
  return { ok: false, code: 'table', message, faults: more.map((m) => ({ path: '', message: m })) };
}
