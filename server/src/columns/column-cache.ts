const LARGEST_CACHE_BYTES = 384 * 1024 * 1024;

/** What was loaded or computed of stored revisions; a version never changes, so that nothing can go stale. */
export class ColumnCache {
  #entries = new Map<string, { content: Promise<unknown>; bytes: number }>();
  #total = 0;

  constructor(private readonly largest = LARGEST_CACHE_BYTES) {}

  /** The entry under a key, made if there is none. A key always stands for content of the same type. */
  get<T>(key: string, bytes: number, make: () => Promise<T>): Promise<T> {
    const known = this.#entries.get(key);
    if (known) {
      // Re-inserted last: a Map keeps the order of insertion, so that its first entry is the one longest unused.
      this.#entries.delete(key);
      this.#entries.set(key, known);
      return known.content as Promise<T>;
    }
    const content = make();
    this.#entries.set(key, { content, bytes });
    this.#total += bytes;
    // Only itself: by then another may stand under the key.
    content.catch(() => {
      if (this.#entries.get(key)?.content === content) this.#forget(key);
    });
    for (const oldest of this.#entries.keys()) {
      if (this.#total <= this.largest || oldest === key) break;
      this.#forget(oldest);
    }
    return content;
  }

  #forget(key: string): void {
    this.#total -= this.#entries.get(key)?.bytes ?? 0;
    this.#entries.delete(key);
  }
}
