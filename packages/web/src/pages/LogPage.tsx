import { useSearchParams } from 'react-router';
import { useGet } from '../data';
import { ButtonLink, PageHead } from '../ui';
import { EntryList } from './EntryList';

/** Everything that was logged, newest first, a page at a time; of one tank when its address says so. */
export function LogPage() {
  const [search] = useSearchParams();
  const tankId = search.get('tank');
  const before = search.get('before');
  const lives = useGet(tankId ? 'tankLife' : null);
  const code = lives.data?.find((life) => life.tankId === tankId)?.code;
  return (
    <>
      <PageHead
        title={code ? `Log of ${code}` : 'Log of the house'}
        about="Nothing here is ever deleted. Undo adds a line that cancels the mistake."
      >
        {before && <ButtonLink to={tankId ? `/log?tank=${tankId}` : '/log'}>The newest</ButtonLink>}
      </PageHead>
      <div className="max-w-4xl bg-sheet px-4 py-2">
        <EntryList key={before} {...(tankId ? { tankId } : {})} before={before ?? undefined} limit={100} />
      </div>
    </>
  );
}
