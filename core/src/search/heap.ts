/** A binary heap: the least item first, by the order given. */
export class Heap<T> {
  private readonly items: T[] = [];
  constructor(private readonly before: (a: T, b: T) => boolean) {}

  get size(): number {
    return this.items.length;
  }
  push(item: T) {
    const { items, before } = this;
    let at = items.length;
    items.push(item);
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (!before(item, items[up] as T)) break;
      items[at] = items[up] as T;
      at = up;
    }
    items[at] = item;
  }
  pop(): T | undefined {
    const { items, before } = this;
    const first = items[0];
    const last = items.pop();
    if (last === undefined || items.length === 0) return first;
    let at = 0;
    for (;;) {
      let down = 2 * at + 1;
      if (down >= items.length) break;
      if (down + 1 < items.length && before(items[down + 1] as T, items[down] as T)) down++;
      if (!before(items[down] as T, last)) break;
      items[at] = items[down] as T;
      at = down;
    }
    items[at] = last;
    return first;
  }
}
