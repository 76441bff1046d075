import { unitFor } from "@sprunel/core/units";
import type { Balance, RootHistory } from "@sprunel/contract/rootzone";
import tables from "../theme/tables.module.css";
import styles from "./roots.module.css";
import { useUnits } from "../units/use-units.tsx";

type Line = readonly [figure: keyof Balance, words: string];

/** A line that is nothing in all three columns is left out. */
const PARTS: readonly { readonly title: string; readonly lines: readonly Line[] }[] = [
  {
    title: "came in",
    lines: [
      ["givenMm", "given"],
      ["rainMm", "rain"],
      ["reachedMm", "in soil that roots grew into"],
      ["correctedMm", "put right by readings"],
    ],
  },
  {
    title: "went",
    lines: [
      ["takenMm", "taken by the crop"],
      ["drainMm", "drained or run back"],
      ["lostMm", "lost to unevenness"],
      ["overflowMm", "run over"],
      ["changeMm", "stored (− drawn down)"],
    ],
  },
  { title: "missing", lines: [["shortMm", "that the crop would have taken beside it"]] },
];
const TINY_MM = 0.005;
const COLUMNS = ["day", "week", "planting"] as const;

/** Where the litres went: of the day, of a week, and since planting. */
export function BalanceTable({ balances }: { balances: NonNullable<RootHistory["balances"]> }) {
  const { show, system } = useUnits();
  const columns = COLUMNS.map((column) => balances[column]);
  const parts = PARTS.map(({ title, lines }) => ({
    title,
    lines: lines.filter(([figure]) => columns.some((balance) => Math.abs(balance[figure]) > TINY_MM)),
  })).filter(({ lines }) => lines.length > 0);
  return (
    <section aria-label="Where the water went" className={styles["balance"]}>
      <h2>Where the water went</h2>
      <div className={tables["scroll"]} tabIndex={0} role="region" aria-label="Balance of water">
        <table className={tables["table"]}>
          <thead>
            <tr>
              <th scope="col">{unitFor("waterDepth", system)}</th>
              <th scope="col">this day</th>
              <th scope="col">{balances.week.days} days</th>
              <th scope="col">since planting</th>
            </tr>
          </thead>
          {parts.map(({ title, lines }) => (
            <tbody key={title}>
              <tr>
                <th scope="rowgroup" colSpan={4}>
                  {title}
                </th>
              </tr>
              {lines.map(([figure, words]) => (
                <tr key={figure}>
                  <td>{words}</td>
                  {COLUMNS.map((column) => (
                    <td key={column}>
                      <span data-number>{show("waterDepth", balances[column][figure]).text}</span>
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          ))}
        </table>
      </div>
    </section>
  );
}
