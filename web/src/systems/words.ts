import type { System } from "@sprunel/contract/site";
import { basinWords } from "./basin/words.ts";
import { benchWords } from "./bench/words.ts";
import { buriedDripWords } from "./buried-drip/words.ts";
import { soilDripWords } from "./soil-drip/words.ts";
import { solutionTankWords } from "./solution-tank/words.ts";
import { substrateWords } from "./substrate/words.ts";
import type { SystemWords } from "./system-words.ts";

/** The words of every growing system; its drawings and questions, which fewer pages need, are in `views.ts`. */
export const SYSTEM_WORDS: Readonly<Record<System, SystemWords>> = {
  substrate: substrateWords,
  "soil-drip": soilDripWords,
  "solution-tank": solutionTankWords,
  "sub-irrigated-bench": benchWords,
  "buried-drip": buriedDripWords,
  basin: basinWords,
};
