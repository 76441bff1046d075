import { fill, type Worksheet, type WorkingStep } from "../working/working.ts";
import { minuteText, type Span } from "../time/clock.ts";
import { planPulses, type DemandCurve, type Pulse } from "./pulses.ts";

export interface ZoneWater {
  readonly demandMm: number;
  /** what the root zone is to keep */
  readonly netMm: number;
  readonly grossMm: number;
  readonly litres: number;
  /** what runs out below: drain of a substrate, deep percolation in soil */
  readonly drainL: number;
  readonly leachingPct: number;
  readonly minutesTotal: number;
  readonly events: readonly Pulse[];
  readonly warnings: readonly string[];
  readonly working: readonly WorkingStep[];
}

/** What a zone is to get, before it is cut into pulses. */
export interface Need {
  readonly demandMm: number;
  readonly netMm: number;
  readonly grossMm: number;
  readonly leachingPct: number;
  readonly pulses: number;
  /** what the water is that does not stay in the root zone */
  readonly overWords: string;
  /** when it is due, where that is known: seconds from midnight, and the litres of each; cut into pulses by the demand otherwise */
  readonly due?: readonly Due[];
}

export interface Due {
  readonly startS: number;
  readonly litres: number;
}

/** The valve that gives it. */
export interface Valve {
  readonly areaM2: number;
  readonly plants: number;
  /** L/h of the whole zone */
  readonly zoneFlowLh: number;
  readonly minGapMin: number;
  /** share of the day's demand that has arisen by a time */
  readonly demandCurve?: DemandCurve | undefined;
}

/** From millimetres to litres, minutes and pulses inside a window; what the window cannot hold is told. */
export function deliver(
  { areaM2, plants, zoneFlowLh, minGapMin, demandCurve }: Valve,
  need: Need,
  window: Span,
  sheet: Worksheet,
): ZoneWater {
  const wantedL = sheet.note(
    "Litres for the zone",
    "gross · area",
    fill`${need.grossMm} L/m² × ${areaM2} m²`,
    need.grossMm * areaM2,
    "L",
    "1 mm on 1 m² is 1 L",
    "litres",
  );
  const plan = need.due
    ? runWhenDue(need.due, { zoneFlowLh, minGapMin }, window)
    : planPulses({ litres: wantedL, zoneFlowLh, wanted: need.pulses, minGapMin, window, demand: demandCurve });
  const litres = wantedL - plan.unmetL;
  if (plan.unmetL > 0)
    sheet.warn(
      `The window from ${minuteText(window.startS)} to ${minuteText(window.endS)} is too short: ${Math.round(plan.unmetL)} L of ${Math.round(wantedL)} L stay undone. Widen it, or raise the zone's flow.`,
    );
  else if (plan.pulses.length < need.pulses)
    sheet.warn(
      `Only ${plan.pulses.length} of ${need.pulses} pulses fit with ${minGapMin} min between them; each is larger.`,
    );
  const minutesTotal = sheet.note(
    "Running time",
    "litres / flow · 60",
    fill`${litres} L ÷ ${zoneFlowLh} L/h × 60`,
    (litres / zoneFlowLh) * 60,
    "min",
    "zone flow",
    "minutes",
  );
  const pulse = plan.pulses[0];
  if (pulse)
    sheet.note(
      "One pulse",
      "running time / pulses",
      fill`${minutesTotal} min ÷ ${plan.pulses.length}`,
      pulse.minutes,
      "min",
      "equal pulses",
      "pulse",
    );
  const drainL = sheet.note(
    "Runs out below",
    "litres − net · area, at least 0",
    fill`${litres} − ${need.netMm} × ${areaM2}`,
    Math.max(0, litres - need.netMm * areaM2),
    "L",
    need.overWords,
    "drain",
  );
  sheet.note(
    "Given a plant",
    "litres / plants",
    fill`${litres} ÷ ${plants}`,
    litres / plants,
    "L",
    "plant stand",
    "plant",
  );
  return {
    demandMm: need.demandMm,
    netMm: need.netMm,
    grossMm: need.grossMm,
    litres,
    drainL,
    leachingPct: need.leachingPct,
    minutesTotal,
    events: plan.pulses,
    warnings: sheet.warnings,
    working: sheet.steps,
  };
}

/** Each when it is due or as soon as the one before it is over; what would run past the window's end stays undone. */
function runWhenDue(
  due: readonly Due[],
  { zoneFlowLh, minGapMin }: Pick<Valve, "zoneFlowLh" | "minGapMin">,
  window: Span,
): { readonly pulses: readonly Pulse[]; readonly unmetL: number } {
  const pulses: Pulse[] = [];
  let unmetL = 0;
  let freeS = window.startS;
  for (const { startS, litres } of due) {
    // On whole seconds, so that clocks can be set to them.
    const fromS = Math.ceil(Math.max(startS, freeS) - 1e-6);
    const givenL = Math.min(litres, (zoneFlowLh * Math.max(0, window.endS - fromS)) / 3600);
    unmetL += litres - givenL;
    if (givenL <= 0) continue;
    const minutes = (givenL / zoneFlowLh) * 60;
    pulses.push({ startS: fromS, minutes, litres: givenL });
    freeS = fromS + (minutes + minGapMin) * 60;
  }
  return { pulses, unmetL };
}
