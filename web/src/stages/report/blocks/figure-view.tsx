import { useQuery } from '@tanstack/react-query';
import { FailureNotice } from '../../../controls/failure-notice';
import { Skeleton } from '../../../controls/skeleton';
import { ExportFigureButton } from '../../../figures/export/export-figure-button';
import type { WrittenFigure } from '../written-report';
import { CopyPicture } from './copy-picture';
import { FIGURE_ON_PAGE } from './figure-on-page';

/** A figure of the report, drawn as it will be in files, with its caption. @param of what tells it apart from all others */
export function FigureView({ figure, of }: { figure: WrittenFigure; of: readonly unknown[] }) {
  const { data, error } = useQuery({
    queryKey: ['drawn', ...of],
    queryFn: async () => (await figure.draw(FIGURE_ON_PAGE)).svg.replace(/^<\?xml[^>]*>\s*/, ''),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
  });
  return (
    <figure className="my-4 break-inside-avoid" data-testid="report-figure">
      {error && <FailureNotice error={error} />}
      {!data && !error && <Skeleton label="Drawing the figure" className="h-72" />}
      {data && (
        <div
          role="img"
          aria-label={figure.alternative}
          className="drawing rounded bg-white [&>svg]:h-auto [&>svg]:max-w-full"
          // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the application itself, in which all texts are escaped.
          dangerouslySetInnerHTML={{ __html: data }}
        />
      )}
      <figcaption className="mt-1 flex items-baseline gap-4">
        <span className="min-w-0 flex-1">
          <em>Figure {figure.number}.</em> {figure.caption}
        </span>
        <span className="flex shrink-0 gap-3 font-sans text-[13px] print:hidden">
          <CopyPicture figure={figure} />
          <ExportFigureButton name={`figure ${figure.number}`} build={figure.draw} />
        </span>
      </figcaption>
    </figure>
  );
}
