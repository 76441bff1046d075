import type { System } from "@sprunel/contract/site";
import type { ZoneField, ZoneStart } from "@sprunel/core/site";
import { fieldsOf } from "@sprunel/core/systems";
import type { Quantity } from "@sprunel/core/units";

interface FieldSpec {
  readonly key: string;
  readonly label: string;
  readonly quantity?: Quantity;
  readonly unit?: string;
}

/** How the form asks for a field, and in which unit; the growing systems in the core say which they have, and within what range. */
const ASKED: Readonly<Record<ZoneField, Omit<FieldSpec, "key">>> = {
  areaM2: { label: "Area", quantity: "area" },
  plants: { label: "Plants", unit: "plants" },
  flowLh: { label: "Flow of the whole zone", quantity: "flow" },
  uniformityPct: { label: "Uniformity", unit: "%" },
  startAfterSunriseMin: { label: "First water after sunrise", unit: "min" },
  endBeforeSunsetMin: { label: "Last water before sunset", unit: "min" },
  minGapMin: { label: "Gap between pulses", unit: "min" },
  waterHeldLPlant: { label: "Water held per plant", quantity: "volume" },
  easilyAvailablePct: { label: "Easily available of it", unit: "%" },
  pulseSharePct: { label: "A pulse, of the water held", unit: "%" },
  availableMmM: { label: "Available water in 1 m of soil", unit: "mm" },
  wettedPct: { label: "Wetted share of the ground", unit: "%" },
  triggerPct: { label: "Watered when so much is gone", unit: "%" },
  refillPct: { label: "Refill of the root zone", unit: "%" },
  ecWaterMsCm: { label: "EC of the water", unit: "mS/cm" },
  mulchSavesPct: { label: "A mulch saves, of the crop's water", unit: "%" },
  fullLevelCm: { label: "Level when full", quantity: "depth" },
  topUpAtCm: { label: "Topped up at", quantity: "depth" },
  floodAtPct: { label: "Flooded when so much is left", unit: "%" },
  floodDepthMm: { label: "Depth of a flood", quantity: "rain" },
  lineDepthCm: { label: "Depth of the lines", quantity: "depth" },
  daysAWeek: { label: "Watering days in a week", unit: "days" },
  bundCm: { label: "Height of the bund", quantity: "depth" },
  refloodAtCm: { label: "Flooded again at, in the tube below the soil", quantity: "depth" },
  percolationMmDay: { label: "Percolation in a day", quantity: "rain" },
  drainablePct: { label: "Drainable share of the soil", unit: "%" },
};

/** The fields of a system in the order in which they are asked for. */
export function zoneFields(system: System): readonly FieldSpec[] {
  return fieldsOf(system).map(({ key }) => ({ key, ...ASKED[key as ZoneField] }));
}

/** What a new zone's field starts from, and what that rests on; none for what only its grower knows. */
export function startOf(system: System, key: string): ZoneStart | undefined {
  return fieldsOf(system).find((field) => field.key === key)?.start;
}

export function startValues(system: System): Record<string, number | string> {
  return {
    system,
    ...Object.fromEntries(fieldsOf(system).flatMap(({ key, start }) => (start ? [[key, start.value]] : []))),
  };
}

export function startFields(system: System): string[] {
  return fieldsOf(system).flatMap(({ key, start }) => (start ? [key] : []));
}
