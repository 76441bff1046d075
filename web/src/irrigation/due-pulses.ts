import type { Board, BoardZone } from "@sprunel/contract/today";

export interface DueWatering {
  readonly zoneId: number;
  readonly zoneName: string;
  readonly startUtc: string;
  readonly minutes: number;
  readonly litres: number;
}

/** Planned pulses whose time has come, of which nobody has said yet that they were given. */
export function duePulses({ id, name, pulses }: BoardZone, { now }: Pick<Board, "now">): DueWatering[] {
  return pulses
    .filter(({ state, startUtc }) => state === "planned" && startUtc <= now)
    .map(({ startUtc, endUtc, litres }) => ({
      zoneId: id,
      zoneName: name,
      startUtc,
      minutes: (Date.parse(endUtc) - Date.parse(startUtc)) / 60_000,
      litres,
    }));
}
