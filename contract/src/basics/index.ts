export { getAccess, type Access } from "./access.ts";
export { problemSchema, type Problem } from "./basics.ts";
export { addressOf, FOLLOWED, type Endpoint } from "./endpoint.ts";
export type { Explanation, Origin, WorkingInput } from "./explanation.ts";
export { getDescription, getHealth } from "./health.ts";
export type { Ion } from "./ions.ts";
export { RIGHTS, type Right } from "./rights.ts";
export type { SoldAs } from "./sold-as.ts";
export { getClock, PACES, setPace, startAgain, type Clock, type Pace } from "./clock.ts";
