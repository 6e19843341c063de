/** Longest that the thread which answers requests is kept at a stretch. */
const TURN_MS = 12;

/** Cuts work that has to be done where requests are answered into short turns, between which others are answered. */
export class Turns {
  #begun = performance.now();

  /** To be waited for often; it lets others take their turn once this one has been long enough. */
  async pause(): Promise<void> {
    if (performance.now() - this.#begun < TURN_MS) return;
    await new Promise((resolve) => setImmediate(resolve));
    this.#begun = performance.now();
  }
}
