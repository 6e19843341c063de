import { useEffect } from 'react';
import { Link, useLocation, useParams, useSearchParams } from 'react-router';
import { TopBar } from '../frame/top-bar';
import { useFrom, useHelpAddress } from '../help-texts/from';
import { HelpText } from '../help-texts/help-text';
import { PAGES, TEXTS } from '../help-texts/texts';
import { FoundInHelp } from './found-in-help';
import { HelpContents } from './help-contents';

/** A page of help beside the list of all of them, or what was found in them. */
export function HelpPage() {
  const { topic } = useParams();
  const [params] = useSearchParams();
  const typed = params.get('search') ?? '';
  const page = PAGES.find(({ id }) => id === topic);
  useEffect(() => {
    document.title = `${page?.name ?? 'Help'} · Ivlen`;
  }, [page]);
  return (
    <div className="flex min-h-screen flex-col">
      <div className="print:hidden">
        <TopBar study={null} />
      </div>
      <div className="mx-auto flex w-full max-w-[1080px] flex-1 gap-10 px-6 pt-8 pb-16 max-[800px]:flex-col print:block print:p-0">
        <main className="min-w-0 max-w-[680px] flex-1 font-serif text-[17px] leading-snug print:max-w-none">
          <WayBack />
          {typed !== '' ? <FoundInHelp typed={typed} /> : <PageText topic={topic ?? 'README'} />}
        </main>
        <HelpContents current={page?.id ?? null} />
      </div>
    </div>
  );
}

function WayBack() {
  const from = useFrom();
  if (!from) return null;
  return (
    <p className="mb-4 font-sans text-[14px] print:hidden">
      <Link to={from} className="text-accent underline">
        Back to the study
      </Link>
    </p>
  );
}

function PageText({ topic }: { topic: string }) {
  const { hash } = useLocation();
  const address = useHelpAddress();
  // The place that an address names exists only once the page is drawn.
  useEffect(() => {
    const wanted = hash === '' ? null : document.getElementById(decodeURIComponent(hash.slice(1)));
    if (wanted) wanted.scrollIntoView();
    else if (topic !== '') window.scrollTo(0, 0);
  }, [hash, topic]);
  const text = TEXTS.get(topic);
  if (text === undefined) {
    return (
      <>
        <h1 className="mb-4 font-sans text-[24px]">Help</h1>
        <p>
          There is no page of help called “{topic}”.{' '}
          <Link to={address('')} className="text-accent underline">
            All pages
          </Link>
        </p>
      </>
    );
  }
  return <HelpText text={text} />;
}
