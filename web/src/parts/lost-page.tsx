import { Link, useRouteError } from "react-router";
import styles from "./lost-page.module.css";

/** For addresses that lead nowhere and pages that failed. */
export function LostPage() {
  const error = useRouteError();
  return (
    <div className={styles["page"]}>
      <h1>{error ? "This page stopped working" : "Nothing is here"}</h1>
      <p className="quiet">
        {error
          ? "Nothing that was saved is lost. Load the page again; if it stays, look into the server's log."
          : "The address leads to no zone, station or page."}
      </p>
      <Link to="/">To the morning board</Link>
    </div>
  );
}
