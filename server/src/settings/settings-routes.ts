import { createRoute, z } from '@hono/zod-openapi';
import { saveSettingsSchema, settingsSchemas, settingsScopeSchema, storedSettingsSchema, studyIdSchema } from '@ivlen/contract';
import type { Database } from '../database/connect';
import { createApi, invalidRequest, jsonBody, jsonResponses } from '../http/api';
import { getStudy } from '../studies/study-repository';
import { saveSettings, selectSettings } from './settings-repository';

const params = z.object({ id: studyIdSchema, stage: settingsScopeSchema });

const get = createRoute({
  method: 'get',
  path: '/studies/{id}/settings/{stage}',
  summary: 'Settings of one stage, or the working set; null if never saved',
  request: { params },
  responses: jsonResponses(storedSettingsSchema, 'The settings and their version'),
});
const put = createRoute({
  method: 'put',
  path: '/studies/{id}/settings/{stage}',
  summary: 'Save settings made from a given version',
  request: { params, body: jsonBody(saveSettingsSchema) },
  responses: jsonResponses(storedSettingsSchema, 'The settings and their new version'),
});

export function settingsRoutes(database: Database) {
  return createApi()
    .openapi(get, async (c) => {
      const { id, stage } = c.req.valid('param');
      return c.json(await selectSettings(database, id, stage), 200);
    })
    .openapi(put, async (c) => {
      const { id, stage } = c.req.valid('param');
      const { version, settings } = c.req.valid('json');
      const checked = settingsSchemas[stage].safeParse(settings);
      if (!checked.success) throw invalidRequest(checked.error.issues, 'settings');
      await getStudy(database, id);
      const saved = await saveSettings(database, id, stage, version, checked.data);
      return c.json({ version: saved, settings: checked.data, unreadable: false }, 200);
    });
}
