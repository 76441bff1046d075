import { Told } from "../../units/told.ts";
import type { Ion } from "@sprunel/contract/basics";
import type { ZoneFeed } from "@sprunel/contract/feed";
import { isTrace } from "@sprunel/core/chemistry";
import { withoutPrice, type Recipe } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import { useBoard } from "../../place/use-board.ts";
import { Amount, Price } from "../../units/use-units.tsx";
import shared from "../feed.module.css";
import styles from "./recipe.module.css";
import { ionName } from "../../words/ion-names.ts";

/** What the recipe adds up to. */
export function Sums({
  recipe,
  unmeasured,
  onExplain,
}: {
  recipe: Recipe;
  /** of the water, what no report tells */
  unmeasured: readonly Ion[];
  onExplain?: () => void;
}) {
  const { cationsMeqL, anionsMeqL } = recipe.chargeBalance;
  const { K = 0, Ca = 0, NO3 = 0, NH4 = 0, urea = 0 } = recipe.delivered.ions;
  const N = NO3 + NH4 + urea;
  const leftOut = unmeasured.filter((ion) => !isTrace(ion));
  return (
    <>
      <dl className={styles["sums"]}>
        <div>
          <dt>EC at the dripper</dt>
          <dd>{recipe.delivered.ecMsCm.toFixed(2)} mS/cm</dd>
        </div>
        <div>
          <dt>pH in the line</dt>
          <dd>{unmeasured.includes("HCO3") ? "not known" : recipe.delivered.ph.toFixed(1)}</dd>
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
      {leftOut.length > 0 && (
        <p className="act">
          A report of this water does not name {leftOut.map(ionName).join(", ")}: counted as none.
          {unmeasured.includes("HCO3") &&
            " Acid and pH are not to be relied on until bicarbonate (alkalinity) is measured."}
        </p>
      )}
      {onExplain && (
        <Button size="small" className={styles["adds"] ?? ""} onClick={onExplain}>
          How it adds up
        </Button>
      )}
    </>
  );
}

/** What counts as met, with room for the last digit. */
const MET_PCT = 2.01;

/** What is off and why; what falls out. */
export function Reasons({ recipe }: { recipe: Recipe }) {
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
                <strong>
                  <Told>{warning}</Told>
                </strong>
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

/** Cost, how long a tank lasts, and how full it is. */
export function Facts({ recipe, feed }: { recipe: Recipe; feed: ZoneFeed }) {
  const currency = useBoard(null).data?.site?.currency ?? "";
  const perTankM3 = Math.min(...feed.tanks.map((tank) => (tank.volumeL * tank.dilution) / 1000));
  const days = feed.litresToday ? (perTankM3 * 1000) / feed.litresToday : null;
  const fullest = recipe.precipitation
    .flatMap((entry) => (entry.where === "tank" ? [entry] : []))
    .sort((a, b) => b.solubilitySharePct - a.solubilitySharePct)[0];
  const unpriced = withoutPrice(recipe.lines, feed.shelf);
  const name = recipe.lines.find((line) => line.productId === fullest?.product)?.name;
  return (
    <dl className={shared["facts"]}>
      <dt>Cost</dt>
      <dd>
        {unpriced.length === 0 ? (
          <Price quantity="pricePerBulk" value={recipe.costPerM3} currency={currency} />
        ) : (
          <span className="quiet">not known: no price of {unpriced.join(", ")}</span>
        )}
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
