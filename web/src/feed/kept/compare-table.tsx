import type { RecipeDifference } from "@sprunel/core/feed/recipe";
import { useBoard } from "../../place/use-board.ts";
import { Amount, Price } from "../../units/use-units.tsx";
import styles from "../feed.module.css";
import { ionName, TRACES } from "../../words/ion-names.ts";

/** Less of a difference is rounding, %. */
const SAME_PCT = 1;

/** Two recipes by ions, products, strength and cost; what differs stands out. */
export function CompareTable({
  names,
  difference,
}: {
  names: readonly [string, string];
  difference: RecipeDifference;
}) {
  const currency = useBoard(null).data?.site?.currency ?? "";
  const { ions, products, ecMsCm, ph, costPerM3, nh4SharePct } = difference;
  return (
    <table className={`${styles["book"] ?? ""} ${styles["compact"] ?? ""}`}>
      <thead>
        <tr>
          <th />
          <th scope="col">{names[0]}</th>
          <th scope="col">{names[1]}</th>
          <th scope="col">second against first</th>
        </tr>
      </thead>
      <tbody>
        <Pair name="EC" values={ecMsCm} show={(value) => `${value.toFixed(2)} mS/cm`} />
        <Pair name="pH" values={ph} show={(value) => value.toFixed(1)} />
        <Pair name="N as NH₄" values={nh4SharePct} show={(value) => `${value.toFixed(0)} %`} />
        <Pair
          name="Cost"
          values={costPerM3}
          show={(value) => <Price quantity="pricePerBulk" value={value} currency={currency} />}
        />
      </tbody>
      <tbody>
        {ions.map(({ ion, left, right }) => (
          <Pair
            key={ion}
            name={ionName(ion)}
            values={[left, right]}
            show={(value) => `${value.toFixed(2)} ${TRACES.includes(ion) ? "µmol/L" : "mmol/L"}`}
          />
        ))}
      </tbody>
      <tbody>
        {products.map(({ productId, name, left, right }) => (
          <Pair
            key={productId}
            name={name}
            values={[left, right]}
            show={(value) => (value === 0 ? "none" : <Amount quantity="dose" value={value} />)}
          />
        ))}
      </tbody>
    </table>
  );
}

function Pair({
  name,
  values: [left, right],
  show,
}: {
  name: string;
  values: readonly [number, number];
  show(value: number): React.ReactNode;
}) {
  const pct = left > 0 ? (100 * (right - left)) / left : right > 0 ? Infinity : 0;
  const differs = Math.abs(pct) > SAME_PCT;
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>{show(left)}</td>
      <td className={differs ? (styles["gives"] ?? "") : ""}>{show(right)}</td>
      <td className={differs ? "" : "quiet"}>
        {!differs ? "the same" : pct === Infinity ? "new" : `${pct > 0 ? "+" : "−"}${Math.abs(pct).toFixed(0)} %`}
      </td>
    </tr>
  );
}
