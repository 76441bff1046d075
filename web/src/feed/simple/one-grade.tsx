import type { LibraryProduct, ZoneFeed } from "@sprunel/contract/feed";
import { USUAL_STARTS } from "@sprunel/core/feed/products";
import { singleGrade, USUAL_TANK_TEMPERATURE_C, wallTable } from "@sprunel/core/feed/recipe";
import { unitFor } from "@sprunel/core/units";
import Button from "antd/es/button";
import Select from "antd/es/select";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import { Answer } from "../../sums/answer.tsx";
import { SumFields } from "../../sums/sum-fields.tsx";
import { trySum } from "../../sums/try-sum.ts";
import shared from "../feed.module.css";
import styles from "./simple.module.css";
import { useUnits } from "../../units/use-units.tsx";
import { useProducts } from "../use-feed.ts";

/** One bag: grams for a litre at so many ppm N, what comes along, and the table for the wall. */
export function OneGrade({ feed, zoneName }: { feed: ZoneFeed; zoneName: string }) {
  const library = useProducts().data?.products;
  const { show } = useUnits();
  const [productId, setProductId] = useState("grade-20-10-20");
  const [typed, setTyped] = useState<Readonly<Record<"ppmN", number | null>>>({ ppmN: USUAL_STARTS.oneGradeMgNL });
  if (!library) return <Outline />;
  const all = [...feed.shelf.map(({ product }) => product), ...library];
  const choices = [...new Map(all.map((product) => [product.id, product])).values()].filter(hasNitrogen);
  const found = choices.find(({ id }) => id === productId) ?? choices[0];
  if (!found) return <p>No product with nitrogen is known.</p>;
  const { solubility, ...rest } = found;
  const solubilityGL = solubility?.[USUAL_TANK_TEMPERATURE_C / 10];
  const product = { ...rest, ...(solubilityGL !== undefined && { solubilityGL }) };
  const water = feed.water ?? { ions: {}, ph: 7 };
  const isPhKnown = feed.water !== null && !feed.water.unmeasured.includes("HCO3");
  const { ppmN } = typed;
  // The injectors at hand stand among the usual ones.
  const dilutions = [...new Set([...USUAL_STARTS.wallDilutions, ...feed.tanks.map(({ dilution }) => dilution)])]
    .filter((dilution) => dilution > 1)
    .sort((a, b) => a - b);
  const sum = ppmN === null ? null : trySum(() => singleGrade({ product, ppmN, water }));
  return (
    <section aria-label="One bag at so many ppm N">
      <div className={shared["keep"]}>
        <Select
          showSearch={{ optionFilterProp: "label" }}
          aria-label="Bag"
          value={product.id}
          options={choices.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={setProductId}
        />
      </div>
      <SumFields
        fields={[{ key: "ppmN", label: "Nitrogen in the feed", unit: "ppm (mg/L)" }]}
        values={typed}
        onChange={setTyped}
      />
      <Answer title={product.name} sum={sum}>
        {({ gL, ecMsCm, ph }) =>
          `${show("feedStrength", gL).text} ${show("feedStrength", gL).unit} of feed: EC ${ecMsCm.toFixed(2)} mS/cm with the zone’s water, pH ${isPhKnown ? ph.toFixed(1) : "not known: a report of it names no bicarbonate"}`
        }
      </Answer>
      {sum && typeof sum !== "string" && (
        <p>
          Brings{" "}
          {Object.entries(sum.bringsMgL)
            .map(([element, mgL]) => `${element} ${mgL.toPrecision(3)}`)
            .join(", ")}{" "}
          mg/L.
        </p>
      )}
      <Wall
        title={`${product.name} for ${zoneName}`}
        dilutions={dilutions}
        rows={trySum(() => wallTable(product, water, USUAL_STARTS.wallMgNL, dilutions))}
      />
    </section>
  );
}

function hasNitrogen({ composition: { NO3 = 0, NH4 = 0, urea = 0 } }: LibraryProduct): boolean {
  return NO3 + NH4 + urea > 0;
}

/** Printed on a page of its own: every other part of the screen stays off the paper. */
function Wall({
  title,
  dilutions,
  rows,
}: {
  title: string;
  dilutions: readonly number[];
  rows: ReturnType<typeof wallTable> | string;
}) {
  const { show, system } = useUnits();
  if (typeof rows === "string") return null;
  return (
    <div className={styles["wall"]}>
      <h3>For the wall: {title}</h3>
      <table className={shared["book"]}>
        <thead>
          <tr>
            <th scope="col">ppm N</th>
            {dilutions.map((dilution) => (
              <th key={dilution} scope="col">
                1 : {dilution}, {unitFor("strength", system)} of concentrate
              </th>
            ))}
            <th scope="col">EC at the dripper, mS/cm</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ ppmN, concentrateGL, ecMsCm }) => (
            <tr key={ppmN}>
              <th scope="row">{ppmN}</th>
              {concentrateGL.map((gL, at) => (
                <td key={dilutions[at]}>
                  {gL === null ? <span className="quiet">does not dissolve</span> : show("strength", gL).text}
                </td>
              ))}
              <td>{ecMsCm.toFixed(2)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Button onClick={() => window.print()}>Print this table</Button>
    </div>
  );
}
