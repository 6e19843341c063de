import type { Study } from '@ivlen/contract';

export const DEMO_NAME = 'Aldermere streams';

/**
 * Where in a study a link of help leads, in which variables are called by name: `correlations?pair=nitrate~ph`.
 * Null where a variable is gone.
 */
export function addressInDemo({ id, state }: Pick<Study, 'id' | 'state'>, to: string): string | null {
  const [stage = '', search = ''] = to.split('?');
  const params = new URLSearchParams(search);
  const pair = params.get('pair');
  if (pair !== null) {
    const ids = pair.split('~').map((name) => state.variables.find((variable) => variable.name === name)?.id);
    if (ids.some((found) => found === undefined)) return null;
    params.set('pair', ids.join('~'));
  }
  return `/studies/${id}/${stage}${params.size > 0 ? `?${params}` : ''}`;
}
