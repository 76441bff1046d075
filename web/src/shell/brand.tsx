import { Link } from "react-router";
import { usePlace } from "../place/use-place.ts";
import styles from "./shell.module.css";

/** The name of the program, which leads to the board, and where a person is; nothing of the place until that is known. */
export function Brand({ where }: { where: string | undefined }) {
  const { addressOf } = usePlace();
  return (
    <header className={styles["brand"]}>
      <Link to={addressOf({ zoneId: null, station: null })} className={styles["name"]}>
        Sprunel
      </Link>
      <div className={styles["where"]}>{where}</div>
    </header>
  );
}
