import type { ZoneFeed } from "@sprunel/contract";
import Button from "antd/es/button";
import dayjs from "dayjs";
import { Link, useParams } from "react-router";
import { ProblemNote } from "../http/problem.tsx";
import { useBoard } from "../plan/use-board.ts";
import { UnitsProvider, useUnits } from "../units/use-units.tsx";
import { CAUTIONS } from "./cautions.ts";
import { weighed } from "./tanks.tsx";
import { recipeInput, targetOf, useZoneFeed } from "./use-feed.ts";
import { useRecipe } from "./use-recipe.ts";
import styles from "./weigh-sheet.module.css";

const NOTHING_LEFT_OUT: ReadonlySet<string> = new Set();

/** One page to take to the scale: large figures, boxes to tick, cautions. */
export function WeighSheetPage() {
  const zoneId = Number(useParams()["zoneId"]);
  const feed = useZoneFeed(zoneId, null);
  const board = useBoard(null);
  if (feed.isError) return <ProblemNote error={feed.error} onRetry={() => void feed.refetch()} />;
  const name = board.data?.zones.find((zone) => zone.id === zoneId)?.name ?? "";
  return (
    <UnitsProvider siteSystem={board.data?.site?.unitSystem ?? "metric"}>
      {feed.data && board.data && (
        <Sheet feed={feed.data} name={name} site={board.data.site?.name ?? ""} now={board.data.now} />
      )}
    </UnitsProvider>
  );
}

function Sheet({ feed, name, site, now }: { feed: ZoneFeed; name: string; site: string; now: string }) {
  const { show } = useUnits();
  const target = targetOf(feed);
  const solved = useRecipe(target && recipeInput(feed, target, NOTHING_LEFT_OUT));
  if (solved.isError) return <ProblemNote error={solved.error} />;
  if (!target || (solved.isPending && feed.shelf.length === 0) || !feed.water)
    return <p className={styles["sheet"]}>There is no recipe to weigh yet: the Feed station says what it lacks.</p>;
  const recipe = solved.data;
  if (!recipe) return null;
  return (
    <article className={styles["sheet"]}>
      <nav className={styles["tools"]}>
        <Link to={`/zones/${feed.zoneId}/feed`}>Back to Feed</Link>
        <Button type="primary" onClick={() => window.print()}>
          Print
        </Button>
      </nav>
      <header>
        <h1>{name}</h1>
        <p>
          {site} · {dayjs(now).format("ddd D MMM YYYY")} · {feed.stage} · weighed by ______________________
        </p>
      </header>
      <div className={styles["tanks"]}>
        {feed.tanks.map((tank) => {
          const volume = show("volume", tank.volumeL);
          // Acid goes in first, into plenty of water; what dissolves slowest comes before the trace elements.
          const lines = recipe.lines
            .filter((line) => line.tankId === tank.id)
            .sort((a, b) => rank(b, feed) - rank(a, feed));
          return (
            <section key={tank.id}>
              <h2>
                Tank {tank.id}: {volume.text} {volume.unit}
              </h2>
              <p>Fill two thirds with water, then in this order, each dissolved before the next:</p>
              <table>
                <tbody>
                  {lines.map((line, at) => {
                    const mass = weighed(line.kgPerTank, show);
                    return (
                      <tr key={line.productId}>
                        <td className={styles["box"]} />
                        <td>{at + 1}.</td>
                        <th scope="row">{line.name}</th>
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
      <footer>{CAUTIONS.join(" ")}</footer>
    </article>
  );
}

function rank(line: { productId: string; kgPerTank: number }, feed: ZoneFeed): number {
  const acid = feed.shelf.find(({ product }) => product.id === line.productId)?.product.composition["H"] !== undefined;
  return (acid ? 1e6 : 0) + line.kgPerTank;
}
