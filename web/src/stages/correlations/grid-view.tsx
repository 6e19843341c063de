import { ownMethods } from '@ivlen/contract';
import type { Matrix } from '../../coefficients/matrix';
import type { ArrangementProps } from '../../pair-card/arrangement';
import { useShapeMarks } from '../../settings/use-shape-marks';
import { TableTools } from '../../tables/table-tools';
import { ColourMatrix } from './colour-matrix';
import { CorrelationGrid } from './correlation-grid';
import { GridLegend } from './grid-legend';
import { GridOptions } from './grid-options';
import { useMatrixTable } from './matrix-table';

/** The square of all pairs, with what its marks mean under it. */
export function GridView({
  study,
  workingSet,
  variables,
  settings,
  patch,
  selection,
  state,
  matrix,
}: ArrangementProps & { readonly matrix: Matrix }) {
  const marks = useShapeMarks(study, variables);
  const table = useMatrixTable(study, matrix, settings);
  const common = { study, workingSet, matrix, settings, selected: selection.pair, onOpen: selection.open };
  return (
    <>
      <GridOptions settings={settings} patch={patch} />
      {settings.size === 'colour' ? (
        <ColourMatrix {...common} />
      ) : (
        <CorrelationGrid {...common} onCompare={selection.compare} marked={marks.marked} onOrder={() => patch({ order: 'listed' })} />
      )}
      <GridLegend
        matrix={matrix}
        settings={settings}
        marks={marks}
        pairMethods={ownMethods(study.state)}
        identifier={state.identifier}
        cautionsNotSought={state.cautionsNotSought}
      />
      <div className="mt-2">
        <TableTools table={table} fileName={`${study.name} correlation matrix`} waiting={!matrix.complete || state.stale} />
      </div>
    </>
  );
}
