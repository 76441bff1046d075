export { DomainError, type Fault } from "./domain-error.ts";
export { showNumber, type WorkingStep } from "./working.ts";
export { hourOrigins, type Origin, type WorkingInput } from "./origin.ts";
