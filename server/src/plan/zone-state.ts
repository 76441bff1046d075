import type { Correction, Decision, Finding, OpenFinding, Proposal, Station } from "@sprunel/contract/advice";
import type { Roots } from "@sprunel/contract/rootzone";
import type { BoardZone } from "@sprunel/contract/today";
import { judgeDelivery, judgeDosing, judgeDepletion } from "@sprunel/core/advice";
import { missingIn } from "@sprunel/core/course";
import { FULL, WATER } from "@sprunel/core/rootzone";
import type { SitePulse } from "@sprunel/core/plan";
import type { ZoneDefinition } from "@sprunel/core/site";
import { systemOf } from "@sprunel/core/systems";
import { addDays, instantOf } from "@sprunel/core/time";
import type { StoredDecision } from "../advice/decision-store.ts";
import type { StoredZone } from "../scope/zone-store.ts";
import { litresOf } from "./zone-facts.ts";
import { DRAIN_READING_DAYS, type PlannedDay, type ZonePlanner } from "./zone-plan.ts";

type StripPulse = BoardZone["pulses"][number];

interface Pulse {
  readonly startMs: number;
  readonly endMs: number;
  readonly litres: number;
  readonly state: StripPulse["state"];
}

/** Pulses of a day: what was logged, then what is planned after it. */
export function pulsesOf(
  planner: ZonePlanner,
  planned: PlannedDay | null,
  date: string,
  /** as the day of all zones has them, where that is planned */
  together: readonly SitePulse[] | null = null,
): StripPulse[] {
  return pulses(planner, planned, date, together).map(({ startMs, endMs, litres, state }) => ({
    startUtc: new Date(startMs).toISOString(),
    endUtc: new Date(endMs).toISOString(),
    litres,
    state,
  }));
}

function pulses(
  planner: ZonePlanner,
  planned: PlannedDay | null,
  date: string,
  together: readonly SitePulse[] | null,
): Pulse[] {
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
  const { timeZone } = planner.site;
  const own = (planned?.day.water.events ?? []).map((event, at) =>
    pulse(planned?.startsMs[at] ?? 0, event.minutes, event.litres, "planned"),
  );
  const shared = together?.map(({ startS, lengthS, litres }) =>
    pulse(instantOf(date, startS, timeZone), lengthS / 60, litres, "planned"),
  );
  const ahead = (shared ?? own).filter(({ startMs }) => startMs > lastLoggedMs);
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
): Extract<Roots, { depletionMm: number }> {
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

/** What deviates in a zone on a date, by station, with its cure and what was decided about it. */
export function findingsOf(planner: ZonePlanner, planned: PlannedDay, roots: Roots, date: string): OpenFinding[] {
  const findings: OpenFinding[] = [];
  const add = (station: Station, about: string, finding: Finding | null, proposal: Proposal | null = null): void => {
    if (!finding) return;
    const decision = planner.decision(finding.cause, about);
    findings.push({ station, finding, about, proposal, decision: decision && withoutKey(decision) });
  };
  // Of a day to come nobody can have read anything yet, and nothing is short before it begins.
  const begun = date <= planner.today;
  if (roots.kind === "stored") {
    if (begun) add("roots", date, judgeDepletion(roots.depletionMm, roots.triggerMm));
  } else {
    const drain = planner.drainAdvice(date);
    if (!drain && planner.drainWasRead && begun)
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
