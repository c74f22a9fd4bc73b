import { Suspense } from 'react';
import { BrowserRouter } from 'react-router';
import { Toaster } from 'sonner';
import { SWRConfig } from 'swr';
import { HouseProvider, useGet } from '../data';
import { Loading, ProblemNote, StagePatterns } from '../ui';
import { Pages } from './routes';
import { Shell } from './Shell';
import { SignInPage } from './SignInPage';

const SETTINGS = { errorRetryInterval: 2500, refreshInterval: 60_000, dedupingInterval: 500 };

function Entrance() {
  const session = useGet('session');
  if (!session.data)
    return (
      <main className="mx-auto max-w-xl p-8">
        <h1 className="mb-4 text-title">Freshet</h1>
        {session.error ? (
          <ProblemNote problem={session.error} again={() => void session.mutate()} />
        ) : (
          <Loading what="the house" />
        )}
      </main>
    );
  if (!session.data.user) return <SignInPage session={session.data} />;
  return (
    <HouseProvider session={session.data}>
      <Shell>
        <Suspense fallback={<Loading what="the page" />}>
          <Pages />
        </Suspense>
      </Shell>
    </HouseProvider>
  );
}

/** The whole page. */
export function App() {
  return (
    <SWRConfig value={SETTINGS}>
      <BrowserRouter>
        <StagePatterns />
        <Entrance />
        <Toaster
          expand
          visibleToasts={3}
          position="bottom-right"
          offset={{ bottom: 60, right: 16 }}
          mobileOffset={{ bottom: 64 }}
          toastOptions={{ unstyled: true, classNames: { toast: 'toast', actionButton: 'toast-action', error: 'toast-error' } }}
        />
      </BrowserRouter>
    </SWRConfig>
  );
}
