import type { Endpoint, Problem } from "@sprunel/contract/basics";

/** A request that cannot be answered as asked, with the RFC 9457 answer that says why. */
export class ProblemError extends Error {
  override readonly name = "ProblemError";
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

export function notFound(what: string): ProblemError {
  return new ProblemError({
    type: "/problems/not-found",
    title: "Not found",
    status: 404,
    detail: `${what} does not exist here.`,
  });
}

export function wrongMethod(method: string, taken: readonly string[]): ProblemError {
  return new ProblemError({
    type: "/problems/wrong-method",
    title: "Not in this way",
    status: 405,
    detail: `${method} is not taken at this address; it takes ${taken.join(", ")}.`,
  });
}

export function notAllowed({ summary, needs }: Pick<Endpoint, "summary" | "needs">): ProblemError {
  return new ProblemError({
    type: "/problems/not-allowed",
    title: "Not allowed",
    status: 403,
    detail: `Whoever asks here may not do this: ${summary}. It needs the right "${needs}".`,
  });
}

export function packed(): ProblemError {
  return new ProblemError({
    type: "/problems/bad-encoding",
    title: "Not in this encoding",
    status: 415,
    detail: "What was sent is packed or written in a way that is not read here; send it as plain UTF-8 JSON.",
  });
}

/** Somebody else saved in between: nothing is written, and the newer record comes along. */
export function staleEdit(what: string, current: unknown): ProblemError {
  return new ProblemError({
    type: "/problems/stale-edit",
    title: "Changed meanwhile",
    status: 409,
    detail: `${what} was changed by somebody else since you opened it. Nothing was saved; compare both versions and save again.`,
    current,
  });
}

/** Records are never erased, and so neither is what they speak of. */
export function keptRecords(what: string, records: number): ProblemError {
  return new ProblemError({
    type: "/problems/has-records",
    title: "It holds records",
    status: 409,
    detail: `${what} holds ${records === 1 ? "a record" : `${records} records`}. What was noted is never erased: put it aside instead. Nothing was deleted.`,
  });
}

/** What stands there already says otherwise; it is never written over. */
export function conflict(detail: string): ProblemError {
  return new ProblemError({ type: "/problems/conflict", title: "Noted already", status: 409, detail });
}

export function taken(path: string, message: string): ProblemError {
  return badInput([{ path, message }]);
}

export function badInput(errors: { path: string; message: string }[]): ProblemError {
  return new ProblemError({
    type: "/problems/bad-input",
    title: "Please check the values",
    status: 422,
    detail: errors.map((error) => error.message).join(" "),
    errors,
  });
}

/** Bad input of a larger thing, told at the fields of the part that was typed. */
export function toldAt(field: (path: string) => string, check: () => void): void {
  try {
    check();
  } catch (error) {
    if (!(error instanceof ProblemError) || !error.problem.errors) throw error;
    throw badInput(error.problem.errors.map(({ path, message }) => ({ path: field(path), message })));
  }
}
