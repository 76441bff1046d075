import type { FeedTarget } from "@sprunel/contract/feed";
import type { SolutionReport } from "@sprunel/contract/rootzone";
import { IONS } from "@sprunel/core/chemistry";
import { freshTarget } from "@sprunel/core/feed/recipe";
import { daysBetween } from "@sprunel/core/time";
import Button from "antd/es/button";
import { useState } from "react";
import { useSiteTime } from "../../place/use-site-time.ts";
import { SumFields } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import { useDates } from "../../units/dates.tsx";
import { ionName, TRACES } from "../../words/ion-names.ts";
import { Explained } from "../../working/explained.tsx";
import styles from "../feed.module.css";

/** What the fresh part must bring, so that fresh water with drain in it is on the target. */
export function FreshPart({
  target,
  drain,
  onTry,
}: {
  target: FeedTarget;
  drain: SolutionReport | null;
  onTry(target: FeedTarget): void;
}) {
  const dates = useDates();
  const [sharePct, setShare] = useState<Readonly<Record<"share", number | null>>>({ share: 25 });
  const { today } = useSiteTime();
  if (!drain)
    return (
      <section aria-label="Fresh part">
        <h2>Fresh part of a feed with drain in it</h2>
        <p>It needs a laboratory’s report of the drain: add one under Roots.</p>
      </section>
    );
  const share = sharePct.share;
  const sum = share === null ? null : trySum(() => freshTarget(target.ions, drain.ions, share));
  const age = daysBetween(drain.takenOn, today);
  return (
    <section aria-label="Fresh part">
      <h2>Fresh part of a feed with drain in it</h2>
      <p className="quiet">
        Drain as analysed on {dates.show(drain.takenOn, "year")}
        {age > 14 && `, ${age} days ago: plants have changed it since, take a new sample`}.
      </p>
      <SumFields
        fields={[{ key: "share", label: "Drain, of the feed", unit: "%" }]}
        values={sharePct}
        onChange={setShare}
      />
      {typeof sum === "string" && <p role="alert">{sum}</p>}
      {sum && typeof sum !== "string" && (
        <table className={`${styles["book"] ?? ""} ${styles["compact"] ?? ""} ${styles["narrow"] ?? ""}`}>
          <thead>
            <tr>
              <th scope="col">ion</th>
              <th scope="col">target of the feed</th>
              <th scope="col">drain</th>
              <th scope="col">
                <Explained title="Fresh part" steps={sum.working}>
                  fresh part
                </Explained>
              </th>
              <th aria-label="remark" />
            </tr>
          </thead>
          <tbody>
            {IONS.filter((ion) => target.ions[ion] !== undefined).map((ion) => (
              <tr key={ion}>
                <th scope="row">{ionName(ion)}</th>
                <td>{target.ions[ion]?.toFixed(2)}</td>
                <td>{drain.ions[ion]?.toFixed(2) ?? "none"}</td>
                <td>
                  <strong>{sum.ions[ion]?.toFixed(2)}</strong> {TRACES.includes(ion) ? "µmol/L" : "mmol/L"}
                </td>
                <td className={styles["off"]}>
                  {sum.over[ion] !== undefined && `the drain alone brings ${sum.over[ion].toFixed(2)} too much`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {sum !== null && typeof sum !== "string" && (
        <div className={styles["actions"]}>
          <Button type="primary" onClick={() => onTry({ ions: sum.ions, ph: target.ph })}>
            Solve the fresh part
          </Button>
        </div>
      )}
    </section>
  );
}
