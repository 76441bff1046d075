import { minuteText } from "../time/clock.ts";
import { DomainError } from "../working/domain-error.ts";
import { windowsOf } from "./site-day-asked.ts";
import type { SiteDayInput, SitePulse } from "./site-day-input.ts";

/**
 * Whether a pulse may be locked to a time: still to come, within its windows, and beside the other pulses that stand.
 *
 * @param startS s from midnight
 * @returns the pulse as it would stand
 * @throws {DomainError} that names what is in the way, and what would do
 */
export function checkLock(input: SiteDayInput, id: string, startS: number): SitePulse {
  const pulse = input.kept.find((one) => one.id === id);
  const zone = input.zones.find((one) => one.id === pulse?.zoneId);
  if (!pulse) throw refused(`There is no pulse ${id} in this day any more; it was made anew.`);
  const locked = { ...pulse, startS, locked: true };
  if (pulse.startS < input.nowS)
    throw refused(`${pulse.name} at ${minuteText(pulse.startS)} has begun; only what is still to come can be moved.`);
  if (startS < input.nowS) throw refused(`${minuteText(startS)} is over: it is ${minuteText(input.nowS)} now.`);
  const endS = startS + pulse.lengthS;
  if (zone) {
    const windows = windowsOf({ ...input, nowS: -1 }, zone);
    // A second's worth of room: clocks are told on whole seconds.
    if (!windows.some((window) => startS >= window.startS - 1 && endS <= window.endS + 1))
      throw refused(
        `${minuteText(startS)} to ${minuteText(endS)} lies outside the times in which ${zone.name} may be watered: ${windows
          .map((window) => `${minuteText(window.startS)} to ${minuteText(window.endS)}`)
          .join(", ")}.`,
      );
  }
  const stands = input.kept.filter((one) => one.id !== id && (one.startS < input.nowS || one.locked));
  beside(input, locked, stands);
  return locked;
}

/** @throws {DomainError} where a pulse and those that stand are too much for what they share */
function beside({ main, zones }: SiteDayInput, pulse: SitePulse, stands: readonly SitePulse[]): void {
  const endOf = ({ startS, lengthS }: SitePulse): number => startS + lengthS;
  const gapS = 60 * (zones.find(({ id }) => id === pulse.zoneId)?.minGapMin ?? 0);
  const mixer = main.mixers.find(({ name }) => name === pulse.mixer);
  for (const other of stands) {
    const apartS = Math.max(other.startS - endOf(pulse), pulse.startS - endOf(other));
    if (other.zoneId === pulse.zoneId && other.name === pulse.name && apartS < gapS - 1)
      throw refused(
        `${pulse.name} runs from ${minuteText(other.startS)} to ${minuteText(endOf(other))} already; its pulses need ${gapS / 60} min between them.`,
      );
    if (mixer && other.mixer === mixer.name && other.recipe !== pulse.recipe && apartS < mixer.rinseMin * 60 - 1)
      throw refused(
        `${mixer.name} gives ${other.recipe ?? "water"} to ${other.name} from ${minuteText(other.startS)} to ${minuteText(endOf(other))}, and needs ${mixer.rinseMin} min to rinse before another recipe.`,
      );
  }
  const serves = (zoneIds: readonly number[] | null, { zoneId }: SitePulse): boolean =>
    zoneIds === null || (zoneId !== null && zoneIds.includes(zoneId));
  const limits = [
    ...main.limits,
    ...main.mixers.map(({ name, maxLh }) => ({ name, maxLh, maxOpen: null, zoneIds: null, ofMixer: name })),
    ...(main.hands
      ? [{ name: "The people", maxLh: null, maxOpen: main.hands.reach, zoneIds: main.hands.zoneIds }]
      : []),
  ];
  const together = [...stands, pulse].sort((a, b) => a.name.localeCompare(b.name));
  for (const limit of limits) {
    const through = (one: SitePulse): boolean =>
      serves(limit.zoneIds, one) && (!("ofMixer" in limit) || one.mixer === limit.ofMixer);
    if (!through(pulse)) continue;
    // What it shares is fullest at its own start, or where another one begins beside it.
    for (const at of [pulse.startS, ...stands.map(({ startS }) => startS)]) {
      if (at < pulse.startS || at >= endOf(pulse) - 1) continue;
      const running = together.filter((one) => through(one) && one.startS <= at && at < endOf(one) - 1);
      const lh = running.reduce((sum, one) => sum + one.lh, 0);
      const names = listed(running.map(({ name }) => name));
      if (lh > (limit.maxLh ?? Infinity) + 1e-6)
        throw refused(`${names} ask for ${lh} L/h at ${minuteText(at)}; ${limit.name} gives ${limit.maxLh ?? 0} L/h.`);
      if (running.length > (limit.maxOpen ?? Infinity))
        throw refused(
          `${names} would be open together at ${minuteText(at)}; ${limit.name} can have ${limit.maxOpen ?? 0} at once.`,
        );
    }
  }
}

function listed(names: readonly string[]): string {
  return names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1) ?? ""}`;
}

function refused(message: string): DomainError {
  return new DomainError({ code: "not-possible", path: "startUtc", message });
}
