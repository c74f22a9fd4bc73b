import { useState, type ReactNode } from 'react';
import * as v from 'valibot';
import { NewHouse, SignIn } from '@freshet/contract/accounts';
import { guessHouse, HOUSE_CURRENCIES } from '@freshet/core/units';
import { ApiProblem, send, useTouch, type Reply } from '../data';
import { Button, ProblemNote, Segmented, SelectField, stageFill, TextField } from '../ui';

type Errors = Record<string, string>;
const errorsOf = (issues: readonly v.BaseIssue<unknown>[]): Errors =>
  Object.fromEntries(issues.map((issue) => [v.getDotPath(issue) ?? '', issue.message]));

function useSending() {
  const touch = useTouch();
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [errors, setErrors] = useState<Errors>({});
  const [busy, setBusy] = useState(false);
  async function post<Name extends 'signIn' | 'newHouse'>(
    name: Name,
    schema: v.GenericSchema,
    body: Parameters<typeof send<Name>>[1],
  ) {
    const parsed = v.safeParse(schema, body);
    setErrors(parsed.success ? {} : errorsOf(parsed.issues));
    setProblem(null);
    if (!parsed.success) return;
    setBusy(true);
    try {
      await send(name, body);
      touch(name);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      setErrors(Object.fromEntries(error.errors.map(({ pointer, detail }) => [pointer.slice(2), detail])));
      setProblem(error);
    } finally {
      setBusy(false);
    }
  }
  return { post, problem, errors, busy };
}

const CURRENCY_NAMES = new Intl.DisplayNames('en', { type: 'currency' });

function BeginHouse() {
  const { post, problem, errors, busy } = useSending();
  const [name, setName] = useState('');
  const [login, setLogin] = useState('keeper');
  const [password, setPassword] = useState('');
  const [timeZone, setTimeZone] = useState(Intl.DateTimeFormat().resolvedOptions().timeZone);
  const guess = guessHouse(navigator.language);
  const [temperature, setTemperature] = useState(guess.temperature);
  const [volume, setVolume] = useState(guess.volume);
  const [currency, setCurrency] = useState(guess.currency);
  return (
    <form
      noValidate
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault();
        void post('newHouse', NewHouse, { name, timeZone, login, password, units: { temperature, volume }, currency });
      }}
    >
      <h2 className="text-code">Begin your house</h2>
      <TextField
        label="What is the place called?"
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={errors.name}
      />
      <TextField
        label="Time zone"
        value={timeZone}
        onChange={(event) => setTimeZone(event.target.value)}
        error={errors.timeZone}
      />
      <div className="flex flex-wrap gap-4">
        <Segmented
          label="Temperatures in"
          value={temperature}
          onChange={setTemperature}
          options={[
            { value: 'degC', label: '°C' },
            { value: 'degF', label: '°F' },
          ]}
        />
        <Segmented
          label="Volumes in"
          value={volume}
          onChange={setVolume}
          options={[
            { value: 'L', label: 'litres' },
            { value: 'galUS', label: 'US gallons' },
          ]}
        />
      </div>
      <SelectField
        label="Prices in"
        hint="You can change it until something has a price."
        value={currency}
        onChange={(event) => setCurrency(event.target.value)}
      >
        {HOUSE_CURRENCIES.map((code) => (
          <option key={code} value={code}>
            {code}, {CURRENCY_NAMES.of(code)}
          </option>
        ))}
      </SelectField>
      <TextField
        label="Your sign-in name"
        value={login}
        onChange={(event) => setLogin(event.target.value)}
        error={errors.login}
        autoCapitalize="none"
      />
      <TextField
        label="Password"
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={(event) => setPassword(event.target.value)}
        error={errors.password}
        hint="At least ten characters."
      />
      {problem && Object.keys(errors).length === 0 && <ProblemNote problem={problem} />}
      <Button look="main" type="submit" disabled={busy}>
        Begin
      </Button>
    </form>
  );
}

function SignInForm({ session }: { session: Reply<'session'> }) {
  const { post, problem, errors, busy } = useSending();
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  return (
    <>
      {session.demoAccounts.length > 0 && (
        <section className="mb-6 border-b border-rule pb-6">
          <h2 className="mb-1 text-code">Look around Saltings Shed</h2>
          <p className="mb-3 text-quiet">
            A made-up house with fourteen months of records. Enter as its keeper, who can do everything, or as the sitter, who
            does the daily walk.
          </p>
          <div className="flex flex-wrap gap-3">
            {session.demoAccounts.map((account) => (
              <Button
                key={account.login}
                look={account.role === 'keeper' ? 'main' : 'plain'}
                disabled={busy}
                onClick={() => void post('signIn', SignIn, { login: account.login, password: account.password })}
              >
                Enter as {account.login}
              </Button>
            ))}
          </div>
        </section>
      )}
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(event) => {
          event.preventDefault();
          void post('signIn', SignIn, { login, password });
        }}
      >
        <h2 className="text-code">Sign in</h2>
        <TextField
          label="Name"
          value={login}
          onChange={(event) => setLogin(event.target.value)}
          error={errors.login}
          autoCapitalize="none"
          autoComplete="username"
        />
        <TextField
          label="Password"
          type="password"
          autoComplete="current-password"
          value={password}
          onChange={(event) => setPassword(event.target.value)}
          error={errors.password}
        />
        {problem && Object.keys(errors).length === 0 && <ProblemNote problem={problem} />}
        <Button type="submit" disabled={busy}>
          Sign in
        </Button>
      </form>
    </>
  );
}

/** A brood as Freshet draws it: eggs, yolk, fry, split into two tanks, expected onwards. */
function SampleStream() {
  const past =
    'M0 20C40 20 60 34 90 34L170 40 330 46 420 46 470 22 560 24 560 78 470 80 440 88 470 104 560 106 560 142 470 144 420 122 330 122 170 128 90 134C60 134 40 148 0 148Z';
  const stages = [
    { kind: 'eggs', from: 0, to: 90 },
    { kind: 'yolk', from: 90, to: 170 },
    { kind: 'fry', from: 170, to: 560 },
  ] as const;
  return (
    <svg viewBox="-4 -6 760 190" className="w-full" aria-hidden>
      {stages.map(({ kind, from, to }) => (
        <g key={kind}>
          <clipPath id={`sample-${kind}`}>
            <rect x={from} y="0" width={to - from} height="170" />
          </clipPath>
          <path d={past} fill={stageFill(kind)} clipPath={`url(#sample-${kind})`} />
        </g>
      ))}
      <path d={past} fill="none" stroke="var(--ink)" />
      <g fillOpacity="0.5" stroke="var(--ink)" strokeDasharray="6 4">
        <path d="M560 24 750 34V68L560 78Z" fill={stageFill('growing')} />
        <path d="M560 106 750 112V136L560 142Z" fill={stageFill('growing')} />
      </g>
      <path d="M560 0V168" stroke="var(--rust)" strokeWidth="2" />
      <text x="566" y="182" fontSize="15" fontWeight="700" fill="var(--rust)">
        today
      </text>
    </svg>
  );
}

function Frame({ children }: { children: ReactNode }) {
  return (
    <main className="grid h-dvh overflow-y-auto md:grid-cols-[1fr_minmax(0,480px)]">
      <div
        className="hidden flex-col justify-end border-r border-ink bg-water p-10 md:flex"
        style={{
          background: 'linear-gradient(var(--ground) 0 38%, var(--ink) 38% calc(38% + 1px), var(--water) calc(38% + 1px))',
        }}
      >
        <SampleStream />
        <p className="mt-14 text-title">When will they hatch, what will they eat, and what’s to do today?</p>
        <p className="mt-3 max-w-prose">
          Freshet keeps your fish-room records and works out the rest, from hatch dates to the day the first food must be ready.
        </p>
      </div>
      <div className="bg-sheet p-6 md:overflow-y-auto md:p-10">
        <h1 className="mb-6 text-title">Freshet</h1>
        {children}
      </div>
    </main>
  );
}

/** Signing in, entering the demonstration, or beginning an own house. */
export function SignInPage({ session }: { session: Reply<'session'> }) {
  return <Frame>{session.needsHouse ? <BeginHouse /> : <SignInForm session={session} />}</Frame>;
}
