import type { ProblemCode } from '@freshet/contract/problems';

/** An expected failure: its code decides status and title, its detail is shown to the keeper, its pointer names the field. */
export class DomainError extends Error {
  readonly detail: string;
  readonly pointer: string | null;

  constructor(
    readonly code: ProblemCode,
    options: { detail: string; pointer?: string; cause?: unknown },
  ) {
    super(options.detail, { cause: options.cause });
    this.name = 'DomainError';
    this.detail = options.detail;
    this.pointer = options.pointer ?? null;
  }
}

/** A request whose fields do not pass the contract's schema. */
export class RequestInvalid extends Error {
  constructor(readonly errors: { pointer: string; detail: string }[]) {
    super('request invalid');
    this.name = 'RequestInvalid';
  }
}
