import { addZone, copyZone, getSetUp, SYSTEM_NAMES, updateZone, type System, type Zone } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { setUp, zoneOf } from "../testing/sample-site.ts";
import { namesLike } from "./names-like.ts";

async function opened(system: System, answer?: (zone: Zone) => ReturnType<typeof refusal>) {
  const zone = zoneOf(system);
  const page = renderPage("/set-up");
  page.server.on(getSetUp, setUp([zone]));
  page.server.on(updateZone, answer ? answer(zone) : { ...zone, version: zone.version + 1 });
  await screen.findByLabelText("Name of the zone");
  return { ...page, zone };
}

const save = () => screen.getByRole("button", { name: "Save" });

describe("the form of a zone", () => {
  it.each(SYSTEM_NAMES)("sends a %s zone back as it came when nothing is changed", async (system) => {
    const { server, user, zone } = await opened(system);
    await user.click(save());
    await waitFor(() => expect(server.sent(updateZone)).toHaveLength(1));
    const { id: _id, archived: _archived, ...expected } = zone;
    expect(server.sent(updateZone)[0]).toEqual(expected);
    expect(await screen.findByText("Saved")).toBeVisible();
  });

  it("marks a default until somebody confirms it, and sends it confirmed then", async () => {
    const { server, user } = await opened("soil-drip");
    await user.click(screen.getByRole("button", { name: "Confirm Light through the cover" }));
    expect(screen.queryByText(/not confirmed/)).toBeNull();
    await user.click(save());
    await waitFor(() => expect(server.sent(updateZone)).toMatchObject([{ unconfirmed: [] }]));
  });

  it("fills area and plants from the beds that are typed", async () => {
    const { server, user } = await opened("soil-drip");
    const beds = screen.getByLabelText("How many beds");
    await user.clear(beds);
    await user.type(beds, "12");
    await user.click(save());
    await waitFor(() => expect(server.sent(updateZone)).toHaveLength(1));
    // 12 beds of 20 m by 1.6 m; two rows of one plant every 0.5 m.
    expect(server.sent(updateZone)[0]).toMatchObject({ definition: { areaM2: 384, plants: 960 } });
  });

  it("tells at its field what cannot be, and sends nothing", async () => {
    const { server, user } = await opened("basin");
    const bund = screen.getByLabelText("Height of the bund");
    await user.clear(bund);
    await user.type(bund, "900");
    await user.click(save());
    expect(await screen.findByText(/Height of the bund must be 5 to 150 cm, not 900/)).toBeVisible();
    expect(server.sent(updateZone)).toEqual([]);
  });

  it("loses neither a crop nor a date that is said without the other", async () => {
    const page = renderPage("/set-up");
    page.server.on(getSetUp, setUp([]));
    await page.user.type(await screen.findByLabelText("Planted on"), "1/5/2026{Enter}");
    await page.user.click(screen.getByRole("button", { name: "Add zone" }));
    expect(await screen.findByText(/planting date stands here without a crop/)).toBeVisible();
    await page.user.click(screen.getByRole("combobox", { name: "Crop" }));
    await page.user.click(await screen.findByTitle("Courgette"));
    await waitFor(() => expect(screen.queryByText(/stands here without a crop/)).toBeNull());
    await page.user.clear(screen.getByLabelText("Planted on"));
    await page.user.tab();
    await page.user.click(screen.getByRole("button", { name: "Add zone" }));
    expect(await screen.findByText(/Say since when the crop stands/)).toBeVisible();
    expect(page.server.sent(addZone)).toEqual([]);
  });

  it("adds a new zone from its start values with a name and a size", async () => {
    const page = renderPage("/set-up");
    page.server.on(getSetUp, setUp([])).on(addZone, zoneOf("substrate"));
    const { user, server } = page;
    await user.click(await screen.findByRole("link", { name: "+ New zone" }));
    await user.type(screen.getByLabelText("Name of the zone"), "Bags 1");
    await user.type(screen.getByLabelText("How many rows"), "10");
    await user.type(screen.getByLabelText("Each so long"), "30");
    await user.click(screen.getByRole("button", { name: "Add zone" }));
    await waitFor(() => expect(server.sent(addZone)).toHaveLength(1));
    expect(server.sent(addZone)[0]).toMatchObject({
      name: "Bags 1",
      definition: { system: "substrate", areaM2: 480, plants: 1000 },
      plantings: [],
    });
  });
});

describe("a zone that somebody else has changed meanwhile", () => {
  const changed = (zone: Zone) =>
    refusal(409, "Changed meanwhile.", { current: { ...zone, name: "Renamed by Ana", version: 9 } });

  it("is shown in both versions, side by side, with what differs", async () => {
    const { user } = await opened("substrate", changed);
    await user.type(screen.getByLabelText("Name of the zone"), " of mine");
    await user.click(save());
    const both = within(await screen.findByRole("alert"));
    expect(both.getByText("A substrate zone of mine")).toBeVisible();
    expect(both.getByText("Renamed by Ana")).toBeVisible();
    expect(both.getAllByRole("row")).toHaveLength(2);
  });

  it("is saved over at the newer version when a person says so", async () => {
    const { server, user, zone } = await opened("substrate", changed);
    await user.click(save());
    server.on(updateZone, { ...zone, version: 10 });
    await user.click(await screen.findByRole("button", { name: "Save mine over it" }));
    await waitFor(() => expect(server.sent(updateZone)).toHaveLength(2));
    expect(server.sent(updateZone)[1]).toMatchObject({ name: zone.name, version: 9 });
  });

  it("is taken as it was saved when a person says so", async () => {
    const { user } = await opened("substrate", changed);
    await user.click(save());
    await user.click(await screen.findByRole("button", { name: "Take the saved one" }));
    await waitFor(() => expect(screen.getByLabelText("Name of the zone")).toHaveValue("Renamed by Ana"));
    expect(screen.queryByRole("alert")).toBeNull();
  });
});

describe("the house of a zone", () => {
  const others = () => [zoneOf("substrate"), zoneOf("soil-drip", { id: 8, name: "Peppers", unconfirmed: [] })];

  async function second() {
    const page = renderPage("/set-up?zone=8");
    page.server.on(getSetUp, setUp(others()));
    await waitFor(() => expect(screen.getByLabelText("Name of the zone")).toHaveValue("Peppers"));
    return page;
  }

  it("says whose light changes with it", async () => {
    const { user } = await second();
    expect(screen.queryByText(/also changes the light/)).toBeNull();
    const light = screen.getByLabelText("Light through the cover");
    await user.clear(light);
    await user.type(light, "65");
    expect(screen.getByText("also changes the light, and so the litres, of A substrate zone")).toBeVisible();
  });

  it("fills in the light of the house that a new zone stands in", async () => {
    const page = renderPage("/set-up?zone=new");
    page.server.on(getSetUp, setUp(others()));
    const house = await screen.findByLabelText("House or field");
    await page.user.clear(house);
    await page.user.type(house, "Glass A");
    await waitFor(() => expect(screen.getByLabelText("Light through the cover")).toHaveValue("68"));
    expect(screen.queryByRole("button", { name: "Confirm Light through the cover" })).toBeNull();
  });
});

describe("the set-up of a zone that is not there", () => {
  it("says so, and opens no other zone in its place", async () => {
    const page = renderPage("/set-up?zone=4711");
    page.server.on(getSetUp, setUp([zoneOf("substrate")]));
    expect(await screen.findByText(/This zone is not here/)).toBeVisible();
    expect(screen.queryByLabelText("Name of the zone")).toBeNull();
    await page.user.click(screen.getByRole("link", { name: "A substrate zone" }));
    await waitFor(() => expect(screen.getByLabelText("Name of the zone")).toHaveValue("A substrate zone"));
  });
});

describe("the cover of a zone's house", () => {
  const net = { name: "Net yard", transmissionPct: 82, rainThroughPct: 85, heatedToC: 6 };

  it("is filled in with its rain and heating where a new zone stands in it, and sent with the zone", async () => {
    const page = renderPage("/set-up?zone=8");
    page.server.on(
      getSetUp,
      setUp([zoneOf("substrate", { house: net }), zoneOf("soil-drip", { id: 8, name: "Peppers" })]),
    );
    const house = await screen.findByLabelText("House or field");
    await page.user.clear(house);
    await page.user.type(house, "Net yard");
    await waitFor(() => expect(screen.getByLabelText("Rain through the cover")).toHaveValue("85"));
    expect(screen.getByLabelText("Heated to")).toHaveValue("6");
  });

  it("says whom a change of its rain or heating touches", async () => {
    const page = renderPage("/set-up?zone=8");
    const both = [zoneOf("substrate", { house: net }), zoneOf("soil-drip", { id: 8, name: "Peppers", house: net })];
    page.server.on(getSetUp, setUp(both));
    const rain = await screen.findByLabelText("Rain through the cover");
    expect(screen.queryByText(/also counts for/)).toBeNull();
    await page.user.clear(rain);
    await page.user.type(rain, "40");
    expect(screen.getByText("also counts for A substrate zone")).toBeVisible();
  });
});

describe("what was typed into a zone", () => {
  it("is asked about before another page or zone is opened, and stays when a person stays", async () => {
    const { user, at } = await opened("substrate");
    await user.type(screen.getByLabelText("Name of the zone"), " of mine");
    await user.click(screen.getByRole("link", { name: "+ New zone" }));
    expect(await screen.findByText("What you typed here is not saved")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Stay here" }));
    expect(screen.getByLabelText("Name of the zone")).toHaveValue("A substrate zone of mine");
    expect(at()).toBe("/set-up");
    await user.click(screen.getByRole("link", { name: "+ New zone" }));
    await user.click(await screen.findByRole("button", { name: "Leave, and lose it" }));
    await waitFor(() => expect(at()).toBe("/set-up?zone=new"));
  });

  it("is not asked about once it is saved, nor where nothing was typed", async () => {
    const { user, at } = await opened("substrate");
    await user.type(screen.getByLabelText("Name of the zone"), " of mine");
    await user.click(save());
    await screen.findByText("Saved");
    await user.click(screen.getByRole("link", { name: "+ New zone" }));
    await waitFor(() => expect(at()).toBe("/set-up?zone=new"));
  });
});

describe("zones like another", () => {
  it("are added under names that go on counting, in a few clicks", async () => {
    const { user, server } = await opened("substrate");
    server.on(copyZone, setUp([zoneOf("substrate")]));
    await user.click(screen.getByRole("button", { name: "Zones like this one" }));
    const dialog = within(await screen.findByRole("dialog"));
    await user.clear(dialog.getByLabelText("How many"));
    await user.type(dialog.getByLabelText("How many"), "3");
    await user.clear(dialog.getByLabelText("Name of zone 2"));
    await user.type(dialog.getByLabelText("Name of zone 2"), "By the gate");
    await user.click(dialog.getByRole("button", { name: "Add 3 zones" }));
    await waitFor(() =>
      expect(server.sent(copyZone)).toEqual([{ names: ["A substrate zone 2", "By the gate", "A substrate zone 4"] }]),
    );
  });

  it("go on from the number at the end of a name, past those that are taken", () => {
    expect(namesLike("Tunnel 3", ["Tunnel 3", "tunnel 4"], 2)).toEqual(["Tunnel 5", "Tunnel 6"]);
    expect(namesLike("Gutter", ["Gutter"], 1)).toEqual(["Gutter 2"]);
  });
});
