import { orderList, type OrderRow } from "@sprunel/core/feed/recipe";
import type { FeedCosts } from "@sprunel/contract/feed";
import Progress from "antd/es/progress";
import { useState } from "react";
import { Link } from "react-router";
import { ProblemNote } from "../../parts/problem.tsx";
import { useBoard } from "../../place/use-board.ts";
import { usePlace } from "../../place/use-place.ts";
import { trySum } from "../../sums/try-sum.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { Amount, Price, useUnits } from "../../units/use-units.tsx";
import shared from "../feed.module.css";
import styles from "./order.module.css";
import { weighed } from "../mix/masses.ts";
import { useFeedCosts } from "../kept/use-recipes.ts";

/** What each zone's feed costs at today's prices, and what to order so that all of them are fed. */
export function OrderView() {
  const { date } = usePlace();
  const costs = useFeedCosts(date);
  if (costs.isError) return <ProblemNote error={costs.error} onRetry={() => void costs.refetch()} />;
  if (!costs.data)
    return (
      <div role="status" className={styles["progress"]}>
        <p>
          {costs.progress
            ? `Solving the recipes of all zones: ${costs.progress.done} of ${costs.progress.of}`
            : "Solving the recipes of all zones"}
        </p>
        <Progress
          percent={costs.progress ? Math.round((100 * costs.progress.done) / costs.progress.of) : 0}
          showInfo={false}
        />
      </div>
    );
  return (
    <>
      <Order costs={costs.data} />
      <Costs costs={costs.data} />
    </>
  );
}

function Order({ costs }: { costs: FeedCosts }) {
  const [days, setDays] = useState<number | null>(14);
  const list =
    days === null
      ? null
      : trySum(() =>
          orderList(
            costs.zones.map(({ name, m3Day, lines }) => ({ zoneName: name, m3Day, lines })),
            costs.stockKg,
            days,
          ),
        );
  return (
    <section aria-label="Order list">
      <h2>To order, for all zones</h2>
      <div className={styles["days"]}>
        <QuantityInput live label="Days to order for" unit="days like this one" value={days} onChange={setDays} />
      </div>
      {typeof list === "string" && <p role="alert">{list}</p>}
      {Array.isArray(list) && <OrderTable lines={list} />}
    </section>
  );
}

/** More products than these are read in the table, not in a sentence. */
const FEW = 3;

function OrderTable({ lines }: { lines: readonly OrderRow[] }) {
  const { system } = useUnits();
  const mass = (kg: number): string => {
    const { text, unit } = weighed(kg, system);
    return `${text} ${unit}`;
  };
  if (lines.length === 0) return <p>No zone is fed on this day.</p>;
  const soonest = lines.find(({ daysLeft }) => daysLeft !== null);
  const runsOut = soonest
    ? ` ${soonest.name} is the first to run out, in ${Math.floor(soonest.daysLeft ?? 0)} days.`
    : " Nobody counts what stands on the shelf.";
  const missing = lines.filter(({ orderKg }) => orderKg > 0);
  return (
    <>
      <p className={styles["lead"]}>
        {missing.length === 0
          ? `Nothing to order.${runsOut}`
          : missing.length <= FEW
            ? `Order ${missing.map(({ name, orderKg }) => `${name}, ${mass(orderKg)}`).join("; ")}.`
            : `Order ${missing.length} products.${runsOut}`}
      </p>
      <table className={shared["book"]}>
        <thead>
          <tr>
            <th scope="col">product</th>
            <th scope="col">order</th>
            <th scope="col">on the shelf</th>
            <th scope="col">lasts</th>
            <th scope="col">zones</th>
          </tr>
        </thead>
        <tbody>
          {lines.map(({ productId, name, kgDay, stockKg, daysLeft, orderKg, zones }) => (
            <tr key={productId}>
              <th scope="row">{name}</th>
              <td>{orderKg > 0 ? <strong className={shared["off"]}>{mass(orderKg)}</strong> : <span>nothing</span>}</td>
              <td>
                {stockKg === null ? "not counted" : mass(stockKg)} <span className="quiet">{mass(kgDay)} a day</span>
              </td>
              <td>{daysLeft === null ? "–" : daysLeft > 365 ? "over a year" : `${Math.floor(daysLeft)} days`}</td>
              <td className="quiet">{zones.join(", ")}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

const DAYS_A_WEEK = 7;

function Costs({ costs }: { costs: FeedCosts }) {
  const currency = useBoard(null).data?.site?.currency ?? "";
  return (
    <section aria-label="Costs">
      <h2>What each feed costs</h2>
      <table className={shared["book"]}>
        <thead>
          <tr>
            <th scope="col">zone</th>
            <th scope="col">feed</th>
            <th scope="col">today</th>
            <th scope="col">a week like today</th>
          </tr>
        </thead>
        <tbody>
          {costs.zones.map(({ zoneId, name, costPerM3, m3Day, status, unpriced }) => (
            <tr key={zoneId}>
              <th scope="row">
                <Link to={`/zones/${zoneId}/feed`}>{name}</Link>
              </th>
              {costPerM3 === null ? (
                <td colSpan={3} className="quiet">
                  {unpriced.length > 0
                    ? `no cost: ${unpriced.join(", ")} ${unpriced.length === 1 ? "has" : "have"} no price`
                    : "no recipe: it is fed otherwise, or lacks a target, a water report or products"}
                </td>
              ) : (
                <>
                  <td>
                    <Price quantity="pricePerBulk" value={costPerM3} currency={currency} />
                    {status !== "met" && <span className={shared["off"]}> · not met</span>}
                  </td>
                  <td>
                    <Amount quantity="bulk" value={m3Day} />
                  </td>
                  <td>
                    {(costPerM3 * m3Day * DAYS_A_WEEK).toFixed(2)} <span data-unit>{currency}</span>
                  </td>
                </>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
