/** Properties draw the same inputs in every run, so that a failure is the change's own. `SEED=7 npx vitest run` draws others. */
import fc from "fast-check";

fc.configureGlobal({ seed: Number(process.env["SEED"] ?? 20261125) });
