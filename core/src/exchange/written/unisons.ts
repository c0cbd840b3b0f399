interface Sounding {
  readonly at: number;
  readonly length: number;
  readonly midi: number;
}
/** Of one pitch on two strings at once the longer: a track can’t hold both. */
export function withoutUnisons<T extends Sounding>(sounds: readonly T[]): T[] {
  const own = new Map<string, T>();
  for (const s of sounds) {
    const key = `${s.at} ${s.midi}`;
    const there = own.get(key);
    if (!there || there.length < s.length) own.set(key, s);
  }
  return [...own.values()];
}
