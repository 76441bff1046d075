import { getDosePlan, type DosePlan, type PlannedDose } from "@sprunel/contract/feed";
import { getZoneCrop } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, setUp } from "../../testing/sample-site.ts";
import { zoneCrop } from "../../testing/sample-stations.ts";

const dose = (on: string, state: PlannedDose["state"]): PlannedDose => ({
  ...{ on, basal: false, onlyIf: null, state, record: null, products: [], nutrientsKgHa: { N: 6, P: 2, K: 14 } },
});
const plan = (version: number | null): DosePlan => ({
  ...{
    zoneId: 1,
    date: "2026-06-16",
    missing: null,
    planting: null,
    version,
    need: null,
    fault: null,
    unmet: [],
    warnings: [],
  },
  programme: {
    ...{ school: "ration", fromOn: null, yieldTHa: null, efficiencyPct: { N: 80, P: 100, K: 85 }, organic: [] },
    ...{ residuesKgHa: null, fixationKgHa: null, everyDays: 7, dressings: [], ppmN: 100, basalPct: 0 },
    ...{ largestNKgHa: null, shortestDays: null, lastOn: null, productIds: [] },
  },
  doses: [dose("2026-05-25", "given"), dose("2026-06-16", "due"), dose("2026-12-01", "planned")],
  ...{ schools: [], path: [], ledger: null },
});
async function crop(version: number | null) {
  const server = new FakeServer().on(getZoneCrop, zoneCrop()).on(getSetUp, setUp([])).on(getDosePlan, plan(version));
  renderPage("/zones/1/crop", { server, shown: board() });
  await screen.findByRole("region", { name: "Stand" });
}

describe("the doses under a planting's stages", () => {
  it("stand in their place, told with their nitrogen and what became of them; what lies beyond the line is not there", async () => {
    await crop(2);
    expect(
      await screen.findByRole("img", { name: /^2 doses: 25 May: 6(\.0)? kg\/ha of N, given; 16 Jun: .* due$/ }),
    ).toBeVisible();
  });

  it("are not there while no programme is in force", async () => {
    await crop(null);
    expect(screen.queryByRole("img", { name: /doses:/ })).toBeNull();
  });
});
