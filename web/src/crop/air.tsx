import type { ZoneCrop } from "@sprunel/contract/crop";
import { BAND_KINDS } from "@sprunel/core/crop";
import { addDays } from "@sprunel/core/time";
import { showDigits } from "../units/show.ts";
import { useDates } from "../units/dates.tsx";
import { useUnits } from "../units/use-units.tsx";
import { outsideWords } from "../words/outside-words.ts";
import styles from "./air.module.css";
import { Cost } from "./cost.tsx";
import { placeOf, type Calendar } from "./calendar.ts";

type Air = NonNullable<ZoneCrop["air"]>;
type Kind = Air["outside"][number]["kind"];

const NAMES: Readonly<Record<Kind, string>> = {
  day: "Warmth by day",
  night: "Warmth by night",
  humidity: "Humid hours",
  light: "Light",
  root: "Roots",
  co2: "CO₂",
};

/** Every day of the planting against what its crop does well in, under the ribbon; and what it did when it lasted. */
export function AirAgainstCrop({ air, calendar, areaM2 }: { air: Air; calendar: Calendar; areaM2: number }) {
  const dates = useDates();
  const { words, band } = useWords(air);
  const last = air.days.at(-1);
  if (!last)
    return <p className="quiet">No air and no light of this planting’s days is known yet: nothing is judged.</p>;
  return (
    <section aria-label="Air against the crop" className={styles["air"]}>
      {BAND_KINDS.filter((kind) => ALWAYS.has(kind) || wasRead(air, kind)).map((kind) => {
        const lastRead = air.days.findLast(({ kinds }) => kinds.some((one) => one.kind === kind)) ?? last;
        const found = lastRead.kinds.find((one) => one.kind === kind);
        return (
          <div key={kind} className={styles["row"]}>
            <p>
              <strong>{NAMES[kind]}</strong>{" "}
              {found && `${words(kind, found.value)} on ${dates.show(lastRead.date, "day")}`}
              <span className="quiet"> · {band(kind)}</span>
            </p>
            <div className={styles["days"]} role="img" aria-label={`${NAMES[kind]}: ${daysOutside(air, kind)}`}>
              {air.days.map(({ date, kinds }) => {
                const day = kinds.find((one) => one.kind === kind);
                if (!day || date < calendar.from || date > calendar.to) return null;
                const left = placeOf(date, calendar);
                return (
                  <i
                    key={date}
                    data-side={day.side}
                    title={`${dates.show(date, "day")}: ${words(kind, day.value)}`}
                    style={{ left: `${left}%`, width: `${placeOf(addDays(date, 1), calendar) - left}%` }}
                  />
                );
              })}
            </div>
          </div>
        );
      })}
      <Told air={air} areaM2={areaM2} />
    </section>
  );
}

/** What is known of every day; the others only where somebody read them. */
const ALWAYS: ReadonlySet<Kind> = new Set(["day", "night", "humidity", "light"]);

function wasRead({ days }: Air, kind: Kind): boolean {
  return days.some(({ kinds }) => kinds.some((one) => one.kind === kind));
}

function daysOutside({ days }: Air, kind: Kind): string {
  const outside = days.filter(({ kinds }) => kinds.some((one) => one.kind === kind && one.side !== 0)).length;
  const known = days.filter(({ kinds }) => kinds.some((one) => one.kind === kind)).length;
  return `${outside} of ${known} days outside`;
}

/** What lasted for days, with what it does and what would help. */
function Told({ air: { outside, lamps, said, co2Ppm, co2Hours }, areaM2 }: { air: Air; areaM2: number }) {
  return (
    <>
      {outside.length > 0 && (
        <ul className={styles["told"]}>
          {outside.map(({ kind, side, days, ofDays, stageDays, stageHours, consequence }) => (
            <li key={kind}>
              <strong>{sentence(outsideWords({ kind, side }))}</strong> on {days} of the last {ofDays} days:{" "}
              {consequence}.{" "}
              <span className="quiet">
                In this stage {stageDays} {stageDays === 1 ? "day" : "days"}
                {stageHours !== null && stageHours > 0 && `, ${stageHours} h of them far outside`}.
              </span>
              {kind === "light" && lamps && (
                <>
                  {" "}
                  {showDigits(lamps.gapMolM2)} mol/m² a day are missing: lamps of {lamps.umolM2S} µmol/m² a second would
                  burn {showDigits(lamps.hours)} h a day for it and draw {showDigits(lamps.kwhM2 * areaM2)} kWh
                  <Cost kwh={lamps.kwhM2 * areaM2} /> (lamps of {lamps.umolJ} µmol/J, assumed).
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {co2Ppm && co2Hours !== null && (
        <p className="quiet">
          More CO₂, up to {co2Ppm[1]} ppm, is worth giving only while the crop has over 100 W/m² of sunlight: {co2Hours}{" "}
          h of the last day. Open vents lose it (assumed).
        </p>
      )}
      <p className="quiet">
        {said.assumed && <strong className="act">assumed · </strong>}
        {said.source}
      </p>
    </>
  );
}

function sentence(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function useWords({ dayC, nightC, lightMolM2, mostRhPct, rootC, co2Ppm }: Air) {
  const { show } = useUnits();
  const warmth = (c: number): string => {
    const { text, unit } = show("temperature", c);
    return `${text} ${unit}`;
  };
  return {
    words: (kind: Kind, value: number): string =>
      kind === "humidity"
        ? `${showDigits(value)} h over ${mostRhPct} %`
        : kind === "light"
          ? `${showDigits(value)} mol/m²`
          : kind === "co2"
            ? `${showDigits(value)} ppm`
            : warmth(value),
    band: (kind: Kind): string => {
      if (kind === "humidity") return "up to 4 h a day";
      if (kind === "light") return `grows well from ${lightMolM2[0]}, no better above ${lightMolM2[1]} mol/m²`;
      if (kind === "co2") return co2Ppm ? `well from ${co2Ppm[0]} to ${co2Ppm[1]} ppm` : "";
      const span = { day: dayC, night: nightC, root: rootC }[kind];
      if (!span) return "";
      const [from, to] = span;
      return `well from ${warmth(from)} to ${warmth(to)}`;
    },
  };
}
