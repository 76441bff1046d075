import type { BoardZone, FeedTarget, FeedWishes, Ion, SourceState, ZoneFeed } from "@sprunel/contract";
import type { Recipe, RecipeInput } from "@sprunel/core";
import Button from "antd/es/button";
import Skeleton from "antd/es/skeleton";
import { lazy, Suspense, useState } from "react";
import { FindingCard } from "../advice/finding-card.tsx";
import { ProblemNote } from "../http/problem.tsx";
import { useBoard } from "../plan/use-board.ts";
import { usePlace } from "../shell/use-place.ts";
import { Amount, Price } from "../units/use-units.tsx";
import { StepsDrawer } from "../working/steps-drawer.tsx";
import styles from "./feed.module.css";
import { IonLadder } from "./ion-ladder.tsx";
import { ionName } from "./ion-names.ts";
import { MeterPanel } from "./meter-panel.tsx";
import { MixPanel } from "./mix-panel.tsx";
import { Shelf } from "./shelf.tsx";
import { Together } from "./together.tsx";
import { Tanks } from "./tanks.tsx";
import { useWaterStation } from "../water/use-sources.ts";
import { recipeInput, targetOf, useProducts, useSaveTarget, useZoneFeed } from "./use-feed.ts";
import { useRecipe } from "./use-recipe.ts";
import { Wishes } from "./wishes.tsx";
import { WaterForm } from "./water-form.tsx";

const TanksDialog = lazy(async () => ({ default: (await import("./tanks-dialog.tsx")).TanksDialog }));

/** What this stage should drink, and what to weigh into which tank. */
export function FeedPage({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const feed = useZoneFeed(zone.id, date);
  if (feed.isError && !feed.data) return <ProblemNote error={feed.error} onRetry={() => void feed.refetch()} />;
  if (!feed.data) return <Skeleton active />;
  return <Feed key={`${zone.id} ${feed.data.own?.version ?? 0}`} zone={zone} feed={feed.data} />;
}

/** Steiner (1984), a solution for many crops, at half strength. */
const STARTING_TARGET: FeedTarget = {
  ions: { NO3: 6, H2PO4: 0.5, SO4: 1.75, K: 3.5, Ca: 2.25, Mg: 1 },
  ph: 5.8,
};

function Feed({ zone, feed }: { zone: BoardZone; feed: ZoneFeed }) {
  const { date } = usePlace();
  const saved = targetOf(feed);
  const [target, setTarget] = useState<FeedTarget | null>(saved);
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  const [explained, setExplained] = useState(false);
  const [tanksOpen, setTanksOpen] = useState(false);
  const [wishes, setWishes] = useState<FeedWishes>(feed.settings.wishes);
  const [buysAll, setBuysAll] = useState(false);
  const [mixes, setMixes] = useState(false);
  const library = useProducts().data?.products ?? [];
  const waters = (useWaterStation(date).data?.sources ?? []).filter(({ report }) => report !== null);
  const question =
    target &&
    recipeInput(mixes ? withFirstWater(feed, waters) : feed, target, {
      leftOut,
      wishes,
      bought: buysAll ? library : [],
      mixWith: mixes ? waters.slice(1).map(mixable) : [],
      waterPriceM3: waters[0]?.source.priceM3 ?? 0,
    });
  const solved = useRecipe(question);
  const save = useSaveTarget(zone.id);
  const recipe = question ? solved.data : null;
  if (!feed.water) return <WaterForm zoneName={zone.name} />;
  if (!target)
    return (
      <>
        <h1>{zone.name}: feed</h1>
        {feed.stage === null ? (
          <p>Nothing stands in this zone on this day, so there is nothing to feed.</p>
        ) : (
          <>
            <p>The library has no target for this crop at {feed.stage.toLowerCase()}. Set one of your own.</p>
            <div className={styles["actions"]}>
              <Button type="primary" onClick={() => setTarget(STARTING_TARGET)}>
                Start from a general solution
              </Button>
            </div>
          </>
        )}
      </>
    );
  const changed = JSON.stringify(target) !== JSON.stringify(saved);
  const wishesChanged = JSON.stringify(wishes) !== JSON.stringify(feed.settings.wishes);
  const isTrial = changed || wishesChanged || leftOut.size > 0 || buysAll || mixes;
  const change = (ion: Ion, value: number | null): void => {
    const { [ion]: _before, ...others } = target.ions;
    setTarget({ ...target, ions: value === null ? others : { ...others, [ion]: value } });
  };
  return (
    <>
      <h1>
        {zone.name}: feed{feed.stage && `, ${feed.stage.toLowerCase()}`}
      </h1>
      {zone.findings
        .filter((entry) => entry.station === "feed")
        .map((entry) => (
          <FindingCard key={entry.finding.cause} zoneId={zone.id} entry={entry} />
        ))}
      <p className="quiet">
        {feed.own ? "Target: your own" : `Target: ${feed.library?.name ?? ""} (${feed.library?.source ?? ""})`}
        {!feed.own && feed.library?.assumed && <strong style={{ color: "var(--act)" }}> · not confirmed</strong>} ·
        Water:{" "}
        {feed.waters
          .map(({ name, sharePct, takenOn }) => `${sharePct.toFixed(0)} % ${name}, ${takenOn ?? "no report"}`)
          .join(" · ")}
      </p>
      <div className={styles["columns"]}>
        <section aria-label="Ion ladder">
          <IonLadder target={target} water={feed.water.ions} recipe={recipe ?? null} onChange={change} />
          {recipe && <Sums recipe={recipe} onExplain={() => setExplained(true)} />}
          {changed && (
            <div className={styles["actions"]}>
              <Button
                type="primary"
                loading={save.isPending}
                onClick={() => save.mutate({ version: feed.own?.version ?? null, target })}
              >
                Keep this target
              </Button>
              <Button onClick={() => setTarget(saved)}>Back to the saved one</Button>
            </div>
          )}
          {save.isError && <ProblemNote error={save.error} />}
          {recipe && <Reasons recipe={recipe} />}
          {recipe && question && !isTrial && <MeterPanel recipe={recipe} question={question} feed={feed} />}
        </section>
        <section aria-label="Recipe">
          {solved.isError && <ProblemNote error={solved.error} />}
          {!question && <p>There is no product on the shelf to make a feed of.</p>}
          {recipe ? (
            <>
              <Tanks recipe={recipe} tanks={feed.tanks} />
              <Button size="small" onClick={() => setTanksOpen(true)}>
                Tanks and scales
              </Button>
              <Facts recipe={recipe} feed={feed} />
              <MixPanel zoneId={zone.id} recipe={recipe} feed={feed} unsaved={isTrial} />
            </>
          ) : (
            solved.isPending && question && <Skeleton active />
          )}
          <Wishes
            feed={feed}
            wishes={wishes}
            onWishes={setWishes}
            buysAll={buysAll}
            onBuysAll={setBuysAll}
            mixes={mixes}
            onMixes={setMixes}
            waters={waters}
            recipe={recipe ?? null}
          />
          <Shelf feed={feed} recipe={recipe ?? null} leftOut={leftOut} onChange={setLeftOut} />
          <Together shelf={feed.shelf} />
        </section>
      </div>
      {tanksOpen && (
        <Suspense>
          <TanksDialog feed={feed} onClose={() => setTanksOpen(false)} />
        </Suspense>
      )}
      {explained && recipe && (
        <StepsDrawer title="How the recipe adds up" steps={recipe.working} onClose={() => setExplained(false)} />
      )}
    </>
  );
}

/** The zone's feed as if it drank of the first of these waters alone; the recipe mixes the others in. */
function withFirstWater(feed: ZoneFeed, [first]: readonly SourceState[]): ZoneFeed {
  return first?.report ? { ...feed, water: { ions: first.report.ions, ph: first.report.ph } } : feed;
}

function mixable({ source, report }: SourceState): NonNullable<RecipeInput["mixWith"]>[number] {
  return {
    name: source.name,
    ions: report?.ions ?? {},
    ph: report?.ph ?? 7,
    mostSharePct: 100,
    ...(source.priceM3 !== null && { priceM3: source.priceM3 }),
  };
}

function Sums({ recipe, onExplain }: { recipe: Recipe; onExplain(): void }) {
  const { cationsMeqL, anionsMeqL } = recipe.chargeBalance;
  const { K = 0, Ca = 0, NO3 = 0, NH4 = 0, urea = 0 } = recipe.delivered.ions;
  const N = NO3 + NH4 + urea;
  return (
    <>
      <dl className={styles["sums"]}>
        <div>
          <dt>EC at the dripper</dt>
          <dd>{recipe.delivered.ecMsCm.toFixed(2)} mS/cm</dd>
        </div>
        <div>
          <dt>pH in the line</dt>
          <dd>{recipe.delivered.ph.toFixed(1)}</dd>
        </div>
        <div>
          <dt>Cations and anions</dt>
          <dd>
            {cationsMeqL.toFixed(1)} and {anionsMeqL.toFixed(1)} meq/L
          </dd>
        </div>
        <div>
          <dt>N as NH₄</dt>
          <dd>{recipe.nh4SharePct.toFixed(0)} %</dd>
        </div>
        {K > 0 && Ca > 0 && N > 0 && (
          <div>
            <dt>K to Ca, K to N</dt>
            <dd>
              {(K / Ca).toFixed(1)} and {(K / N).toFixed(2)} mol/mol
            </dd>
          </div>
        )}
      </dl>
      <Button size="small" className={styles["adds"] ?? ""} onClick={onExplain}>
        How it adds up
      </Button>
    </>
  );
}

/** What counts as met, with room for the last digit. */
const MET_PCT = 2.01;

function Reasons({ recipe }: { recipe: Recipe }) {
  const off = recipe.deviations.filter((deviation) => Math.abs(deviation.pct) > MET_PCT);
  const falls = recipe.precipitation.filter((entry) => entry.where === "feed" && entry.saturationIndex > 0);
  if (recipe.status === "met" && off.length === 0 && falls.length === 0)
    return <p>Every ion is within 2 % of its target.</p>;
  return (
    <>
      {recipe.status !== "met" && (
        <h3>{recipe.status === "infeasible" ? "A limit cannot be kept" : "As near as these products come"}</h3>
      )}
      <ul className={styles["reasons"]}>
        {recipe.status === "infeasible" &&
          recipe.warnings
            .filter((warning) => warning.includes("cannot be kept"))
            .map((warning) => (
              <li key={warning}>
                <strong>{warning}</strong>
              </li>
            ))}
        {off.map((deviation) => (
          <li key={deviation.ion}>
            <strong>
              {ionName(deviation.ion)} {deviation.pct > 0 ? "+" : "−"}
              {Math.abs(deviation.pct).toFixed(0)} %:
            </strong>{" "}
            {deviation.reason}
          </li>
        ))}
        {falls.map((entry) => (
          <li key={entry.where === "feed" ? entry.solid : entry.product}>{entry.verdict}</li>
        ))}
      </ul>
    </>
  );
}

function Facts({ recipe, feed }: { recipe: Recipe; feed: ZoneFeed }) {
  const currency = useBoard(null).data?.site?.currency ?? "";
  const perTankM3 = Math.min(...feed.tanks.map((tank) => (tank.volumeL * tank.dilution) / 1000));
  const days = feed.litresToday ? (perTankM3 * 1000) / feed.litresToday : null;
  const fullest = recipe.precipitation
    .flatMap((entry) => (entry.where === "tank" ? [entry] : []))
    .sort((a, b) => b.solubilitySharePct - a.solubilitySharePct)[0];
  const name = recipe.lines.find((line) => line.productId === fullest?.product)?.name;
  return (
    <dl className={styles["facts"]}>
      <dt>Cost</dt>
      <dd>
        <Price quantity="pricePerBulk" value={recipe.costPerM3} currency={currency} />
      </dd>
      <dt>A tank makes</dt>
      <dd>
        <Amount quantity="bulk" value={perTankM3} />
        {days !== null && `, ${days.toFixed(0)} days like today`}
      </dd>
      {fullest && (
        <>
          <dt>
            At <Amount quantity="temperature" value={10} />
          </dt>
          <dd>
            {name} at {fullest.solubilitySharePct.toFixed(0)} % of what dissolves
          </dd>
        </>
      )}
    </dl>
  );
}
