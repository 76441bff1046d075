import { getRootHistory, getZoneReports, type RootHistory } from "@sprunel/contract/rootzone";
import { getSetUp } from "@sprunel/contract/site";
import { screen, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { rootHistory, setUp, zoneOf } from "../testing/sample-site.ts";

async function roots(history: Partial<RootHistory> = {}, address = "/zones/1/roots") {
  const page = renderPage(address);
  page.server.on(getSetUp, setUp([zoneOf("substrate")]));
  page.server.on(getZoneReports, { zoneId: 1, reports: [] });
  page.server.on(getRootHistory, { ...rootHistory, ...history });
  await screen.findByRole("heading", { level: 1, name: /root zone/ });
  return page;
}
const drained = { kind: "drained", system: "substrate", heldPct: 88.4, drain: null, drainTargetPct: 25 } as const;

describe("the root zone of a zone", () => {
  it("says when water comes next, and how far it dries down until then", async () => {
    await roots({ next: { at: "2026-06-16T09:05:00.000Z", roots: drained } });
    expect(screen.getByText(/Next water at/)).toHaveTextContent(
      "Next water at 11:05; by then it stands at 88.4 % of its water, computed.",
    );
  });

  it("tells a store's dry-down in its own words, and that no more water comes when none does", async () => {
    const stored = {
      kind: "stored",
      system: "soil-drip",
      depletionMm: 9.2,
      triggerMm: 9,
      availableMm: 30,
      levelCm: null,
      levelAtTriggerCm: null,
      ecMsCm: null,
      ph: null,
      readAt: null,
    } as const;
    const first = await roots({ next: { at: "2026-06-16T09:05:00.000Z", roots: stored } });
    expect(screen.getByText(/Next water at/)).toHaveTextContent("by then it stands at 9.2 L/m² short");
    first.unmount();
    await roots({ next: null });
    expect(screen.getByText("No more water comes today.")).toBeVisible();
  });

  it("speaks of no next water on a day that is over", async () => {
    await roots({ next: null, to: "2026-06-10" }, "/zones/1/roots?date=2026-06-10");
    expect(screen.queryByText(/more water comes|Next water/)).toBeNull();
  });

  it("says that nothing is known where nothing stands, and shows what was read beside it", async () => {
    await roots({ now: null });
    expect(screen.getByText("Nothing is known of this root zone on this day.")).toBeVisible();
    expect(within(screen.getByRole("main")).getByRole("row", { name: /15 Jun/ })).toHaveTextContent("27");
  });
});
