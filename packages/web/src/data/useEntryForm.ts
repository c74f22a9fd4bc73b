import { useEffect, useRef, useState } from 'react';
import { useForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import { toast } from 'sonner';
import * as v from 'valibot';
import { API } from '@freshet/contract/api';
import { v7 as newId } from 'uuid';
import { ApiProblem, send, type Body } from './api';
import { useTouch } from './useGet';
import { useUndo, type LogName } from './useSend';

/** Thrown by `toBody` when a field cannot be read at all, before the contract's schema looks at it. */
export class FieldProblem extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** A form that makes one entry. */
export interface EntryForm<Values extends FieldValues> {
  form: UseFormReturn<Values>;
  /** Sends; fields at fault get their message, nothing typed is lost. */
  submit: (event?: { preventDefault?: () => void }) => Promise<void>;
  busy: boolean;
  /** What concerns the form as a whole. */
  problem: ApiProblem | null;
  /** Set when the server would accept it with a reason. */
  askReason: string | null;
  reason: string;
  setReason: (reason: string) => void;
}

interface Options<Name extends LogName, Values extends FieldValues> {
  name: Name;
  defaults: DefaultValues<Values>;
  /** The body without id and override. @throws {FieldProblem} */
  toBody: (values: Values) => Omit<Body<Name>, 'id' | 'override'>;
  /** Field of a schema path such as "heads.males"; by default the path's own name, when the form has such a field. */
  fieldOf?: (path: string) => Path<Values> | undefined;
  label: (values: Values) => string;
  done: (subjectId: string | null) => void;
}

/** One form for one write: checked by the contract's schema here and again on the server, retried under one id. */
export function useEntryForm<Name extends LogName, Values extends FieldValues>(
  options: Options<Name, Values>,
): EntryForm<Values> {
  const { name, defaults, toBody, fieldOf, label, done } = options;
  const form = useForm<Values>({ defaultValues: defaults });
  const touch = useTouch();
  const undo = useUndo();
  const id = useRef(newId());
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [askReason, setAskReason] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  // What was refused is judged anew when its input changes.
  useEffect(() => {
    const { unsubscribe } = form.watch(() => {
      setAskReason(null);
      setProblem(null);
    });
    return unsubscribe;
  }, [form]);

  function showAt(path: string, message: string): boolean {
    const known = form.getValues();
    const field = fieldOf?.(path) ?? (path.split('.')[0] as Path<Values>);
    if (!((String(field).split('.')[0] ?? '') in known)) return false;
    form.setError(field, { message }, { shouldFocus: true });
    return true;
  }

  async function post(values: Values): Promise<void> {
    setProblem(null);
    let body: unknown;
    try {
      body = { ...toBody(values), id: id.current, ...(askReason ? { override: { reason } } : {}) };
    } catch (error) {
      if (error instanceof FieldProblem && showAt(error.field, error.message)) return;
      throw error;
    }
    const parsed = v.safeParse(API[name].body, body);
    if (!parsed.success) {
      const missed = parsed.issues.filter((issue) => !showAt(v.getDotPath(issue) ?? '', issue.message));
      if (missed[0]) setProblem(new ApiProblem('request/invalid', 400, missed[0].message, ''));
      return;
    }
    setBusy(true);
    try {
      const { entryId, subjectId } = await send(name, body as Body<Name>);
      id.current = newId();
      touch(name);
      toast(label(values), { action: { label: 'Undo', onClick: () => void undo(entryId) } });
      done(subjectId);
    } catch (error) {
      if (!(error instanceof ApiProblem)) throw error;
      for (const { pointer, detail } of error.errors) showAt(pointer.replace(/^#\//, '').replaceAll('/', '.'), detail);
      setAskReason(error.overridable ? error.detail : null);
      setProblem(error);
    } finally {
      setBusy(false);
    }
  }

  return {
    form,
    submit: async (event) => {
      event?.preventDefault?.();
      form.clearErrors();
      await post(form.getValues());
    },
    busy,
    problem,
    askReason,
    reason,
    setReason,
  };
}
