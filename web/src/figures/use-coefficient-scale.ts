import { useMemo } from 'react';
import { useTheme } from '../controls/theme';
import { type CoefficientScale, createCoefficientScale } from './coefficient-scale';

/** The coefficient scale in the colours of the theme. */
export function useCoefficientScale(): CoefficientScale {
  const { token } = useTheme();
  return useMemo(
    () =>
      createCoefficientScale({
        negative: token('--negative'),
        middle: token('--tile-middle'),
        positive: token('--positive'),
        darkText: token('--tile-dark-text'),
        lightText: token('--tile-light-text'),
      }),
    [token],
  );
}
