import { COVER_START, standOf, type Stand } from "@sprunel/core/site";
import type { Fault } from "../forms/form-errors.ts";
import { SYSTEMS } from "@sprunel/core/systems";
import {
  freshPlanting,
  layoutSchema,
  type Layout,
  type Planting,
  type System,
  type Zone,
} from "@sprunel/contract/site";
import { DomainError } from "@sprunel/core/working";
import { startValues, zoneFields } from "./zone-fields.ts";

/** What the form of a zone holds while it is typed: the newest planting apart from those before. */
export interface FormValues {
  name?: string;
  house?: {
    name?: string;
    transmissionPct?: number;
    rainThroughPct?: number | null | undefined;
    heatedToC?: number | null | undefined;
  };
  layout?: Partial<Record<Exclude<keyof Layout, "vessel">, number | boolean | null | undefined>> & {
    vessel?: Record<string, string | number | null> | null | undefined;
  };
  /** % by source id */
  shares?: Record<string, number | null>;
  definition?: Record<string, number | string | null> & { system?: System };
  demand?: Zone["demand"];
  /** with what stands of it and is typed elsewhere */
  planting?: Partial<Planting> | undefined;
}

/** What the form of a new zone starts with. */
export const FIRST_SYSTEM: System = "substrate";

export const NEW_ZONE: FormValues = {
  house: { name: "House 1", transmissionPct: COVER_START.value },
  definition: startValues(FIRST_SYSTEM),
  layout: SYSTEMS[FIRST_SYSTEM].layout,
};

export interface House {
  readonly transmissionPct: number;
  readonly rainThroughPct: number | null;
  readonly heatedToC: number | null;
  readonly unconfirmed: boolean;
  /** names of the zones in it */
  readonly zones: readonly string[];
}

/** The houses in which zones stand already, but for the zone that is looked at. */
export function housesOf(zones: readonly Zone[], except: Zone | null): ReadonlyMap<string, House> {
  const houses = new Map<string, House>();
  for (const { id, name, house, unconfirmed } of zones) {
    if (id === except?.id) continue;
    const before = houses.get(house.name);
    houses.set(house.name, {
      transmissionPct: house.transmissionPct,
      rainThroughPct: house.rainThroughPct ?? null,
      heatedToC: house.heatedToC ?? null,
      unconfirmed: (before?.unconfirmed ?? true) && unconfirmed.includes("transmissionPct"),
      zones: [...(before?.zones ?? []), name],
    });
  }
  return houses;
}

export interface Laid {
  readonly layout: Layout;
  readonly stand: Stand;
}

/** @returns null while the layout is not complete, or cannot be */
export function standFor(typed: FormValues["layout"]): Laid | null {
  const layout = layoutSchema.safeParse(typed ?? {});
  if (!layout.success) return null;
  try {
    return { layout: layout.data, stand: standOf(layout.data) };
  } catch (error) {
    if (error instanceof DomainError) return null;
    throw error;
  }
}

/** A crop and its date belong together: either without the other would be left out of what is saved. */
export function unplacedIn({ planting }: FormValues): Fault[] {
  if (planting?.plantedOn && !planting.cropId)
    return [
      {
        path: "planting.cropId",
        message: "A planting date stands here without a crop. Choose the crop, or clear the date.",
      },
    ];
  if (planting?.cropId && !planting.plantedOn)
    return [{ path: "planting.plantedOn", message: "Say since when the crop stands, or clear the crop." }];
  return [];
}

/** What was typed, as the contract wants it. */
export function zoneOf(
  { name, house, definition, planting, shares, layout, demand }: FormValues,
  system: System,
  { earlier, coming }: Pick<Plantings, "earlier" | "coming">,
  unconfirmed: readonly string[],
) {
  const fields = Object.fromEntries(
    zoneFields(system).map((field) => [field.key, definition?.[field.key] ?? undefined]),
  );
  const planted =
    planting?.cropId && planting.plantedOn
      ? [
          freshPlanting(planting.cropId, planting.plantedOn, {
            ...planting,
            clearedOn: planting.clearedOn || null,
            targetPerM2: planting.targetPerM2 ?? null,
          }),
        ]
      : [];
  return {
    name,
    house,
    definition: { system, ...fields },
    layout: standFor(layout)?.layout ?? null,
    demand: demand?.method ? demand : null,
    unconfirmed: unconfirmed.filter((key) => key in fields || key === "transmissionPct"),
    waters: Object.entries(shares ?? {}).flatMap(([id, sharePct]) =>
      typeof sharePct === "number" && sharePct > 0 ? [{ sourceId: Number(id), sharePct }] : [],
    ),
    plantings: [...earlier, ...planted, ...coming],
  };
}

interface Plantings {
  readonly earlier: readonly Planting[];
  /** the one that the form is about */
  readonly current: Planting | undefined;
  /** planned after it, at Crop */
  readonly coming: readonly Planting[];
}

/** A zone's plantings about the one that stands; where none has begun yet, about the last. */
export function plantingsAbout(plantings: readonly Planting[], today: string | null): Plantings {
  const standing = today === null ? -1 : plantings.findLastIndex(({ plantedOn }) => plantedOn <= today);
  const at = standing === -1 ? plantings.length - 1 : standing;
  return { earlier: plantings.slice(0, Math.max(0, at)), current: plantings[at], coming: plantings.slice(at + 1) };
}

export function valuesOf(
  zone: Zone,
  today: string | null,
): FormValues & Omit<Zone, "plantings" | "waters" | "layout" | "definition"> {
  const { plantings, waters, layout, definition, ...rest } = zone;
  return {
    ...rest,
    definition: { ...definition },
    layout: layout ?? SYSTEMS[zone.definition.system].layout,
    planting: plantingsAbout(plantings, today).current,
    shares: Object.fromEntries(waters.map(({ sourceId, sharePct }) => [String(sourceId), sharePct])),
  };
}
