import { getDosePlan, type DosePlan } from "@sprunel/contract/feed";
import { getZoneCrop } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { screen } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, setUp } from "../../testing/sample-site.ts";
import { sampleDose, samplePlan } from "../../testing/sample-doses.ts";
import { zoneCrop } from "../../testing/sample-stations.ts";

const nutrientsKgHa = { N: 6, P: 2, K: 14 };
const plan = (version: number | null): DosePlan => ({
  ...samplePlan,
  version,
  doses: [
    sampleDose("2026-05-25", "given", { nutrientsKgHa }),
    sampleDose("2026-06-16", "due", { nutrientsKgHa }),
    sampleDose("2026-12-01", "planned", { nutrientsKgHa }),
  ],
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
