import type { System, ZoneDefinition } from "../site/zone.ts";
import { basin } from "./basin.ts";
import { bench } from "./bench.ts";
import { buriedDrip } from "./buried-drip.ts";
import { COMMON_FIELDS } from "./common-fields.ts";
import type { Field, GrowingSystem } from "./growing-system.ts";
import { soilDrip } from "./soil-drip.ts";
import { solutionTank } from "./solution-tank.ts";
import { substrate } from "./substrate.ts";

type Registry = { readonly [S in System]: GrowingSystem<Extract<ZoneDefinition, { system: S }>> };

/** Every growing system, by its name; the compiler demands each. */
export const SYSTEMS: Registry = {
  substrate,
  "soil-drip": soilDrip,
  "solution-tank": solutionTank,
  "sub-irrigated-bench": bench,
  "buried-drip": buriedDrip,
  basin,
};

/** The system of a zone, for whoever does not ask which it is. */
export function systemOf<Z extends ZoneDefinition>(zone: Z): GrowingSystem<Z> {
  return SYSTEMS[zone.system] as unknown as GrowingSystem<Z>;
}

/** All fields of a system in the order in which they are asked for. */
export function fieldsOf(system: System): readonly Field[] {
  return [...COMMON_FIELDS, ...SYSTEMS[system].fields];
}
