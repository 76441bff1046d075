import { useEffect } from "react";
import { Link, useRouteError } from "react-router";
import styles from "./lost-page.module.css";

const ASK_EVERY_MS = 3000;
/** As browsers say that a part of the program could not be fetched. */
const NO_CODE = /unable to preload|dynamically imported module|importing a module|failed to fetch|load failed/i;

/** For addresses that lead nowhere and pages that failed. */
export function LostPage() {
  const error = useRouteError();
  if (error instanceof Error && NO_CODE.test(error.message)) return <Unfetched />;
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

/** The server was away when a part of the program was asked for: once it answers, the page is loaded anew. */
function Unfetched() {
  useEffect(() => {
    const timer = setInterval(() => {
      fetch("/api/health").then(
        ({ ok }) => ok && window.location.reload(),
        () => undefined,
      );
    }, ASK_EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return (
    <div className={styles["page"]}>
      <h1>This page is not here yet</h1>
      <p className="quiet" role="status">
        The server does not answer, so the page could not be fetched. It comes by itself once the server is back; what
        was saved or waits is kept.
      </p>
    </div>
  );
}
