export { DomainError, type Fault } from "./domain-error.ts";
export { showNumber, type WorkingStep } from "./working.ts";
