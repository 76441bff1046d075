import { minuteText, type Span } from "../time/clock.ts";
import { Checks } from "../working/checks.ts";

export const LIMIT_KINDS = ["pump", "source", "filter", "group"] as const;
export type LimitKind = (typeof LIMIT_KINDS)[number];

/** Something that the water of zones passes, or that their valves share, and the most that it carries at once. */
export interface MainLimit {
  readonly kind: LimitKind;
  readonly name: string;
  /** L/h; null where only valves are counted */
  readonly maxLh: number | null;
  /** valves that may be open together; null for any number */
  readonly maxOpen: number | null;
  /** of a pump; null where nobody said */
  readonly kw: number | null;
  /** null: every zone's */
  readonly zoneIds: readonly number[] | null;
}

/** A mixer gives one recipe at a time. */
export interface MainMixer {
  readonly name: string;
  readonly maxLh: number;
  readonly rinseMin: number;
  /** null: every zone that is fed */
  readonly zoneIds: readonly number[] | null;
}

/** What a day is planned over, beside the zones: what all of them share. */
export interface Main {
  readonly limits: readonly MainLimit[];
  readonly mixers: readonly MainMixer[];
  /** who opens valves by hand, and when; null where every valve opens by itself */
  readonly hands: {
    readonly zoneIds: readonly number[];
    readonly hours: readonly Span[];
    /** valves that may be open at once, so that somebody minds each of them */
    readonly reach: number;
    /** from one valve to the next */
    readonly walkMin: number;
  } | null;
  /** price of a kWh by the hour; empty: the same all day */
  readonly tariff: readonly (Span & { readonly pricePerKwh: number })[];
  /** zones that are served before or after others, or must stay dry at times */
  readonly rules: readonly {
    readonly zoneId: number;
    /** the lower number is served first when not all fit */
    readonly priority: number;
    readonly dry: readonly Span[];
    /** it must be watered within these; empty: at any time of its own */
    readonly wet: readonly Span[];
  }[];
  /** water that is drawn beside the zones: mist, furrows, washing down */
  readonly runs: readonly (Span & {
    readonly name: string;
    readonly lh: number;
    readonly minutes: number;
    readonly times: number;
  })[];
}

/** A zone as far as the main has to do with it. */
export interface MainZone {
  readonly id: number;
  readonly name: string;
  readonly flowLh: number;
}

/**
 * Refuses a main that cannot be, with every fault at once and what would mend it.
 *
 * @throws {DomainError}
 */
export function checkMain({ limits, mixers, hands, tariff, rules, runs }: Main, zones: readonly MainZone[]): void {
  const checks = new Checks();
  const known = (ids: readonly number[] | null | undefined, path: string): void =>
    ids?.forEach((id, at) =>
      checks.when(!zones.some((zone) => zone.id === id), "not-possible", `${path}.${at}`, `There is no zone ${id}.`),
    );
  const served = (ids: readonly number[] | null): readonly MainZone[] =>
    ids === null ? zones : zones.filter(({ id }) => ids.includes(id));
  const named = (list: readonly { readonly name: string }[], path: string): void =>
    list.forEach(({ name }, at) =>
      checks.when(
        list.findIndex((other) => other.name === name) < at,
        "not-possible",
        `${path}.${at}.name`,
        `${name} is there twice; give each its own name.`,
      ),
    );
  named(limits, "limits");
  named(mixers, "mixers");
  named(runs, "runs");
  limits.forEach(({ kind, name, maxLh, maxOpen, zoneIds }, at) => {
    const path = `limits.${at}`;
    known(zoneIds, `${path}.zoneIds`);
    checks
      .when(
        maxLh === null && (kind !== "group" || maxOpen === null),
        "missing",
        `${path}.maxLh`,
        kind === "group"
          ? `Say how much ${name} carries, or how many of its valves may be open together.`
          : `Say how much ${name} gives at most, in L/h.`,
      )
      .when(kind === "group" && zoneIds === null, "missing", `${path}.zoneIds`, `Say which zones share ${name}.`);
    const all = served(zoneIds);
    const least = all.reduce<MainZone | null>((low, zone) => (low && low.flowLh <= zone.flowLh ? low : zone), null);
    checks.when(
      maxLh !== null && least !== null && least.flowLh > maxLh,
      "not-possible",
      `${path}.maxLh`,
      `${name} gives ${maxLh ?? 0} L/h and cannot feed even the smallest of its zones: ${least?.name ?? ""} asks for ${least?.flowLh ?? 0} L/h. Give at least ${least?.flowLh ?? 0} L/h, or split the zone into more valves.`,
    );
  });
  mixers.forEach(({ name, zoneIds }, at) => {
    known(zoneIds, `mixers.${at}.zoneIds`);
    checks.when(
      zoneIds !== null && zoneIds.length === 0,
      "not-possible",
      `mixers.${at}.zoneIds`,
      `Nobody uses ${name}: name the zones that it serves, or take it out.`,
    );
  });
  spans(checks, tariff, "tariff", "the tariff");
  const hole = holeIn(tariff);
  checks.when(
    hole !== null,
    "not-possible",
    "tariff",
    `The tariff says nothing of ${hole ?? ""}; give every hour of the day its price, up to 24:00.`,
  );
  if (hands) {
    known(hands.zoneIds, "hands.zoneIds");
    spans(checks, hands.hours, "hands.hours", "the hours of hands");
    checks.when(
      hands.hours.length === 0,
      "missing",
      "hands.hours",
      "Say from when to when somebody is there for the hand valves.",
    );
  }
  rules.forEach(({ zoneId, dry, wet }, at) => {
    known([zoneId], `rules.${at}.zoneId`);
    spans(checks, dry, `rules.${at}.dry`, "the dry times");
    spans(checks, wet, `rules.${at}.wet`, "the times to water");
  });
  runs.forEach(({ name, startS, endS, minutes, times }, at) => {
    checks.when(
      endS - startS < minutes * times * 60,
      "not-possible",
      `runs.${at}.end`,
      `${times} times ${minutes} min of ${name} do not fit between ${minuteText(startS)} and ${minuteText(endS)}; give it more time, or fewer runs.`,
    );
  });
  checks.done();
}

function spans(checks: Checks, list: readonly Span[], path: string, what: string): void {
  list.forEach(({ startS, endS }, at) =>
    checks
      .when(
        startS >= endS,
        "order-reversed",
        `${path}.${at}.end`,
        `A span of ${what} ends at ${minuteText(endS)}, not after it starts at ${minuteText(startS)}.`,
      )
      .when(
        list.slice(0, at).some((other) => other.startS < endS && startS < other.endS),
        "not-possible",
        `${path}.${at}.start`,
        `Two spans of ${what} overlap at ${minuteText(startS)}; make one of them.`,
      ),
  );
}

/** The first time of the day of which a tariff says nothing, in words; null where it says all, or is empty. */
function holeIn(tariff: Main["tariff"]): string | null {
  if (tariff.length === 0) return null;
  let untilS = 0;
  for (const { startS, endS } of [...tariff].sort((a, b) => a.startS - b.startS)) {
    if (startS > untilS) return `${minuteText(untilS)} to ${minuteText(startS)}`;
    untilS = Math.max(untilS, endS);
  }
  return untilS < 86_400 ? `${minuteText(untilS)} to 24:00` : null;
}
