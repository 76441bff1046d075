import type { Ion } from "@sprunel/contract/basics";
import type { FeedTarget } from "@sprunel/contract/feed";
import type { Ions } from "@sprunel/core/chemistry";
import type { Recipe } from "@sprunel/core/feed/recipe";
import { useState, type PointerEvent } from "react";
import shared from "../feed.module.css";
import styles from "./recipe.module.css";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { ANIONS, CATIONS, ionName, TRACES } from "../../words/ion-names.ts";

interface Props {
  readonly target: FeedTarget;
  readonly water: Ions;
  readonly recipe: Recipe | null;
  onChange(ion: Ion, value: number | null): void;
}

/** For every ion: what the water brings, what is added, and where the target lies. */
export function IonLadder(props: Props) {
  return (
    <table className={styles["ladder"]}>
      <thead>
        <tr>
          <th scope="col">ion</th>
          <th scope="col">
            <span className={styles["key"]}>
              <i className={styles["brought"]} /> water <i className={styles["added"]} /> added{" "}
              <i className={styles["mark"]} /> target
            </span>
          </th>
          <th scope="col">target</th>
          <th scope="col">gives</th>
          <th scope="col">off</th>
        </tr>
      </thead>
      <Rungs ions={CATIONS} unit="mmol/L" {...props} />
      <Rungs ions={ANIONS} unit="mmol/L" {...props} />
      <Rungs ions={TRACES} unit="µmol/L" {...props} />
    </table>
  );
}

function Rungs({ ions, unit, target, water, recipe, onChange }: Props & { ions: readonly Ion[]; unit: string }) {
  return (
    <tbody>
      {ions.map((ion) => {
        const wanted = target.ions[ion];
        const gives = recipe?.delivered.ions[ion] ?? 0;
        const off = recipe?.deviations.find((deviation) => deviation.ion === ion);
        return (
          <tr key={ion}>
            <th scope="row">{ionName(ion)}</th>
            <td>
              <Bar
                target={wanted}
                water={water[ion] ?? 0}
                gives={gives}
                onDrag={(value) => onChange(ion, rounded(value, ions === TRACES ? 0.1 : 0.01))}
              />
            </td>
            <td>
              <span className={styles["target"]}>
                <QuantityInput
                  live
                  size="small"
                  label={`Target of ${ion} in ${unit}`}
                  value={wanted ?? null}
                  placeholder="free"
                  onChange={(value) => onChange(ion, value)}
                />
              </span>
            </td>
            <td className={shared["gives"]}>
              {recipe ? gives.toFixed(ions === TRACES ? 1 : 2) : "–"} <span data-unit>{unit}</span>
            </td>
            <td className={off && Math.abs(off.pct) > 2.01 ? shared["off"] : "quiet"}>
              {off
                ? `${off.pct > 0 ? "+" : "−"}${Math.abs(off.pct).toFixed(1)} %`
                : recipe && wanted !== undefined
                  ? "0 %"
                  : ""}
            </td>
          </tr>
        );
      })}
    </tbody>
  );
}

/** All bars share the place of the target, so that a glance down the ladder finds what is off. */
const TARGET_AT = 72;

/** To a step, without the digits that binary fractions leave. */
function rounded(value: number, step: number): number {
  return Number((Math.round(value / step) * step).toFixed(3));
}

/** A target is dragged along its bar; the scale stands still until it is let go. */
function Bar({
  target,
  water,
  gives,
  onDrag,
}: {
  target: number | undefined;
  water: number;
  gives: number;
  onDrag(value: number): void;
}) {
  const [held, setHeld] = useState<number | null>(null);
  const scale = target !== undefined && target > 0 ? target : Math.max(gives, water, 1) * (100 / TARGET_AT);
  const full = held ?? scale;
  const at = (event: PointerEvent<SVGSVGElement>): number => {
    const { left, width: wide } = event.currentTarget.getBoundingClientRect();
    return Math.max(0, ((event.clientX - left) / wide) * 100) * (full / TARGET_AT);
  };
  const grip = target !== undefined && {
    onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      setHeld(full);
    },
    onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
      if (held !== null) onDrag(at(event));
    },
    onPointerUp: () => setHeld(null),
    onPointerCancel: () => setHeld(null),
  };
  const width = (amount: number): number => Math.min(100, Math.max(0, (amount / full) * TARGET_AT));
  const kept = Math.min(water, gives);
  return (
    <svg
      width="100%"
      height="16"
      role="presentation"
      className={`${styles["bar"] ?? ""} ${grip ? (styles["grip"] ?? "") : ""}`}
      {...grip}
    >
      <rect width="100%" height="12" y="2" rx="2" fill="var(--band)" />
      <rect width={`${width(kept)}%`} height="12" y="2" rx="2" fill="var(--water)" />
      <rect
        x={`${width(kept)}%`}
        width={`${Math.max(0, width(gives) - width(kept))}%`}
        height="12"
        y="2"
        fill="var(--feed)"
      />
      {water > gives + 0.005 && (
        <rect
          x={`${width(gives)}%`}
          width={`${width(water) - width(gives)}%`}
          height="11"
          y="2.5"
          fill="none"
          stroke="var(--water)"
          strokeDasharray="3 2"
        />
      )}
      {target !== undefined && target > 0 && (
        <line x1={`${width(target)}%`} x2={`${width(target)}%`} y1="0" y2="16" stroke="var(--ink)" strokeWidth="2" />
      )}
    </svg>
  );
}
