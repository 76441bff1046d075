import {
  DEMAND_MM,
  DRAIN_MM,
  figuresOf,
  FLUX_SLOTS,
  GIVEN_EC,
  GIVEN_MM,
  HOUR_SLOTS,
  LOST_MM,
  OVERFLOW_MM,
  RAIN_MM,
  SALT,
  SALT_IN,
  SALT_OUT,
  SHORT_MM,
  TAKEN_MM,
  WATER,
  stepStore,
  type Store,
} from "../rootzone/store.ts";
import type { Ions } from "../chemistry/ions.ts";
import type { ZoneDefinition } from "../site/zone.ts";
import { fieldsOf, systemOf, type Seen } from "../systems/index.ts";
import { Checks } from "../working/checks.ts";
import { fill, Worksheet, type WorkingStep } from "../working/working.ts";
import { checkIons, RootZoneIons, type IonsAsked } from "./root-zone-ions.ts";
import { ecIn, missingIn, stateOf } from "./advance.ts";

export interface RootZoneHour {
  readonly demandMm: number;
  readonly rainMm?: number | undefined;
  /** gross water over the zone's area */
  readonly waterMm?: number | undefined;
  readonly ecMsCm?: number | undefined;
  /** in the water given, mmol/L; counts where ions are followed */
  readonly ionsMmolL?: Ions | undefined;
}

export interface RootZoneInput {
  /** its system, area and stand, and what its root zone holds; how it is watered does not matter here */
  readonly zone: { readonly system: ZoneDefinition["system"] } & Readonly<Record<string, string | number | undefined>>;
  readonly rootDepthM?: number | undefined;
  readonly crop?: { readonly depletionFraction: number } | undefined;
  readonly start?:
    (Seen & { readonly depletionMm?: number | undefined; readonly ecMsCm?: number | undefined }) | undefined;
  readonly hours: readonly RootZoneHour[];
  /** single ions and pH are followed where this stands */
  readonly ions?: IonsAsked | undefined;
}

interface HourAnswer {
  readonly depletionMm: number;
  readonly heldLPlant?: number | undefined;
  readonly levelCm?: number | undefined;
  /** of the water in the root zone; 0 where there is none */
  readonly ecMsCm: number;
  readonly takenMm: number;
  readonly drainMm: number;
  readonly lostMm: number;
  readonly overflowMm: number;
  readonly shortMm: number;
  /** in the water of the root zone after the hour, mmol/L, and its pH; null where there is none */
  readonly ionsMmolL?: Ions;
  readonly ph?: number | null;
}

export interface RootZoneAnswer {
  readonly hours: readonly HourAnswer[];
  readonly balance: {
    readonly water: {
      readonly inMm: number;
      readonly outMm: number;
      readonly changeMm: number;
      readonly residualMm: number;
    };
    readonly salt: {
      readonly inEcMm: number;
      readonly outEcMm: number;
      readonly changeEcMm: number;
      readonly residualEcMm: number;
    };
    /** mmol/m² by ion, where they were followed */
    readonly ions?: ReturnType<RootZoneIons["balance"]>;
  };
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** Vegetables in beds, 0.3 to 0.7 m in FAO-56, table 22; where nobody says it. Assumed. */
const USUAL_ROOT_DEPTH_M = 0.5;
/** Water in the root zone of a start that nobody describes. */
const USUAL_START_EC = 1;
const MOST_HOURS = 10_000;

/**
 * A root zone through hours of demand, rain and water: what the crop took, what ran out, and how it stood after each.
 *
 * In each hour water comes in, roots take what they can, and only then what stands over full drains or runs off
 * (FAO-56, eq. 85 to 88). What the crop takes carries no salt; where `ions` are followed, it carries those. With `crop` uptake falls past the easy share (eq. 84).
 *
 * @param input up to 10,000 hours
 * @throws {DomainError} for values that cannot be, each with its path
 */
export function rootZone(input: RootZoneInput): RootZoneAnswer {
  const sheet = new Worksheet();
  const zone = input.zone as unknown as ZoneDefinition;
  const system = systemOf(zone);
  const store = system.store(zone, {
    depthM: input.rootDepthM ?? USUAL_ROOT_DEPTH_M,
    depletionFraction: input.crop ? input.crop.depletionFraction : 1,
    drierPct: 0,
  });
  const missingMm = checkedStart(input, store);
  if (input.rootDepthM === undefined && input.zone["availableMmM"] !== undefined)
    sheet.warn(`No rooted depth was given; ${USUAL_ROOT_DEPTH_M} m is assumed.`);
  const state = stateOf(store, missingMm, input.start?.ecMsCm ?? USUAL_START_EC);
  const [startMm, startSalt] = [state[WATER] ?? 0, state[SALT] ?? 0];

  const figures = figuresOf(store);
  const ions = input.ions && new RootZoneIons(figures, startMm, input.ions, sheet);
  const hour = new Float64Array(HOUR_SLOTS);
  const flux = new Float64Array(FLUX_SLOTS);
  const sums = new Float64Array(FLUX_SLOTS);
  let givenMm = 0;
  let rainMm = 0;
  const hours = input.hours.map((asked): HourAnswer => {
    hour[DEMAND_MM] = asked.demandMm;
    hour[RAIN_MM] = asked.rainMm ?? 0;
    hour[GIVEN_MM] = asked.waterMm ?? 0;
    hour[GIVEN_EC] = asked.ecMsCm ?? 0;
    const before = state[WATER] ?? 0;
    stepStore(figures, state, hour, 0, flux, 0);
    for (let slot = 0; slot < FLUX_SLOTS; slot++) sums[slot] = (sums[slot] ?? 0) + (flux[slot] ?? 0);
    givenMm += asked.waterMm ?? 0;
    rainMm += asked.rainMm ?? 0;
    const depletionMm = missingIn(state);
    return {
      depletionMm,
      ...system.seen(zone, depletionMm),
      ecMsCm: ecIn(state) ?? 0,
      takenMm: flux[TAKEN_MM] ?? 0,
      drainMm: flux[DRAIN_MM] ?? 0,
      lostMm: flux[LOST_MM] ?? 0,
      overflowMm: flux[OVERFLOW_MM] ?? 0,
      shortMm: flux[SHORT_MM] ?? 0,
      ...ions?.step({ before, hour, flux }, asked.ionsMmolL, state[WATER] ?? 0),
    };
  });
  const sum = (slot: number): number => sums[slot] ?? 0;
  noteStore(store, sheet);
  const water = noteWater(givenMm, rainMm, (state[WATER] ?? 0) - startMm, sum, sheet);
  const saltChange = (state[SALT] ?? 0) - startSalt;
  if (sum(SHORT_MM) > 1e-9)
    sheet.warn(
      `The crop went short of ${sum(SHORT_MM).toFixed(1)} mm in ${hours.filter(({ shortMm }) => shortMm > 1e-9).length} hours.`,
    );
  if (sum(OVERFLOW_MM) > 1e-9) sheet.warn(`${sum(OVERFLOW_MM).toFixed(1)} mm ran over.`);
  return {
    hours,
    balance: {
      water,
      salt: {
        inEcMm: sum(SALT_IN),
        outEcMm: sum(SALT_OUT),
        changeEcMm: saltChange,
        residualEcMm: sum(SALT_IN) - sum(SALT_OUT) - saltChange,
      },
      ...(ions && { ions: ions.balance() }),
    },
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/** @returns mm missing at the start */
function checkedStart({ zone, rootDepthM, crop, start, hours, ions }: RootZoneInput, store: Store): number {
  const absent = fieldsOf(zone.system).filter(({ key }) => zone[key] === undefined);
  const checks = new Checks()
    .range("rootDepthM", "The rooted depth", rootDepthM, 0.05, 5, "m")
    .range("crop.depletionFraction", "The easy share of the available water", crop?.depletionFraction, 0, 1)
    .range("start.ecMsCm", "The EC at the start", start?.ecMsCm, 0, 30, "mS/cm")
    .when(
      hours.length === 0 || hours.length > MOST_HOURS,
      "out-of-range",
      "hours",
      `The hours must be 1 to ${MOST_HOURS}, not ${hours.length}.`,
    );
  hours.forEach(({ demandMm, rainMm, waterMm, ecMsCm }, at) =>
    checks
      .range(`hours.${at}.demandMm`, "Demand", demandMm, 0, 50, "mm in the hour")
      .range(`hours.${at}.rainMm`, "Rain", rainMm, 0, 500, "mm in the hour")
      .range(`hours.${at}.waterMm`, "Water", waterMm, 0, 2000, "mm in the hour")
      .range(`hours.${at}.ecMsCm`, "The water's EC", ecMsCm, 0, 30, "mS/cm"),
  );
  if (ions)
    checkIons(
      checks,
      ions,
      hours.map(({ ionsMmolL }) => ionsMmolL),
    );
  // A figure that the store rests on and that is not there makes it no number.
  if (!Object.values(store).every((value) => typeof value === "boolean" || Number.isFinite(value)))
    for (const { key, name } of absent) checks.present(`zone.${key}`, name, undefined);
  checks.done();
  const named = (["depletionMm", "heldLPlant", "levelCm"] as const).filter((key) => start?.[key] !== undefined);
  const [key] = named;
  if (!key) return 0;
  const missingMm =
    start?.depletionMm ?? systemOf(zone as unknown as ZoneDefinition).missingMm(zone as never, start ?? {});
  new Checks()
    .when(named.length > 1, "not-possible", "start", `Give one of ${named.join(" and ")}, not both.`)
    .when(missingMm === null, "not-possible", `start.${key}`, `A ${zone.system} zone does not start from ${key}.`)
    .when(
      missingMm !== null && !(missingMm >= -store.overMm - 1e-9 && missingMm <= store.availableMm + 1e-9),
      "out-of-range",
      `start.${key}`,
      `The start leaves ${(missingMm ?? 0).toFixed(1)} mm missing; this root zone goes from ${(-store.overMm).toFixed(1)} to ${store.availableMm.toFixed(1)} mm.`,
    )
    .done();
  return missingMm ?? 0;
}

function noteStore({ fullMm, availableMm, easyMm }: Store, sheet: Worksheet): void {
  sheet.note("Held when full", "of the zone's definition", fill`${fullMm}`, fullMm, "mm", "growing system");
  sheet.note(
    "Available to the crop",
    "of the zone's definition",
    fill`${availableMm}`,
    availableMm,
    "mm",
    "FAO-56, eq. 82, in soil; what roots can draw from a substrate, tank or basin elsewhere",
  );
  sheet.note("Easy to take", "p · available", fill`${easyMm}`, easyMm, "mm", "FAO-56, eq. 83");
}

function noteWater(
  givenMm: number,
  rainMm: number,
  changeMm: number,
  sum: (slot: number) => number,
  sheet: Worksheet,
): RootZoneAnswer["balance"]["water"] {
  const inMm = sheet.note(
    "Water in",
    "Σ water + Σ rain",
    fill`${givenMm} + ${rainMm}`,
    givenMm + rainMm,
    "mm",
    "given",
  );
  const [taken, drain, lost, overflow] = [sum(TAKEN_MM), sum(DRAIN_MM), sum(LOST_MM), sum(OVERFLOW_MM)];
  const outMm = sheet.note(
    "Water out",
    "Σ taken + Σ drained + Σ lost to unevenness + Σ overflow",
    fill`${taken} + ${drain} + ${lost} + ${overflow}`,
    taken + drain + lost + overflow,
    "mm",
    "FAO-56, eq. 85 to 88, hour by hour",
  );
  const residualMm = sheet.note(
    "Residual",
    "in − out − change",
    fill`${inMm} − ${outMm} − ${changeMm}`,
    inMm - outMm - changeMm,
    "mm",
    "conservation of mass",
  );
  return { inMm, outMm, changeMm, residualMm };
}
