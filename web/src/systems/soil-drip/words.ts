import { soilWords } from "../soil/words.ts";
import type { SystemWords } from "../system-words.ts";

export const soilDripWords: SystemWords = { name: "soil, drip lines", ...soilWords };
