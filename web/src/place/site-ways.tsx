import type { Site } from "@sprunel/contract/site";
import type { ReactNode } from "react";
import { DatesProvider } from "../units/dates.tsx";
import { UnitsProvider } from "../units/use-units.tsx";

/** Units and dates as the site has them; metric, and the day before the month, while there is none. */
export function SiteWays({ site, children }: { site: Site | null | undefined; children: ReactNode }) {
  return (
    <UnitsProvider siteSystem={site?.unitSystem ?? "metric"}>
      <DatesProvider form={site?.dateForm ?? "dmy"}>{children}</DatesProvider>
    </UnitsProvider>
  );
}
