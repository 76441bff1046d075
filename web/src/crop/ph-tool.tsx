import { Told } from "../units/told.ts";
import { LIMESTONE_NV_PCT, phChange, TEXTURES, type PhChange, type Texture } from "@sprunel/core/feed/doses";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { useState } from "react";
import { Faults } from "../forms/faults.tsx";
import forms from "../forms/forms.module.css";
import { trySum } from "../sums/try-sum.ts";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Amount, useUnits } from "../units/use-units.tsx";
import { Explained } from "../working/explained.tsx";
import type { StepStart } from "./soil-steps.tsx";

const TEXTURE_WORDS: Readonly<Record<Texture, string>> = {
  sand: "sand, loamy sand",
  loam: "sandy loam, silt loam",
  clay: "clay loam, clay",
};
const KG_HA_PER_T_HA = 1000;

interface Typed {
  readonly ph: number | null;
  readonly targetPh: number | null;
  readonly depthCm: number | null;
  readonly nvPct: number | null;
  readonly finePct: number | null;
  readonly sulphurPct: number | null;
  readonly freeLimePct: number | null;
}
const START: Typed = {
  ...{ ph: null, targetPh: 6.5, depthCm: 20, nvPct: LIMESTONE_NV_PCT, finePct: 100, sulphurPct: 90, freeLimePct: null },
};
const FIELDS: readonly (readonly [key: keyof Typed, label: string, unit: string])[] = [
  ["ph", "pH of the soil test", "pH"],
  ["targetPh", "pH aimed at", "pH"],
  ["depthCm", "worked in to", "cm"],
  ["nvPct", "neutralising value of the lime", "% CaO"],
  ["finePct", "of it fine", "%"],
  ["sulphurPct", "sulphur in the product", "%"],
  ["freeLimePct", "free lime in the soil; empty if not tested", "%"],
];

/** Lime or sulphur from what the soil has to what it should have, and a step that is planned by it. */
export function PhTool({ areaM2, onPlan, onDone }: { areaM2: number; onPlan(step: StepStart): void; onDone(): void }) {
  const { show } = useUnits();
  const [texture, setTexture] = useState<Texture>("loam");
  const [typed, setTyped] = useState<Typed>(START);
  const tried = changeOf(typed, texture, areaM2);
  const found = typeof tried === "string" ? null : tried;
  const amount = found && show("perLand", found.tHa * KG_HA_PER_T_HA);
  return (
    <div className={forms["fields"]} role="group" aria-label="The pH to a target">
      <label>
        soil
        <Select
          aria-label="Texture of the soil"
          value={texture}
          options={TEXTURES.map((value) => ({ value, label: TEXTURE_WORDS[value] }))}
          onChange={setTexture}
          className="select-m"
        />
      </label>
      {FIELDS.map(([key, label, unit]) => (
        <label key={key}>
          {label}
          <QuantityInput
            label={label}
            unit={unit}
            value={typed[key]}
            onChange={(value) => setTyped({ ...typed, [key]: value ?? null })}
          />
        </label>
      ))}
      <p role="status">
        {!found ? (
          "Type the pH of the soil test."
        ) : found.kind === "none" ? (
          "It has that pH already."
        ) : (
          <>
            <Explained title={found.kind === "lime" ? "Lime" : "Sulphur"} steps={found.working}>
              <Amount quantity="perLand" value={found.tHa * KG_HA_PER_T_HA} />
            </Explained>{" "}
            of {found.kind}, <Amount quantity="mass" value={found.kg} /> for the zone, {found.leadDays} days before
            planting (assumed)
          </>
        )}
      </p>
      {found?.warnings.map((warning) => (
        <p key={warning} className="act">
          <Told>{warning}</Told>
        </p>
      ))}
      <p className="quiet">Not under a crop that stands. Peat and soils rich in humus need a laboratory’s test.</p>
      <p className={forms["actions"]}>
        <Button
          type="primary"
          disabled={!found || found.kind === "none"}
          onClick={() => {
            if (found && found.kind !== "none" && amount)
              onPlan({ kind: found.kind, waitDays: found.leadDays, note: `${amount.text} ${amount.unit}` });
          }}
        >
          Plan it
        </Button>
        <Button onClick={onDone}>Not now</Button>
      </p>
      <Faults faults={typeof tried === "string" ? [tried] : []} error={null} />
    </div>
  );
}

function changeOf(
  { ph, targetPh, depthCm, nvPct, finePct, sulphurPct, freeLimePct }: Typed,
  texture: Texture,
  areaM2: number,
): PhChange | string | null {
  if (ph === null || targetPh === null || depthCm === null || nvPct === null || finePct === null || sulphurPct === null)
    return null;
  return trySum(() => phChange({ ph, targetPh, texture, depthCm, areaM2, nvPct, finePct, sulphurPct, freeLimePct }));
}
