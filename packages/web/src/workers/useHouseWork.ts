import { useEffect, useState } from 'react';
import { allInUnits } from '@freshet/core/units';
import { useGet, useHouse, type Reply } from '../data';

/**
 * What the worker makes of the house as it is, and whether it is still at it; the last answer stands until the next is there.
 * @param key - the question, word for word
 */
export function useHouseWork<Answer>(
  key: string,
  work: (facts: Reply<'house'>, now: string) => Promise<Answer>,
): { reply: ReturnType<typeof useGet<'house'>>; answer: { made: Answer } | null; isWorking: boolean } {
  const house = useHouse();
  const reply = useGet('house');
  const [answer, setAnswer] = useState<{ key: string; revision: number; made: Answer } | null>(null);
  const facts = reply.data;
  useEffect(() => {
    if (!facts) return;
    let wanted = true;
    void work(facts, house.now()).then((made) => {
      if (wanted) setAnswer({ key, revision: facts.revision, made: allInUnits(made, house.units) });
    });
    return () => {
      wanted = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the key is the question, and the facts are the house
  }, [key, facts]);
  return { reply, answer, isWorking: !answer || answer.key !== key || answer.revision !== facts?.revision };
}
