/** The version of the program, as reports and records name it. */
export const IVLEN_VERSION = '0.1.0';
