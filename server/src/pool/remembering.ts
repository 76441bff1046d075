import { createHash } from "node:crypto";
import type { LinearProgram, LpAnswer, SolveLp } from "@sprunel/core/feed/recipe";

/** Programs whose answers are kept: about ten a recipe, of the largest nursery. */
const KEPT = 5000;

/**
 * A solver that answers a program it has solved before from memory. After a price has changed only the programs that
 * ask for the least cost are new; fit and limits of every recipe are the same.
 */
export function remembering(): (solve: SolveLp) => SolveLp {
  const answers = new Map<string, LpAnswer>();
  return (solve) => (program) => {
    const key = keyOf(program);
    const known = answers.get(key);
    if (known) return known;
    const answer = solve(program);
    if (answers.size >= KEPT) answers.delete(answers.keys().next().value ?? "");
    answers.set(key, answer);
    return answer;
  };
}

function keyOf({ cost, upper, rows }: LinearProgram): string {
  return createHash("sha1")
    .update(JSON.stringify([cost, upper, rows]))
    .digest("base64");
}
