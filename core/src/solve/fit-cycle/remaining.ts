import type { Block } from './blocks.js';

/** Points that a chain pays, taken apart by what they depend on. Blocks are known by their numbers. */
export interface ChainPoints {
  readonly blocks: readonly Block[];
  /** Places at which a block can begin or the turn ends, rising. */
  readonly places: readonly number[];
  /** A block at a place, by itself; Infinity where it can't stand. */
  readonly standing: (block: number, at: number) => number;
  /** A block that begins at a place after one that lands there or does not. */
  readonly begins: (landed: boolean, block: number, at: number) => number;
  /** One block after another: inside the turn, and where the chain joins its own beginning. */
  readonly follows: (before: number, after: number) => readonly [inside: number, seam: number];
}

/**
 * What is still to pay from a place after a block, to the end of the turn and back into the first block: exactly, but for
 * lateness between blocks, from the cells in a set alone.
 */
export class Remaining {
  private readonly own: Float64Array;
  private readonly start: Float64Array;
  private readonly join: Float64Array;
  private readonly closing: Float64Array;
  /** Index of the place that a block from a place leads to; −1 where it leads nowhere. */
  private readonly onward: Int32Array;
  private readonly indexOf: ReadonlyMap<number, number>;
  private readonly tables = new Map<string, Float64Array>();

  constructor(private readonly points: ChainPoints) {
    const { blocks, places } = points;
    const n = blocks.length;
    this.indexOf = new Map(places.map((at, i) => [at, i]));
    this.own = new Float64Array(n * places.length);
    this.start = new Float64Array(2 * n * places.length);
    this.onward = new Int32Array(n * places.length);
    this.join = new Float64Array(n * n);
    places.forEach((at, p) => {
      blocks.forEach((block, b) => {
        this.own[p * n + b] = points.standing(b, at);
        this.onward[p * n + b] = this.indexOf.get(at + block.length) ?? -1;
        for (const landed of [0, 1] as const) this.start[(p * n + b) * 2 + landed] = points.begins(landed === 1, b, at);
      });
    });
    this.closing = new Float64Array(n * n);
    for (let a = 0; a < n; a++)
      for (let b = 0; b < n; b++) {
        const [inside, seam] = points.follows(a, b);
        this.join[a * n + b] = inside;
        this.closing[a * n + b] = seam + (this.start[b * 2 + (blocks[a]?.lands ? 1 : 0)] ?? 0);
      }
  }

  /** What a block pays at a place: by itself, and after another one. */
  step(block: number, at: number, last: number | null): number {
    const n = this.points.blocks.length;
    const row = (this.indexOf.get(at) ?? 0) * n + block;
    const own = this.own[row] ?? Infinity;
    if (last === null) return own;
    return (
      own + (this.start[row * 2 + (this.points.blocks[last]?.lands ? 1 : 0)] ?? 0) + (this.join[last * n + block] ?? 0)
    );
  }
  close(last: number, first: number): number {
    return this.closing[last * this.points.blocks.length + first] ?? 0;
  }
  /**
   * @param first null: whichever it was
   * @param cells bits of the cells that may come
   * @returns Infinity where no chain leads to the end
   */
  from(at: number, last: number, first: number | null, cells: number): number {
    const key = `${first ?? ''} ${cells}`;
    const table = this.tables.get(key) ?? this.tabled(first, cells);
    this.tables.set(key, table);
    return table[(this.indexOf.get(at) ?? 0) * this.points.blocks.length + last] ?? Infinity;
  }

  private tabled(first: number | null, cells: number): Float64Array {
    const { blocks, places } = this.points;
    const n = blocks.length;
    const table = new Float64Array(n * places.length).fill(Infinity);
    const members = blocks.flatMap((b, i) => (cells & (1 << b.cellIndex) ? [i] : []));
    const [going, onwards] = [new Int32Array(members.length), new Float64Array(2 * members.length)];
    const end = places.length - 1;
    for (const last of members)
      table[end * n + last] =
        first === null ? Math.min(...members.map((f) => this.close(last, f))) : this.close(last, first);
    for (let p = end - 1; p >= 0; p--) {
      const row = p * n;
      // What goes on from here, with all that does not depend on the block before.
      let there = 0;
      for (const b of members) {
        const to = this.onward[row + b] as number;
        const rest = to < 0 ? Infinity : (this.own[row + b] as number) + (table[to * n + b] as number);
        if (rest === Infinity) continue;
        going[there] = b;
        for (const landed of [0, 1])
          onwards[there * 2 + landed] = rest + (this.start[(row + b) * 2 + landed] as number);
        there++;
      }
      if (there === 0) continue;
      for (const last of members) {
        const landed = blocks[last]?.lands ? 1 : 0;
        let least = Infinity;
        for (let i = 0; i < there; i++) {
          const total = (onwards[i * 2 + landed] as number) + (this.join[last * n + (going[i] as number)] as number);
          if (total < least) least = total;
        }
        table[row + last] = least;
      }
    }
    return table;
  }
}
