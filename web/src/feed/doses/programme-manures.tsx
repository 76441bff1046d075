import type { DoseProgramme } from "@sprunel/contract/feed";
import Button from "antd/es/button";
import Input from "antd/es/input";
import { QuantityInput } from "../../units/quantity-input.tsx";
import styles from "./doses.module.css";

type Manure = DoseProgramme["organic"][number];

const NEW: Manure = {
  ...{ name: "", tHa: 10, nPct: 0.6, pPct: 0.15, kPct: 0.5, nDecayPct: [30, 15, 5], yearsAgo: 0 },
};
const FIELDS = [
  ["tHa", "spread", "t/ha"],
  ["nPct", "N", "%"],
  ["pPct", "P", "%"],
  ["kPct", "K", "%"],
  ["yearsAgo", "years ago", "years"],
] as const;

/** Manures and composts that were spread, each by its analysis. */
export function ProgrammeManures({
  manures,
  onChange,
}: {
  manures: DoseProgramme["organic"];
  onChange(manures: DoseProgramme["organic"]): void;
}) {
  const change = (at: number, next: Partial<Manure>): void =>
    onChange(manures.map((one, place) => (place === at ? { ...one, ...next } : one)));
  return (
    <fieldset className={styles["wide"]}>
      <legend>manures and composts, by their analysis</legend>
      {manures.map((manure, at) => (
        <div key={at} className={styles["line"]}>
          <Input
            aria-label={`Name of manure ${at + 1}`}
            placeholder="name"
            value={manure.name}
            onChange={({ target }) => change(at, { name: target.value })}
          />
          {FIELDS.map(([key, label, unit]) => (
            <QuantityInput
              key={key}
              label={`${label} of manure ${at + 1}`}
              unit={unit === "%" ? `% ${label}` : unit}
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
