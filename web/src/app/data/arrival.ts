import { copyStudy, freeName, KEPT, type Kept, type Study } from '@ruffle-wheel/core';
import { type PlacedRow, type Row, same, type StudyRow } from './rows';

/** What a file would bring, looked at before anything of it is taken. */
export interface Arrival {
  /** Names the file, or what else it came from. */
  readonly from: string;
  /** Rows that the shelf does not have. */
  readonly fresh: readonly PlacedRow[];
  /** Rows that the shelf has otherwise. */
  readonly differing: readonly PlacedRow[];
  /** Rows that the shelf has to the letter, and how many they are. */
  readonly alike: readonly PlacedRow[];
  readonly already: number;
  /** The one study that a file of one study holds. */
  readonly only: string | null;
}
/** What becomes of the player's own where a file brings other versions of it. */
export type Meeting = 'leave mine' | 'keep both' | 'take theirs';

type Held = Readonly<Record<Kept, readonly Row[]>>;
const content = (placed: PlacedRow): unknown => (placed.table === 'studies' ? placed.row.study : placed.row);

/** Compares what a file holds with what is on the shelf. */
export function arrivalOf(from: string, came: readonly PlacedRow[], held: Held): Arrival {
  const there = new Map(KEPT.flatMap((table) => held[table].map((row) => [`${table} ${row.id}`, row] as const)));
  const fresh: PlacedRow[] = [];
  const differing: PlacedRow[] = [];
  const alike: PlacedRow[] = [];
  for (const placed of came) {
    const mine = there.get(`${placed.table} ${placed.row.id}`);
    if (!mine) fresh.push(placed);
    else if (same(content(placed), placed.table === 'studies' ? (mine as StudyRow).study : mine)) alike.push(placed);
    else differing.push(placed);
  }
  const studies = came.filter((p) => p.table === 'studies');
  const already = alike.length;
  return { from, fresh, differing, alike, already, only: studies.length === 1 ? (studies[0]?.row.id ?? null) : null };
}

/** The rows that come onto the shelf, by what the player has chosen. */
export function rowsToTake(arrival: Arrival, how: Meeting, held: Held, newId: () => string): readonly PlacedRow[] {
  if (how === 'leave mine') return arrival.fresh;
  if (how === 'take theirs') return [...arrival.fresh, ...arrival.differing];
  const names = held.studies.map((r) => (r as StudyRow).study.name);
  // A line of the log that differs is the same hour told twice, and so are plans and takes: mine stays.
  const copies = arrival.differing.flatMap((placed): PlacedRow[] => {
    if (placed.table === 'log' || placed.table === 'plans' || placed.table === 'takes') return [];
    const id = newId();
    if (placed.table !== 'studies') {
      const row = { ...placed.row, id, name: freeName(placed.row.name, [placed.row.name]) };
      return [{ table: placed.table, row } as PlacedRow];
    }
    const study: Study = copyStudy(placed.row.study, id, freeName(placed.row.study.name, names));
    names.push(study.name);
    return [{ table: 'studies', row: { ...placed.row, id, study } }];
  });
  return [...arrival.fresh, ...copies];
}
