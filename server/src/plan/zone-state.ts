import type { Correction, Decision, Finding, OpenFinding, Proposal, Station } from "@sprunel/contract/advice";
import type { Roots } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import { judgeDelivery, judgeDosing, judgeDepletion } from "@sprunel/core/advice";
import { waterHeldPct } from "@sprunel/core/plan";
import { depletionAtLevelMm, levelOfCm } from "@sprunel/core/rootzone";
import type { StoreZone, SubstrateZone } from "@sprunel/core/site";
import { addDays } from "@sprunel/core/time";
import type { StoredDecision } from "../advice/decision-store.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { DRAIN_READING_DAYS, litresOf, type PlannedDay, type ZonePlanner } from "./zone-plan.ts";

type StripPulse = BoardZone["pulses"][number];

const HOUR_MS = 3_600_000;

interface Pulse {
  readonly startMs: number;
  readonly endMs: number;
  readonly litres: number;
  readonly state: StripPulse["state"];
}

/** Pulses of a day: what was logged, then what is planned after it. */
export function pulsesOf(planner: ZonePlanner, planned: PlannedDay | null, date: string): StripPulse[] {
  return pulses(planner, planned, date).map(({ startMs, endMs, litres, state }) => ({
    startUtc: new Date(startMs).toISOString(),
    endUtc: new Date(endMs).toISOString(),
    litres,
    state,
  }));
}

function pulses(planner: ZonePlanner, planned: PlannedDay | null, date: string): Pulse[] {
  const pulse = (startMs: number, minutes: number, litres: number, state: Pulse["state"]): Pulse => ({
    startMs,
    endMs: startMs + minutes * 60_000,
    litres,
    state,
  });
  const logged = planner
    .logged(date)
    .map((watering) => pulse(watering.startMs, watering.minutes, watering.litres, "logged"));
  const lastLoggedMs = logged.at(-1)?.endMs ?? -Infinity;
  const ahead = (planned?.day.water.events ?? [])
    .map((event, at) => pulse(planned?.startsMs[at] ?? 0, event.minutes, event.litres, "planned"))
    .filter(({ startMs }) => startMs > lastLoggedMs);
  return [...logged, ...ahead];
}

/** The root zone as far as it is known on a date. */
export function rootsOf(
  zone: StoredZone,
  planner: ZonePlanner,
  planned: PlannedDay,
  date: string,
  nowMs: number,
): Roots {
  const { depletionMm, cropState } = planned;
  const { definition } = zone;
  if (definition.system !== "substrate") return storeOf(definition, planner, planned, depletionMm ?? 0, date);
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
    kind: "substrate",
    heldPct: heldNow(definition, planner, planned, date, nowMs),
    drain,
    drainTargetPct: cropState.period.stage.drainTargetPct,
  };
}

/** Solution is read weekly at least; an older reading tells nothing. */
const TANK_READING_DAYS = 7;

function storeOf(
  definition: StoreZone,
  planner: ZonePlanner,
  { day: { store } }: PlannedDay,
  morningMm: number,
  date: string,
): Extract<Roots, { depletionMm: number }> {
  const triggerMm = store?.triggerMm ?? 0;
  const read = planner.lastRead(
    date,
    TANK_READING_DAYS - 1,
    (reading) => reading.tankEcMsCm ?? reading.tankPh,
  )?.reading;
  // A level that was read today counts at once, over what was reckoned this morning.
  const readCm = planner.lastRead(date, 0, (reading) => reading.levelCm)?.reading.levelCm?.value;
  const measuredMm = readCm === undefined ? null : depletionAtLevelMm(definition, readCm);
  const depletionMm = typeof measuredMm === "number" ? measuredMm : morningMm;
  const atMs = read?.tankEcMsCm?.atMs ?? read?.tankPh?.atMs;
  return {
    kind: definition.system,
    depletionMm,
    triggerMm,
    availableMm: store?.availableMm ?? 0,
    levelCm: levelOfCm(definition, depletionMm),
    levelAtTriggerCm: levelOfCm(definition, triggerMm),
    ecMsCm: read?.tankEcMsCm?.value ?? null,
    ph: read?.tankPh?.value ?? null,
    readAt: atMs === undefined ? null : new Date(atMs).toISOString(),
  };
}

/** From the last pulse of the day before, after which the substrate was full, to now. */
function heldNow(
  zone: SubstrateZone,
  planner: ZonePlanner,
  planned: PlannedDay,
  date: string,
  nowMs: number,
): number | null {
  const before = planner.plan(addDays(date, -1));
  if (typeof before === "string") return null;
  const fromMs = pulses(planner, before, addDays(date, -1)).at(-1)?.endMs;
  if (fromMs === undefined) return null;
  const given = pulses(planner, planned, date).filter(({ startMs }) => startMs <= nowMs);
  const hours = [...before.demand.hourlyMm, ...planned.demand.hourlyMm].flatMap(({ startMs, mm }) => {
    const share = (Math.min(nowMs, startMs + HOUR_MS) - Math.max(fromMs, startMs)) / HOUR_MS;
    if (share <= 0) return [];
    const inHour = given.filter((event) => event.startMs >= startMs && event.startMs < startMs + HOUR_MS);
    return [
      {
        demandL: (mm * share * zone.areaM2) / zone.plants,
        givenL: inHour.reduce((sum, event) => sum + event.litres, 0) / zone.plants,
      },
    ];
  });
  return waterHeldPct(zone, hours);
}

/** What deviates in a zone on a date, by station, with its cure and what was decided about it. */
export function findingsOf(planner: ZonePlanner, planned: PlannedDay, roots: Roots, date: string): OpenFinding[] {
  const findings: OpenFinding[] = [];
  const add = (station: Station, about: string, finding: Finding | null, proposal: Proposal | null = null): void => {
    if (!finding) return;
    const decision = planner.decision(finding.cause, about);
    findings.push({ station, finding, about, proposal, decision: decision && withoutKey(decision) });
  };
  if (roots.kind !== "substrate") add("roots", date, judgeDepletion(roots.depletionMm, roots.triggerMm));
  else {
    const drain = planner.drainAdvice(date);
    if (!drain && planner.drainWasRead)
      add("roots", date, { cause: "no-drain-reading", mark: "watch", days: DRAIN_READING_DAYS });
    else if (drain?.advice)
      add(
        "roots",
        drain.at,
        drain.advice.finding,
        drain.advice.correction && proposalOf(planner, drain.on, date, drain.advice.correction),
      );
  }
  const { dripEcMsCm, feedEcMsCm } = planner.lastRead(date, 1, (reading) => reading.dripEcMsCm)?.reading ?? {};
  if (dripEcMsCm && feedEcMsCm) {
    const about = new Date(dripEcMsCm.atMs).toISOString();
    add("feed", about, judgeDosing(dripEcMsCm.value, feedEcMsCm.value));
  }
  const { water, wantedL } = planned.day;
  const yesterday = addDays(date, -1);
  const before = planner.plan(yesterday);
  const logged = planner.logged(yesterday);
  if (logged.length > 0 && typeof before !== "string")
    add("run", yesterday, judgeDelivery(litresOf(logged), before.day.water.litres));
  const unmetL = wantedL - water.litres;
  if (unmetL > 0.5) add("run", date, { cause: "window-short", mark: "act", unmetL });
  return findings;
}

export function withoutKey({ zoneId: _zone, cause: _cause, about: _about, ...decision }: StoredDecision): Decision {
  return decision;
}

/** What a correction changes on the first day on which it can be in force: the day after the reading, never one that is over. */
function proposalOf(planner: ZonePlanner, readOn: string, date: string, correction: Correction): Proposal {
  const dayAfter = addDays(readOn, 1);
  const fromDate = dayAfter > date ? dayAfter : date;
  return {
    correction,
    fromDate,
    before: dayOfWater(planner.plan(fromDate)),
    after: dayOfWater(planner.withCorrection(correction, fromDate).plan(fromDate)),
  };
}

function dayOfWater(planned: ReturnType<ZonePlanner["plan"]>): Proposal["before"] {
  if (typeof planned === "string") return null;
  const { water } = planned.day;
  return { litres: water.litres, pulses: water.events.length, minutes: water.minutesTotal };
}
