import { Told } from "../units/told.ts";
import type { NewDripLines, ZoneDripLines } from "@sprunel/contract/irrigation";
import type { BoardZone } from "@sprunel/contract/today";
import { GOOD_VARIATION_PCT, pipeLossKpa } from "@sprunel/core/irrigation";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { lazy, Suspense, useMemo, useState } from "react";
import { ProblemNote } from "../parts/problem.tsx";
import figures from "../theme/figures.module.css";
import { showDigits } from "../units/show.ts";
import { Amount, Measure } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import { Adopt } from "./adopt.tsx";
import { CatchTests } from "./catch-tests.tsx";
import { solveDripLines, timesOf } from "./drip-lines-sums.ts";
import { LateralChart } from "./lateral-chart.tsx";
import styles from "./drip-lines.module.css";
import { useDripLines } from "./use-drip-lines.ts";

const DripLinesDialog = lazy(async () => ({ default: (await import("./drip-lines-dialog.tsx")).DripLinesDialog }));

/** Do all plants get the same: what the lines should give, what the meter says, and what was caught under drippers. */
export function DripLinesPanel({ zone }: { zone: BoardZone }) {
  const lines = useDripLines(zone.id);
  const [editing, setEditing] = useState(false);
  if (lines.isError && !lines.data) return <ProblemNote error={lines.error} onRetry={() => void lines.refetch()} />;
  if (!lines.data) return <Outline />;
  return (
    <section aria-label="Lines" className={styles["panel"]}>
      <h2>Lines</h2>
      <Flow zoneId={zone.id} lines={lines.data} />
      {lines.data.lines ? (
        <Described lines={lines.data.lines} />
      ) : (
        <p>The lines are not described yet: how long, how wide, what drips at which pressure.</p>
      )}
      <Button onClick={() => setEditing(true)}>{lines.data.lines ? "Change the lines" : "Describe the lines"}</Button>
      <CatchTests zoneId={zone.id} tests={lines.data.tests} />
      {editing && (
        <Suspense>
          <DripLinesDialog zoneId={zone.id} lines={lines.data.lines} onClose={() => setEditing(false)} />
        </Suspense>
      )}
    </section>
  );
}

/** Beyond this meter and description are no longer the same flow. */
const SAME_PCT = 5;

function Flow({ zoneId, lines: { flowLh, meteredLh } }: { zoneId: number; lines: ZoneDripLines }) {
  if (meteredLh === null) return null;
  const offPct = (100 * (meteredLh - flowLh)) / flowLh;
  return (
    <>
      <p className={Math.abs(offPct) > SAME_PCT ? styles["off"] : "quiet"}>
        The meter shows <Amount quantity="flow" value={meteredLh} /> over the last week, {Math.abs(offPct).toFixed(0)} %{" "}
        {offPct < 0 ? "under" : "over"} the <Amount quantity="flow" value={flowLh} /> that the plan counts on.
        {offPct < -SAME_PCT &&
          " Falling at steady pressure it is plugging or the filter; with the pressure, the supply."}
        {offPct > SAME_PCT && " Look for a leak, worn drippers or an open flush valve."}
      </p>
      <Adopt zoneId={zoneId} field="flowLh" value={meteredLh}>
        Plan with the metered flow
      </Adopt>
    </>
  );
}

function Described({ lines }: { lines: NewDripLines }) {
  const solved = useMemo(() => solveDripLines(lines), [lines]);
  if (typeof solved === "string") return <p role="alert">{solved}</p>;
  const { answer, longestM, manifold } = solved;
  const { zoneLh, fillMin, arrivalMin } = timesOf(lines, solved);
  return (
    <>
      <dl className={figures["list"]}>
        <div>
          <dt>{manifold ? "Emission uniformity of the zone" : "Emission uniformity"}</dt>
          <dd>
            <Explained title="The lines" steps={[...answer.working, ...(manifold?.working ?? [])]}>
              <Measure text={(manifold?.emissionUniformityPct ?? answer.emissionUniformityPct).toFixed(0)} unit="%" />
            </Explained>
          </dd>
        </div>
        <div>
          <dt>Flow varies by</dt>
          <dd>
            <Measure text={answer.flowVariationPct.toFixed(1)} unit="%" />
          </dd>
        </div>
        {manifold && (
          <div>
            <dt>Laterals differ by</dt>
            <dd>
              <Measure text={manifold.flowVariationPct.toFixed(1)} unit="%" />
            </dd>
          </div>
        )}
        {lines.main && (
          <div>
            <dt>Needed at the valve</dt>
            <dd>
              <Amount
                quantity="pressure"
                value={lines.inletKpa + pipeLossKpa(zoneLh, lines.main.lengthM, lines.main.insideDiameterMm)}
              />
            </dd>
          </div>
        )}
        <div>
          <dt>Pressure at the end</dt>
          <dd>
            <Amount quantity="pressure" value={answer.endKpa} />
          </dd>
        </div>
        <div>
          <dt>Longest lateral to {GOOD_VARIATION_PCT} %</dt>
          <dd>
            <Amount quantity="length" value={longestM} />
          </dd>
        </div>
        <div>
          <dt>{lines.laterals} laterals give</dt>
          <dd>
            <Amount quantity="flow" value={zoneLh} />
          </dd>
        </div>
        <div>
          <dt>Filled in</dt>
          <dd>
            <Measure text={showDigits(fillMin)} unit="min" />
          </dd>
        </div>
        <div>
          <dt>What is injected arrives last after</dt>
          <dd>
            <Measure text={showDigits(arrivalMin)} unit="min" />
          </dd>
        </div>
      </dl>
      {answer.warnings.map((warning) => (
        <p key={warning} className={styles["off"]}>
          <Told>{warning}</Told>
        </p>
      ))}
      <LateralChart answer={answer} />
    </>
  );
}
