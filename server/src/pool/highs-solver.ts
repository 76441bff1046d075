import { lpSolver, type SolveLp } from "@sprunel/core/feed/recipe";
import loadHighs from "highs";

let loading: Promise<SolveLp> | undefined;

/** The solver of this process, loaded at the first recipe. After an error of its own a new instance is made for the next one. */
export async function withSolver<T>(work: (solve: SolveLp) => T): Promise<T> {
  loading ??= loadHighs().then(lpSolver);
  const solve = await loading;
  try {
    return work(solve);
  } catch (error) {
    if (error instanceof Error && error.name === "RuntimeError") loading = undefined;
    throw error;
  }
}
