import { Checks } from "../working/checks.ts";
import { minuteText, type Span } from "../time/clock.ts";

export interface DayPlanInput {
  readonly pump: {
    /** L/h, up to 1 000 000 */
    readonly maxLh: number;
    readonly maxOpenZones?: number | undefined;
    readonly kw?: number | undefined;
  };
  readonly mixers: readonly { readonly id: string; readonly maxLh: number; readonly rinseMin?: number | undefined }[];
  /** beside the pump: sources, filters and groups of valves, each with the most that it carries at once */
  readonly limits?:
    | readonly { readonly id: string; readonly maxLh?: number | undefined; readonly maxOpen?: number | undefined }[]
    | undefined;
  /** from opening or closing one valve by hand to the next */
  readonly walkMin?: number | undefined;
  readonly zones: readonly DayPlanZone[];
  readonly tariff?: readonly (Span & { readonly pricePerKwh: number })[] | undefined;
  /** how long a better plan is looked for, 0 to 10 s */
  readonly timeLimitS?: number | undefined;
}

export interface DayPlanZone {
  readonly id: string;
  /** without it any mixer that is free will do */
  readonly mixerId?: string | undefined;
  /** the mixers that may serve it; left out: every one */
  readonly mixerIds?: readonly string[] | undefined;
  /** the zone's total for the day */
  readonly litres: number;
  readonly flowLh: number;
  readonly recipeId: string;
  readonly windows: readonly Span[];
  readonly pulses: number;
  /** from one pulse's end to the next one's start */
  readonly minGapMin: number;
  /** the lower number is served first when not all fit */
  readonly priority: number;
  /** what its water passes beside the pump */
  readonly limitIds?: readonly string[] | undefined;
  /** whose pulses are never open together, and keep the gap between them; left out: its own */
  readonly valve?: string | undefined;
  /** somebody has to walk to its valve */
  readonly byHand?: boolean | undefined;
  /** of the pump that serves it, where that is another one */
  readonly kw?: number | undefined;
  /** when its pulses are wanted, in order, seconds from midnight; left out: evenly over its windows */
  readonly wantedS?: readonly number[] | undefined;
  /** pulses that stand as they are, beside those that are planned */
  readonly fixed?: readonly FixedPulse[] | undefined;
  /** starts of an earlier plan, in order, kept where they still can be */
  readonly before?: { readonly mixerId: string; readonly startsS: readonly number[] } | undefined;
}

/** A pulse that ran, or that somebody locked. */
interface FixedPulse {
  /** seconds from midnight */
  readonly startS: number;
  readonly minutes: number;
  readonly mixerId: string;
}

const MOST_ZONES = 500;
const MOST_PULSES = 200;
/** Of all zones together; the largest nurseries open valves some thousand times a day. */
const MOST_PULSES_OF_ALL = 10_000;
/** Zones times mixers: so many places are looked at for one plan. */
const MOST_PLACES = 5000;

/**
 * Refuses what cannot be, with every fault at once.
 *
 * @returns the windows of each zone, in order of time
 * @throws {DomainError}
 */
export function checkDayPlan(input: DayPlanInput): readonly Span[][] {
  const checks = new Checks()
    .range("pump.maxLh", "The pump's flow", input.pump.maxLh, 0.01, 1_000_000, "L/h")
    .range("pump.maxOpenZones", "The valves that may be open together", input.pump.maxOpenZones, 1, 1000)
    .range("pump.kw", "The pump's power", input.pump.kw, 0, 10_000, "kW")
    .range("walkMin", "The way between two valves", input.walkMin, 0, 240, "minutes")
    .range("timeLimitS", "The time to look for a better plan", input.timeLimitS, 0, 10, "s")
    .when(input.mixers.length === 0, "missing", "mixers", "Name at least one mixer; plain water is a mixer too.")
    .when(input.zones.length === 0, "missing", "zones", "Name at least one zone to plan.")
    .when(
      input.zones.length > MOST_ZONES,
      "out-of-range",
      "zones",
      `More than ${MOST_ZONES} zones are not planned at once.`,
    )
    .when(
      input.zones.reduce((sum, { pulses }) => sum + pulses, 0) > MOST_PULSES_OF_ALL,
      "out-of-range",
      "zones",
      `More than ${MOST_PULSES_OF_ALL} pulses of all zones together are not planned at once; plan fewer zones, or larger pulses.`,
    )
    .when(
      input.zones.length * input.mixers.length > MOST_PLACES,
      "out-of-range",
      "mixers",
      `${input.zones.length} zones on ${input.mixers.length} mixers are more than are planned at once; up to ${MOST_PLACES} zones times mixers.`,
    );
  unique(
    checks,
    "mixers",
    input.mixers.map(({ id }) => id),
  );
  const limitIds = (input.limits ?? []).map(({ id }) => id);
  unique(checks, "limits", limitIds);
  input.limits?.forEach(({ id, maxLh, maxOpen }, at) =>
    checks
      .range(`limits.${at}.maxLh`, `The flow of ${id}`, maxLh, 0.01, 1_000_000, "L/h")
      .range(`limits.${at}.maxOpen`, `The valves of ${id} that may be open together`, maxOpen, 1, 1000),
  );
  unique(
    checks,
    "zones",
    input.zones.map(({ id }) => id),
  );
  input.mixers.forEach(({ id, maxLh, rinseMin }, at) =>
    checks
      .range(`mixers.${at}.maxLh`, `The flow of mixer ${id}`, maxLh, 0.01, 1_000_000, "L/h")
      .range(`mixers.${at}.rinseMin`, `The rinse of mixer ${id}`, rinseMin, 0, 240, "minutes"),
  );
  const inOrder = ({ startS, endS }: Span, path: string): void => {
    checks.when(
      startS >= endS,
      "order-reversed",
      `${path}.end`,
      `The span ends at ${minuteText(endS)}, not after it starts at ${minuteText(startS)}.`,
    );
  };
  const windows = input.zones.map((zone, at) => {
    const path = `zones.${at}`;
    checks
      .range(`${path}.litres`, `The litres of ${zone.id}`, zone.litres, 0, 10_000_000, "L")
      .range(`${path}.flowLh`, `The flow of ${zone.id}`, zone.flowLh, 0.01, 1_000_000, "L/h")
      .range(`${path}.pulses`, `The pulses of ${zone.id}`, zone.pulses, 1, MOST_PULSES)
      .when(
        !Number.isInteger(zone.pulses),
        "not-possible",
        `${path}.pulses`,
        `The pulses of ${zone.id} are a whole number.`,
      )
      .range(`${path}.minGapMin`, `The gap of ${zone.id}`, zone.minGapMin, 0, 1440, "minutes")
      .range(`${path}.priority`, `The priority of ${zone.id}`, zone.priority, -1000, 1000)
      .when(
        zone.windows.length === 0,
        "missing",
        `${path}.windows`,
        `${zone.id} needs a window in which it may be watered.`,
      )
      .when(
        zone.mixerId !== undefined && !input.mixers.some(({ id }) => id === zone.mixerId),
        "not-possible",
        `${path}.mixerId`,
        `There is no mixer ${zone.mixerId ?? ""}.`,
      );
    zone.limitIds?.forEach((id, index) =>
      checks.when(!limitIds.includes(id), "not-possible", `${path}.limitIds.${index}`, `There is no limit ${id}.`),
    );
    zone.fixed?.forEach(({ minutes, mixerId }, index) =>
      checks
        .range(`${path}.fixed.${index}.minutes`, `A pulse of ${zone.id}`, minutes, 0, 1440, "minutes")
        .when(
          !input.mixers.some(({ id }) => id === mixerId),
          "not-possible",
          `${path}.fixed.${index}.mixerId`,
          `There is no mixer ${mixerId}.`,
        ),
    );
    zone.windows.forEach((span, index) => inOrder(span, `${path}.windows.${index}`));
    const spans = [...zone.windows].sort((a, b) => a.startS - b.startS);
    spans.forEach((span, index) =>
      checks.when(
        index > 0 && span.startS < (spans[index - 1]?.endS ?? 0),
        "not-possible",
        `${path}.windows`,
        `Two windows of ${zone.id} overlap; make one of them.`,
      ),
    );
    return spans;
  });
  input.tariff?.forEach((span, at) => {
    checks.range(`tariff.${at}.pricePerKwh`, "The price of a kWh", span.pricePerKwh, 0, 1000);
    inOrder(span, `tariff.${at}`);
  });
  checks.done();
  return windows;
}

function unique(checks: Checks, path: string, ids: readonly string[]): void {
  ids.forEach((id, at) =>
    checks.when(ids.indexOf(id) < at, "not-possible", `${path}.${at}.id`, `${id} is listed twice.`),
  );
}
