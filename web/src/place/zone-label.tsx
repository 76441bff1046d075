import styles from "./zone-label.module.css";

/** What a line of all zones begins with: whose it is, and one thing about it. */
export function ZoneLabel({ name, sub }: { name: string; sub: string }) {
  return (
    <>
      <span className={styles["name"]}>{name}</span>
      <span className={styles["sub"]}>{sub}</span>
    </>
  );
}
