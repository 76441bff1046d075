import { getZoneHarvest } from "@sprunel/contract/harvest";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { setUp, zoneHarvest, zoneOf } from "../testing/sample-site.ts";

const more = async () => within(await screen.findByRole("navigation", { name: "More" }));

describe("the ways below the zones", () => {
  it("lead to the set-up of the zone one is at, so that nothing is saved to another", async () => {
    const page = renderPage("/zones/1/harvest");
    page.server.on(getZoneHarvest, zoneHarvest());
    page.server.on(getSetUp, setUp([zoneOf("soil-drip", { id: 8, name: "Peppers" }), zoneOf("substrate", { id: 1 })]));
    const link = (await more()).getByRole("link", { name: "Set-up" });
    expect(link).toHaveAttribute("href", "/set-up?zone=1");
    await page.user.click(link);
    await waitFor(() => expect(screen.getByLabelText("Name of the zone")).toHaveValue("A substrate zone"));
  });

  it("lead to the whole set-up from a page of all zones, and to every import", async () => {
    renderPage("/");
    const links = await more();
    expect(links.getByRole("link", { name: "Set-up" })).toHaveAttribute("href", "/set-up");
    for (const [name, to] of [
      ["Import weather", "/weather"],
      ["Import readings", "/import/readings"],
      ["Import soil tests", "/import/soil-tests"],
      ["Import picks", "/import/picks"],
      ["Import the shelf", "/import/shelf"],
    ] as const)
      expect(links.getByRole("link", { name })).toHaveAttribute("href", to);
  });
});
