export type { Field, GrowingSystem, Marks, Roots, Seen } from "./growing-system.ts";
export type { Read } from "./asked.ts";
export { fieldsOf, SYSTEMS, systemOf } from "./registry.ts";
