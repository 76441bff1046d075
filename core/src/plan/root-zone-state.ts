import { missingIn } from "../course/advance.ts";
import { FULL, WATER } from "../rootzone/store.ts";
import type { System, ZoneDefinition } from "../site/zone.ts";
import { systemOf } from "../systems/index.ts";
import { DRAIN_READING_DAYS, type PlannedDay, type ZonePlanner } from "./zone-planner.ts";
import type { PlannedZone } from "./zone-records.ts";

/** A root zone whose surplus runs out below, and is read there. */
export interface DrainedRootZone {
  readonly kind: "drained";
  readonly system: System;
  /** share of the water held at container capacity, now */
  readonly heldPct: number;
  readonly drain: {
    readonly on: string;
    /** instant of the reading */
    readonly at: string;
    readonly sharePct: number;
    /** null where only the share was read */
    readonly ecMsCm: number | null;
    readonly feedEcMsCm: number | null;
    readonly ph: number | null;
  } | null;
  readonly drainTargetPct: number;
}

/** A root zone that is filled again once enough is missing. */
export interface StoredRootZone {
  readonly kind: "stored";
  readonly system: System;
  /** missing from field capacity, or from the tank's, pots' or pond's mark */
  readonly depletionMm: number;
  readonly triggerMm: number;
  readonly availableMm: number;
  /** tank: depth of solution; basin: above the soil, or below it as the tube shows */
  readonly levelCm: number | null;
  readonly levelAtTriggerCm: number | null;
  readonly ecMsCm: number | null;
  readonly ph: number | null;
  /** instant of the reading */
  readonly readAt: string | null;
}

export type RootZoneState = DrainedRootZone | StoredRootZone;

/** The root zone as far as it is known on a date. */
export function rootsOf(
  zone: PlannedZone,
  planner: ZonePlanner,
  planned: PlannedDay,
  date: string,
  nowMs: number,
): RootZoneState {
  const { cropState } = planned;
  const { definition } = zone;
  const state = planner.roots.at(date, nowMs);
  if (!systemOf(definition).drains) return storeOf(definition, planner, planned, missingIn(state), date);
  const read = planner.lastRead(date, DRAIN_READING_DAYS, (reading) => reading.drainPct);
  const { drainPct, drainEcMsCm, feedEcMsCm, drainPh } = read?.reading ?? {};
  const drain =
    read && drainPct
      ? {
          on: read.on,
          at: new Date(drainPct.atMs).toISOString(),
          sharePct: drainPct.value,
          ecMsCm: drainEcMsCm?.value ?? null,
          feedEcMsCm: feedEcMsCm?.value ?? null,
          ph: drainPh?.value ?? null,
        }
      : null;
  return {
    kind: "drained",
    system: definition.system,
    heldPct: (100 * (state[WATER] ?? 0)) / (state[FULL] ?? 1),
    drain,
    drainTargetPct: cropState.period.stage.drainTargetPct,
  };
}

/** Solution is read weekly at least; an older reading tells nothing. */
const TANK_READING_DAYS = 7;

function storeOf(
  definition: ZoneDefinition,
  planner: ZonePlanner,
  { day: { store } }: PlannedDay,
  depletionMm: number,
  date: string,
): StoredRootZone {
  const { triggerMm, availableMm } = store;
  const system = systemOf(definition);
  const levelAt = (missingMm: number): number | null => system.seen(definition, missingMm).levelCm ?? null;
  const read = planner.lastRead(
    date,
    TANK_READING_DAYS - 1,
    (reading) => reading.tankEcMsCm ?? reading.tankPh,
  )?.reading;
  const atMs = read?.tankEcMsCm?.atMs ?? read?.tankPh?.atMs;
  return {
    kind: "stored",
    system: definition.system,
    depletionMm,
    triggerMm,
    availableMm,
    levelCm: levelAt(depletionMm),
    levelAtTriggerCm: levelAt(triggerMm),
    ecMsCm: read?.tankEcMsCm?.value ?? null,
    ph: read?.tankPh?.value ?? null,
    readAt: atMs === undefined ? null : new Date(atMs).toISOString(),
  };
}
