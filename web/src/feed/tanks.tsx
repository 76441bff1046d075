import type { ZoneFeed } from "@sprunel/contract";
import type { Recipe } from "@sprunel/core";
import { useUnits } from "../units/use-units.tsx";
import styles from "./feed.module.css";

/** The concentrates as they stand in the store: what goes into which, the most at the bottom. */
export function Tanks({ recipe, tanks }: { recipe: Recipe; tanks: ZoneFeed["tanks"] }) {
  const { show } = useUnits();
  return (
    <div className={styles["tanks"]}>
      {tanks.map((tank) => {
        const lines = recipe.lines.filter((line) => line.tankId === tank.id).sort((a, b) => a.kgPerTank - b.kgPerTank);
        const volume = show("volume", tank.volumeL);
        return (
          <section key={tank.id} className={styles["tank"]} aria-label={`Tank ${tank.id}`}>
            <h3>
              {tank.id}{" "}
              <span className="quiet">
                {volume.text} {volume.unit}, 1 : {tank.dilution}
              </span>
            </h3>
            <ul>
              {lines.map((line) => {
                const mass = weighed(line.kgPerTank, show);
                return (
                  <li key={line.productId} style={{ flexGrow: Math.sqrt(line.kgPerTank) }}>
                    <strong>
                      {mass.text} {mass.unit}
                    </strong>
                    <span>{line.name}</span>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </div>
  );
}

/** A mass as a feed hand weighs it: small ones in grams. */
export function weighed(kg: number, show: ReturnType<typeof useUnits>["show"]): { text: string; unit: string } {
  if (kg < 1 && show("mass", 1).unit === "kg") return { text: (kg * 1000).toFixed(kg < 0.1 ? 1 : 0), unit: "g" };
  return show("mass", kg);
}
