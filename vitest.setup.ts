/// <reference types="node" />
/** Properties draw the same inputs in every run, so that a failure is the change's own. Another seed draws others. */
import fc from "fast-check";

fc.configureGlobal({ seed: Number(process.env["SPRUNEL_SEED"] ?? 20_261_125) });
