import type { WorkingInput } from "@sprunel/contract/basics";
import type { Figure } from "@sprunel/contract/plan";
import { showNumber } from "@sprunel/core/working";
import { Outline } from "../parts/outline.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { useZoneDay } from "../place/use-zone-day.ts";
import { useBoard } from "../place/use-board.ts";
import { usePlace } from "../place/use-place.ts";
import { useUnits } from "../units/use-units.tsx";
import { useSiteTime } from "../place/use-site-time.ts";
import { originWords } from "../working/origin-words.ts";
import type { AskedFigure } from "../working/use-working.ts";
import { StepsDrawer } from "../working/steps-drawer.tsx";
import styles from "../working/working.module.css";

const NAMES: Record<Figure, string> = {
  demand: "What the crop will take up",
  gross: "What is given per square metre",
  litres: "Litres for the zone",
  minutes: "Running time",
  pulse: "Length of a pulse",
  drainOut: "What will run out below",
  perPlant: "What a plant is given",
  solar: "Radiation outside",
  airOutside: "Air outside, coldest and warmest hour",
  drain: "Drain share, as read",
  feedEc: "Feed EC, as read",
  stage: "Day of the stage",
  correction: "The correction that the drain asks for",
  et0Outside: "Reference evapotranspiration outside",
  lightSum: "Light sum inside",
  depletion: "What is missing in the soil",
};

/** How a figure was computed: formula, the numbers put in, where each came from, and the published source. */
export function WorkingDrawer({ asked, onClose }: { asked: AskedFigure; onClose(): void }) {
  const { date } = usePlace();
  const day = useZoneDay(asked.zoneId, date);
  const zone = useBoard(date).data?.zones.find((candidate) => candidate.id === asked.zoneId);
  const working = day.data?.workings[asked.figure];
  return (
    <StepsDrawer
      title={`${NAMES[asked.figure]}${zone ? `: ${zone.name}` : ""}`}
      steps={working?.steps ?? []}
      onClose={onClose}
      before={
        <>
          {day.isError && <ProblemNote error={day.error} onRetry={() => void day.refetch()} />}
          {day.isPending && <Outline />}
          {day.data && !working && <p>There is no such figure on this day, so there is nothing to work out.</p>}
          {working && <MetricNote />}
        </>
      }
      after={
        working && (
          <>
            <h2>Numbers put in</h2>
            <Inputs inputs={working.inputs} />
          </>
        )
      }
    />
  );
}

function MetricNote() {
  const { system } = useUnits();
  return system === "us" ? (
    <p className="quiet">
      The sum is done in metric units and shown as it was done; the page shows its result in US units.
    </p>
  ) : null;
}

function Inputs({ inputs }: { inputs: readonly WorkingInput[] }) {
  const { moment } = useSiteTime();
  return (
    <table className={styles["inputs"]}>
      <tbody>
        {inputs.map((input) => (
          <tr key={input.name}>
            <th scope="row">
              {input.name}
              {input.origins
                .map((origin) => originWords(origin, moment))
                .map(({ text, doubtful }) => (
                  <div key={text} className={doubtful ? styles["default"] : styles["source"]}>
                    {text}
                  </div>
                ))}
            </th>
            <td>
              {showNumber(input.value)} {input.unit}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
