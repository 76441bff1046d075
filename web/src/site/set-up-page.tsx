import Button from "antd/es/button";
import Skeleton from "antd/es/skeleton";
import { useState } from "react";
import { ProblemNote } from "../http/problem.tsx";
import styles from "./set-up.module.css";
import { SiteExport, SiteImport } from "../exchange/site-file.tsx";
import { SiteForm } from "./site-form.tsx";
import { useSetUp } from "../place/use-set-up.ts";
import { ZoneForm } from "./zone-form.tsx";

type Open = "site" | "new-zone" | number;

/** What stands where: the site, then its zones. */
export function SetUpPage() {
  const setUp = useSetUp();
  const [open, setOpen] = useState<Open | null>(null);
  if (setUp.isError && !setUp.data) return <ProblemNote error={setUp.error} onRetry={() => void setUp.refetch()} />;
  if (!setUp.data) return <Skeleton active />;
  const { site, zones, crops, sources } = setUp.data;
  const shown: Open = open ?? (site === null ? "site" : (zones[0]?.id ?? "new-zone"));
  const zone = zones.find((candidate) => candidate.id === shown) ?? null;
  const tab = (which: Open, name: string) => (
    <Button
      key={which}
      type={shown === which ? "primary" : "default"}
      aria-pressed={shown === which}
      onClick={() => setOpen(which)}
    >
      {name}
    </Button>
  );
  return (
    <div className={styles["page"]}>
      <h1>Set-up</h1>
      {site && (
        <div className={styles["tabs"]} role="group" aria-label="What to change">
          {tab("site", site.name)}
          {zones.map((candidate) => tab(candidate.id, candidate.name))}
          {tab("new-zone", "+ New zone")}
        </div>
      )}
      {shown === "site" || !site ? (
        <>
          <SiteForm key="site" site={site} onSaved={() => setOpen(zones.length === 0 ? "new-zone" : "site")} />
          {site ? <SiteExport /> : <SiteImport />}
        </>
      ) : (
        <ZoneForm key={String(shown)} zone={zone} crops={crops} sources={sources} onSaved={(id) => setOpen(id)} />
      )}
    </div>
  );
}
