import type { ZoneFeed } from "@sprunel/contract/feed";
import type { Reading } from "@sprunel/contract/rootzone";
import { meterCheck, type MeterCheck, type Recipe, type RecipeInput } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import { useRootHistory } from "../rootzone/use-readings.ts";
import { useLog } from "../place/log-context.ts";
import { useSiteTime } from "../place/use-site-time.ts";
import { usePlace } from "../place/use-place.ts";
import { Explained } from "../working/explained.tsx";
import styles from "./feed.module.css";

type MeterInput = Parameters<typeof meterCheck>[0];

/** What the pen shows under a dripper against what this recipe should give there. */
export function MeterPanel({ recipe, question, feed }: { recipe: Recipe; question: RecipeInput; feed: ZoneFeed }) {
  const { date } = usePlace();
  const log = useLog();
  const { moment } = useSiteTime();
  const read = (useRootHistory(feed.zoneId, date).data?.readings ?? []).flatMap(({ at, struck, dripEcMsCm, dripPh }) =>
    struck === null && dripEcMsCm !== null ? [{ at, ecMsCm: dripEcMsCm, ph: dripPh }] : [],
  );
  const newest = read.at(-1);
  const check = (measured: MeterInput["measured"], sinceMix: MeterInput["sinceMix"]): MeterCheck =>
    meterCheck({
      water: question.water,
      products: question.products.filter((product) => "composition" in product),
      lines: recipe.lines,
      measured,
      sinceMix,
    });
  const fits = (measured: MeterInput["measured"]): boolean => check(measured, "unknown").verdict === "fits";
  const found = newest && check(newest, historyOf(read, feed.mixes[0]?.mixedAt, fits));
  return (
    <section aria-label="Meter against sum" className={styles["meter"]}>
      <h2>Under the dripper</h2>
      {found ? (
        <>
          <p>
            {moment(newest.at)}: EC {newest.ecMsCm.toFixed(2)} mS/cm
            {newest.ph !== null && `, pH ${newest.ph.toFixed(1)}`}, expected{" "}
            <Explained title="Meter against sum" steps={found.working}>
              {found.expected.ecMsCm.toFixed(2)} mS/cm
            </Explained>{" "}
            and pH {found.expected.ph.toFixed(1)}.
          </p>
          <p className={found.verdict === "fits" ? "quiet" : undefined}>
            <strong>{verdictWords(found)}</strong> {found.verdict !== "fits" && found.nextCheck}
          </p>
          {found.alsoPossible.map(({ tankIds, factor }) => (
            <p key={tankIds.join()} className="quiet">
              Tank {tankIds.join(" and ")} at {(100 * factor).toFixed(0)} % would show nearly the same.
            </p>
          ))}
        </>
      ) : (
        <p className="quiet">
          Not read yet. A jug and a pen under one dripper tell whether the feed arrives as planned.
        </p>
      )}
      <Button size="small" onClick={() => log.open({ kind: "reading", zoneId: feed.zoneId })}>
        Log a drip reading
      </Button>
    </section>
  );
}

/** Whether readings since the last mix once fitted: then the mix was right, and the doser has changed. */
function historyOf(
  read: readonly (MeterInput["measured"] & Pick<Reading, "at">)[],
  mixedAt: string | undefined,
  fits: (measured: MeterInput["measured"]) => boolean,
): MeterInput["sinceMix"] {
  if (mixedAt === undefined) return "unknown";
  const earlier = read.slice(0, -1);
  const since = earlier.filter(({ at }) => at >= mixedAt);
  if (since.some(fits)) return "fitted-before";
  const before = earlier.filter(({ at }) => at < mixedAt).at(-1);
  return before && fits(before) ? "off-from-the-start" : "unknown";
}

function verdictWords({ verdict, tankId, factor, fault }: MeterCheck): string {
  const share = `${(100 * (factor ?? 1)).toFixed(0)} %`;
  const by = { dosing: ", by the doser: readings since the mix once fitted", mixing: ", since the mix", unknown: "" }[
    fault ?? "unknown"
  ];
  switch (verdict) {
    case "fits":
      return "It arrives as planned.";
    case "both-tanks":
      return `All tanks arrive at ${share}${by}.`;
    case "one-tank":
      return `Tank ${tankId} arrives at ${share}${by}.`;
    case "alkalinity":
      return "The EC fits, the pH does not.";
    case "unexplained":
      return "It does not fit.";
  }
}
