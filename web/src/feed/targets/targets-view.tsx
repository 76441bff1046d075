import type { FeedTarget } from "@sprunel/contract/feed";
import { checkTarget, PUBLISHED_TARGETS, type PublishedTarget } from "@sprunel/core/feed/recipe";
import Button from "antd/es/button";
import shared from "../feed.module.css";
import styles from "./targets.module.css";
import { ionName } from "../../words/ion-names.ts";
import { UptakeForm } from "./uptake-form.tsx";

const GROUPS = [...new Set(PUBLISHED_TARGETS.map(({ group }) => group))];

/** Published solutions with what their own figures say of each other; any of them can be tried here. */
export function TargetsView({ ph, onTry }: { ph: number; onTry(target: FeedTarget): void }) {
  return (
    <>
      <p className="quiet">
        Trying one puts it into the zone’s recipe; nothing is kept until you say so. Ions in mmol/L, trace elements in
        µmol/L.
      </p>
      <table className={shared["library"]}>
        <thead>
          <tr>
            <th scope="col">solution</th>
            <th scope="col">ions</th>
            <th scope="col">charges, meq/L</th>
            <th scope="col">EC, mS/cm</th>
            <th aria-label="use" />
          </tr>
        </thead>
        {GROUPS.map((group) => (
          <tbody key={group}>
            <tr>
              <th colSpan={5} scope="rowgroup">
                {group === "any" ? "for many crops" : group}
              </th>
            </tr>
            {PUBLISHED_TARGETS.filter((target) => target.group === group).map((target) => (
              <Row
                key={target.id}
                target={target}
                onTry={() => onTry({ ions: target.ions, ph: target.ph, name: `${target.name}, ${target.stage}` })}
              />
            ))}
          </tbody>
        ))}
      </table>
      <UptakeForm ph={ph} onTry={onTry} />
    </>
  );
}

function Row({ target, onTry }: { target: PublishedTarget; onTry(): void }) {
  const { charge, ecMsCm, ecOffPct } = checkTarget(target);
  return (
    <tr>
      <td>
        <strong>{target.name}</strong>, {target.stage}
        <br />
        <span className="quiet">{target.source}</span>
        {target.assumed && <span className={shared["off"]}> · not confirmed</span>}
      </td>
      <td className={styles["ions"]}>
        {Object.entries(target.ions).map(([ion, amount]) => (
          <span key={ion}>
            {ionName(ion as keyof typeof target.ions)} {amount}
          </span>
        ))}
        <span>pH {target.ph}</span>
      </td>
      <td>
        {charge.cationsMeqL.toFixed(1)} and {charge.anionsMeqL.toFixed(1)}
      </td>
      <td>
        <strong>{ecMsCm.toFixed(2)}</strong>
        <br />
        <span className="quiet">
          {target.statedEcMsCm === null
            ? "none stated"
            : `stated ${target.statedEcMsCm}, ${ecOffPct !== null && ecOffPct > 0 ? "+" : ""}${ecOffPct?.toFixed(0) ?? ""} %`}
        </span>
      </td>
      <td>
        <Button onClick={onTry} aria-label={`Try ${target.name}, ${target.stage}`}>
          Try it
        </Button>
      </td>
    </tr>
  );
}
