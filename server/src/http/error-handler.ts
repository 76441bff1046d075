import { FOLLOWED } from "@sprunel/contract/basics";
import { DomainError } from "@sprunel/core/working";
import type { ErrorRequestHandler, Response } from "express";
import type { Logger } from "pino";
import { z } from "zod";
import { diskFault, type DiskFault } from "../database/disk-fault.ts";
import { badInput, notFound, packed, ProblemError } from "./problems.ts";

/** The one place that turns what went wrong into an answer. */
export function errorHandler(log: Logger, troubled: (error: unknown) => void): ErrorRequestHandler {
  return (error: unknown, req, res, next) => {
    // Whoever asked has gone, and what was done for them was broken off.
    if (req.socket.destroyed && error instanceof DOMException) return;
    if (res.headersSent && !isInLines(res)) {
      next(error);
      return;
    }
    // A file that a page asks for and that is not there is no fault of the disk: its error says how to answer.
    const disk = error instanceof Error && "status" in error ? null : diskFault(error);
    if (disk) troubled(error);
    const known = disk ? diskProblem(disk) : asProblem(error);
    if (!known) log.error({ err: error }, "unexpected");
    const problem = known?.problem ?? {
      type: "/problems/unexpected",
      title: "Something went wrong here",
      status: 500,
      detail:
        "The server could not finish this. Nothing was saved; try again, and look into the server's log if it stays.",
    };
    if (res.headersSent) res.end(`${JSON.stringify({ problem })}\n`);
    else res.status(problem.status).type("application/problem+json").send(JSON.stringify(problem));
  };
}

/** Lines that are on their way may end with what went wrong. */
function isInLines(res: Response): boolean {
  return res.getHeader("Content-Type") === FOLLOWED && !res.writableEnded;
}

function diskProblem({ kind, words }: DiskFault): ProblemError {
  return new ProblemError({
    type: `/problems/disk-${kind}`,
    title: "The data folder",
    status: kind === "full" ? 507 : 503,
    detail: `${words} Nothing of this was saved.`,
  });
}

function asProblem(error: unknown): ProblemError | undefined {
  if (error instanceof ProblemError) return error;
  if (error instanceof DomainError) return badInput(error.faults.map(({ path, message }) => ({ path, message })));
  if (error instanceof z.ZodError) return badInput(error.issues.flatMap(issueErrors));
  return bodyProblem(error);
}

function issueErrors(issue: z.core.$ZodIssue): { path: string; message: string }[] {
  const path = issue.path.map(String).join(".");
  if (issue.code === "unrecognized_keys")
    return issue.keys.map((key) => ({
      path: [path, key].filter(Boolean).join("."),
      message: `${key} is not known here; check the spelling.`,
    }));
  return [{ path, message: issue.message }];
}

/** What the body parser refuses, told by its status. */
function bodyProblem(error: unknown): ProblemError | undefined {
  if (!(error instanceof Error) || !("status" in error) || typeof error.status !== "number") return undefined;
  if (error.status === 404) return notFound("What this address names");
  if (error.status === 413)
    return badInput([
      { path: "", message: "What was sent is larger than this address takes (60 MB for files, 1 MB otherwise)." },
    ]);
  if (error.status === 400 && error instanceof URIError)
    return badInput([{ path: "", message: "The address is not written correctly." }]);
  if (error.status === 416)
    return new ProblemError({
      type: "/problems/bad-range",
      title: "No such part",
      status: 416,
      detail: "The part of the file that was asked for is not there.",
    });
  if (error.status === 415) return packed();
  if (error.status >= 400 && error.status < 500)
    return badInput([{ path: "", message: "What was sent is not JSON that can be read." }]);
  return undefined;
}
