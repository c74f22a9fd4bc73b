import { useEffect, useState } from 'react';
import { useGet, type Reply } from '../../data';
import { codeCells } from '../../print';
import { Empty, Loaded, PageHead } from '../../ui';

/** A code that leads to an address, drawn. */
function Code({ address }: { address: string }) {
  const [path, setPath] = useState<{ side: number; d: string } | null>(null);
  useEffect(() => {
    let isShown = true;
    void codeCells(address).then(({ side, cells }) => {
      if (isShown) setPath({ side, d: cells.map(({ row, column }) => `M${column} ${row}h1v1h-1z`).join('') });
    });
    return () => {
      isShown = false;
    };
  }, [address]);
  return (
    // Dark on light in both themes: a camera reads it so.
    <div className="size-60 p-3" style={{ background: '#fff' }}>
      {path && (
        <svg
          viewBox={`0 0 ${path.side} ${path.side}`}
          role="img"
          aria-label={`Code that leads to ${address}`}
          shapeRendering="crispEdges"
        >
          <path d={path.d} fill="#000" />
        </svg>
      )}
    </div>
  );
}

const STEPS = [
  {
    title: 'Its settings speak of credentials',
    steps: [
      'Download the certificate below.',
      'Settings, search for “CA certificate”, and install the file freshet.crt.',
      'The phone says that others could listen in. Here the other is your own house.',
    ],
  },
  {
    title: 'It says “profile downloaded”',
    steps: [
      'Download the certificate below.',
      'Settings, “Profile downloaded”, Install.',
      'Settings, General, About, Certificate trust: switch on “Freshet at home”.',
    ],
  },
] as const;

function Reach({ reach }: { reach: Reply<'reach'> }) {
  if (reach.address === null)
    return (
      <Empty title="Only this computer can open Freshet">
        Stop it, then start it with <code className="font-mono">npm start -- --lan</code>. Phones in your network can open it
        then.
      </Empty>
    );
  return (
    <div className="grid max-w-4xl gap-5 md:grid-cols-[auto_1fr]">
      <Code address={reach.address} />
      <div className="flex flex-col gap-2">
        <p>
          Point the phone’s camera at the code, or type{' '}
          <a href={reach.address} className="link font-mono break-all">
            {reach.address}
          </a>
        </p>
        {reach.others.length > 0 && (
          <p className="text-quiet">
            Also: <span className="font-mono break-all">{reach.others.join(', ')}</span>
          </p>
        )}
        <p className="text-quiet">The phone must be in the same network. Sign in there as you do here.</p>
        <p className="text-quiet">
          This address is printed on tank labels. If your router gives this computer another one, print them anew, or let the
          router keep it.
        </p>
      </div>
      {reach.hasCertificate && (
        <section aria-label="Trust it" className="md:col-span-2">
          <h2 className="mb-2 text-lead font-bold">Trust it once, and the warning goes</h2>
          <p className="mb-3 max-w-prose">
            The phone warns because the certificate is your house’s own. You can go on without: everything but the camera works.
          </p>
          <div className="grid gap-4 md:grid-cols-2">
            {STEPS.map(({ title, steps }) => (
              <div key={title} className="border border-rule bg-sheet p-4">
                <h3 className="mb-1 font-semibold">{title}</h3>
                <ol className="list-decimal pl-5">
                  {steps.map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              </div>
            ))}
          </div>
          <p className="mt-3">
            <a href="/freshet.crt" download className="link font-semibold">
              Download the certificate
            </a>
          </p>
        </section>
      )}
    </div>
  );
}

/** How do I open this on my phone? */
export function PhonePage() {
  const reach = useGet('reach');
  return (
    <>
      <PageHead title="On your phone" about="Freshet runs on this computer; a phone opens it over your network." />
      <Loaded reply={reach} what="the address">
        {(data) => <Reach reach={data} />}
      </Loaded>
    </>
  );
}
