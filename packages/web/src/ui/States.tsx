import type { ReactNode } from 'react';
import type { ApiProblem } from '../data';
import { Button } from './Button';

/** While something is asked for the first time: quiet rules where the lines will be. */
export function Loading({ what }: { what: string }) {
  return (
    <div role="status" className="py-6 text-quiet">
      <p>Fetching {what} …</p>
      {[92, 78, 84].map((width) => (
        <div key={width} className="mt-5 h-px bg-rule" style={{ width: `${width}%` }} />
      ))}
    </div>
  );
}

/** An empty screen starts the first action. */
export function Empty({ title, children, action }: { title: string; children?: ReactNode; action?: ReactNode }) {
  return (
    <div className="border border-dashed border-edge px-6 py-8">
      <h2 className="text-code">{title}</h2>
      {children && <div className="mt-1 max-w-prose text-quiet">{children}</div>}
      {action && <div className="mt-4 flex flex-wrap gap-3">{action}</div>}
    </div>
  );
}

/** What went wrong, and what to do. */
export function ProblemNote({ problem, again }: { problem: ApiProblem; again?: () => void }) {
  return (
    <div role="alert" className="border-l-4 border-rust bg-rust-wash px-4 py-3">
      <p className="font-semibold">{problem.title}.</p>
      {problem.detail && problem.detail !== problem.title && <p>{problem.detail}</p>}
      {again && (
        <Button className="mt-3" onClick={again}>
          Try again
        </Button>
      )}
    </div>
  );
}

/** A page's content while it loads, fails, or is there; a failure leaves what was last seen. */
export function Loaded<T>({
  reply,
  what,
  children,
}: {
  reply: { data: T | undefined; error: ApiProblem | undefined; mutate: () => unknown };
  what: string;
  children: (data: T) => ReactNode;
}) {
  if (reply.data !== undefined) return children(reply.data);
  if (reply.error) return <ProblemNote problem={reply.error} again={() => void reply.mutate()} />;
  return <Loading what={what} />;
}
