import { lazy, Suspense, useState } from 'react';
import { BrowserRouter, useLocation } from 'react-router';
import { Toaster } from 'sonner';
import { SWRConfig } from 'swr';
import { HouseProvider, useAskedReason, useGet } from '../data';
import { ErrorBoundary, Loading, ProblemNote, StagePatterns } from '../ui';
import { Pages } from './routes';
import { Shell } from './Shell';
import { SignInPage } from './SignInPage';

const SETTINGS = { errorRetryInterval: 2500, dedupingInterval: 500 };

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
        <PageBoundary />
      </Shell>
      <Reason />
    </HouseProvider>
  );
}

const ReasonDialog = lazy(() => import('./ReasonDialog').then((part) => ({ default: part.ReasonDialog })));
/** Asked for seldom: fetched when it is. */
function Reason() {
  const asked = useAskedReason();
  return (
    asked && (
      <Suspense>
        <ReasonDialog key={asked.label} asked={asked} />
      </Suspense>
    )
  );
}

/** One page: a fault in it leaves Horizon, areas and jot line as they are; the next page begins anew. */
function PageBoundary() {
  const { pathname } = useLocation();
  return (
    <ErrorBoundary key={pathname} what="The page">
      <Suspense fallback={<Loading what="the page" />}>
        <Pages />
      </Suspense>
    </ErrorBoundary>
  );
}

/** The whole page. */
export function App() {
  const [isPhone] = useState(() => window.matchMedia('(max-width: 600px)').matches);
  return (
    <SWRConfig value={SETTINGS}>
      <BrowserRouter>
        <StagePatterns />
        <Entrance />
        <Toaster
          expand
          visibleToasts={3}
          duration={12_000}
          // On a phone at the top: what is tapped next stands below.
          position={isPhone ? 'top-center' : 'bottom-right'}
          offset={{ bottom: 60, right: 16 }}
          mobileOffset={{ top: 52 }}
          toastOptions={{ unstyled: true, classNames: { toast: 'toast', actionButton: 'toast-action', error: 'toast-error' } }}
        />
      </BrowserRouter>
    </SWRConfig>
  );
}
