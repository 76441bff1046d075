import type { SourceState } from "@sprunel/contract/water";
import { largestSharePct, mixWaters, waterEcMsCm, USUAL_MIX_LIMITS, type MixLimit } from "@sprunel/core/water";
import Select from "antd/es/select";
import { useState } from "react";
import { QuantityInput } from "../units/quantity-input.tsx";
import { Price } from "../units/use-units.tsx";
import { ionName } from "../words/ion-names.ts";
import styles from "./water.module.css";

type LimitName = "Na" | "HCO3" | "ec";

const LIMITS: Record<LimitName, { readonly label: string; readonly unit: string; readonly start: number }> = {
  Na: { label: "sodium", unit: "mmol/L", start: USUAL_MIX_LIMITS.Na },
  HCO3: { label: "bicarbonate", unit: "mmol/L", start: USUAL_MIX_LIMITS.HCO3 },
  ec: { label: "EC", unit: "mS/cm", start: USUAL_MIX_LIMITS.ec },
};

/** How much of one water another one allows, what the mix costs, and how long the scarcer lasts. */
export function Mixer({ sources, currency }: { sources: readonly SourceState[]; currency: string }) {
  const known = sources.flatMap(({ report, ...state }) => (report ? [{ ...state, report }] : []));
  const [first, second] = [...known].sort((a, b) => (b.report.ions.HCO3 ?? 0) - (a.report.ions.HCO3 ?? 0));
  const [name, setName] = useState<LimitName>("HCO3");
  const [most, setMost] = useState<number | null>(LIMITS.HCO3.start);
  if (!first || !second) return null;
  const limit: MixLimit = name === "ec" ? { kind: "ec", most: most ?? 0 } : { kind: "ion", ion: name, most: most ?? 0 };
  const unnamed =
    limit.kind === "ec"
      ? []
      : [first, second].flatMap(({ source, report }) => (report.ions[limit.ion] === undefined ? [source.name] : []));
  const sharePct = most === null ? null : largestSharePct(first.report, second.report, limit);
  return (
    <section aria-label="Mixing" className={styles["block"]}>
      <h2>Mixed to a limit</h2>
      <div className={styles["mixer"]}>
        <span>
          {first.source.name} with {second.source.name}, to at most
        </span>
        <span className={styles["limit"]}>
          <QuantityInput
            live
            label={`Most ${LIMITS[name].label}`}
            unit={LIMITS[name].unit}
            value={most}
            onChange={setMost}
          />
        </span>
        <Select
          value={name}
          aria-label="Limit of"
          options={Object.entries(LIMITS).map(([value, { label }]) => ({ value, label }))}
          onChange={(value) => {
            setName(value);
            setMost(LIMITS[value].start);
          }}
        />
      </div>
      {unnamed.length > 0 ? (
        <p>
          The report of {unnamed.join(" and of ")} names no {LIMITS[name].label}, so nothing can be said. Have it
          measured.
        </p>
      ) : sharePct === null ? (
        <p>Even {second.source.name} alone is beyond this limit.</p>
      ) : (
        <Mixed first={first} second={second} sharePct={sharePct} currency={currency} />
      )}
    </section>
  );
}

type Known = Omit<SourceState, "report"> & { readonly report: NonNullable<SourceState["report"]> };

function Mixed({
  first,
  second,
  sharePct,
  currency,
}: {
  first: Known;
  second: Known;
  sharePct: number;
  currency: string;
}) {
  const mix = mixWaters([
    { ...first.report, sharePct },
    { ...second.report, sharePct: 100 - sharePct },
  ]);
  const prices = [first.source.priceM3, second.source.priceM3] as const;
  const cost =
    prices[0] === null || prices[1] === null ? null : (prices[0] * sharePct + prices[1] * (100 - sharePct)) / 100;
  const told = (["Na", "HCO3", "Ca"] as const).filter((ion) => !mix.unmeasured.includes(ion));
  const use = first.dailyUseM3 + second.dailyUseM3;
  const scarce = [
    { state: first, taken: (use * sharePct) / 100 },
    { state: second, taken: (use * (100 - sharePct)) / 100 },
  ].flatMap(({ state, taken }) =>
    state.levelM3 !== null && taken > 0 ? [{ name: state.source.name, days: state.levelM3 / taken }] : [],
  );
  return (
    <>
      <p className={styles["mixed"]}>
        <strong>
          {sharePct.toFixed(0)} % {first.source.name}, {(100 - sharePct).toFixed(0)} % {second.source.name}
        </strong>{" "}
        gives {told.map((ion) => `${ionName(ion)} ${(mix.ions[ion] ?? 0).toFixed(2)}`).join(", ")} mmol/L, EC{" "}
        {waterEcMsCm(mix).toFixed(2)} mS/cm, pH {mix.ph?.toFixed(1) ?? "not known"}
        {cost !== null && (
          <>
            , at <Price quantity="pricePerBulk" value={cost} currency={currency} />
          </>
        )}
        .
      </p>
      {scarce.map(({ name, days }) => (
        <p key={name} className="quiet">
          Without rain {name} would last {days.toFixed(0)} days, were all zones watered so.
        </p>
      ))}
    </>
  );
}
