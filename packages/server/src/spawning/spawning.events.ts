import { v7 as newId } from 'uuid';
import type { BodyOf } from '@freshet/contract/endpoints';
import type { spawningEndpoints } from '@freshet/contract/spawning';
import { checkDays, decideBooking, SIGN_WORDS } from '@freshet/core/spawning';
import { addDays, exactly, formatDay, houseDay } from '@freshet/core/time';
import { formatNumber } from '@freshet/core/units';
import type { Applied, LogService, Scope } from '../log';
import { DomainError } from '../platform';
import type { AttemptFacts, AttemptRow, SpawningRepository } from './spawning.repository';

type Body<Name extends keyof typeof spawningEndpoints> = BodyOf<(typeof spawningEndpoints)[Name]>;

interface Deps {
  log: LogService;
  repository: SpawningRepository;
  getAttempt: (scope: Scope, id: string) => Promise<AttemptRow>;
  factsOf: (scope: Scope, rows: AttemptRow[]) => Promise<AttemptFacts[]>;
}

/** What is done and seen at an attempt: triggers with their change of water, signs of settling, its days moved, its end. */
export function createAttemptEvents({ log, repository, getAttempt, factsOf }: Deps): void {
  const { attempts, events } = repository;
  const plain = { day: null, outcome: null, note: null, details: null };

  async function applyTrigger(scope: Scope, body: Omit<Body<'trigger'>, 'id' | 'override'>): Promise<Applied> {
    const attempt = await getAttempt(scope, body.attemptId);
    const { at, what, change, stepC, pressure } = body;
    const [facts] = await factsOf(scope, [attempt]);
    if (facts && houseDay(at.to, scope.timeZone) < addDays(facts.from, -1) && !scope.override)
      throw new DomainError('spawning/before-set-up', {
        detail: `The tank is reserved from ${formatDay(facts.from, houseDay(scope.now, scope.timeZone))} only. If it was triggered before, say why.`,
        pointer: '#/at',
      });
    const changed = change
      ? await log.part(scope, 'change', { ...change, tankId: attempt.tankId, at: at.to }, '#/change/litres')
      : null;
    await events.insert(scope, {
      ...plain,
      id: newId(),
      entryId: scope.entryId,
      attemptId: attempt.id,
      kind: 'triggered',
      fromAt: at.from,
      toAt: at.to,
      note: what,
      details: { change, stepC, pressure },
    });
    const step = stepC ? `, ${formatNumber(Math.abs(stepC))} °C ${stepC < 0 ? 'cooler' : 'warmer'}` : '';
    return {
      text: `${attempt.name}: trigger, ${what}${changed ? `; ${changed.text}` : ''}${step}`,
      tankId: attempt.tankId,
      subjectId: attempt.id,
      parts: changed?.parts ?? [],
    };
  }

  log.declare({
    trigger: {
      apply: applyTrigger,
      undo: { tables: [events] },
      ticks: {
        triggered: (_scope, { id, at, text }) => ({
          attemptId: id,
          at: exactly(at),
          what: text,
          change: null,
          stepC: null,
          pressure: null,
        }),
      },
    },
    settling: {
      apply: async (scope, body) => {
        const attempt = await getAttempt(scope, body.attemptId);
        const { sign, at, note } = body;
        await events.insert(scope, {
          ...plain,
          id: newId(),
          entryId: scope.entryId,
          attemptId: attempt.id,
          kind: 'settling',
          fromAt: at.from,
          toAt: at.to,
          note,
          outcome: sign,
        });
        const text = `${attempt.name}: ${SIGN_WORDS[sign].toLowerCase()}${note ? `, ${note}` : ''}`;
        return { text, tankId: attempt.tankId, subjectId: attempt.id };
      },
      undo: { tables: [events] },
    },
    attemptDays: {
      apply: async (scope, body) => {
        const attempt = await getAttempt(scope, body.attemptId);
        const [facts] = await factsOf(scope, [attempt]);
        if (!facts || facts.ended) throw new DomainError('spawning/ended', { detail: 'It has ended already.' });
        const { conditioningFrom, from, setUpOn, triggerOn, to } = body;
        const order = checkDays(
          {
            conditioningFrom,
            from,
            setUpOn: setUpOn ?? from,
            triggerOn: triggerOn ?? setUpOn ?? from,
            to: to ?? addDays(triggerOn ?? from, 365),
          },
          houseDay(scope.now, scope.timeZone),
          false,
        );
        if (order) throw new DomainError('request/invalid', { detail: order.message, pointer: `#/${order.field}` });
        const others = await factsOf(scope, await attempts.find(scope, { tankId: attempt.tankId }));
        const decision = decideBooking(
          { id: attempt.id, name: attempt.name, tankId: attempt.tankId, from, to },
          others.map((other) => ({ ...other, from: other.from, to: other.ended?.day ?? other.to })),
        );
        if (!decision.ok && !scope.override)
          throw new DomainError('spawning/tank-booked', {
            detail: `${decision.clash.name} holds the tank then. Choose other days, or say why both may.`,
            pointer: '#/from',
          });
        await events.insert(scope, {
          ...plain,
          id: newId(),
          entryId: scope.entryId,
          attemptId: attempt.id,
          kind: 'dated',
          fromAt: scope.now,
          toAt: scope.now,
          details: { conditioningFrom, from, setUpOn, triggerOn, to },
        });
        const today = houseDay(scope.now, scope.timeZone);
        return {
          text: `${attempt.name}: days moved${triggerOn ? `, trigger ${formatDay(triggerOn, today)}` : ''}`,
          tankId: attempt.tankId,
          subjectId: attempt.id,
        };
      },
      undo: { tables: [events] },
    },
    attemptEnd: {
      apply: async (scope, body) => {
        const attempt = await getAttempt(scope, body.attemptId);
        const [facts] = await factsOf(scope, [attempt]);
        if (facts?.ended) throw new DomainError('spawning/ended', { detail: 'It has ended already.' });
        await events.insert(scope, {
          ...plain,
          id: newId(),
          entryId: scope.entryId,
          attemptId: attempt.id,
          kind: 'ended',
          fromAt: scope.now,
          toAt: scope.now,
          day: body.on,
          outcome: body.outcome,
          note: body.note,
        });
        await attempts.update(scope, { id: attempt.id }, { closed: true });
        return { text: `Spawning ended: ${attempt.name}, ${body.outcome}`, tankId: attempt.tankId, subjectId: attempt.id };
      },
      undo: {
        tables: [events],
        after: async (scope, { subjectId }) => {
          await attempts.update(scope, { id: subjectId }, { closed: false });
        },
      },
    },
  });
}
