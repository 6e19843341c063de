/** So many variables can be ticked; stages that take fewer say so. */
export const MOST_TICKED = 500;
