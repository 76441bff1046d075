import type { ZoneFeed } from "@sprunel/contract/feed";
import { weighOut, type Recipe, type Weighing } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import { Fragment, useState } from "react";
import { Link, useParams } from "react-router";
import { ProblemNote } from "../../parts/problem.tsx";
import { useBoard } from "../../place/use-board.ts";
import { trySum } from "../../sums/try-sum.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { SiteWays } from "../../place/site-ways.tsx";
import { useUnits } from "../../units/use-units.tsx";
import { CAUTIONS } from "../cautions.ts";
import { ionName } from "../../words/ion-names.ts";
import { onTheScale } from "./masses.ts";
import { recipeInput, targetOf, useZoneFeed } from "../use-feed.ts";
import { useRecipe } from "../recipe/use-recipe.ts";
import styles from "./weigh-sheet.module.css";
import { useDates } from "../../units/dates.tsx";

/** One page to take to the scale: large figures, boxes to tick, cautions. */
export function WeighSheetPage() {
  const zoneId = Number(useParams()["zoneId"]);
  const feed = useZoneFeed(zoneId, null);
  const board = useBoard(null);
  if (feed.isError) return <ProblemNote error={feed.error} onRetry={() => void feed.refetch()} />;
  const name = board.data?.zones.find((zone) => zone.id === zoneId)?.name ?? "";
  return (
    <SiteWays site={board.data?.site}>
      {feed.data && board.data && (
        <Sheet feed={feed.data} name={name} site={board.data.site?.name ?? ""} now={board.data.now} />
      )}
    </SiteWays>
  );
}

function Sheet({ feed, name, site, now }: { feed: ZoneFeed; name: string; site: string; now: string }) {
  const dates = useDates();
  const { system, show } = useUnits();
  const [batch, setBatch] = useState<Batch>({ left: {}, fill: {} });
  const target = targetOf(feed);
  const solved = useRecipe(target && recipeInput(feed, target));
  if (solved.isError) return <ProblemNote error={solved.error} />;
  if (!target || (solved.isPending && feed.shelf.length === 0) || !feed.water)
    return <p className={styles["sheet"]}>There is no recipe to weigh yet: the Feed station says what it lacks.</p>;
  const recipe = solved.data;
  if (!recipe) return null;
  const weighing = weighedOut(recipe, feed, batch);
  if (typeof weighing === "string")
    return (
      <article className={styles["sheet"]}>
        <BatchFields feed={feed} batch={batch} onChange={setBatch} />
        <p role="alert">{weighing}</p>
      </article>
    );
  return (
    <article className={styles["sheet"]}>
      <nav className={styles["tools"]}>
        <Link to={`/zones/${feed.zoneId}/feed`}>Back to Feed</Link>
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </nav>
      <BatchFields feed={feed} batch={batch} onChange={setBatch} />
      <header>
        <h1>{name}</h1>
        <p>
          {site} · {dates.show(now, "weekday-year")} · {feed.stage} · weighed by ______________________
        </p>
      </header>
      <div className={styles["tanks"]}>
        {feed.tanks.map((tank) => {
          const volume = show("volume", batch.fill[tank.id] ?? tank.volumeL);
          // Acid goes in first, into plenty of water; what dissolves slowest comes before the trace elements.
          const lines = weighing.lines
            .filter((line) => line.tankId === tank.id && line.kg > 0)
            .sort((a, b) => rank(b, feed) - rank(a, feed));
          const standing = batch.left[tank.id] ?? 0;
          return (
            <section key={tank.id}>
              <h2>
                Tank {tank.id}: {volume.text} {volume.unit}
              </h2>
              <p>
                {standing > 0
                  ? `${show("volume", standing).text} ${show("volume", standing).unit} of it stand there already. Add most of the water, then in this order, each dissolved before the next:`
                  : "Fill two thirds with water, then in this order, each dissolved before the next:"}
              </p>
              <table>
                <tbody>
                  {lines.map((line, at) => {
                    const mass = onTheScale(line.kg, feed.settings, system);
                    return (
                      <tr key={line.productId}>
                        <td className={styles["box"]} />
                        <td>{at + 1}.</td>
                        <th scope="row">{nameOf(line.productId, feed)}</th>
                        <td className={styles["mass"]}>
                          {mass.text} <span>{mass.unit}</span>
                        </td>
                        <td className={styles["lot"]}>lot</td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
              <p>
                Fill up to {volume.text} {volume.unit} and stir. Injector 1 : {tank.dilution}.
              </p>
            </section>
          );
        })}
      </div>
      <p className={styles["check"]}>
        At the dripper: EC <strong>{recipe.delivered.ecMsCm.toFixed(1)} mS/cm</strong>, pH{" "}
        <strong>{recipe.delivered.ph.toFixed(1)}</strong>. Measured: EC ________ pH ________
      </p>
      {weighing.moved.length > 0 && (
        <p>
          Rounding to the scales moves{" "}
          {weighing.moved
            .map(({ ion, pct }) => `${ionName(ion)} by ${pct > 0 ? "+" : "−"}${Math.abs(pct).toFixed(1)} %`)
            .join(", ")}
          .
        </p>
      )}
      <footer>{CAUTIONS.join(" ")}</footer>
    </article>
  );
}

type ByTank = Readonly<Record<string, number | null>>;
interface Batch {
  /** litres of the same concentrate that stand in the tanks */
  readonly left: ByTank;
  /** litres that the tanks are filled to; to the mark where empty */
  readonly fill: ByTank;
}

/** How much is mixed this time; asked on the screen, not printed. */
function BatchFields({ feed, batch, onChange }: { feed: ZoneFeed; batch: Batch; onChange(batch: Batch): void }) {
  const half = Object.fromEntries(feed.tanks.map(({ id, volumeL }) => [id, volumeL / 2]));
  const field = (which: keyof Batch, id: string, label: string) => (
    <label>
      {label}
      <QuantityInput
        live
        label={label}
        quantity="volume"
        value={batch[which][id] ?? null}
        onChange={(value) => onChange({ ...batch, [which]: { ...batch[which], [id]: value } })}
      />
    </label>
  );
  return (
    <div className={styles["tools"]}>
      {feed.tanks.map(({ id }) => (
        <Fragment key={id}>
          {field("fill", id, `Fill tank ${id} to`)}
          {field("left", id, `Still in tank ${id}`)}
        </Fragment>
      ))}
      <Button onClick={() => onChange({ ...batch, fill: half })}>Half a batch</Button>
      <Button onClick={() => onChange({ left: {}, fill: {} })}>Whole tanks</Button>
    </div>
  );
}

/** @returns what is wrong in words, where more is said to stand in a tank than it holds */
function weighedOut(recipe: Recipe, feed: ZoneFeed, { left, fill }: Batch): Weighing | string {
  const typed = (values: ByTank): Record<string, number> =>
    Object.fromEntries(Object.entries(values).flatMap(([id, litres]) => (litres === null ? [] : [[id, litres]])));
  return trySum(() =>
    weighOut(recipe, {
      tanks: feed.tanks,
      products: feed.shelf.map(({ product }) => product),
      water: feed.water?.ions ?? {},
      scales: feed.settings,
      leftL: typed(left),
      fillToL: typed(fill),
    }),
  );
}

function nameOf(productId: string, feed: ZoneFeed): string {
  return feed.shelf.find(({ product }) => product.id === productId)?.product.name ?? productId;
}

function rank(line: { productId: string; kg: number }, feed: ZoneFeed): number {
  const acid = feed.shelf.find(({ product }) => product.id === line.productId)?.product.composition["H"] !== undefined;
  return (acid ? 1e6 : 0) + line.kg;
}
