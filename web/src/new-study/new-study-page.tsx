import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useSearchParams } from 'react-router';
import { importQuery } from '../api/queries';
import { FailureNotice } from '../controls/failure-notice';
import { TopBar } from '../frame/top-bar';
import { ImportPreviewScreen } from './import-preview-screen';
import { SourceChooser } from './source-chooser';
import { type Destination, useDestination } from './use-destination';

/** Bringing a table in: choose it, then look at how it is read. */
export function NewStudyPage() {
  const [params] = useSearchParams();
  const id = params.get('import');
  useEffect(() => {
    document.title = 'New study · Ivlen';
  }, []);
  return (
    <div className="flex h-screen flex-col">
      <TopBar study={null} />
      {id ? <StoredImport id={id} /> : <Start />}
    </div>
  );
}

function Start() {
  const destination = useDestination();
  return (
    <main className="mx-auto w-full max-w-3xl px-6 pt-12">
      <h1 className="mb-4 font-serif text-2xl">{destination === null ? 'New study' : destination && headingOf(destination)}</h1>
      <SourceChooser />
    </main>
  );
}

function StoredImport({ id }: { id: string }) {
  const { data: preview, error } = useQuery(importQuery(id));
  const destination = useDestination();
  if (preview && destination !== undefined) return <ImportPreviewScreen preview={preview} destination={destination} />;
  return (
    <main className="mx-auto w-full max-w-3xl px-6 pt-12">
      {error ? (
        <div className="space-y-6">
          <FailureNotice error={error} />
          <SourceChooser />
        </div>
      ) : (
        <p role="status" className="text-muted">
          Reading the table …
        </p>
      )}
    </main>
  );
}

function headingOf({ study, mode }: Destination): string {
  return mode === 'add' ? `More rows for “${study.name}”` : `Corrected data for “${study.name}”`;
}
