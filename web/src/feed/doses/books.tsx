import type { DosePlan } from "@sprunel/contract/feed";
import tables from "../../theme/tables.module.css";
import { useDates } from "../../units/dates.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { LeafTaken } from "./leaf-taken.tsx";
import { Three } from "./need-picture.tsx";

const BOOKS = [
  ["given", "given in doses"],
  ["fed", "mixed into the tanks"],
  ["digestate", "given as digestate or reclaimed water"],
  ["water", "brought by the water"],
  ["credited", "set free by soil, manure and residues, so far"],
  ["removed", "taken off with what was picked"],
  ["leaf", "carried away as leaf"],
  ["drained", "drained, as far as it is followed"],
  ["left", "left"],
] as const;

const PAST = [
  ["given", "doses"],
  ["fed", "tanks"],
  ["digestate", "digestate"],
  ["removed", "picked off"],
  ["leaf", "leaf"],
  ["drained", "drained"],
  ["left", "left"],
] as const;

/** What came to the planting and what was taken off. */
export function Books({
  plan: { zoneId, leaf, past },
  ledger,
  today,
}: {
  plan: DosePlan;
  ledger: NonNullable<DosePlan["ledger"]>;
  today: string;
}) {
  const dates = useDates();
  const { show } = useUnits();
  return (
    <section aria-label="Books of nutrients">
      <h2>Where it went so far</h2>
      <table className={`${tables["table"]} ${styles["schools"]}`}>
        <tbody>
          {BOOKS.map(([key, name]) => (
            <tr key={key}>
              <td>{name}</td>
              <td>
                <Three amounts={ledger[key]} />
                {ledger[key] && <span className="quiet"> {show("perLand", 0).unit}</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <LeafTaken zoneId={zoneId} leaf={leaf} today={today} />
      {past.length > 0 && (
        <div className={styles["need"]}>
          <h2>What stood here before</h2>
          <div
            className={tables["scroll"]}
            role="group"
            aria-label="What stood here before, by its columns"
            tabIndex={0}
          >
            <table className={`${tables["table"]} ${styles["schools"]}`} aria-label="Books of what stood here before">
              <thead>
                <tr>
                  <th scope="col">crop, {show("perLand", 0).unit}</th>
                  {PAST.map(([key, name]) => (
                    <th key={key} scope="col">
                      {name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {past.map(({ cropName, from, to, ledger: books }) => (
                  <tr key={from}>
                    <td>
                      {cropName}
                      <small>
                        {dates.show(from, "year")} to {dates.show(to, "year")}
                      </small>
                    </td>
                    {PAST.map(([key]) => (
                      <td key={key}>
                        <Three amounts={books[key]} />
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </div>
      )}
      <p className="quiet">
        Left is what stands in tanks, leaf, root and soil: these books do not tell them apart. What drained is known of
        nitrogen where the root zone is followed; of what nobody follows it is in what is left.
      </p>
    </section>
  );
}
