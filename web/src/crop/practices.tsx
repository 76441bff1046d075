import type { ZoneCrop } from "@sprunel/contract/crop";
import { useDates } from "../units/dates.tsx";
import { Amount } from "../units/use-units.tsx";
import styles from "./practices.module.css";

type Practice = ZoneCrop["practices"][number];

/** What is done to a field or basin and when, by the crop's own stages: what is over quiet, what holds now strong. */
export function Practices({ practices, date }: { practices: readonly Practice[]; date: string }) {
  const dates = useDates();
  if (practices.length === 0) return null;
  return (
    <section aria-label="In the field" className={styles["practices"]}>
      <h2>In the field</h2>
      <ol>
        {practices.map((practice, at) => {
          const { id, name, on, until, sign, source, assumed } = practice;
          return (
            <li key={id} data-when={whenOf(practices, at, date)}>
              <span className={styles["when"]}>
                {dates.show(on, "weekday")}
                {until !== null && until > on && <span className="quiet"> to {dates.show(until, "day")}</span>}
              </span>
              <span>
                <strong>{name}</strong>
                <Water water={practice.water} />
                {sign !== null && <span className={styles["sign"]}>when: {sign}</span>}
                <span className={styles["source"]}>
                  {assumed && <strong className="act">assumed · </strong>}
                  {source}
                </span>
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}

function Water({ water }: { water: Practice["water"] }) {
  if (!water) return null;
  switch (water.kind) {
    case "pond":
      return (
        <>
          {", "}
          <Amount quantity="depth" value={water.cm} /> deep
        </>
      );
    case "tube":
      return (
        <>
          {", flooded again at "}
          <Amount quantity="depth" value={water.cm} /> below the soil
        </>
      );
    case "drain":
      return <>, no more water</>;
  }
}

/** Over, now, or still to come; what changes a basin's water holds until the next that does. */
function whenOf(practices: readonly Practice[], at: number, date: string): "over" | "now" | "ahead" {
  const practice = practices[at];
  if (!practice || practice.on > date) return "ahead";
  const next = practice.water && practices.slice(at + 1).find(({ water }) => water);
  const isOver = next ? next.on <= date : practice.water ? false : (practice.until ?? practice.on) < date;
  return isOver ? "over" : "now";
}
