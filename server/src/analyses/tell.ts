/** Told while an analysis goes on: how much is done, and of how much. */
export type Tell = (done: number, total: number) => void;
