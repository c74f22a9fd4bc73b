import type { ComponentType } from 'react';
import { startsFor } from '@freshet/core/larder';
import { NewAttemptPage } from '../../spawning';

/** Starts an attempt; its plan knows from the larder, a later area, what has to be started when. */
export function NewAttempt({ OverStock }: { OverStock: ComponentType<{ speciesKey: string }> }) {
  return <NewAttemptPage cultureStarts={startsFor} OverStock={OverStock} />;
}
