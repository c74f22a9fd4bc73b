import { useEffect, useState } from 'react';
import type { TideClass, TidePlan, TideWishes } from '@freshet/core/larder';
import { tideWork } from '../../workers';

/** The plan of a class, worked out in the worker; the last one stands until the next is there, so that nothing flickers while a start is dragged. */
export function usePlan(tide: TideClass | null, days: number, wishes: TideWishes | null, today: string): TidePlan | null {
  const [plan, setPlan] = useState<{ of: string; plan: TidePlan } | null>(null);
  const asked = JSON.stringify([tide, days, wishes, today]);
  useEffect(() => {
    if (!tide || !wishes) return;
    let wanted = true;
    void tideWork()
      .planTide(tide, days, wishes, today)
      .then((made) => {
        if (wanted) setPlan({ of: tide.key, plan: made });
      });
    return () => {
      wanted = false;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `asked` is the question, word for word
  }, [asked]);
  return plan && wishes && plan.of === tide?.key ? plan.plan : null;
}
