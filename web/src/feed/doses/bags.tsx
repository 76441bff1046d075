import type { DosePlan, PlannedDose } from "@sprunel/contract/feed";
import { Amount } from "../../units/use-units.tsx";
import styles from "./doses.module.css";

const G_PER_KG = 1000;
const ML_PER_L = 1000;

/** What a person stands before with the scale: all of the zone, or one of so many. */
export interface Part {
  readonly name: string;
  /** so many of them make the zone; of a tank, the L of feed that it makes */
  readonly of: number;
}
export const WHOLE: Part = { name: "the zone", of: 1 };
const ROW = "a metre of row";
const TANK = "a tank of concentrate";

/** What the bags may be told for; beds and rows only where the zone's layout is known. */
export function partsOf({ planting, doses }: Pick<DosePlan, "planting" | "doses">): readonly Part[] {
  const { beds = null, rowM = null, plants = 0, tankFeedL = null } = planting ?? {};
  const fed = tankFeedL !== null && doses.some(({ mixedIntoL }) => mixedIntoL !== null);
  return [
    WHOLE,
    ...(beds !== null && beds > 1 ? [{ name: "a bed", of: beds }] : []),
    ...(rowM !== null ? [{ name: ROW, of: rowM }] : []),
    ...(plants > 0 ? [{ name: "a plant", of: plants }] : []),
    ...(fed ? [{ name: TANK, of: tankFeedL }] : []),
  ];
}

/** What is weighed, or of a liquid measured out. */
export function Bags({
  dose: { products, mixedIntoL },
  part,
}: {
  dose: Pick<PlannedDose, "products" | "mixedIntoL">;
  part: Part;
}) {
  const share = part.name === TANK ? (mixedIntoL === null ? 1 : part.of / mixedIntoL) : 1 / part.of;
  if (products.length === 0) return <span className="quiet">–</span>;
  return (
    <ul className={styles["bags"]}>
      {products.map(({ productId, name, kg, mL }) => (
        <li key={productId}>
          <Weighed kg={kg * share} row={part.name === ROW} />
          {mL !== null && (
            <>
              {" or "}
              {mL * share < ML_PER_L ? (
                <Amount quantity="smallVolume" value={mL * share} />
              ) : (
                <Amount quantity="volume" value={(mL * share) / ML_PER_L} />
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
