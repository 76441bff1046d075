import { fromCanonical, unitFor, type Quantity, type UnitSystem } from "@sprunel/core/units";
import { createContext, use, useCallback, useMemo, useState, type ReactNode } from "react";
import { showQuantity, type Shown } from "./show.ts";

interface Units {
  readonly system: UnitSystem;
  choose(system: UnitSystem): void;
  show(quantity: Quantity, value: number): Shown;
}

const STORE_KEY = "sprunel.units";
const UnitsContext = createContext<Units | null>(null);

/** The unit system of this browser; the site's own until somebody switches. */
export function UnitsProvider({ siteSystem, children }: { siteSystem: UnitSystem; children: ReactNode }) {
  const [chosen, setChosen] = useState<UnitSystem | null>(() => {
    const stored = localStorage.getItem(STORE_KEY);
    return stored === "us" || stored === "metric" ? stored : null;
  });
  const choose = useCallback((system: UnitSystem) => {
    localStorage.setItem(STORE_KEY, system);
    setChosen(system);
  }, []);
  const system = chosen ?? siteSystem;
  const units = useMemo(
    () => ({ system, choose, show: (quantity: Quantity, value: number) => showQuantity(quantity, value, system) }),
    [system, choose],
  );
  return <UnitsContext value={units}>{children}</UnitsContext>;
}

export function useUnits(): Units {
  const units = use(UnitsContext);
  if (!units) throw new Error("useUnits must be called inside UnitsProvider");
  return units;
}

/** Where no units are known yet, on the way to the site's own, sentences stay in metric ones. */
export function useUnitSystem(): UnitSystem {
  return use(UnitsContext)?.system ?? "metric";
}

/** A number and its unit, the unit small and always there. */
export function Amount({ quantity, value, note }: { quantity: Quantity; value: number; note?: string }) {
  const { text, unit } = useUnits().show(quantity, value);
  return <Measure text={text} unit={note ? `${unit} ${note}` : unit} />;
}

/** Money for an amount. */
export function Price({
  quantity,
  value,
  currency,
}: {
  quantity: "pricePerBulk" | "pricePerMass";
  value: number;
  currency: string;
}) {
  const { system, show } = useUnits();
  const text = fromCanonical(quantity, value, unitFor(quantity, system)).toFixed(2);
  return <Measure text={text} unit={`${currency} ${show(quantity, value).unit}`} />;
}

export function Measure({ text, unit }: { text: string; unit: string }) {
  return (
    <span className="nowrap">
      <span data-number>{text}</span> <span data-unit>{unit}</span>
    </span>
  );
}
