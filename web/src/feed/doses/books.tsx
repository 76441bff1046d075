import type { DosePlan } from "@sprunel/contract/feed";
import tables from "../../theme/tables.module.css";
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

/** What came to the planting and what was taken off. */
export function Books({ ledger }: { ledger: NonNullable<DosePlan["ledger"]> }) {
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
      <p className="quiet">
        Left is what stands in tanks, leaf, root and soil, and what drained: these books do not tell them apart.
      </p>
    </section>
  );
}
