import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import text from '../../../../docs/sources.md?raw';
import { PageHead } from '../ui';

/** "stage-times" as a heading: "Stage times". */
const headingOf = (id: string) => {
  const words = id.replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
};
const SECTIONS = text
  .split(/^## /m)
  .slice(1)
  .map((section) => {
    const [id = '', ...lines] = section.split('\n');
    return {
      id: id.trim(),
      paragraphs: lines
        .join('\n')
        .trim()
        .split(/\n{2,}/),
    };
  });

/** Where the numbers come from: one entry for each formula, reached from every "why?". */
export function SourcesPage() {
  const { hash } = useLocation();
  useEffect(() => {
    document.getElementById(hash.slice(1))?.scrollIntoView({ block: 'start' });
  }, [hash]);
  return (
    <>
      <PageHead title="Sources" about="what each sum rests on, and where it holds" />
      <div className="columns-1 gap-10 border border-rule bg-sheet px-5 py-4 lg:columns-2">
        {SECTIONS.map(({ id, paragraphs }) => (
          <section
            key={id}
            id={id}
            className={`mb-5 break-inside-avoid scroll-mt-4 ${hash === `#${id}` ? 'border-l-4 border-amber-line pl-3' : ''}`}
          >
            <h2 className="mb-1">
              <Link to={`#${id}`}>{headingOf(id)}</Link>
            </h2>
            {paragraphs.map((paragraph) => (
              <p key={paragraph} className="mb-2 text-note">
                {paragraph.replaceAll('`', '')}
              </p>
            ))}
          </section>
        ))}
      </div>
    </>
  );
}
