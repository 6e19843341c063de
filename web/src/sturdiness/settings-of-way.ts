import { type CorrelationSettings, methodSchema, type WayResult } from '@ivlen/contract';
import type { TickedChoice } from './ticked';

/** A way as far as it can be set: the pair, and what the methods line says. */
export interface SettingsOfWay {
  readonly x: string;
  readonly y: string;
  readonly settings: Partial<Pick<CorrelationSettings, 'methods' | 'control' | 'missing'>>;
  /** What of it no setting says, in words: rows and scales are decisions, each with its reason. */
  readonly rest: readonly string[];
}

/** What opens a way as a pair. Where it stands for several options the one in force is taken, else the first. */
export function settingsOfWay(way: WayResult, choices: readonly TickedChoice[], pair: { x: string; y: string }): SettingsOfWay {
  let [x, y] = [pair.x, pair.y];
  let settings: SettingsOfWay['settings'] = {};
  const rest: string[] = [];
  for (const [c, { choice, options, places, own }] of choices.entries()) {
    const stands = (way.options[c] ?? []).map((option) => places[option] ?? 0);
    const place = stands.includes(own) ? own : (stands[0] ?? own);
    const words = options[place]?.inWords ?? '';
    switch (choice.kind) {
      case 'coefficient': {
        const method = methodSchema.safeParse(choice.options[place]);
        if (method.success) settings = { ...settings, methods: [method.data] };
        else rest.push(words);
        break;
      }
      case 'scale': {
        const scale = choice.options[place];
        if (scale?.kind !== 'variable') rest.push(words);
        else if (choice.of === 'x') x = scale.id;
        else y = scale.id;
        break;
      }
      case 'missing':
        if (choice.options[place] === 'maximum-likelihood') rest.push(words);
        else settings = { ...settings, missing: choice.options[place] ?? 'pairwise' };
        break;
      case 'held': {
        const held = choice.options[place];
        if (held?.kind === 'groups') rest.push(words);
        else settings = { ...settings, control: held?.kind === 'controls' ? held.ids : [] };
        break;
      }
      default:
        if (place !== own) rest.push(words);
    }
  }
  return { x, y, settings, rest };
}
