import type { DosePlan, PlannedDose } from "@sprunel/contract/feed";
import { Amount } from "../../units/use-units.tsx";
import styles from "./doses.module.css";

const G_PER_KG = 1000;
const ML_PER_L = 1000;

/** What a person stands before with the scale: all of the zone, or one of so many. */
export interface Part {
  readonly name: string;
  readonly of: number;
}
export const WHOLE: Part = { name: "the zone", of: 1 };
const ROW = "a metre of row";

/** What the bags may be told for; beds and rows only where the zone's layout is known. */
export function partsOf(planting: DosePlan["planting"]): readonly Part[] {
  const { beds = null, rowM = null, plants = 0 } = planting ?? {};
  return [
    WHOLE,
    ...(beds !== null && beds > 1 ? [{ name: "a bed", of: beds }] : []),
    ...(rowM !== null ? [{ name: ROW, of: rowM }] : []),
    ...(plants > 0 ? [{ name: "a plant", of: plants }] : []),
  ];
}

/** What is weighed, or of a liquid measured out. */
export function Bags({ dose: { products }, part }: { dose: Pick<PlannedDose, "products">; part: Part }) {
  if (products.length === 0) return <span className="quiet">–</span>;
  return (
    <ul className={styles["bags"]}>
      {products.map(({ productId, name, kg, mL }) => (
        <li key={productId}>
          <Weighed kg={kg / part.of} row={part.name === ROW} />
          {mL !== null && (
            <>
              {" or "}
              {mL / part.of < ML_PER_L ? (
                <Amount quantity="smallVolume" value={mL / part.of} />
              ) : (
                <Amount quantity="volume" value={mL / part.of / ML_PER_L} />
              )}
            </>
          )}{" "}
          {name}
        </li>
      ))}
    </ul>
  );
}

function Weighed({ kg, row }: { kg: number; row: boolean }) {
  if (row) return <Amount quantity="perRow" value={kg * G_PER_KG} />;
  // less than a kilogram is weighed on the small scale
  return kg < 1 ? <Amount quantity="smallMass" value={kg * G_PER_KG} /> : <Amount quantity="mass" value={kg} />;
}
