/** A map of so many entries at most; the one that was set or asked for longest ago goes first. */
export class Cache<Key, Value> {
  private readonly kept = new Map<Key, Value>()
  constructor(private readonly most: number) {}

  has(key: Key): boolean {
    return this.kept.has(key)
  }

  get(key: Key): Value | undefined {
    const value = this.kept.get(key)
    if (value !== undefined) {
      this.kept.delete(key)
      this.kept.set(key, value)
    }
    return value
  }

  set(key: Key, value: Value): void {
    this.kept.delete(key)
    this.kept.set(key, value)
    if (this.kept.size > this.most) this.kept.delete(this.kept.keys().next().value!)
  }

  delete(key: Key): void {
    this.kept.delete(key)
  }

  values(): Value[] {
    return [...this.kept.values()]
  }
}
