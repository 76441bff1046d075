import {
  getDosePlan,
  getProducts,
  getZoneFeed,
  recordDose,
  saveProgramme,
  takeDoseBack,
  getKeptProgrammes,
  type DosePlan,
} from "@sprunel/contract/feed";
import { screen } from "@testing-library/react";
import { FakeServer } from "./fake-server.ts";
import { renderPage } from "./render-page.tsx";
import { samplePlan } from "./sample-doses.ts";
import { board, site, zoneFeed } from "./sample-site.ts";

/** The doses of a zone, on a page over a server that knows one plan of them. */
export async function openDoses(more: Partial<DosePlan> = {}, units: "metric" | "us" = "metric") {
  const answer = { ...samplePlan, ...more };
  const server = new FakeServer()
    .on(getZoneFeed, zoneFeed())
    .on(getProducts, { products: [] })
    .on(getDosePlan, answer)
    .on(getKeptProgrammes, { programmes: [] })
    .on(saveProgramme, answer)
    .on(recordDose, answer)
    .on(takeDoseBack, answer);
  const shown = board({ site: { ...site, unitSystem: units } });
  const page = renderPage("/zones/1/feed?view=doses", { server, shown });
  await screen.findByRole("navigation", { name: "Parts of the feed" });
  return { ...page, server };
}
/** A row of a table by its name. */
export const row = (name: RegExp) => screen.getByRole("row", { name });
