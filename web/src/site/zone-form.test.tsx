import { addZone, getSetUp, SYSTEMS, updateZone, type System, type Zone } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { setUp, zoneOf } from "../testing/sample-site.ts";

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
  it.each(SYSTEMS)("sends a %s zone back as it came when nothing is changed", async (system) => {
    const { server, user, zone } = await opened(system);
    await user.click(save());
    await waitFor(() => expect(server.sent(updateZone)).toHaveLength(1));
    const { id: _id, ...expected } = zone;
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

  it("adds a new zone from its start values with a name and a size", async () => {
    const page = renderPage("/set-up");
    page.server.on(getSetUp, setUp([])).on(addZone, zoneOf("substrate"));
    const { user, server } = page;
    await user.click(await screen.findByRole("button", { name: "+ New zone" }));
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
