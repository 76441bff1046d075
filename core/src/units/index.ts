export { fromCanonical, toCanonical, unitFor, type Quantity, type UnitSystem } from "./units.ts";
