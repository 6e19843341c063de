import { type NumberSettings, numberSettingsSchema } from '@ivlen/contract';
import { useSettings } from '../settings/use-settings';
import { writeNumbersWith } from './number-text';

const DEFAULTS = numberSettingsSchema.parse({});

interface DecimalsOfStudy {
  readonly decimals: NumberSettings;
  readonly choose: (decimals: NumberSettings) => void;
}

/** How many decimals the numbers of a study have; what is drawn from here on is written so. */
export function useDecimals(study: string): DecimalsOfStudy {
  const { settings, change } = useSettings(study, 'numbers', DEFAULTS);
  const decimals = settings ?? DEFAULTS;
  writeNumbersWith(decimals);
  return { decimals, choose: change };
}
