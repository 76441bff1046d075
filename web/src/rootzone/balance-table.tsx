import { unitFor, type Quantity } from "@sprunel/core/units";
import type { Balance, RootHistory } from "@sprunel/contract/rootzone";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import tables from "../theme/tables.module.css";
import styles from "./roots.module.css";
import { useUnits } from "../units/use-units.tsx";

type Flow = Exclude<keyof Balance, "days" | "salt" | "nitrogen">;
type Book = keyof NonNullable<Balance["salt"]>;

const WATER: readonly (readonly [title: string, lines: readonly (readonly [figure: Flow, words: string])[]])[] = [
  [
    "came in",
    [
      ["givenMm", "given"],
      ["rainMm", "rain"],
      ["reachedMm", "in soil that roots grew into"],
      ["correctedMm", "put right by readings"],
    ],
  ],
  [
    "went",
    [
      ["takenMm", "taken by the crop"],
      ["drainMm", "drained or run back"],
      ["lostMm", "lost to unevenness"],
      ["overflowMm", "run over"],
      ["changeMm", "stored (− drawn down)"],
    ],
  ],
  ["missing", [["shortMm", "that the crop would have taken beside it"]]],
];
const BOOKS: readonly (readonly [title: string, lines: readonly (readonly [figure: Book, words: string])[]])[] = [
  [
    "came in",
    [
      ["in", "with the water given"],
      ["reached", "in soil that roots grew into"],
      ["freed", "in doses, and set free by soil and manure"],
      ["corrected", "put right by tests"],
    ],
  ],
  [
    "went",
    [
      ["taken", "taken by the crop"],
      ["out", "out below, over and beside"],
      ["change", "stored (− drawn down)"],
    ],
  ],
];
/** Salt in water of 1 mS/cm, g/L, whose mm on a m² is a litre: 640 mg/L, USDA Handbook 60 (1954). */
const SALT_G_L = 0.64;
/** g/m² in kg/ha */
const KG_HA = 10;
const COLUMNS = ["day", "week", "planting"] as const;
type Column = (typeof COLUMNS)[number];

const NAMES = { water: "Water", nitrogen: "Nitrogen", salt: "Salt" } as const;
type Of = keyof typeof NAMES;

/** Where water, salt and nitrogen went: of the day, of a week, and since planting. */
export function BalanceTable({ balances }: { balances: NonNullable<RootHistory["balances"]> }) {
  const [chosen, setChosen] = useState<Of>("water");
  const { salt, nitrogen } = balances.planting;
  const known = (["water", "nitrogen", "salt"] as const).filter(
    (of) => of === "water" || (of === "salt" ? salt : nitrogen),
  );
  const of = known.includes(chosen) ? chosen : "water";
  return (
    <section aria-label="Where it went" className={styles["balance"]}>
      <h2>Where it went</h2>
      {known.length > 1 && (
        <Segmented
          value={of}
          options={known.map((value) => ({ value, label: NAMES[value] }))}
          onChange={(value) => setChosen(value)}
        />
      )}
      <Columns
        name={`Balance of ${of}`}
        days={balances.week.days}
        quantity={of === "water" ? "waterDepth" : "perLand"}
        parts={of === "water" ? waterParts(balances) : bookParts(balances, of)}
      />
      {of === "salt" && (
        <p className="quiet">
          All that conducts, at 0.64 g/L for each mS/cm
          {nitrogen && "; the crop is taken to drink at 0.7 of the feed’s EC, which is assumed"}.
        </p>
      )}
    </section>
  );
}

interface Part {
  readonly title: string;
  readonly lines: readonly { readonly words: string; of(column: Column): number }[];
}

function waterParts(balances: NonNullable<RootHistory["balances"]>): Part[] {
  return WATER.map(([title, lines]) => ({
    title,
    lines: lines.map(([figure, words]) => ({ words, of: (column) => balances[column][figure] })),
  }));
}

function bookParts(balances: NonNullable<RootHistory["balances"]>, of: "salt" | "nitrogen"): Part[] {
  const factor = of === "salt" ? SALT_G_L * KG_HA : KG_HA;
  return BOOKS.map(([title, lines]) => ({
    title,
    lines: lines.map(([figure, words]) => ({
      words,
      of: (column) => (balances[column][of]?.[figure] ?? 0) * factor,
    })),
  }));
}

/** A line that is nothing in all three columns is left out. */
const TINY = 0.005;

function Columns({
  name,
  days,
  quantity,
  parts,
}: {
  name: string;
  days: number;
  quantity: Quantity;
  parts: readonly Part[];
}) {
  const { show, system } = useUnits();
  const shown = parts
    .map(({ title, lines }) => ({
      title,
      lines: lines.filter(({ of }) => COLUMNS.some((column) => Math.abs(of(column)) > TINY)),
    }))
    .filter(({ lines }) => lines.length > 0);
  return (
    <div className={tables["scroll"]} tabIndex={0} role="region" aria-label={name}>
      <table className={tables["table"]}>
        <thead>
          <tr>
            <th scope="col">{unitFor(quantity, system)}</th>
            <th scope="col">this day</th>
            <th scope="col">{days} days</th>
            <th scope="col">since planting</th>
          </tr>
        </thead>
        {shown.map(({ title, lines }) => (
          <tbody key={title}>
            <tr>
              <th scope="rowgroup" colSpan={4}>
                {title}
              </th>
            </tr>
            {lines.map(({ words, of }) => (
              <tr key={words}>
                <td>{words}</td>
                {COLUMNS.map((column) => (
                  <td key={column}>
                    <span data-number>{show(quantity, of(column)).text}</span>
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        ))}
      </table>
    </div>
  );
}
