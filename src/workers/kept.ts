/** Things that are worked out once and kept by a key, the last few of them. */
export class Kept<T> {
  private readonly known = new Map<string, T>();

  constructor(private readonly most: number) {}

  get(key: string, make: () => T): T {
    const found = this.known.get(key) ?? make();
    this.known.delete(key);
    this.known.set(key, found);
    const [oldest] = this.known.keys();
    if (this.known.size > this.most && oldest !== undefined) this.known.delete(oldest);
    return found;
  }
}
