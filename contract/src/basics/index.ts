export { dateSchema, idSchema, problemSchema, type Problem } from "./basics.ts";
export type { Explanation, Origin, WorkingInput } from "./explanation.ts";
export type { Ion } from "./ions.ts";
