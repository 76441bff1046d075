import type { Source, SourceState } from "@sprunel/contract/water";
import Button from "antd/es/button";
import { lazy, Suspense, useState } from "react";
import figures from "../theme/figures.module.css";
import { Amount, Price } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import { SOURCE_WORDS } from "./source-words.ts";
import styles from "./water.module.css";
import { useDates } from "../units/dates.tsx";

const SourceDialog = lazy(async () => ({ default: (await import("./source-dialog.tsx")).SourceDialog }));

/** Every source: how long it lasts, what is taken of it, what it costs. */
export function SourceList({ sources, currency }: { sources: readonly SourceState[]; currency: string }) {
  const [edited, setEdited] = useState<Source | "new" | null>(null);
  return (
    <section aria-label="Sources">
      <ul className={styles["sources"]}>
        {sources.map((state) => (
          <li key={state.source.id}>
            <h3>
              {state.source.name} <span className="quiet">{SOURCE_WORDS[state.source.kind]}</span>
            </h3>
            <SourceFacts state={state} currency={currency} />
            <Button size="small" onClick={() => setEdited(state.source)} aria-label={`Change ${state.source.name}`}>
              Change
            </Button>
          </li>
        ))}
      </ul>
      <Button onClick={() => setEdited("new")}>Add a source</Button>
      {edited && (
        <Suspense>
          <SourceDialog source={edited === "new" ? null : edited} onClose={() => setEdited(null)} />
        </Suspense>
      )}
    </section>
  );
}

function SourceFacts({
  state: { source, levelM3, daysLeft, levels, dailyUseM3, aheadUseM3, yearUseM3, working, nextTurn },
  currency,
}: {
  state: SourceState;
  currency: string;
}) {
  const dates = useDates();
  return (
    <dl className={figures["list"]}>
      {levelM3 !== null && (
        <>
          <div>
            <dt>Lasts</dt>
            <dd>
              <Explained title={`${source.name}: days left`} steps={working}>
                {daysLeft === null ? `over ${levels.length}` : daysLeft} <span data-unit>days</span>
              </Explained>
            </dd>
          </div>
          <div>
            <dt>In store</dt>
            <dd>
              <Amount quantity="bulk" value={levelM3} />
              {source.storage && (
                <span data-unit>
                  {" of "}
                  <Amount quantity="bulk" value={source.storage.capacityM3} />
                </span>
              )}
            </dd>
          </div>
        </>
      )}
      <div>
        <dt>Taken, last week</dt>
        <dd>
          <Amount quantity="bulk" value={dailyUseM3} note="a day" />
        </dd>
      </div>
      <div>
        <dt>Foreseen, next week</dt>
        <dd>
          <Amount quantity="bulk" value={aheadUseM3} note="a day" />
        </dd>
      </div>
      {nextTurn && (
        <div>
          <dt>Comes next on</dt>
          <dd>
            {dates.show(nextTurn.date, "weekday")}{" "}
            <span data-unit>
              until then <Amount quantity="bulk" value={nextTurn.neededM3} /> are needed
            </span>
          </dd>
        </div>
      )}
      {source.licenceM3Year !== null && (
        <div>
          <dt>Of the licence, this year</dt>
          <dd>
            {((100 * yearUseM3) / source.licenceM3Year).toFixed(0)} <span data-unit>%</span>
          </dd>
        </div>
      )}
      {source.priceM3 !== null && (
        <div>
          <dt>Costs</dt>
          <dd>
            <Price quantity="pricePerBulk" value={source.priceM3} currency={currency} />
          </dd>
        </div>
      )}
      {source.maxFlowLh !== null && (
        <div>
          <dt>Gives at most</dt>
          <dd>
            <Amount quantity="flow" value={source.maxFlowLh} />
          </dd>
        </div>
      )}
    </dl>
  );
}
