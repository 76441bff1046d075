import { getAccess } from "@sprunel/contract/basics";
import { useQuery } from "@tanstack/react-query";
import { ask } from "../http/api.ts";
import { ProblemNote } from "../parts/problem.tsx";
import styles from "./set-up.module.css";

/** By which address and code a tablet gets at this program, or how it is let in at all. */
export function NetworkAccess() {
  const access = useQuery({ queryKey: ["access"], queryFn: ({ signal }) => ask(getAccess, { signal }) });
  return (
    <section aria-label="On a tablet" className={styles["access"]}>
      <h2>On a tablet or phone</h2>
      {access.isError && <ProblemNote error={access.error} onRetry={() => void access.refetch()} />}
      {access.data &&
        (access.data.open ? (
          <>
            <p>
              In the nursery’s network, open{" "}
              {access.data.addresses.map((address, at) => (
                <span key={address}>
                  {at > 0 && " or "}
                  <strong>{address}</strong>
                </span>
              ))}{" "}
              and type this code once:
            </p>
            <p className={styles["code"]}>{access.data.code}</p>
          </>
        ) : (
          <p className="quiet">
            Only this machine is answered. To let devices of the nursery’s network in with a code, stop the program and
            start it with <code>HOST=0.0.0.0 npm start</code>.
          </p>
        ))}
    </section>
  );
}
