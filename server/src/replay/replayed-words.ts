import type { Replayed } from './replay-archive';

const MOST_LISTED = 40;

/** What a replay found, line by line. */
export function replayedInWords({ study, analyses, differences, otherData, unchecked }: Replayed): string[] {
  const counted = `${analyses} ${analyses === 1 ? 'analysis' : 'analyses'}`;
  return [
    ...(otherData === null ? [] : [`The data are not those that were recorded: the SHA-256 of data.csv is ${otherData}.`]),
    ...differences
      .slice(0, MOST_LISTED)
      .map(
        ({ item, kind, path, recorded, computed }) =>
          `${item}, ${kind}, ${path}: ${shown(recorded)} was recorded, ${shown(computed)} is computed.`,
      ),
    ...(differences.length > MOST_LISTED ? [`And ${differences.length - MOST_LISTED} more differences.`] : []),
    ...unchecked.map((words) => `Not checked: ${words}`),
    differences.length === 0 && otherData === null
      ? `“${study}”: ${counted} computed again, no difference in any digit.`
      : `“${study}”: ${counted} computed again, ${differences.length} ${differences.length === 1 ? 'difference' : 'differences'}${otherData === null ? '' : ' and other data'}.`,
  ];
}

function shown(value: unknown): string {
  return value === undefined ? 'nothing' : JSON.stringify(value);
}
