import type { ReportSettings, Study } from '@ivlen/contract';
import { Download } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { ProgressLine } from '../../../controls/progress-line';
import { saveBlob, saveText } from '../../../controls/save-text';
import { useExport } from '../../../exports/use-export';
import type { WrittenReport } from '../written-report';
import { gapsInWords, notShown, withGapsMarked } from './gaps';
import type { Tell } from './paper-document';

interface TakeOutProps {
  readonly study: Study;
  readonly report: WrittenReport;
  readonly settings: ReportSettings;
}

/** The forms in which a report leaves, each made when it is asked for. */
const FORMS = [
  {
    id: 'docx',
    name: 'Word document (DOCX)',
    write: async (props: TakeOutProps, tell: Tell) => (await import('./docx')).reportAsDocx(props.report, props.settings, tell),
  },
  {
    id: 'html',
    name: 'Page (HTML, one file)',
    write: async (props: TakeOutProps, tell: Tell) => (await import('./html-page')).reportAsHtml(props.report, props.settings, tell),
  },
  {
    id: 'md',
    name: 'Markdown',
    write: async (props: TakeOutProps) => (await import('./markdown')).reportAsMarkdown(props.report),
  },
  {
    id: 'tex',
    name: 'LaTeX',
    write: async (props: TakeOutProps) => (await import('./latex')).reportAsLatex(props.report, props.settings),
  },
] as const;

const TYPES = { html: 'text/html', md: 'text/markdown', tex: 'application/x-tex' } as const;

/** Takes the report out as a file, or prints it. */
export function TakeOutMenu(props: TakeOutProps) {
  const { study, report } = props;
  const { write, job } = useExport(study);
  const [progress, setProgress] = useState<{ done: number; total: number } | null>(null);
  const gaps = gapsInWords(notShown(report));
  const take = async (form: (typeof FORMS)[number]) => {
    setProgress({ done: 0, total: 1 });
    try {
      const written = await form.write({ ...props, report: withGapsMarked(report) }, (done, total) => setProgress({ done, total }));
      const name = `${report.title.replaceAll(/[\\/:*?"<>|]+/g, ' ').slice(0, 120)}.${form.id}`;
      if (written instanceof Blob) saveBlob(name, written);
      else if (form.id !== 'docx') saveText(name, TYPES[form.id], written);
    } catch (error) {
      toast.error(`The file was not made. ${error instanceof Error ? error.message : ''}`);
    } finally {
      setProgress(null);
    }
  };
  return (
    <>
      {progress && (
        <label className="flex items-center gap-2 text-muted" role="status">
          Writing the file
          <progress className="progress w-24" max={progress.total} value={progress.done} />
        </label>
      )}
      {write.isPending && job.progress && <ProgressLine label="Recording" progress={job.progress} onStop={job.stop} />}
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className="button-primary" disabled={!report.complete || progress !== null || write.isPending}>
          <Download size={14} aria-hidden="true" /> Take it out
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content className="menu" align="end">
            {gaps && <p className="max-w-64 px-2 pt-1 pb-2 text-[13px] text-caution">{gaps}</p>}
            {FORMS.map((form) => (
              <DropdownMenu.Item key={form.id} className="menu-item" onSelect={() => void take(form)}>
                {form.name}
              </DropdownMenu.Item>
            ))}
            <DropdownMenu.Item className="menu-item" onSelect={() => write.mutate({ format: 'archive', rows: 'all', labels: false })}>
              Study archive with the record (ZIP)
            </DropdownMenu.Item>
            <DropdownMenu.Item className="menu-item" onSelect={() => setTimeout(() => window.print(), 0)}>
              Print, or save as PDF
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </>
  );
}
