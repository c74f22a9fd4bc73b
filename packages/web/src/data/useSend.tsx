import { useCallback } from 'react';
import { toast } from 'sonner';
import { v7 as newId } from 'uuid';
import { ApiProblem, send, type Body, type WriteName } from './api';
import { keepForLater } from './outbox';
import { askReason } from './reason';
import { useTouch } from './useGet';
import { tellUndone } from './usePressed';

/** Writes that log something and answer with the entry they made. */
export type LogName = Exclude<WriteName, 'signIn' | 'signOut' | 'newHouse' | 'playFault' | 'sendSamples'>;

/** Takes an entry back and says so. @returns true when it was */
export function useUndo(): (entryId: string) => Promise<boolean> {
  const touch = useTouch();
  return useCallback(
    async (entryId) => {
      try {
        await send('undo', { id: newId(), entryId });
        touch('undo');
        tellUndone(entryId);
        toast('Undone');
        return true;
      } catch (error) {
        toast.error(error instanceof ApiProblem ? error.message : 'That couldn’t be undone.');
        return false;
      }
    },
    [touch],
  );
}

/**
 * Logs something with one tap: says what was logged with a way back; what is taken only with a reason is asked about; when nothing
 * answers it is kept and sent later.
 * @returns true when it was logged or kept
 */
export function useLog(): <Name extends LogName>(
  name: Name,
  body: Body<Name> & { id: string },
  label: string,
) => Promise<boolean> {
  const touch = useTouch();
  const undo = useUndo();
  return useCallback(
    async (name, body, label) => {
      const logged = async (asked: typeof body): Promise<true> => {
        const { entryId } = await send(name, asked);
        touch(name);
        toast(label, { action: { label: 'Undo', onClick: () => void undo(entryId) } });
        return true;
      };
      try {
        return await logged(body).catch(async (error: unknown) => {
          if (!(error instanceof ApiProblem) || !error.overridable) throw error;
          const reason = await askReason(error, label);
          return reason === null ? false : logged({ ...body, override: { reason } });
        });
      } catch (error) {
        if (error instanceof ApiProblem && error.passing) {
          try {
            await keepForLater({ name, body, label });
            toast(`${label}: kept here, sent when the server answers`);
            return true;
          } catch {
            toast.error(`${label}: it could not be kept on this device; try again when the server answers.`);
            return false;
          }
        }
        toast.error(error instanceof ApiProblem ? error.message : 'That did not work.');
        return false;
      }
    },
    [touch, undo],
  );
}
