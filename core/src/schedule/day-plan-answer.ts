import { minuteText } from "../time/clock.ts";
import { fill, type Worksheet, type WorkingStep } from "../working/working.ts";
import type { Alone } from "./day-alone.ts";
import { type DayCapacity, type Placing } from "./day-capacity.ts";
import { gapOf } from "./day-bound.ts";
import { DAY_S, GRID_S, type Job } from "./day-job.ts";
import type { DayPlanInput, DayPlanZone } from "./day-plan-input.ts";
import { mostAtOnce } from "./spans.ts";

interface DayPlanEvent {
  readonly zoneId: string;
  readonly mixerId: string;
  /** 1 for the first */
  readonly pulse: number;
  /** seconds from midnight */
  readonly startS: number;
  readonly endS: number;
  readonly recipeId: string;
  readonly lh: number;
  readonly litres: number;
}

interface Unmet {
  readonly zoneId: string;
  readonly litres: number;
  readonly reason: string;
  readonly cheapestWayOut: string;
}

export interface DayPlan {
  readonly status: "optimal" | "feasible" | "partial";
  /** 100 · (bound − litres) / bound, litres counted by priority; 0 when all is delivered */
  readonly gapPct: number;
  readonly events: readonly DayPlanEvent[];
  readonly peakLh: number;
  readonly unmet: readonly Unmet[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** The plan in words and figures: its events, what stays undone and the cheapest way out. */
export function answerOf(
  input: DayPlanInput,
  capacity: DayCapacity,
  jobs: readonly Job[],
  alone: Alone,
  sheet: Worksheet,
): DayPlan {
  const events = jobs
    .flatMap((job) => eventsOf(input, job, capacity.placingOf(job)))
    .sort((a, b) => a.startS - b.startS || a.zoneId.localeCompare(b.zoneId));
  const litres = events.reduce((sum, event) => sum + event.litres, 0);
  const unmet = input.zones.flatMap((zone, at) => {
    const job = jobs.find((candidate) => candidate.at === at);
    return unmetOf(input, zone, job, capacity, alone);
  });
  const gapPct = gapOf(input, jobs, capacity, alone, sheet);
  sheet.note(
    "Litres planned",
    "Σ of the pulses",
    fill`${events.length} pulses`,
    litres,
    "L",
    `starts on a grid of ${GRID_S} s, or at any second of a full day; lengths exact`,
  );
  const asAlone = jobs.every((job) => {
    const have = capacity.placingOf(job);
    return have?.starts.length === alone.pulsesOf(job) && have.cost <= alone.costOf(job) + 1e-6;
  });
  const missing = unmet.some((entry) => entry.litres > 0);
  if (missing)
    sheet.warn(`Not all fits: ${Math.round(unmet.reduce((sum, entry) => sum + entry.litres, 0))} L stay undone.`);
  return {
    status: missing ? "partial" : asAlone ? "optimal" : "feasible",
    gapPct: missing ? gapPct : 0,
    events,
    peakLh: mostAtOnce(events),
    unmet,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

function eventsOf(input: DayPlanInput, job: Job, placing: Placing | null): DayPlanEvent[] {
  const zone = input.zones[job.at];
  if (!zone || !placing) return [];
  return placing.starts.map((startS, pulse) => ({
    zoneId: zone.id,
    mixerId: input.mixers[placing.mixer]?.id ?? "",
    pulse: pulse + 1,
    startS,
    endS: startS + job.pulseS,
    recipeId: zone.recipeId,
    lh: zone.flowLh,
    litres: zone.litres / zone.pulses,
  }));
}

function unmetOf(
  input: DayPlanInput,
  zone: DayPlanZone,
  job: Job | undefined,
  capacity: DayCapacity,
  alone: Alone,
): Unmet[] {
  if (zone.litres === 0) return [];
  const unmet = (litres: number, reason: string, cheapestWayOut: string): Unmet[] => [
    { zoneId: zone.id, litres, reason, cheapestWayOut },
  ];
  if (!job) {
    const isPump = zone.flowLh > input.pump.maxLh;
    const narrow = limitsOf(input, zone).find(({ maxLh = Infinity }) => zone.flowLh > maxLh);
    if (!isPump && narrow)
      return unmet(
        zone.litres,
        `Its flow of ${zone.flowLh} L/h is more than ${narrow.id} carries (${narrow.maxLh ?? 0} L/h).`,
        `Split the zone into ${Math.ceil(zone.flowLh / (narrow.maxLh ?? zone.flowLh))} valves, or let ${narrow.id} carry at least ${zone.flowLh} L/h.`,
      );
    const most = isPump ? input.pump.maxLh : Math.max(...ableMixers(input, zone).map(({ maxLh }) => maxLh));
    return unmet(
      zone.litres,
      `Its flow of ${zone.flowLh} L/h is more than the ${isPump ? "pump" : "mixer"} gives (${most} L/h).`,
      `Split the zone into ${Math.ceil(zone.flowLh / most)} valves, or take ${isPump ? "a pump" : "a mixer"} of at least ${zone.flowLh} L/h.`,
    );
  }
  const have = capacity.placingOf(job)?.starts.length ?? 0;
  if (have === zone.pulses) return [];
  const litres = (zone.litres * (zone.pulses - have)) / zone.pulses;
  const could = alone.pulsesOf(job);
  if (could <= have)
    return unmet(
      litres,
      `Its windows hold only ${could} of ${zone.pulses} pulses with ${zone.minGapMin} min between them.`,
      `Open its window ${minutesMore(job, have)} min longer, or give fewer and larger pulses.`,
    );
  return unmet(
    litres,
    "Pump, valves and mixers are taken by other zones while its windows are open.",
    wayOut(job, capacity, zone),
  );
}

/** What a zone's water passes beside the pump. */
export function limitsOf({ limits = [] }: DayPlanInput, { limitIds = [] }: DayPlanZone) {
  return limits.filter(({ id }) => limitIds.includes(id));
}

function ableMixers(input: DayPlanInput, zone: DayPlanZone): DayPlanInput["mixers"] {
  return input.mixers.filter(({ id }) => mayServe(zone, id));
}

export function mayServe({ mixerId, mixerIds }: DayPlanZone, id: string): boolean {
  return (mixerId === undefined || mixerId === id) && (mixerIds?.includes(id) ?? true);
}

/** How much longer its last window must be for the pulses that are missing, were the zone alone. */
function minutesMore({ pulses, pulseS, gapS }: Job, have: number): number {
  return Math.ceil(((pulses - have) * (pulseS + gapS)) / 60);
}

/** The least that its last window must be opened for all of it to fit beside the rest. */
function wayOut(job: Job, capacity: DayCapacity, zone: DayPlanZone): string {
  const held = capacity.lift(job);
  const last = job.windows.at(-1);
  let answer = "Raise the pump's flow, or move another zone's window.";
  if (last)
    for (let endS = last.endS + 900; endS <= DAY_S; endS += 900) {
      const wider = { ...job, windows: [...job.windows.slice(0, -1), { ...last, endS }] };
      if (capacity.best(wider, "early")?.starts.length !== zone.pulses) continue;
      answer = `Let its window end at ${minuteText(endS)}: then all of it fits.`;
      break;
    }
  if (held) capacity.place(job, held);
  return answer;
}
