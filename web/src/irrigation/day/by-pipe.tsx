import { pipeCarriesLh } from "@sprunel/core/irrigation";
import Button from "antd/es/button";
import { useState } from "react";
import { trySum } from "../../sums/try-sum.ts";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { useUnits } from "../../units/use-units.tsx";

const PIPE = [
  ["insideDiameterMm", "its pipe’s inside diameter", { unit: "mm" }],
  ["lengthM", "the pipe’s length", { quantity: "length" }],
  ["mostLossKpa", "pressure to spare", { quantity: "pressure" }],
] as const;

/** The flow that the pipe to a group carries, so that its valves have the pressure that their lines need. */
export function ByPipe({ name, onTake }: { name: string; onTake(maxLh: number): void }) {
  const [opened, setOpened] = useState(false);
  const [pipe, setPipe] = useState<Record<(typeof PIPE)[number][0], number | null>>({
    insideDiameterMm: null,
    lengthM: null,
    mostLossKpa: null,
  });
  const { show } = useUnits();
  if (!opened)
    return (
      <Button aria-label={`By its pipe: ${name}`} onClick={() => setOpened(true)}>
        by its pipe
      </Button>
    );
  const { insideDiameterMm, lengthM, mostLossKpa } = pipe;
  const carries =
    insideDiameterMm === null || lengthM === null || mostLossKpa === null
      ? null
      : trySum(() => pipeCarriesLh({ insideDiameterMm, lengthM, mostLossKpa }));
  return (
    <>
      {PIPE.map(([key, label, typed]) => (
        <label key={key}>
          {label}
          <QuantityInput
            label={`${label}, ${name}`}
            {...typed}
            value={pipe[key]}
            onChange={(value) => setPipe({ ...pipe, [key]: value ?? null })}
          />
        </label>
      ))}
      <p role="status">
        {carries === null
          ? "Pressure to spare is that at the pipe’s beginning less the most that one of the valves’ lines needs."
          : typeof carries === "string"
            ? carries
            : `It carries ${show("flow", carries).text} ${show("flow", carries).unit}, at no more than 1.5 m/s.`}
      </p>
      {typeof carries === "number" && (
        <Button
          onClick={() => {
            onTake(carries);
            setOpened(false);
          }}
        >
          Take it
        </Button>
      )}
    </>
  );
}
