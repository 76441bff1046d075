import { soilWords } from "../soil/words.ts";
import type { SystemWords } from "../system-words.ts";

export const buriedDripWords: SystemWords = { name: "buried drip", ...soilWords };
