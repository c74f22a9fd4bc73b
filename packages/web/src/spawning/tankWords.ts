import { formatDay } from '@freshet/core/time';
import type { Reply } from '../data';

/** A tank in a list to choose from: its code, and what speaks against it, until when. */
export function tankWords({ code, attempts, quarantine, readiness, heads }: Reply<'tankLife'>[number], today: string): string {
  if (attempts[0]) return `${code}: ${attempts[0].name}`;
  if (quarantine) return `${code}: quarantine${quarantine.endsOn ? ` until ${formatDay(quarantine.endsOn, today)}` : ''}`;
  if (heads > 0) return code;
  if (readiness.ready) return `${code}: empty`;
  return `${code}: not ready${readiness.expected ? ` until ${formatDay(readiness.expected.to, today)}` : ''}`;
}
