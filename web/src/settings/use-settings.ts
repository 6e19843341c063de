import { type SettingsOf, type SettingsScope, storedSettingsSchema } from '@ivlen/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo } from 'react';
import { toast } from 'sonner';
import { request } from '../api/client';
import { type StoredSettings, savingSettingsKey, settingsQuery } from '../api/queries';

const UNREADABLE =
  'Settings of this study were saved by another version of Ivlen and cannot be read here. The usual ones are used; the saved ones stay until you change something.';

/**
 * Settings of a study with a function that changes them. The change shows at once; saves go to the server one after
 * the other, each naming the version it was made from.
 * @returns undefined settings while they load
 */
export function useSettings<S extends SettingsScope>(
  study: string,
  scope: S,
  defaults: SettingsOf<S>,
): { settings: SettingsOf<S> | undefined; change: (settings: SettingsOf<S>) => void } {
  const client = useQueryClient();
  const query = useMemo(() => settingsQuery(study, scope), [study, scope]);
  const { data } = useQuery(query);

  const unreadable = data?.unreadable === true;
  useEffect(() => {
    // By its id it is shown once, however many parts of the page use these settings.
    if (unreadable)
      toast.warning(UNREADABLE, { id: `unreadable-${study}-${scope}`, duration: Number.POSITIVE_INFINITY, closeButton: true });
  }, [unreadable, study, scope]);

  const save = useMutation({
    mutationKey: savingSettingsKey(study, scope),
    scope: { id: `settings-${study}-${scope}` },
    mutationFn: async (settings: SettingsOf<S>) => {
      const version = client.getQueryData<StoredSettings<S>>(query.queryKey)?.version ?? 0;
      const json = { version, settings };
      return request(`/studies/${study}/settings/${scope}`, storedSettingsSchema, { method: 'PUT', json });
    },
    onSuccess: ({ version }) => {
      client.setQueryData<StoredSettings<S>>(query.queryKey, (current) => (current ? { ...current, version } : current));
    },
    onError: (error) => {
      toast.error(`This setting was not saved. ${error.message}`);
      void client.invalidateQueries({ queryKey: query.queryKey });
    },
  });

  const { mutate } = save;
  const key = query.queryKey;
  const change = useCallback(
    (settings: SettingsOf<S>) => {
      void client.cancelQueries({ queryKey: key });
      client.setQueryData<StoredSettings<S>>(key, (current) => ({ version: current?.version ?? 0, settings, unreadable: false }));
      mutate(settings);
    },
    [client, key, mutate],
  );
  return { settings: data && (data.settings ?? defaults), change };
}
