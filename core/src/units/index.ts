export { fromCanonical, toCanonical, unitFor, type Quantity, type UnitOf, type UnitSystem } from "./units.ts";
