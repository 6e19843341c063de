/** Level of the confidence intervals. */
export const INTERVAL_LEVEL = 0.95;
