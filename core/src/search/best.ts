/** The `most` best items of all that were pushed, by the order given; an item that falls behind is forgotten. */
export class Best<T> {
  /** Best first. */
  private readonly items: T[] = [];
  constructor(
    private readonly most: number,
    private readonly before: (a: T, b: T) => boolean,
  ) {}

  get size(): number {
    return this.items.length;
  }
  /** Whether there is room for an item that is no better than this one. */
  takes(isBetter: (worst: T) => boolean): boolean {
    const { items, most } = this;
    return items.length < most || isBetter(items[items.length - 1] as T);
  }
  push(item: T) {
    const { items, before, most } = this;
    let at = items.length;
    while (at > 0 && before(item, items[at - 1] as T)) at--;
    if (at >= most) return;
    items.splice(at, 0, item);
    if (items.length > most) items.pop();
  }
  pop(): T | undefined {
    return this.items.shift();
  }
}
