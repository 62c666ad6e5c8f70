/** What was worked out for a pair of things, by a key: kept as long as both are at hand, so within a request or a page. */
export class KeptFor<T> {
  private readonly all = new WeakMap<object, WeakMap<object, Map<string, T>>>();

  get(one: object, other: object, key: string, make: () => T): T {
    const ofOne = this.all.get(one) ?? new WeakMap<object, Map<string, T>>();
    this.all.set(one, ofOne);
    const byKey = ofOne.get(other) ?? new Map<string, T>();
    ofOne.set(other, byKey);
    const known = byKey.get(key);
    if (known !== undefined) return known;
    const made = make();
    byKey.set(key, made);
    return made;
  }
}
