import { getZoneCrop } from "@sprunel/contract/crop";
import { getProducts, getRecipes, getZoneFeed } from "@sprunel/contract/feed";
import { getZoneHarvest } from "@sprunel/contract/harvest";
import { getDripLines } from "@sprunel/contract/irrigation";
import { getZoneDay } from "@sprunel/contract/plan";
import { getRootHistory, getZoneReports } from "@sprunel/contract/rootzone";
import { getSetUp } from "@sprunel/contract/site";
import { getDoses, getWater, getWaterReports } from "@sprunel/contract/water";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import {
  board,
  boardZone,
  dripLines,
  rootHistory,
  setUp,
  site,
  waterStation,
  zoneDay,
  zoneFeed,
  zoneHarvest,
  zoneOf,
} from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

const STATIONS = ["water", "feed", "run", "roots", "crop", "harvest"] as const;

/** A server that knows everything of the first zone. */
function knowing(): FakeServer {
  return new FakeServer()
    .on(getWater, waterStation)
    .on(getWaterReports, { reports: waterStation.sources.flatMap(({ report }) => report ?? []) })
    .on(getDoses, { zoneId: 1, doses: [] })
    .on(getZoneFeed, zoneFeed())
    .on(getProducts, { products: [] })
    .on(getRecipes, { recipes: [] })
    .on(getZoneDay, zoneDay())
    .on(getDripLines, dripLines())
    .on(getRootHistory, rootHistory)
    .on(getZoneReports, { zoneId: 1, reports: [] })
    .on(getZoneHarvest, zoneHarvest())
    .on(getZoneCrop, zoneCrop())
    .on(getSetUp, setUp([zoneOf("substrate", { id: 1 })]));
}

/** What a page says first. */
const heading = () => screen.findByRole("heading", { level: 1, name: /Melon bags/ });
const main = () => screen.getByRole("main");
const inUs = () => board({ site: { ...site, unitSystem: "us" } });

describe("a zone's page at a station", () => {
  it.each(STATIONS)("%s shows its zone, and every number that it holds with a unit of the site", async (station) => {
    renderPage(`/zones/1/${station}`, { server: knowing() });
    await heading();
    await waitFor(() => expect(main().textContent).toMatch(/\d/));
    expect(main()).not.toHaveTextContent(/undefined|\bNaN\b|\[object/);
    expect(main()).not.toHaveTextContent(/\bgal\b|lb\/ft|°F/);
  });

  it.each(STATIONS)("%s speaks US units where the site does", async (station) => {
    renderPage(`/zones/1/${station}`, { server: knowing(), shown: inUs() });
    await heading();
    await waitFor(() => expect(main().textContent).toMatch(/\d/));
    expect(main()).not.toHaveTextContent(/undefined|\bNaN\b|\[object/);
    expect(main()).not.toHaveTextContent(/\d\s*m³|kg\/m²|°C|\d\s*L\b/);
  });

  it.each(STATIONS)("%s says so when the server refuses, and offers to try again", async (station) => {
    const server = knowing();
    const fault = refusal(404, "Zone 1 does not exist here.", { title: "Not found" });
    for (const endpoint of [getZoneFeed, getZoneDay, getRootHistory, getZoneHarvest, getZoneCrop] as const)
      server.on(endpoint as typeof getZoneFeed, fault);
    renderPage(`/zones/1/${station}`, { server });
    expect(await screen.findByText("Zone 1 does not exist here.")).toBeVisible();
    expect(screen.getAllByRole("button", { name: "Try again" })[0]).toBeEnabled();
  });
});

describe("Water", () => {
  it("tells what the zone drinks of, in today's plan, and leads to sources and storage", async () => {
    renderPage("/zones/1/water", { server: knowing() });
    await heading();
    expect(screen.getByRole("list", { name: "What this zone drinks" })).toHaveTextContent(
      /Roof basin.*100\s*%.*3.321\s*L/,
    );
    expect(screen.getByRole("link", { name: /Sources, storage/ })).toHaveAttribute("href", "/water");
  });
});

describe("Run", () => {
  it("leads from what the crop takes up to litres, and lists what was given and what is planned", async () => {
    renderPage("/zones/1/run", { server: knowing() });
    await heading();
    await waitFor(() => expect(main()).toHaveTextContent(/4\.3\d*\s*L\/m²/));
    expect(main()).toHaveTextContent(/3.321\s*L/);
    expect(screen.getByText("given")).toBeVisible();
    expect(screen.getAllByText("planned").length).toBeGreaterThan(0);
  });

  it("says why there is no plan, and what would make one", async () => {
    const server = knowing().on(getZoneDay, zoneDay({ missing: "no-weather", plan: null, workings: {}, pulses: [] }));
    const shown = board({ zones: [boardZone({ missing: "no-weather", run: null, roots: null })] });
    renderPage("/zones/1/run", { server, shown });
    await heading();
    await waitFor(() => expect(main()).toHaveTextContent(/weather/i));
    expect(main()).not.toHaveTextContent(/\b0\s*L\b/);
  });

  it("names the plugging drippers of a catch-can test by line and place", async () => {
    renderPage("/zones/1/run", { server: knowing() });
    expect(await screen.findByText(/line 2, place 2/)).toBeVisible();
  });
});

describe("Roots", () => {
  it("shows what was read, with its clock at the site", async () => {
    renderPage("/zones/1/roots", { server: knowing() });
    await heading();
    expect(await screen.findByRole("row", { name: /15 Jun 16:30.*27.*3\.04/ })).toBeVisible();
  });
});

describe("Harvest", () => {
  it("stands a pick that was struck out beside its reason, and does not offer to strike it again", async () => {
    renderPage("/zones/1/harvest", { server: knowing() });
    await heading();
    const struck = await screen.findByRole("row", { name: /of another zone/ });
    expect(struck).not.toHaveTextContent("strike out");
    expect(screen.getByRole("row", { name: /310 kg/ })).toHaveTextContent("strike out");
  });

  it("says so where nothing stands", async () => {
    const server = knowing().on(
      getZoneHarvest,
      zoneHarvest({ crop: null, picks: [], targetPerM2: null, pathPerM2: null }),
    );
    renderPage("/zones/1/harvest", { server });
    expect(await screen.findByText(/Nothing stands in this zone on this day/)).toBeVisible();
  });
});
