import { PageHead } from '../ui';
import { EntryList } from './EntryList';

/** Everything that was logged, newest first. */
export function LogPage() {
  return (
    <>
      <PageHead title="Log of the house" about="Nothing is edited or deleted; what was wrong is taken back by a later entry." />
      <div className="max-w-4xl bg-sheet px-4 py-2">
        <EntryList limit={200} />
      </div>
    </>
  );
}
