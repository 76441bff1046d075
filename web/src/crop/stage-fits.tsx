import type { ZoneCrop } from "@sprunel/contract/crop";
import Button from "antd/es/button";
import { Faults } from "../forms/faults.tsx";
import { faultsOf } from "../forms/form-errors.ts";
import { useUnits } from "../units/use-units.tsx";
import styles from "./crop.module.css";
import { ofPlanting, useTakeStageFit } from "./use-crop.ts";

/** Stages that take longer or shorter here than the crop's figures say, and the figure that was counted. */
export function StageFits({ crop }: { crop: ZoneCrop }) {
  const { show } = useUnits();
  const take = useTakeStageFit(crop.zoneId);
  const amount = (value: number, unit: string): string => {
    if (unit !== "°C·d") return `${Math.round(value)} ${unit}`;
    const shown = show("temperatureSum", value);
    return `${shown.text} ${shown.unit}`;
  };
  if (crop.fits.length === 0) return null;
  return (
    <>
      <h2>Steadily otherwise here</h2>
      {crop.fits.map(({ stageId, stage, next, of, unit, counted, mean }) => (
        <p key={stageId} className={styles["fit"]}>
          <span>
            {next} was seen {mean > of ? "later" : "sooner"} than {stage.toLowerCase()} counts to, on {counted.length}{" "}
            plantings: after {amount(mean, unit)} on average, not {amount(of, unit)}.
          </span>
          <Button
            loading={take.isPending && take.variables.stageId === stageId}
            onClick={() => take.mutate({ stageId, ...ofPlanting(crop) })}
          >
            Go on with {amount(mean, unit)}
          </Button>
        </p>
      ))}
      <Faults faults={take.error ? faultsOf(take.error).map(({ message }) => message) : []} error={take.error} />
    </>
  );
}
