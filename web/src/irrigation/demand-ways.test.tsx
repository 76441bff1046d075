import { chooseDemandWay, getDemandWays, getZoneDay, type DemandWays } from "@sprunel/contract/plan";
import { getDripLines } from "@sprunel/contract/irrigation";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { dripLines, zoneDay } from "../testing/sample-site.ts";

const ways: DemandWays = {
  zoneId: 1,
  version: 4,
  date: "2026-06-16",
  usual: "baille",
  choice: null,
  meteredDays: 20,
  ways: [
    { method: "baille", demandMm: 4.31, biasPct: 9.6, errorMm: 0.52, factor: 0.913 },
    { method: "big-leaf", demandMm: 3.8, biasPct: -3.2, errorMm: 0.4, factor: 1.033 },
    { method: "fao56-single", demandMm: null, biasPct: null, errorMm: null, factor: null },
  ],
};

async function opened(more: Partial<DemandWays> = {}) {
  const page = renderPage("/zones/1/run");
  page.server.on(getZoneDay, zoneDay());
  page.server.on(getDripLines, dripLines());
  page.server.on(getDemandWays, { ...ways, ...more });
  page.server.on(chooseDemandWay, { ...ways, ...more });
  await page.user.click(await screen.findByText("How the demand is found, and other ways to it"));
  await screen.findByRole("region", { name: "Demand by each way" });
  return page;
}
const row = (name: RegExp) => screen.getByRole("row", { name });

describe("the ways to a zone's demand", () => {
  it("stand side by side with what each says today and how it kept to the meter", async () => {
    await opened();
    expect(screen.getByText(/on 20 days of the last four weeks/)).toBeVisible();
    expect(row(/Light and dry air/)).toHaveTextContent(/4\.31 L\/m².*\+10 %.*0\.52 L\/m².*0\.91.*counts now/);
    expect(row(/All leaves as one/)).toHaveTextContent(/3\.8.*−3 %/);
    expect(row(/Open field/)).toHaveTextContent("–––");
  });

  it("one is chosen at the version that was read, the usual one by choosing none", async () => {
    const { server, user } = await opened({ choice: { method: "big-leaf" } });
    await user.click(within(row(/Open field/)).getByRole("button", { name: "Count on it" }));
    await waitFor(() => expect(server.sent(chooseDemandWay)).toHaveLength(1));
    expect(server.sent(chooseDemandWay)[0]).toMatchObject({ version: 4, choice: { method: "fao56-single" } });
    await user.click(within(row(/Light and dry air/)).getByRole("button", { name: "Count on it" }));
    await waitFor(() => expect(server.sent(chooseDemandWay)).toHaveLength(2));
    expect(server.sent(chooseDemandWay)[1]).toMatchObject({ choice: null });
  });

  it("is fitted by the factor that two weeks of the meter tell", async () => {
    const { server, user } = await opened();
    await user.click(within(row(/Light and dry air/)).getByRole("button", { name: "Count on it, fitted" }));
    await waitFor(() =>
      expect(server.sent(chooseDemandWay)[0]).toMatchObject({ choice: { method: "baille", fittedFactor: 0.913 } }),
    );
  });

  it("takes a figure of one's own, with any decimal mark", async () => {
    const { server, user } = await opened();
    expect(screen.getByRole("button", { name: "Count on mine" })).toBeDisabled();
    await user.type(screen.getByLabelText("Your own figure of a day"), "3,4");
    await user.click(screen.getByRole("button", { name: "Count on mine" }));
    await waitFor(() =>
      expect(server.sent(chooseDemandWay)[0]).toMatchObject({ choice: { method: "own", ownMm: 3.4 } }),
    );
  });

  it("counts on a pan once both its figures are there", async () => {
    const { server, user } = await opened();
    await user.type(screen.getByLabelText("Gone from the pan in a day"), "6");
    expect(screen.getByRole("button", { name: "Count on the pan" })).toBeDisabled();
    await user.type(screen.getByLabelText("Pan coefficient"), "0.7");
    await user.click(screen.getByRole("button", { name: "Count on the pan" }));
    await waitFor(() =>
      expect(server.sent(chooseDemandWay)[0]).toMatchObject({
        choice: { method: "pan", panMm: 6, panCoefficient: 0.7 },
      }),
    );
  });

  it("says what is to be logged while nothing was metered", async () => {
    await opened({ meteredDays: 0 });
    expect(screen.getByText(/log the water given and the drain/)).toBeVisible();
  });
});
