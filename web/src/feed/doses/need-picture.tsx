import { Told } from "../../units/told.ts";
import type { DosePlan } from "@sprunel/contract/feed";
import type { ReactNode } from "react";
import { Amount, Measure, useUnits } from "../../units/use-units.tsx";
import { Explained } from "../../working/explained.tsx";
import styles from "./doses.module.css";

type Need = NonNullable<DosePlan["need"]>;
const NUTRIENTS = ["N", "P", "K"] as const;
type Nutrient = (typeof NUTRIENTS)[number];

export const SOIL_WORDS: Readonly<Record<Need["soil"][number]["is"], string>> = {
  build: "the soil is low: half as much again",
  keep: "the soil has enough: as much as is removed",
  "draw-down": "the soil is rich: half of what is removed",
  none: "the soil is very rich: none",
};

/** From the yield aimed at, through what it takes up and what is there already, to what is to be given: read from left to right. */
export function NeedPicture({
  need,
  efficiencyPct,
}: {
  need: Need;
  efficiencyPct: Readonly<Record<Nutrient, number>>;
}) {
  const { show } = useUnits();
  const most = Math.max(1, ...NUTRIENTS.flatMap((nutrient) => [need.uptakeKgHa[nutrient], need.toGiveKgHa[nutrient]]));
  const credited = (nutrient: Nutrient): number => need.credits.reduce((sum, credit) => sum + credit[nutrient], 0);
  return (
    <section aria-label="Need" className={styles["need"]}>
      <ol className={styles["flow"]}>
        <Part name="Aim">
          <p className={styles["aim"]}>
            <Amount quantity="yield" value={need.yieldTHa / 10} />
          </p>
          <p className="quiet">{need.aim === "planting" ? "of the planting" : "of this programme"}</p>
        </Part>
        <Part name="is taken up" note={`removal a tonne: ${need.removalSource}`}>
          <Bars of={(nutrient) => need.uptakeKgHa[nutrient]} most={most} need={need} label="Uptake" />
        </Part>
        <Part name="is there already">
          {need.credits.length === 0 ? (
            <p className="quiet">Nothing is credited: no soil test, no manure, no water of which it is known.</p>
          ) : (
            <>
              <Bars of={credited} most={most} need={need} label="Credits" kind="credit" />
              <ul className={styles["credits"]}>
                {need.credits.map(({ from, N, P, K, doubt }) => (
                  <li key={from}>
                    {from}: <Three amounts={{ N, P, K }} /> <span className="quiet">{show("perLand", 0).unit}</span>
                    {doubt !== null && <strong className="act"> · {doubt}</strong>}
                  </li>
                ))}
              </ul>
            </>
          )}
        </Part>
        <Part
          name="is to be given"
          note={`of which the crop takes up ${NUTRIENTS.map((nutrient) => `${efficiencyPct[nutrient]} % of ${nutrient}`).join(", ")} (assumed until set)`}
        >
          <Bars of={(nutrient) => need.toGiveKgHa[nutrient]} most={most} need={need} label="To give" kind="give" />
          <ul className={styles["credits"]}>
            {need.soil
              .filter(({ from }) => from !== null)
              .map(({ nutrient, is, from }) => (
                <li key={nutrient}>
                  {nutrient}: {SOIL_WORDS[is]} <span className="quiet">({from})</span>
                </li>
              ))}
          </ul>
        </Part>
      </ol>
      {need.warnings.map((warning) => (
        <p key={warning} role="status" className="act">
          <Told>{warning}</Told>
        </p>
      ))}
      <p className="quiet">P and K are told as elements, not as oxides.</p>
    </section>
  );
}

function Part({ name, note, children }: { name: string; note?: string; children: ReactNode }) {
  return (
    <li>
      <h3>{name}</h3>
      {children}
      {note !== undefined && <p className={styles["note"]}>{note}</p>}
    </li>
  );
}

function Bars({
  of,
  most,
  need,
  label,
  kind = "uptake",
}: {
  of: (nutrient: Nutrient) => number;
  most: number;
  need: Need;
  label: string;
  kind?: "uptake" | "credit" | "give";
}) {
  return (
    <dl className={styles["bars"]}>
      {NUTRIENTS.map((nutrient) => (
        <div key={nutrient}>
          <dt>{nutrient}</dt>
          <dd>
            <Explained
              title={`${label}: ${nutrient}`}
              steps={need.working.filter(({ label: line }) => tells(line, nutrient))}
            >
              <Amount quantity="perLand" value={of(nutrient)} />
            </Explained>
            <i data-kind={kind} style={{ width: `${(100 * of(nutrient)) / most}%` }} aria-hidden />
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** Whether a line of the sum is about a nutrient. */
function tells(line: string, nutrient: Nutrient): boolean {
  return new RegExp(`\\b${nutrient}\\b`).test(line) || (nutrient === "N" && /nitrogen|nitrate/i.test(line));
}

/** Amounts of the three beside each other; what nobody knows is no zero. */
export function Three({ amounts }: { amounts: Readonly<Record<Nutrient, number | null>> | null }) {
  const { show } = useUnits();
  if (!amounts || NUTRIENTS.every((nutrient) => amounts[nutrient] === null))
    return <span className="quiet">not known</span>;
  const textOf = (value: number | null): string => (value === null ? "–" : show("perLand", value).text);
  return (
    <>
      {NUTRIENTS.map((nutrient, at) => (
        <span key={nutrient}>
          {at > 0 && " · "}
          <Measure text={textOf(amounts[nutrient])} unit={nutrient} />
        </span>
      ))}
    </>
  );
}
