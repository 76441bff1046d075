import type { LoopAnswer } from "@sprunel/core/feed/recipe";
import { Amount } from "../../units/use-units.tsx";
import styles from "../feed.module.css";

/** What is lost in a week: closed as far as the limit allows, and open. */
export function LossTable({
  answer: { loop, open, dischargePct, mostIncoming },
  currency,
}: {
  answer: LoopAnswer;
  currency: string;
}) {
  const holds = loop !== null && (dischargePct ?? 0) <= 100;
  const row = (name: string, losses: LoopAnswer["open"]) => (
    <tr>
      <th scope="row">{name}</th>
      <td>
        <Amount quantity="bulk" value={losses.waterM3Week} />
      </td>
      <td>
        <Amount quantity="mass" value={losses.nitrogenKgWeek} />
      </td>
      <td>
        {losses.costWeek.toFixed(2)} <span data-unit>{currency}</span>
      </td>
    </tr>
  );
  return (
    <table className={styles["book"]}>
      <thead>
        <tr>
          <th scope="col">lost in a week</th>
          <th scope="col">water</th>
          <th scope="col">nitrogen</th>
          <th scope="col">water and feed</th>
        </tr>
      </thead>
      <tbody>
        {holds ? (
          row(
            dischargePct === null
              ? "closed, at the limit"
              : `closed, ${dischargePct.toFixed(0)} % of the drain let off at the limit`,
            loop,
          )
        ) : (
          <tr>
            <th scope="row" colSpan={4}>
              Not even all of the drain, let off, keeps the limit. Mix in a softer water, so that at most{" "}
              {mostIncoming.map(({ ion, mmolL }) => `${mmolL.toFixed(1)} mmol/L of ${ion}`).join(" and ")} come in; as
              it is,{" "}
              {mostIncoming.map(({ ion, endsMmolL }) => `${ion} ends at ${endsMmolL.toFixed(1)} mmol/L`).join(", ")}.
            </th>
          </tr>
        )}
        {row("open, all drain lost", open)}
      </tbody>
    </table>
  );
}
