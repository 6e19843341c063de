import { type ReactNode, useMemo } from 'react';
import Markdown, { type Components } from 'react-markdown';
import { Link } from 'react-router';
import remarkGfm from 'remark-gfm';
import { DemoLink } from './demo-link';
import { HelpFigure } from './figures/help-figure';
import { useHelpAddress } from './from';
import { anchorOf } from './sections';

/** Words of help as they stand in docs/help: links lead on within the application, and figures are drawn. */
export function HelpText({ text }: { text: string }) {
  const address = useHelpAddress();
  const components = useMemo(() => componentsWith(address), [address]);
  return (
    <Markdown remarkPlugins={[remarkGfm]} skipHtml urlTransform={(url) => url} components={components}>
      {text}
    </Markdown>
  );
}

type Address = ReturnType<typeof useHelpAddress>;

function componentsWith(address: Address): Components {
  return {
    a: ({ href = '', children }) => <HelpLink href={href} address={address} words={children} />,
    img: ({ src, alt = '' }) => <HelpFigure file={String(src ?? '')} label={alt} />,
    h1: ({ children }) => <h1 className="mb-4 font-sans text-[24px] leading-tight">{children}</h1>,
    h2: ({ children }) => (
      <h2 id={anchorOf(textIn(children))} className="mt-6 mb-1 scroll-mt-4 font-sans text-[15px] break-after-avoid">
        {children}
      </h2>
    ),
    p: ({ node, children }) => (holdsFigure(node) ? <div className="my-4">{children}</div> : <p className="mb-2.5">{children}</p>),
    ul: ({ children }) => <ul className="mb-2.5 list-disc space-y-1 pl-6">{children}</ul>,
    ol: ({ children }) => <ol className="mb-2.5 list-decimal space-y-1 pl-6">{children}</ol>,
    code: ({ children }) => <code className="rounded bg-sunken px-1 font-mono text-[.86em]">{children}</code>,
    table: ({ children }) => (
      <div className="my-3 overflow-x-auto font-sans text-[14px]">
        <table className="border-collapse bg-surface">{children}</table>
      </div>
    ),
    thead: ({ node, children }) => (hasWords(node) ? <thead className="bg-sunken">{children}</thead> : null),
    th: ({ children }) => (
      <th scope="col" className="border border-rule px-2 py-1 text-left font-semibold">
        {children}
      </th>
    ),
    td: ({ children }) => <td className="h-7 min-w-20 border border-rule px-2 py-1 align-top">{children}</td>,
  };
}

/** A link to another page, to a place of the demo, or within the application. */
function HelpLink({ href, address, words }: { href: string; address: Address; words: ReactNode }) {
  if (href.startsWith('demo:')) return <DemoLink to={href.slice('demo:'.length)}>{words}</DemoLink>;
  const [, page, anchor] = /^([a-z-]+)\.md(?:#(.+))?$/.exec(href) ?? [];
  return (
    <Link to={page ? address(page, anchor ? decodeURIComponent(anchor) : null) : href} className="text-accent underline">
      {words}
    </Link>
  );
}

type Node = Parameters<NonNullable<Extract<Components['p'], (...args: never[]) => unknown>>>[0]['node'];

function holdsFigure(node: Node): boolean {
  return node?.children.some((child) => child.type === 'element' && child.tagName === 'img') ?? false;
}

/** Tables of cells as they stand in a file have a head without words. */
function hasWords(node: { readonly children?: readonly unknown[] } | undefined): boolean {
  return /"value":"[^"\\]*[^\s"\\][^"\\]*"/.test(JSON.stringify(node?.children ?? []));
}

function textIn(children: ReactNode): string {
  if (typeof children === 'string') return children;
  return Array.isArray(children) ? children.map(textIn).join('') : '';
}
