import type { Zone } from "@sprunel/contract/site";
import { Outline } from "../parts/outline.tsx";
import { Link, useNavigate, useSearchParams } from "react-router";
import { ChangedBy } from "../changes/changed-by.tsx";
import { SiteExport, SiteImport } from "../exchange/site-file.tsx";
import { ProblemNote } from "../parts/problem.tsx";
import { setUpAddress } from "../place/set-up-link.tsx";
import { useBoard } from "../place/use-board.ts";
import { useSetUp } from "../place/use-set-up.ts";
import styles from "./set-up.module.css";
import { NetworkAccess } from "./network-access.tsx";
import { SiteForm } from "./site-form.tsx";
import { ZoneActions } from "./zone-actions.tsx";
import { ZoneForm } from "./zone-form.tsx";

type Which = number | "site" | "new";
/** An address of a zone that is not there: another one in its place would be changed by mistake. */
type Shown = Which | "gone";

/** What stands where: the site, then its zones. Which of them is open stands in the address. */
export function SetUpPage() {
  const setUp = useSetUp();
  const board = useBoard(null);
  const [search] = useSearchParams();
  const navigate = useNavigate();
  if (setUp.isError && !setUp.data) return <ProblemNote error={setUp.error} onRetry={() => void setUp.refetch()} />;
  if (!setUp.data || board.isPending) return <Outline />;
  const today = board.data?.today ?? null;
  const { site, zones, crops, sources } = setUp.data;
  const grown = zones.filter(({ archived }) => !archived);
  const aside = zones.filter(({ archived }) => archived);
  const asked = search.get("zone");
  const first = site === null ? "site" : (grown[0]?.id ?? "new");
  const shown = asked === null ? first : whichIn(asked, zones);
  const zone = zones.find((candidate) => candidate.id === shown) ?? null;
  const open = (which: Which): void => void navigate(setUpAddress(which));
  const tab = (which: Which, name: string) => (
    <Link
      key={which}
      to={setUpAddress(which)}
      className={styles["tab"]}
      aria-current={shown === which ? "page" : undefined}
    >
      {name}
    </Link>
  );
  return (
    <div className={styles["page"]}>
      <h1>Set-up</h1>
      {site && (
        <nav className={styles["tabs"]} aria-label="What to change">
          {tab("site", site.name)}
          {grown.map((candidate) => tab(candidate.id, candidate.name))}
          {tab("new", "+ New zone")}
          {aside.length > 0 && <span className="quiet">put aside:</span>}
          {aside.map((candidate) => tab(candidate.id, candidate.name))}
        </nav>
      )}
      {shown === "site" || !site ? (
        <>
          <SiteForm key="site" site={site} onSaved={() => zones.length === 0 && open("new")} />
          {site && <ChangedBy kind="site" recordKey={String(site.id)} />}
          {site ? <SiteExport /> : <SiteImport />}
          {site && <NetworkAccess />}
        </>
      ) : shown === "gone" ? (
        <p role="status">This zone is not here: it was deleted, or the address is mistyped. Choose one above.</p>
      ) : (
        <>
          <ZoneForm
            key={shown}
            zone={zone}
            zones={zones}
            crops={crops}
            sources={sources}
            today={today}
            onSaved={open}
          />
          {zone && <ChangedBy kind="zone" recordKey={String(zone.id)} />}
          {zone && <ZoneActions key={`of ${zone.id}`} zone={zone} zones={zones} onOpen={open} />}
        </>
      )}
    </div>
  );
}

function whichIn(asked: string, zones: readonly Zone[]): Shown {
  if (asked === "site" || asked === "new") return asked;
  return zones.find(({ id }) => String(id) === asked)?.id ?? "gone";
}
