export { molarMassG } from "./formula.ts";
export { IONS, chargeBalance, isTrace, type Ions } from "./ions.ts";
export { ecMsCm } from "./solution.ts";
