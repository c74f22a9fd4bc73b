import { startsFor } from '@freshet/core/larder';
import { NewAttemptPage } from '../../spawning';

/** Starts an attempt; its plan knows from the larder, a later area, what has to be started when. */
export function NewAttempt() {
  return <NewAttemptPage cultureStarts={startsFor} />;
}
