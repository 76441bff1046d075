import type { DosePlan } from "@sprunel/contract/feed";
import tables from "../../theme/tables.module.css";
import { useDates } from "../../units/dates.tsx";
import { useUnits } from "../../units/use-units.tsx";
import styles from "./doses.module.css";
import { Three } from "./need-picture.tsx";

const BOOKS = [
  ["given", "given in doses"],
  ["fed", "mixed into the tanks"],
  ["digestate", "given as digestate or reclaimed water"],
  ["water", "brought by the water"],
  ["credited", "set free by soil, manure and residues, so far"],
  ["removed", "taken off with what was picked"],
  ["left", "left, or gone below"],
] as const;

const PAST = [
  ["given", "doses"],
  ["fed", "tanks"],
  ["digestate", "digestate"],
  ["removed", "picked off"],
  ["left", "left, or gone"],
] as const;

/** What came to the planting and what was taken off. */
export function Books({ ledger, past }: { ledger: NonNullable<DosePlan["ledger"]>; past: DosePlan["past"] }) {
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
      {past.length > 0 && (
        <div className={styles["need"]}>
          <h2>What stood here before</h2>
          <div className={tables["scroll"]}>
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
        Left is what stands in tanks, leaf, root and soil, and what drained: these books do not tell them apart.
      </p>
    </section>
  );
}
