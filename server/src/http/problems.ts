import type { Problem } from "@sprunel/contract/basics";

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
