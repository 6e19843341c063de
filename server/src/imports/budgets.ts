/**
 * What a file may ask for before it is refused in words; the only list of these limits. They stand far above what tables
 * of cases have, and far below what takes a machine down.
 */
const MEGABYTE = 1024 * 1024;

/** Of one sheet of a workbook, unpacked: about four million cells. */
export const SHEET_BYTES = 128 * MEGABYTE;
/** Of all that is in a workbook or archive, unpacked. */
export const UNPACKED_BYTES = 400 * MEGABYTE;
/** Of a sheet from its first cell to its last, filled or not. */
export const SHEET_AREA = 12_000_000;
/** As the standard of the format has them (ECMA-376, part 1, 18.3.1). */
export const SHEET_ROWS = 1_048_576;
export const SHEET_COLUMNS = 16_384;
export const SHEET_NAME_LETTERS = 200;

export const JSON_BYTES = 256 * MEGABYTE;
/** Different keys in all rows together. */
export const JSON_KEYS = 5000;

export const PARQUET_METADATA_BYTES = 16 * MEGABYTE;
export const PARQUET_COLUMNS = 10_000;

/** Of one cell of any format. */
export const CELL_LETTERS = 1_000_000;
/** Of one line of a text without quotation marks around it. */
export const LINE_BYTES = 16 * MEGABYTE;

/** Of the process that turns a file into text. */
export const CONVERSION_MEMORY = 900 * MEGABYTE;
export const CONVERSION_HEAP_MEGABYTES = 640;
/** Without a sign of going on, and in all. */
export const CONVERSION_STALL_MS = 60_000;
export const CONVERSION_MOST_MS = 15 * 60_000;
