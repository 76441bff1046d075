import type { DoseProgramme } from "@sprunel/contract/feed";
import { AS_OXIDE } from "@sprunel/core/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import Segmented from "antd/es/segmented";
import { useState } from "react";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./doses.module.css";

type Manure = DoseProgramme["organic"][number];

const NEW: Manure = {
  ...{ name: "", tHa: 10, nPct: 0.6, pPct: 0.15, kPct: 0.5, nDecayPct: [30, 15, 5], yearsAgo: 0 },
};
const FIELDS = [
  ["tHa", "spread", null, null],
  ["nPct", "N", "% N", null],
  ["pPct", "P", "% P", "P"],
  ["kPct", "K", "% K", "K"],
  ["yearsAgo", "years ago", "years", null],
] as const;
const OXIDES = { P: "% P₂O₅", K: "% K₂O" } as const;

/** Manures and composts that were spread, each by its analysis. */
export function ProgrammeManures({
  manures,
  onChange,
}: {
  manures: DoseProgramme["organic"];
  onChange(manures: DoseProgramme["organic"]): void;
}) {
  // Labels and laboratories tell P and K either way: it is asked, and kept as the element.
  const [oxides, setOxides] = useState(false);
  const change = (at: number, next: Partial<Manure>): void =>
    onChange(manures.map((one, place) => (place === at ? { ...one, ...next } : one)));
  return (
    <fieldset className={styles["wide"]}>
      <legend>manures and composts, by their analysis</legend>
      {manures.length > 0 && (
        <Segmented
          aria-label="P and K of manures told as"
          value={oxides ? "oxides" : "elements"}
          options={[
            { value: "elements", label: "P and K as elements" },
            { value: "oxides", label: "as P₂O₅ and K₂O" },
          ]}
          onChange={(as) => setOxides(as === "oxides")}
        />
      )}
      {manures.map((manure, at) => (
        <div key={at} className={styles["line"]}>
          <Input
            aria-label={`Name of manure ${at + 1}`}
            placeholder="name"
            value={manure.name}
            onChange={({ target }) => change(at, { name: target.value })}
          />
          {FIELDS.map(([key, label, unit, as]) => (
            <QuantityInput
              key={key}
              label={`${label} of manure ${at + 1}`}
              {...(unit === null ? { quantity: "bulkPerLand" as const } : { unit: as && oxides ? OXIDES[as] : unit })}
              {...(as && oxides && { scale: 1 / AS_OXIDE[as] })}
              value={manure[key]}
              onChange={(value) => change(at, { [key]: value ?? NaN })}
            />
          ))}
          <Button size="small" onClick={() => onChange(manures.filter((_, place) => place !== at))}>
            Remove
          </Button>
        </div>
      ))}
      <Button size="small" onClick={() => onChange([...manures, NEW])}>
        Add a manure
      </Button>
    </fieldset>
  );
}
