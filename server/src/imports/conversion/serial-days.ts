const DAY_MS = 24 * 60 * 60 * 1000;
/** 1 January 1970 as workbooks count days. */
const UNIX_EPOCH_DAY = 25_569;
/** Workbooks count a 29 February 1900 that never was, so that their days before it are one ahead of the calendar. */
const NO_DAY = 60;

/**
 * The day or time that a workbook shows for what its reader made of a day's number (ECMA-376 part 1, 18.17.4.1).
 * @param from1904 whether the workbook counts from 1904, where there is no such day
 * @returns a text where it is no day of the calendar: a time, or the day that never was
 */
export function calendarDate(read: Date, from1904: boolean): Date | string {
  const serial = read.getTime() / DAY_MS + UNIX_EPOCH_DAY;
  const timeOnly = from1904 ? serial - FIRST_OF_1904 : serial;
  if (timeOnly > 0 && timeOnly < 1) return timeOfDay(timeOnly);
  if (from1904 || serial < 1 || serial >= NO_DAY + 1) return read;
  if (serial >= NO_DAY) return '1900-02-29';
  return new Date(read.getTime() + DAY_MS);
}

/** 1 January 1904 as other workbooks count. */
const FIRST_OF_1904 = 1462;

/** To the nearest second: an hour is 0.041666… of a day. */
function timeOfDay(part: number): string {
  const seconds = Math.min(86_399, Math.round(part * 86_400));
  return [seconds / 3600, (seconds / 60) % 60, seconds % 60].map((unit) => String(Math.floor(unit)).padStart(2, '0')).join(':');
}
