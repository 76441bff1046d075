import type { BoardZone, Finding, Roots, Station } from "@sprunel/contract";
import {
  addDays,
  clockSeconds,
  judgeDelivery,
  judgeDepletion,
  judgeDrain,
  startOfLocalDay,
  waterHeldPct,
  type SubstrateZone,
} from "@sprunel/core";
import type { StoredZone } from "../site/zone-store.ts";
import { litresOf, type PlannedDay, type ZonePlanner } from "./zone-plan.ts";

type StripPulse = BoardZone["pulses"][number];
export type StationFinding = BoardZone["findings"][number];

const HOUR_MS = 3_600_000;
/** So many days without a drain reading are let pass. */
const DRAIN_READING_DAYS = 2;

/** Pulses of a day: what was logged, then what is planned after it. */
export function pulsesOf(
  planner: ZonePlanner,
  planned: PlannedDay | null,
  date: string,
  timeZone: string,
): StripPulse[] {
  const logged = planner
    .logged(date)
    .map((watering) => pulse(watering.startMs, watering.minutes, watering.litres, "logged"));
  const lastLogged = logged.at(-1)?.endUtc ?? "";
  const dayStart = startOfLocalDay(date, timeZone);
  const events = planned?.day.water.events ?? [];
  const ahead = events
    .map((event) => pulse(dayStart + clockSeconds(event.start, "start") * 1000, event.minutes, event.litres, "planned"))
    .filter((event) => event.startUtc > lastLogged);
  return [...logged, ...ahead];
}

function pulse(startMs: number, minutes: number, litres: number, state: StripPulse["state"]): StripPulse {
  return {
    startUtc: new Date(startMs).toISOString(),
    endUtc: new Date(startMs + minutes * 60_000).toISOString(),
    litres,
    state,
  };
}

/** The root zone as far as it is known on a date. */
export function rootsOf(
  zone: StoredZone,
  planner: ZonePlanner,
  planned: PlannedDay,
  date: string,
  nowMs: number,
  timeZone: string,
): Roots {
  const { day, depletionMm, cropState } = planned;
  if (zone.definition.system === "soil-drip")
    return {
      kind: "soil-drip",
      depletionMm: depletionMm ?? 0,
      triggerMm: day.soil?.triggerMm ?? 0,
      availableMm: day.soil?.availableMm ?? 0,
    };
  const on = [date, addDays(date, -1), addDays(date, -2)].find((candidate) => planner.reading(candidate).drainPct);
  const { drainPct, drainEcMsCm, feedEcMsCm, drainPh } = on === undefined ? {} : planner.reading(on);
  const drain =
    on && drainPct && drainEcMsCm && feedEcMsCm
      ? {
          on,
          sharePct: drainPct.value,
          ecMsCm: drainEcMsCm.value,
          feedEcMsCm: feedEcMsCm.value,
          ph: drainPh?.value ?? null,
        }
      : null;
  return {
    kind: "substrate",
    heldPct: heldNow(zone.definition, planner, planned, date, nowMs, timeZone),
    drain,
    drainTargetPct: cropState.period.stage.drainTargetPct,
  };
}

/** From the last pulse of the day before, after which the substrate was full, to now. */
function heldNow(
  zone: SubstrateZone,
  planner: ZonePlanner,
  planned: PlannedDay,
  date: string,
  nowMs: number,
  timeZone: string,
): number | null {
  const before = planner.plan(addDays(date, -1));
  if (typeof before === "string") return null;
  const fullAt = pulsesOf(planner, before, addDays(date, -1), timeZone).at(-1)?.endUtc;
  if (fullAt === undefined) return null;
  const given = pulsesOf(planner, planned, date, timeZone).filter((event) => Date.parse(event.startUtc) <= nowMs);
  const fromMs = Date.parse(fullAt);
  const hours = [...before.demand.hourlyMm, ...planned.demand.hourlyMm].flatMap(({ startMs, mm }) => {
    const share = (Math.min(nowMs, startMs + HOUR_MS) - Math.max(fromMs, startMs)) / HOUR_MS;
    if (share <= 0) return [];
    const inHour = given.filter(
      (event) => Date.parse(event.startUtc) >= startMs && Date.parse(event.startUtc) < startMs + HOUR_MS,
    );
    return [
      {
        demandL: (mm * share * zone.areaM2) / zone.plants,
        givenL: inHour.reduce((sum, event) => sum + event.litres, 0) / zone.plants,
      },
    ];
  });
  return waterHeldPct(zone, hours);
}

/** What deviates in a zone on a date, by station. */
export function findingsOf(planner: ZonePlanner, planned: PlannedDay, roots: Roots, date: string): StationFinding[] {
  const findings: StationFinding[] = [];
  const add = (station: Station, finding: Finding | null): void =>
    void (finding && findings.push({ station, finding }));
  if (roots.kind === "soil-drip") add("roots", judgeDepletion(roots.depletionMm, roots.triggerMm));
  else if (roots.drain)
    add("roots", judgeDrain(roots.drain.sharePct, roots.drainTargetPct, roots.drain.ecMsCm, roots.drain.feedEcMsCm));
  else add("roots", { cause: "no-drain-reading", mark: "watch", days: DRAIN_READING_DAYS });
  const { water } = planned.day;
  const yesterday = addDays(date, -1);
  const before = planner.plan(yesterday);
  const logged = planner.logged(yesterday);
  if (logged.length > 0 && typeof before !== "string")
    add("run", judgeDelivery(litresOf(logged), before.day.water.litres));
  const wanted = water.working.find((step) => step.label === "Litres for the zone")?.value ?? water.litres;
  if (wanted - water.litres > 0.5) add("run", { cause: "window-short", mark: "act", unmetL: wanted - water.litres });
  return findings;
}
