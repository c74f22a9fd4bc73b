import { useEffect, type ReactNode } from 'react';
import { ErrorBoundary } from './ErrorBoundary';

/** The words of a title, for the tab of the browser. */
const wordsOf = (title: ReactNode): string =>
  typeof title === 'string' || typeof title === 'number'
    ? String(title)
    : Array.isArray(title)
      ? title.map((part: ReactNode) => wordsOf(part)).join('')
      : title !== null && typeof title === 'object' && 'props' in title
        ? wordsOf((title.props as { children?: ReactNode }).children)
        : '';

/** The head of a page: what it is, one line about it, and what can be done here. */
export function PageHead({ title, about, children }: { title: ReactNode; about?: ReactNode; children?: ReactNode }) {
  const words = wordsOf(title);
  useEffect(() => {
    document.title = words ? `${words}, Freshet` : 'Freshet';
  }, [words]);
  return (
    <header className="mb-2 flex md:mb-4 flex-wrap items-center gap-x-4 gap-y-1 md:gap-y-3">
      <h1 className="text-title break-words">{title}</h1>
      {about && <div className="min-w-0 basis-full text-quiet md:flex-1 md:basis-0">{about}</div>}
      {children && (
        // On a phone one row that can be pushed along, so that what the page is for stands in sight.
        <div className="no-print flex items-center gap-3 max-md:-mx-3 max-md:w-screen max-md:overflow-x-auto max-md:px-3 max-md:py-1.5 max-md:*:shrink-0 md:ml-auto md:flex-wrap">
          {children}
        </div>
      )}
    </header>
  );
}

/** A part of a sheet with its heading. */
export function Panel({ title, children, aside }: { title: string; children: ReactNode; aside?: ReactNode }) {
  return (
    <section className="min-w-0 px-4 py-3">
      <div className="mb-1.5 flex items-baseline justify-between gap-3">
        <h2>{title}</h2>
        {aside}
      </div>
      <ErrorBoundary what={title}>{children}</ErrorBoundary>
    </section>
  );
}

/** One line of a table of facts. */
export function Fact({ label, children }: { label: ReactNode; children: ReactNode }) {
  return (
    <div className="flex items-baseline justify-between gap-4 border-b border-rule py-1.5">
      <span className="min-w-0">{label}</span>
      <span className="shrink-0 text-right font-semibold">{children}</span>
    </div>
  );
}
