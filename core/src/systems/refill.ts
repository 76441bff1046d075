import { deliver, type Due, type ZoneWater } from "../irrigation/deliver.ts";
import { figuresOf, FLUX_SLOTS, GIVEN_MM, HOUR_SLOTS, SHORT_MM, stepStore, WATER } from "../rootzone/store.ts";
import type { ZoneDefinition } from "../site/zone.ts";
import { minuteText } from "../time/clock.ts";
import { fill, type Worksheet } from "../working/working.ts";
import type { Asked } from "./asked.ts";

/** What comes of the water that is given to fill a root zone. */
export interface Refilling {
  /** share that does not stay: unevenness, leaching */
  readonly lossShare: number;
  readonly leachingPct: number;
  /** what is moved at each flood, of which roots take their part, mm; none where just what is missing is given */
  readonly floodMm?: number;
  readonly overWords: string;
  readonly source: string;
}

const TINY_MM = 1e-9;

/**
 * Fills a root zone again once so much is missing: by the hour of the window in which the trigger is reached, what is missing
 * then and nothing in advance.
 *
 * @see FAO-56, chapter 8: water is due when the readily available water is gone, and its depth is what is missing at that moment
 */
export function refill(asked: Asked<ZoneDefinition>, how: Refilling, sheet: Worksheet): ZoneWater {
  const { zone, store, marks, hours, hourStartsS, reads, demandMm, mayWater, window } = asked;
  const figures = figuresOf(store);
  const state = asked.state.slice();
  const hour = new Float64Array(HOUR_SLOTS);
  const flux = new Float64Array(FLUX_SLOTS);
  const missing = (): number => store.fullMm - (state[WATER] ?? 0);
  const morningMm = missing();
  // On a day of rest it is watered only when nothing is left.
  const triggerMm = mayWater ? marks.triggerMm : store.availableMm;
  const due: (Due & { readonly missingMm: number; readonly netMm: number })[] = [];
  let shortMm = 0;
  let mostMm = morningMm;
  hourStartsS.forEach((startS, at) => {
    const fromS = Math.max(startS, window.startS);
    const isOpen = fromS < startS + 3600 && fromS < window.endS;
    hour.set(hours.subarray(at * HOUR_SLOTS, (at + 1) * HOUR_SLOTS));
    // What is read is known from the next hour on.
    for (const read of reads)
      if (Math.floor(read.afterHours) + 1 === at)
        state[WATER] = store.fullMm - Math.min(read.missingMm, store.availableMm);
    const missingMm = missing();
    if (isOpen) mostMm = Math.max(mostMm, missingMm);
    if (isOpen && missingMm >= triggerMm - TINY_MM && missingMm > marks.leaveMm + TINY_MM) {
      const netMm = missingMm - marks.leaveMm;
      const grossMm = Math.max(netMm / (1 - how.lossShare), how.floodMm ?? 0);
      due.push({ startS: fromS, litres: grossMm * zone.areaM2, missingMm, netMm });
      hour[GIVEN_MM] = grossMm;
    }
    stepStore(figures, state, hour, 0, flux, 0);
    shortMm += flux[SHORT_MM] ?? 0;
  });
  const netMm = noteNet(due, { morningMm, mostMm, triggerMm, leaveMm: marks.leaveMm, demandMm }, sheet);
  const moved = how.floodMm !== undefined && due.length > 0;
  const grossMm = sheet.note(
    "Gross water",
    moved ? "depth of each flood: what is not taken runs back" : "net / (1 − losses)",
    moved ? fill`${due.length} × ${how.floodMm ?? 0}` : fill`${netMm} ÷ (1 − ${how.lossShare})`,
    due.reduce((sum, { litres }) => sum + litres, 0) / zone.areaM2,
    "L/m²",
    how.source,
    "gross",
  );
  if (shortMm > 0.05 * demandMm && demandMm > 0)
    sheet.warn(
      `The root zone is so dry that the crop goes short of ${shortMm.toFixed(1)} of ${demandMm.toFixed(1)} L/m² today: water now, and check what was read.`,
    );
  return deliver(
    { ...zone, zoneFlowLh: zone.flowLh },
    {
      demandMm,
      netMm,
      grossMm,
      leachingPct: how.leachingPct,
      pulses: due.length,
      overWords: how.overWords,
      due,
    },
    window,
    sheet,
  );
}

function noteNet(
  due: readonly { readonly startS: number; readonly missingMm: number; readonly netMm: number }[],
  {
    morningMm,
    mostMm,
    triggerMm,
    leaveMm,
    demandMm,
  }: Readonly<Record<"morningMm" | "mostMm" | "triggerMm" | "leaveMm" | "demandMm", number>>,
  sheet: Worksheet,
): number {
  const source = "FAO-56, chapter 8: filled once enough is missing, and no more than is missing then";
  sheet.note("Demand", "as given", fill`${demandMm}`, demandMm, "L/m²", "given");
  sheet.note("Missing this morning", "from the hours before", fill`${morningMm}`, morningMm, "mm", "water balance");
  sheet.note("Trigger", "mm missing at which it is filled", fill`${triggerMm}`, triggerMm, "mm", "growing system");
  if (due.length === 0)
    return sheet.note(
      "Net water",
      "none before the trigger is reached",
      fill`${mostMm} < ${triggerMm}`,
      0,
      "L/m²",
      source,
    );
  return sheet.note(
    "Net water",
    "Σ missing when it is due − what is left missing",
    due.map(({ startS, missingMm }) => `${fill`${missingMm} − ${leaveMm}`()} at ${minuteText(startS)}`).join(" + "),
    due.reduce((sum, { netMm }) => sum + netMm, 0),
    "L/m²",
    source,
  );
}
