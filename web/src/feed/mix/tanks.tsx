import type { ZoneFeed } from "@sprunel/contract/feed";
import type { Recipe } from "@sprunel/core/feed/recipe";
import { Amount, useUnits } from "../../units/use-units.tsx";
import styles from "./mix.module.css";
import { weighed } from "./masses.ts";

/** The concentrates as they stand in the store: what goes into which, the most at the bottom. */
export function Tanks({ recipe, tanks }: { recipe: Recipe; tanks: ZoneFeed["tanks"] }) {
  const { system, show } = useUnits();
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
                const mass = weighed(line.kgPerTank, system);
                return (
                  <li key={line.productId} style={{ flexGrow: Math.sqrt(line.kgPerTank) }}>
                    <span>
                      <strong>
                        {mass.text} {mass.unit}
                      </strong>{" "}
                      · <Amount quantity="dose" value={line.gM3} />
                    </span>
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
