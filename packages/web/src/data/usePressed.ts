import { useEffect, useRef, useState } from 'react';

/** How something was just pressed: done, skipped, or taken back; null when what is shown is what is known. */
export type Pressed = 'done' | 'skipped' | false | null;

const undone = new EventTarget();
/** Tells whatever shows an entry as just made that it was taken back. */
export const tellUndone = (entryId: string): boolean => undone.dispatchEvent(new Event(entryId));

/**
 * Shows a press at once, before the server has answered: given up when it is refused or undone, or when what is known has changed. A
 * second press meanwhile does nothing.
 * @param known - whether it is ticked as far as is known; a change of it ends the press
 */
export function usePressed(known: boolean) {
  const [pressed, setPressed] = useState<Pressed>(null);
  const [seen, setSeen] = useState(known);
  const [entryId, setEntryId] = useState('');
  const busy = useRef(false);
  if (seen !== known) {
    setSeen(known);
    setPressed(null);
  }
  useEffect(() => {
    const drop = () => setPressed(null);
    undone.addEventListener(entryId, drop);
    return () => undone.removeEventListener(entryId, drop);
  }, [entryId]);
  return {
    pressed,
    press: async (as: Exclude<Pressed, null>, id: string, send: (id: string) => Promise<boolean>): Promise<void> => {
      if (busy.current) return;
      busy.current = true;
      setPressed(as);
      setEntryId(id);
      const isTaken = await send(id);
      busy.current = false;
      if (!isTaken) setPressed(null);
    },
  };
}
