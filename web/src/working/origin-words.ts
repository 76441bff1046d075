import type { Origin } from "@sprunel/contract/basics";

const HOURS_FROM: Record<Extract<Origin, { hours?: number | undefined }>["kind"], string> = {
  imported: "imported from a file",
  measured: "measured",
  simulated: "simulated station",
  forecast: "forecast",
  filled: "filled: mean of the same hour on the days before",
  again: "no forecast reaches this day: weather of the last two weeks again, with the light of this day’s sun",
  carried: "outside air, plus how the house differed from it on the days before",
  heated: "heating’s set point; humidity assumed at 75 %: the house has no sensor",
  outside: "outside air: the house has no sensor",
};

/** Where a number comes from, in words; `doubtful` marks what nobody has confirmed or published. */
export function originWords(origin: Origin, moment: (instant: string) => string): { text: string; doubtful: boolean } {
  switch (origin.kind) {
    case "entered":
      return { text: "entered in set-up", doubtful: false };
    case "default":
      return { text: "default, not confirmed", doubtful: true };
    case "library":
      return { text: `library: ${origin.source}`, doubtful: origin.assumed };
    case "decided":
      return { text: `correction decided on ${moment(origin.at)}`, doubtful: false };
    case "computed":
      return { text: "water balance since planting, by this program", doubtful: false };
    default: {
      const when = origin.at ? `, ${moment(origin.at)}` : "";
      const hours = origin.hours === undefined ? "" : `, ${origin.hours} h`;
      return {
        text: `${HOURS_FROM[origin.kind]}${when}${hours}`,
        doubtful: origin.kind === "outside" || origin.kind === "heated",
      };
    }
  }
}
