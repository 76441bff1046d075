import type { ZoneHarvest } from "@sprunel/contract/harvest";
import type { BoardZone } from "@sprunel/contract/today";
import Button from "antd/es/button";
import { Outline } from "../parts/outline.tsx";
import { Link } from "react-router";
import { ProblemNote } from "../parts/problem.tsx";
import { useLog } from "../place/log-context.ts";
import { usePlace } from "../place/use-place.ts";
import { Amount } from "../units/use-units.tsx";
import { Yield } from "../units/yield.tsx";
import figures from "../theme/figures.module.css";
import { Explained } from "../working/explained.tsx";
import styles from "./harvest.module.css";
import { HarvestChart } from "./harvest-chart.tsx";
import { PickTable } from "./pick-table.tsx";
import { useHarvest } from "./use-harvest.ts";
import { SetUpLink } from "../place/set-up-link.tsx";

/** What came off, against the path to the yield aimed at, and the water it took. */
export function HarvestPage({ zone }: { zone: BoardZone }) {
  const { date } = usePlace();
  const harvest = useHarvest(zone.id, date);
  const log = useLog();
  if (harvest.isError && !harvest.data)
    return <ProblemNote error={harvest.error} onRetry={() => void harvest.refetch()} />;
  if (!harvest.data) return <Outline />;
  const { crop, picks } = harvest.data;
  return (
    <>
      <h1>{zone.name}: harvest</h1>
      {crop === null ? (
        <p>Nothing stands in this zone on this day, so there is nothing to pick.</p>
      ) : (
        <>
          <Totals harvest={harvest.data} />
          <div className={styles["actions"]}>
            <Button type="primary" onClick={() => log.open({ kind: "pick", zoneId: zone.id })}>
              Log a pick
            </Button>
            <Link to="/import/picks">Import picks</Link>
          </div>
          <HarvestChart harvest={harvest.data} />
          {picks.length > 0 && <PickTable picks={picks} soldAs={harvest.data.soldAs} zoneId={zone.id} />}
        </>
      )}
    </>
  );
}

function Totals({ harvest }: { harvest: ZoneHarvest }) {
  const { soldAs, pickedPerM2, pathPerM2, targetPerM2, litresPerUnit, workings } = harvest;
  return (
    <dl className={`${figures["list"] ?? ""} ${styles["totals"] ?? ""}`}>
      <div>
        <dt>Picked so far</dt>
        <dd>
          <Explained title="What was picked" steps={workings.picked.steps}>
            <Yield soldAs={soldAs} perM2={pickedPerM2} />
          </Explained>
        </dd>
      </div>
      <div>
        <dt>Target's path today</dt>
        <dd>
          {pathPerM2 === null ? (
            <span className={styles["none"]}>
              no target · <SetUpLink>set the yield aimed at</SetUpLink>
            </span>
          ) : (
            <Explained title="The target's path" steps={workings.path?.steps ?? []}>
              <Yield soldAs={soldAs} perM2={pathPerM2} />
            </Explained>
          )}
        </dd>
      </div>
      {targetPerM2 !== null && (
        <div>
          <dt>Aimed at by the end</dt>
          <dd>
            <Yield soldAs={soldAs} perM2={targetPerM2} />
          </dd>
        </div>
      )}
      {litresPerUnit !== null && (
        <div>
          <dt>Water so far</dt>
          <dd>
            <Explained title="What was picked" steps={workings.picked.steps}>
              {soldAs.kind === "mass" ? (
                <Amount quantity="waterPerMass" value={litresPerUnit} />
              ) : (
                <Amount quantity="volume" value={litresPerUnit} note={`a ${soldAs.one}`} />
              )}
            </Explained>
          </dd>
        </div>
      )}
    </dl>
  );
}
