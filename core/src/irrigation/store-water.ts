import { fill, Worksheet } from "../working/working.ts";
import { clockSeconds } from "../time/clock.ts";
import { deliver, type Valve, type ZoneWater } from "./deliver.ts";

interface StoreWaterInput extends Valve {
  readonly demandMm: number;
  /** missing from full this morning */
  readonly depletionMm: number;
  /** missing at which it is filled, and what is left missing then */
  readonly triggerMm: number;
  readonly leaveMm: number;
  readonly seepMm: number;
  readonly rainMm: number;
  /** what is moved at each flood, of which the pots take their part; the rest runs back */
  readonly floodMm?: number | undefined;
  readonly window: { readonly start: string; readonly end: string };
}

/**
 * Water for a tank, a bench or a basin: filled to its mark once enough is missing, in one go.
 *
 * @throws {DomainError} for a window that is no clock time
 */
export function storeWater(input: StoreWaterInput, sheet = new Worksheet()): ZoneWater {
  const { demandMm, depletionMm, triggerMm, leaveMm, seepMm, rainMm, floodMm } = input;
  const window = {
    startS: clockSeconds(input.window.start, "window.start"),
    endS: clockSeconds(input.window.end, "window.end"),
  };
  sheet.note("Demand", "as given", fill`${demandMm}`, demandMm, "L/m²", "given");
  const tonightMm = sheet.note(
    "Missing by tonight, unfilled",
    "missing + demand + seepage − rain, at least 0",
    fill`${depletionMm} + ${demandMm} + ${seepMm} − ${rainMm}`,
    Math.max(0, depletionMm + demandMm + seepMm - rainMm),
    "mm",
    "water balance of the root zone",
  );
  const due = tonightMm >= triggerMm;
  const netMm = sheet.note(
    "Net water",
    due ? "missing − what is left missing" : "none before its mark is reached",
    due ? fill`${tonightMm} − ${leaveMm}` : fill`${tonightMm} < ${triggerMm}`,
    due ? Math.max(0, tonightMm - leaveMm) : 0,
    "L/m²",
    "filled to its mark once enough is missing",
  );
  const moved = netMm > 0 && floodMm !== undefined && floodMm > netMm;
  const grossMm = sheet.note(
    "Gross water",
    moved ? "depth of the flood: what is not taken runs back" : "net: nothing is lost on the way",
    fill`${moved ? floodMm : netMm}`,
    moved ? floodMm : netMm,
    "L/m²",
    moved ? "bench and its return" : "level kept by hand or float",
    "gross",
  );
  return deliver(
    input,
    { demandMm, netMm, grossMm, leachingPct: 0, pulses: netMm > 0 ? 1 : 0, overWords: "runs back to the tank" },
    window,
    sheet,
  );
}
