import { createNumberReader } from '../imports/number-reader';

/** Reads a number written with a decimal point and without thousands separators; NaN for what is not one. */
export const readPlainNumber = createNumberReader({ decimal: '.', thousands: 'none' });
