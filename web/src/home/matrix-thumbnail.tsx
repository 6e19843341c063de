import { firstWorkingSet, NO_REMEDIES, ownMethods } from '@ivlen/contract';
import { useQuery } from '@tanstack/react-query';
import { analysisQuery, settingsQuery, studyQuery } from '../api/queries';
import { useCoefficientScale } from '../figures/use-coefficient-scale';

const SIZE = 72;
const MOST = 24;

/** A study's matrix, small: the coefficients of its working set as colours. */
export function MatrixThumbnail({ studyId }: { studyId: string }) {
  const scale = useCoefficientScale();
  const { data: study } = useQuery(studyQuery(studyId));
  const { data: stored } = useQuery(settingsQuery(studyId, 'working-set'));
  const { data: settings } = useQuery(settingsQuery(studyId, 'correlations'));
  const variables = stored && study ? (stored.settings?.variables ?? firstWorkingSet(study.state.variables)).slice(0, MOST) : [];
  const request = {
    kind: 'correlation' as const,
    variables,
    method: settings?.settings?.methods[0] ?? ('pearson' as const),
    byVariable: study ? ownMethods(study.state) : {},
    remedies: study?.state.remedies ?? NO_REMEDIES,
    alternative: 'two-sided' as const,
    level: 0.95,
    interval: 'default' as const,
    control: [],
  };
  const { data } = useQuery({
    ...analysisQuery(studyId, study?.head ?? 0, request),
    enabled: variables.length >= 2 && settings !== undefined,
  });
  const size = data?.variables.length ?? 0;
  const step = SIZE / Math.max(1, size);
  return (
    <svg width={SIZE} height={SIZE} className="shrink-0 rounded bg-sunken" aria-hidden="true">
      {data?.coefficient.map((coefficient, at) => {
        const [i, j] = [Math.floor(at / size), at % size];
        if (j > i) return null;
        // Where there is no coefficient, none is shown: the ground is not the colour of 0.
        if (i !== j && coefficient === null) return null;
        const fill = i === j || coefficient === null ? 'var(--rule)' : scale(coefficient).background;
        return <rect key={`${i}.${j}`} x={j * step} y={i * step} width={step - 0.5} height={step - 0.5} fill={fill} />;
      })}
    </svg>
  );
}
