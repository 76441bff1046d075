import { getProducts, getZoneFeed } from "@sprunel/contract/feed";
import { addWaterReport, getWater } from "@sprunel/contract/water";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { zoneFeed } from "../testing/sample-site.ts";

async function opened(address = "/zones/1/feed", feed = zoneFeed({ water: null })) {
  const page = renderPage(address);
  page.server.on(getZoneFeed, feed).on(getProducts, { products: [] }).on(getWater, { date: "2026-06-16", sources: [] });
  await screen.findByRole("heading", { level: 1 });
  return page;
}

describe("a report of water that is typed", () => {
  it("is taken in milligrams as the laboratory wrote it, trace elements and solids with it", async () => {
    const { server, user } = await opened();
    server.on(addWaterReport, { reports: [] });
    await user.type(await screen.findByLabelText("Name of the water"), "Well");
    await user.type(screen.getByLabelText("Taken on"), "1/5/2026");
    await user.type(screen.getByLabelText("pH"), "7,2");
    await user.click(screen.getByRole("combobox", { name: "The report is in" }));
    await user.click(await screen.findByTitle("mg/L"));
    await user.type(screen.getByLabelText("Ca"), "80,2");
    await user.type(screen.getByLabelText("HCO₃"), "244");
    await user.type(screen.getByLabelText("B"), "0,1");
    await user.type(screen.getByLabelText("Suspended solids"), "35");
    await user.click(screen.getByRole("button", { name: "Save the report" }));
    await waitFor(() => expect(server.sent(addWaterReport)).toHaveLength(1));
    expect(server.sent(addWaterReport)[0]).toMatchObject({
      ...{ sourceName: "Well", takenOn: "2026-05-01", ph: 7.2, suspendedSolidsMgL: 35 },
      ions: {
        Ca: expect.closeTo(80.2 / 40.078, 3) as number,
        HCO3: expect.closeTo(244 / 61.017, 3) as number,
        B: expect.closeTo(100 / 10.81, 2) as number,
      },
    });
  });

  it("says at its field what is missing", async () => {
    const { server, user } = await opened();
    await user.click(await screen.findByRole("button", { name: "Save the report" }));
    expect(await screen.findByText("The water's name is empty; type at least one letter.")).toBeVisible();
    expect(screen.getByText("The date is missing.")).toBeVisible();
    expect(server.sent(addWaterReport)).toEqual([]);
  });
});

describe("acid for a water", () => {
  it("is not told where its report names no bicarbonate", async () => {
    await opened("/zones/1/water", zoneFeed({ water: { ions: { Ca: 1 }, ph: 7, unmeasured: ["HCO3"] } }));
    expect(await screen.findByText(/names no bicarbonate, so nothing can be said of acid/)).toBeVisible();
    expect(screen.queryByText(/of water \(/)).toBeNull();
  });

  it("is told where it does", async () => {
    await opened("/zones/1/water", zoneFeed({ water: { ions: { Ca: 2, HCO3: 4 }, ph: 7.5, unmeasured: [] } }));
    expect(await screen.findByText(/of bicarbonate: pH/)).toBeVisible();
  });
});
