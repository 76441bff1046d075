import type { Explanation } from "@sprunel/contract/basics";
import type { Explained } from "@sprunel/core/plan";

/** How a figure arose, as the contract writes it. */
export function explanation({ steps, inputs }: Pick<Explained, "steps" | "inputs">): Explanation {
  return { steps: [...steps], inputs: inputs.map((input) => ({ ...input, origins: [...input.origins] })) };
}
