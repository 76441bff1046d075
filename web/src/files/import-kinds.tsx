import type { ImportKind } from "@sprunel/contract/exchange";
import { Link } from "react-router";
import styles from "./files.module.css";

/** What may be in a file, and where it is taken. */
const KINDS: Readonly<Record<ImportKind, readonly [to: string, name: string]>> = {
  readings: ["/import/readings", "Readings at the roots"],
  "soil-tests": ["/import/soil-tests", "Soil tests"],
  water: ["/import/water", "Lab reports"],
  picks: ["/import/picks", "Picks"],
  shelf: ["/import/shelf", "Shelf"],
  weather: ["/weather", "Weather"],
};

export function ImportKinds({ kind }: { kind: ImportKind }) {
  return (
    <nav className={styles["kinds"]} aria-label="What is in the file">
      {Object.entries(KINDS).map(([one, [to, name]]) => (
        <Link key={one} to={to} aria-current={one === kind ? "page" : undefined}>
          {name}
        </Link>
      ))}
    </nav>
  );
}
