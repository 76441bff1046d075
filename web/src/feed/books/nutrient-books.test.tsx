import { getFeedStation, getNutrientBooks, saveNutrientRules, type NutrientBooks } from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, site } from "../../testing/sample-site.ts";
import { feedStation } from "../../testing/sample-stations.ts";

const none = { N: 0, P: 0, K: 0 };
const books: NutrientBooks = {
  rules: { totalNKgHa: null, organicNKgHa: null, totalPKgHa: null, closed: null },
  version: null,
  zones: [
    {
      ...{ zoneId: 1, zoneName: "Melon bags", areaM2: 640, waterUnknown: [], removalUnknown: [], beds: [] },
      years: [
        {
          year: 2026,
          crops: ["Netted melon"],
          bySource: {
            dose: { N: 40, P: 10, K: 80 },
            feed: none,
            water: { ...none, N: 5 },
            manure: none,
            digestate: none,
          },
          total: { N: 45, P: 10, K: 80 },
          removed: { N: 30, P: 4, K: 60 },
          surplus: { N: 15, P: 6, K: 20 },
          breaches: [{ rule: "total-n", kgHa: 45, mostKgHa: 40 }],
          inClosedTime: [{ on: "2026-01-12", source: "manure", what: "Hen manure", kgHa: { N: 12, P: 1, K: 2 } }],
        },
      ],
    },
    {
      ...{ zoneId: 2, zoneName: "Lettuce tanks", areaM2: 200, waterUnknown: [2026], removalUnknown: [2026], beds: [] },
      years: [],
    },
  ],
};

async function opened(more: Partial<NutrientBooks> = {}, units: "metric" | "us" = "metric") {
  const server = new FakeServer()
    .on(getFeedStation, feedStation())
    .on(getNutrientBooks, { ...books, ...more })
    .on(saveNutrientRules, { ...books, version: 1 });
  const page = renderPage("/feed?view=books", { server, shown: board({ site: { ...site, unitSystem: units } }) });
  await screen.findByRole("region", { name: "Rules of the place" });
  return { ...page, server };
}
const cells = (name: RegExp) =>
  within(row(name))
    .getAllByRole("cell")
    .map(({ textContent }) => textContent);
const row = (name: RegExp) => screen.getByRole("row", { name });

describe("the books of nutrients", () => {
  it("tell each bed of a zone apart where plantings had rows of their own, with what stood there", async () => {
    const [melons, lettuce] = books.zones;
    const [year] = melons?.years ?? [];
    if (!melons || !lettuce || !year) throw new Error("the sample has them");
    const bed = (from: number, to: number, crop: string, N: number) => ({
      ...{ part: { from, to, of: 4 }, areaM2: 320 },
      years: [{ ...year, crops: [crop], bySource: { ...year.bySource, dose: { N, P: 1, K: 2 } } }],
    });
    const beds = [bed(1, 2, "Netted melon", 60), bed(3, 4, "Sweet pepper", 20)];
    const { user } = await opened({ zones: [{ ...melons, beds }, lettuce] });
    expect(screen.getAllByRole("row")).toHaveLength(3);
    await user.click(screen.getByText("beds"));
    expect(row(/rows 1 to 2 of 4, 320\s*m².*Netted melon/)).toBeVisible();
    expect(cells(/rows 3 to 4 of 4.*Sweet pepper/)[0]).toBe("20");
    // One that was never shared out is one bed.
    expect(row(/Lettuce tanks/)).toBeVisible();
  });

  it("offer no beds where every planting had all of its zone", async () => {
    await opened();
    expect(screen.queryByText("beds")).not.toBeInTheDocument();
    expect(row(/Melon bags.*Netted melon/)).toBeVisible();
  });

  it("tell a zone's nitrogen by where it came from, what was picked off, and what stays", async () => {
    await opened();
    expect(cells(/Melon bags/)).toEqual(["40", "0", "5.0", "0", "0", "45", "30", "15"]);
  });

  it("say what is not known instead of nothing", async () => {
    await opened();
    expect(row(/Lettuce tanks/)).toHaveTextContent(/not known.*not known.*not known/);
  });

  it("tell phosphorus as the oxide where it is asked", async () => {
    const { user } = await opened();
    await user.click(screen.getByText("P", { exact: true }));
    expect(row(/Melon bags/)).toHaveTextContent(/Netted melon10/);
    await user.click(screen.getByText("oxides"));
    // 10 kg of P are 22.9 of P₂O₅
    expect(row(/Melon bags/)).toHaveTextContent(/Netted melon22\.9/);
    expect(screen.getByRole("columnheader", { name: "P₂O₅ in 2026, kg/ha" })).toBeVisible();
  });

  it("name what is above the rules, and what was spread while it is closed", async () => {
    await opened();
    const beyond = within(screen.getByRole("region", { name: "Beyond the rules" })).getAllByRole("listitem");
    expect(beyond[0]).toHaveTextContent(/45(\.0)?\s*kg\/ha of nitrogen in all, 40(\.0)?\s*kg\/ha allowed/);
    expect(beyond[1]).toHaveTextContent(/12 Jan 2026: Hen manure, 12(\.0)?\s*kg\/ha N in the closed time/);
  });

  it("read in pounds an acre where the site does", async () => {
    await opened({}, "us");
    expect(screen.getByRole("columnheader", { name: "N in 2026, lb/acre" })).toBeVisible();
    expect(row(/Melon bags/)).toHaveTextContent(/Netted melon35\.7/);
  });

  it("say so where nothing was booked yet", async () => {
    await opened({ zones: [] });
    expect(screen.getByText(/there is nothing to book/)).toBeVisible();
  });
});

describe("the rules of the place", () => {
  it("are kept as they were typed, with a closed time over the turn of the year", async () => {
    const { user, server } = await opened();
    await user.type(screen.getByLabelText("most N in a year"), "250");
    await user.click(screen.getByRole("combobox", { name: "Closed for" }));
    await user.click(await screen.findByTitle("manure and digestate"));
    await user.clear(screen.getByLabelText("Closed to, day"));
    await user.type(screen.getByLabelText("Closed to, day"), "15");
    await user.click(screen.getByRole("button", { name: "Keep the rules" }));
    await waitFor(() => expect(server.sent(saveNutrientRules)).toHaveLength(1));
    expect(server.sent(saveNutrientRules)[0]).toEqual({
      ...{ totalNKgHa: 250, organicNKgHa: null, totalPKgHa: null, version: null },
      closed: { from: "11-01", to: "01-15", of: "organic" },
    });
    expect(await screen.findByText("Saved")).toBeVisible();
  });

  it("name what cannot be, and keep what was typed", async () => {
    const { user, server } = await opened();
    await user.type(screen.getByLabelText("most N in a year"), "90000");
    await user.click(screen.getByRole("button", { name: "Keep the rules" }));
    expect(await screen.findByRole("alert")).toHaveTextContent(/most nitrogen must be 1 to 3.?000 kg\/ha/);
    expect(server.sent(saveNutrientRules)).toHaveLength(0);
    expect(screen.getByLabelText("most N in a year")).toHaveValue("90000");
  });

  it("that another changed meanwhile are shown beside one's own", async () => {
    const { user, server } = await opened();
    const current = { version: 2, rules: { ...books.rules, totalNKgHa: 170 } };
    server.on(saveNutrientRules, refusal(409, "The rules of nutrients were changed meanwhile.", { current }));
    await user.type(screen.getByLabelText("most N in a year"), "250");
    await user.click(screen.getByRole("button", { name: "Keep the rules" }));
    expect(await screen.findByText(/170/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Take the saved one" }));
    expect(screen.getByLabelText("most N in a year")).toHaveValue("170");
  });
});
