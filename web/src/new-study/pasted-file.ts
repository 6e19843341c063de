/** What cells are called that were pasted, and come from no file. */
export const PASTED_FILE = 'Pasted cells';
