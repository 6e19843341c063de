/** Limits of |modified z| that 5 % of normal samples pass, by size; simulated by reference/far_out_table.py. */
export const FAR_OUT_SIZES: readonly number[] = [
  4, 5, 6, 7, 8, 9, 10, 12, 14, 17, 20, 25, 30, 40, 50, 70, 100, 140, 200, 300, 500, 1000, 2000, 5000, 10000, 30000, 100000,
];
export const FAR_OUT_LIMITS: readonly number[] = [
  6.886, 7.88, 5.551, 5.859, 4.894, 5.048, 4.572, 4.366, 4.238, 4.161, 4.012, 3.936, 3.828, 3.778, 3.752, 3.735, 3.74, 3.772, 3.813, 3.871,
  3.964, 4.096, 4.241, 4.42, 4.557, 4.789, 4.998,
];
