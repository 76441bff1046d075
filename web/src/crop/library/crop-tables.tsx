import type { CropDefinition } from "@sprunel/contract/crop";
import { isUnusual, usualRange, type Ranged, type WarmthMethod } from "@sprunel/core/crop";
import Input from "antd/es/input";
import { useUnits } from "../../units/use-units.tsx";
import { QuantityInput } from "../../units/quantity-input.tsx";
import { showDigits } from "../../units/show.ts";
import type { Fault } from "../../forms/form-errors.ts";
import forms from "../../forms/forms.module.css";
import tables from "../../theme/tables.module.css";
import { at, FIGURES, STAGE_FIGURES, withAt, type CropFigure } from "./crop-figures.ts";
import styles from "./library.module.css";

interface Props {
  readonly crop: CropDefinition;
  /** that it came from; null for one of the library */
  readonly base: CropDefinition | null;
  readonly faults: readonly Fault[];
  /** left out where nobody may change it */
  onChange?(crop: CropDefinition): void;
}

/** The stages in their order, with what each asks for at its end. */
export function StagesTable({ crop, base, feeds, faults, onChange }: Props & { feeds: readonly (string | null)[] }) {
  const driverWords = useDriverWords();
  return (
    <section aria-label="Stages">
      <h2>Stages</h2>
      <div className={tables["scroll"]} tabIndex={0} role="region" aria-label="Figures of each stage">
        <table className={`${tables["table"]} ${styles["stages"]}`}>
          <thead>
            <tr>
              <th scope="col">stage</th>
              {STAGE_FIGURES.map(({ key, name }) => (
                <th key={key} scope="col">
                  {name}
                </th>
              ))}
              <th scope="col">ends by</th>
            </tr>
          </thead>
          <tbody>
            {crop.stages.map((stage, index) => {
              const like = base?.stages.find(({ id }) => id === stage.id);
              return (
                <tr key={stage.id}>
                  <td>
                    {onChange ? (
                      <Input
                        aria-label={`Name of stage ${index + 1}`}
                        value={stage.name}
                        onChange={({ target }) => onChange(withAt(crop, ["stages", index, "name"], target.value))}
                      />
                    ) : (
                      <strong>{stage.name}</strong>
                    )}
                    <small>
                      {stage.picking ? "picked · " : ""}
                      {feeds[index] ?? "no feed known"}
                    </small>
                  </td>
                  {STAGE_FIGURES.map(({ key, ...figure }) => (
                    <td key={key}>
                      <Figure
                        figure={{ ...figure, path: ["stages", index, key] }}
                        label={`${stage.name}: ${figure.name}`}
                        crop={crop}
                        was={like === undefined ? undefined : at(like, [key])}
                        faults={faults}
                        {...(onChange && { onChange })}
                      />
                    </td>
                  ))}
                  <td>{driverWords(stage, crop)}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      <p className="quiet">
        {crop.sources.stages.source}. {WARMTH_WORDS[crop.warmthBy ?? "2"]} Under each figure stands its usual range;
        hold the pointer over it for what that rests on.
      </p>
    </section>
  );
}

const WARMTH_WORDS: Readonly<Record<WarmthMethod, string>> = {
  1: "The warmth of a day is the mean of its highest and lowest over the base (McMaster & Wilhelm 1997, method 1).",
  2: "The warmth of a day is the mean of its highest and lowest, each held at the base, over it (McMaster & Wilhelm 1997, method 2).",
  hours:
    "The warmth of a day is that of its hours over the base, by a sine through its lowest and highest (Baskerville & Emin 1969).",
};

/** What is done in the field by this crop's stages. */
export function PracticesTable({ crop: { practices, stages } }: Pick<Props, "crop">) {
  if (!practices || practices.length === 0) return null;
  const words = ({ stage, at: edge, days }: NonNullable<typeof practices>[number]["from"]): string => {
    const name = stages.find(({ id }) => id === stage)?.name.toLowerCase() ?? stage;
    const where = `the ${edge} of ${name}`;
    return days === 0 ? where : `${Math.abs(days)} days ${days > 0 ? "after" : "before"} ${where}`;
  };
  return (
    <section aria-label="In the field">
      <h2>In the field</h2>
      <table className={`${tables["table"]} ${styles["figures"]}`}>
        <tbody>
          {practices.map(({ id, name, from, until, sign, source, assumed }) => (
            <tr key={id}>
              <td>
                {name}
                <small>
                  {assumed && <strong className="act">assumed · </strong>}
                  {source}
                </small>
              </td>
              <td>
                {words(from)}
                {until && `, to ${words(until)}`}
                {sign !== undefined && <small>when: {sign}</small>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** What ends a stage, in words and in the person's own units. */
function useDriverWords() {
  const { show } = useUnits();
  const warmth = (degreeDays: number, baseC: number): string => {
    const [sum, base] = [show("temperatureSum", degreeDays), show("temperature", baseC)];
    return `${sum.text} ${sum.unit} over ${base.text} ${base.unit}`;
  };
  return (
    { driver, days }: Pick<CropDefinition["stages"][number], "driver" | "days">,
    { baseC, usualC }: CropDefinition,
  ): string => {
    switch (driver?.kind) {
      case undefined:
        return warmth(days * (usualC.value - baseC.value), baseC.value);
      case "thermal":
        return warmth(driver.degreeDays, driver.baseC);
      case "cycles":
        return `${driver.count} ${driver.of} days of ${showDigits(driver.criticalH)} h`;
      case "date":
        return `the date ${driver.monthDay}`;
      case "days":
        return `${driver.days} days`;
    }
  };
}

/** What holds over all stages, each figure with what it rests on. */
export function FiguresTable({ crop, base, faults, onChange }: Props) {
  const shown = FIGURES.filter(({ path }) => at(crop, path) !== undefined);
  return (
    <section aria-label="Figures">
      <h2>Over all stages</h2>
      <table className={`${tables["table"]} ${styles["figures"]}`}>
        <tbody>
          {shown.map((figure) => {
            const said = figure.said
              ? (at(crop, figure.said) as { source: string; assumed?: true } | undefined)
              : undefined;
            return (
              <tr key={figure.path.join(".")}>
                <td>
                  {figure.name}
                  {said && (
                    <small>
                      {said.assumed && !said.source.startsWith("assumed") && (
                        <strong className="act">assumed · </strong>
                      )}
                      {said.source}
                    </small>
                  )}
                </td>
                <td>
                  <Figure
                    figure={figure}
                    label={figure.name}
                    crop={crop}
                    was={base === null ? undefined : at(base, figure.path)}
                    faults={faults}
                    {...(onChange && { onChange })}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** Within what a figure usually lies; one of a person's own that lies outside is marked. */
function Range({
  kind,
  value,
  own,
  digits,
}: {
  kind: Ranged;
  value: number;
  own: number;
  /** its unit stands with the figure above it */
  digits: (amount: number) => string;
}) {
  const { from, to, basis } = usualRange(kind, value);
  if (to - from < 1e-9) return null;
  const unusual = isUnusual(kind, own, value);
  return (
    <small className={styles["range"]} title={basis} data-unusual={unusual || undefined}>
      {unusual ? "unusual; " : ""}
      {digits(from)} to {digits(to)}
    </small>
  );
}

/** One figure, to read or to change; where it differs from the crop it came from, that one beside it. */
function Figure({
  figure: { path, quantity, unit = "", ranged },
  label,
  crop,
  was,
  faults,
  onChange,
}: {
  figure: Pick<CropFigure, "path" | "quantity" | "unit" | "ranged">;
  label: string;
  crop: CropDefinition;
  was: unknown;
  faults: readonly Fault[];
  onChange?(crop: CropDefinition): void;
}) {
  const { show } = useUnits();
  const value = at(crop, path) as number | undefined;
  const shown = (amount: number): string => {
    if (!quantity) return `${showDigits(amount)} ${unit}`;
    const { text, unit: own } = show(quantity, amount);
    return `${text} ${own}`;
  };
  const fault = faults.find((found) => found.path === path.join("."));
  return (
    <>
      {onChange ? (
        <QuantityInput
          label={label}
          value={value ?? null}
          size="small"
          {...(quantity ? { quantity } : { unit })}
          onChange={(next) => onChange(withAt(crop, path, next))}
        />
      ) : (
        <span>{value === undefined ? "–" : shown(value)}</span>
      )}
      {ranged && value !== undefined && (
        <Range
          kind={ranged}
          value={typeof was === "number" ? was : value}
          own={value}
          digits={(amount) => (quantity ? show(quantity, amount).text : showDigits(amount))}
        />
      )}
      {typeof was === "number" && was !== value && <small className={styles["differs"]}>library: {shown(was)}</small>}
      {fault && <small className={forms["fault"]}>{fault.message}</small>}
    </>
  );
}
