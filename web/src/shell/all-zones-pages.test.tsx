import { getCropStation } from "@sprunel/contract/crop";
import { getFeedStation } from "@sprunel/contract/feed";
import { getDayPicks } from "@sprunel/contract/harvest";
import { getSiteDay } from "@sprunel/contract/plan";
import { getRootStation } from "@sprunel/contract/rootzone";
import { getWater, getWaterReports } from "@sprunel/contract/water";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, emptyBoard, site, waterStation } from "../testing/sample-site.ts";
import { siteDay } from "../testing/sample-day.ts";
import { cropStation, dayPicks, feedStation, rootStation } from "../testing/sample-stations.ts";

/** Each station with what its page is called, what it asks for, and what it says of a site without zones. */
const STATIONS = [
  ["water", /site’s water/, getWater, /Add the first source/],
  ["feed", /site’s feed/, getFeedStation, /No zone is fed by a recipe yet/],
  ["run", /day of all zones/, getSiteDay, /Add the first zone/],
  ["roots", /All root zones/, getRootStation, /Add the first zone/],
  ["crop", /All crops/, getCropStation, /Add the first zone/],
  ["harvest", /Today’s picks/, getDayPicks, /nothing to pick/],
] as const;

/** Every case once in each unit system, which follows the station. */
function inBoth(cases: readonly (typeof STATIONS)[number][]) {
  return cases.flatMap(([station, name, asked, words]) =>
    (["metric", "us"] as const).map((unitSystem) => [station, unitSystem, name, asked, words] as const),
  );
}

function knowing(): FakeServer {
  return new FakeServer()
    .on(getWater, waterStation)
    .on(getWaterReports, { reports: [] })
    .on(getFeedStation, feedStation())
    .on(getRootStation, rootStation)
    .on(getCropStation, cropStation)
    .on(getSiteDay, siteDay())
    .on(getDayPicks, dayPicks());
}
function withoutZones(): FakeServer {
  return new FakeServer()
    .on(getWater, { ...waterStation, sources: [] })
    .on(getWaterReports, { reports: [] })
    .on(getFeedStation, feedStation({ zones: [], shelf: [] }))
    .on(getRootStation, { zones: [] })
    .on(getCropStation, { ...cropStation, plantings: [] })
    .on(getSiteDay, siteDay({ pulses: [], zones: [], version: null }))
    .on(getDayPicks, dayPicks({ zones: [] }));
}
const main = () => screen.getByRole("main");
const title = (name: RegExp) => screen.findByRole("heading", { level: 1, name });

describe("all zones at a station", () => {
  it.each(STATIONS)("%s shows every zone beside the zones' list, in the site's units", async (station, name) => {
    renderPage(`/${station}`, { server: knowing() });
    await title(name);
    await waitFor(() => expect(main().textContent).toMatch(/\d/));
    expect(main()).not.toHaveTextContent(/undefined|\bNaN\b|\[object/);
    expect(main()).not.toHaveTextContent(/\bgal\b|lb\/ft|°F/);
    expect(screen.getByRole("link", { name: /All zones/ })).toHaveAttribute("aria-current", "page");
  });

  it.each(STATIONS)("%s speaks US units where the site does", async (station, name) => {
    renderPage(`/${station}`, {
      server: knowing(),
      shown: board({ site: { ...site, unitSystem: "us", pumpLh: 9000 } }),
    });
    await title(name);
    await waitFor(() => expect(main().textContent).toMatch(/\d/));
    expect(main()).not.toHaveTextContent(/undefined|\bNaN\b|\[object/);
    expect(main()).not.toHaveTextContent(/\d\s*m³|kg\/m²|°C|\d\s*L\b|L\/h/);
  });

  it.each(inBoth(STATIONS))(
    "%s says of a site without zones (%s) what to enter first",
    async (station, unitSystem, name, _asked, words) => {
      renderPage(`/${station}`, { server: withoutZones(), shown: board({ zones: [], site: { ...site, unitSystem } }) });
      await title(name);
      await waitFor(() => expect(main()).toHaveTextContent(words));
    },
  );

  it.each(STATIONS)("%s leads to the site's description where there is none", async (station) => {
    renderPage(`/${station}`, { shown: emptyBoard });
    expect(await screen.findByRole("link", { name: "Describe your site" })).toHaveAttribute(
      "href",
      "/set-up?zone=site",
    );
  });

  it.each(inBoth(STATIONS))(
    "%s says so (%s) when the server refuses, and offers to try again",
    async (station, unitSystem, _name, asked) => {
      const server = knowing().on(
        asked as unknown as typeof getWater,
        refusal(500, "The disk is full.", { title: "Failed" }),
      );
      renderPage(`/${station}`, { server, shown: board({ site: { ...site, unitSystem } }) });
      expect(await screen.findByText("The disk is full.")).toBeVisible();
      expect(screen.getByRole("button", { name: "Try again" })).toBeEnabled();
    },
  );

  it.each(inBoth(STATIONS))(
    "%s shows that it waits (%s), and nothing made up meanwhile",
    async (station, unitSystem, _name, asked) => {
      renderPage(`/${station}`, {
        server: knowing().hold(asked),
        shown: board({ site: { ...site, unitSystem } }),
      });
      await screen.findByRole("link", { name: /All zones/ });
      expect(await screen.findByRole("progressbar", { name: "Loading" })).toBeVisible();
      expect(screen.queryByRole("heading", { level: 1 })).toBeNull();
    },
  );
});

describe("between a zone and all zones", () => {
  it("the station stays when all zones are chosen, and the zones stay when the station is", async () => {
    const { user, at } = renderPage("/roots", { server: knowing() });
    await title(/All root zones/);
    await user.click(screen.getByRole("link", { name: /Crop/ }));
    await waitFor(() => expect(at()).toBe("/crop"));
    const zones = within(screen.getByRole("navigation", { name: "Zones" }));
    await user.click(zones.getByRole("link", { name: /Dry bags/ }));
    await waitFor(() => expect(at()).toBe("/zones/2/crop"));
    await user.click(await screen.findByRole("link", { name: /All zones/ }));
    await waitFor(() => expect(at()).toBe("/crop"));
  });

  it("the path of the board leads to all zones, and so do its keys", async () => {
    const { user, at } = renderPage("/", { server: knowing() });
    await screen.findAllByRole("row");
    await user.keyboard("4");
    await waitFor(() => expect(at()).toBe("/roots"));
    await user.keyboard("0");
    await waitFor(() => expect(at()).toBe("/"));
    await user.click(await screen.findByRole("link", { name: /^Harvest/ }));
    await waitFor(() => expect(at()).toBe("/harvest"));
  });

  it("the finder knows a station of all zones", async () => {
    const { user, at } = renderPage("/", { server: knowing() });
    await screen.findAllByRole("row");
    await user.keyboard("/");
    await user.type(await screen.findByRole("combobox", { name: "Find" }), "feed all{Enter}");
    await waitFor(() => expect(at()).toBe("/feed"));
  });
});

describe("the site's water", () => {
  it("says first what runs out, and when", async () => {
    renderPage("/water", { server: knowing() });
    expect(await screen.findByText(/Roof basin runs out first: in 17 days/)).toBeVisible();
    const well = screen.getByRole("heading", { name: /Borehole/ }).closest("li") as HTMLElement;
    expect(well).not.toHaveTextContent(/Costs|Of the licence/);
  });

  it("offers to type a report, judged while it is typed", async () => {
    const { user } = renderPage("/water", { server: knowing() });
    await user.click(await screen.findByRole("button", { name: "Type a report" }));
    await user.type(screen.getByLabelText("Ca"), "2");
    await user.type(screen.getByLabelText("HCO₃"), "4");
    expect(await screen.findByText(/the report balances/)).toBeVisible();
  });
});

describe("all root zones", () => {
  it("stand beside their bands, what lies outside told apart, and each reading with its age", async () => {
    renderPage("/roots", { server: knowing() });
    const row = await screen.findByRole("row", { name: /Melon bags/ });
    expect(row).toHaveTextContent(/3\.04\s*mS\/cm/);
    expect(row).toHaveTextContent(/2\.30 to 3\.50 · 16 h ago/);
    expect(row).toHaveTextContent(/5\.0 to 6\.6/);
    expect(await screen.findByRole("row", { name: /Dry bags/ })).toHaveTextContent("never read");
  });
});

describe("all crops", () => {
  it("stand on one calendar with today, and what begins next is told", async () => {
    renderPage("/crop", { server: knowing() });
    const calendar = await screen.findByRole("region", { name: "Calendar of all plantings" });
    expect(calendar).toHaveTextContent("today");
    expect(calendar).toHaveTextContent("Fill");
    expect(screen.getByRole("list", { name: "What begins next" })).toHaveTextContent(
      /in 16 days.*Melon bags.*ripening/,
    );
  });
});
