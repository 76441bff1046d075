import { addStandStep, getZoneCrop, removeStandStep, setStand, type ZoneCrop } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, setUp } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

type Stand = NonNullable<ZoneCrop["stand"]>;
const pots: Stand = {
  ...{ part: null, plants: null, ageYears: 0, establishYears: 2, waterAim: "yield", perennial: false, year: 1 },
  ...{ planted: 3360, left: 3100, groundPct: 58, perM2: 24, heldLPlant: 0.42, fromStemCm: null, aim: "yield" },
  steps: [{ kind: "spaced", on: "2026-06-01", plantsPerM2: 24 }],
  can: ["spaced", "potted-on"],
};

async function opened(more: Partial<ZoneCrop> = {}) {
  const answer = zoneCrop({ stand: pots, ...more });
  const server = new FakeServer()
    .on(getZoneCrop, answer)
    .on(getSetUp, setUp([]))
    .on(addStandStep, answer)
    .on(removeStandStep, answer)
    .on(setStand, answer);
  const page = renderPage("/zones/1/crop", { server, shown: board() });
  const section = within(await screen.findByRole("region", { name: "Stand" }));
  return { ...page, section };
}

const callsOf = (server: FakeServer, { path, method }: { path: string; method: string }) =>
  server.calls.filter(({ endpoint }) => endpoint.path === path && endpoint.method === method);

describe("the stand of a planting", () => {
  it("says how many stand, how close, on how much of the ground, and what was done to it when", async () => {
    await opened();
    expect(screen.getByRole("region", { name: "Stand" })).toHaveTextContent(/3.100\s*of 3.360 plants stand/);
    expect(screen.getByRole("region", { name: "Stand" })).toHaveTextContent(/24\s*per m² on 58 % of the ground/);
    expect(screen.getByRole("region", { name: "Stand" })).toHaveTextContent(/Mon 1 Jun moved apart to 24\s*per m²/);
  });

  it("is moved apart on a date, at the version that was read", async () => {
    const { section, user, server } = await opened();
    await user.click(section.getByRole("button", { name: "Change the stand" }));
    await user.type(section.getByLabelText("plants on the ground"), "14");
    await user.click(section.getByRole("button", { name: "Note it" }));
    await waitFor(() => expect(server.sent(addStandStep)).toHaveLength(1));
    expect(server.sent(addStandStep)[0]).toMatchObject({
      step: { kind: "spaced", on: "2026-06-16", plantsPerM2: 14 },
      planting: "2026-04-20",
      version: 5,
    });
  });

  it("is not moved apart to nothing, nor to more than there is room for: what was typed stays", async () => {
    const { section, user, server } = await opened();
    await user.click(section.getByRole("button", { name: "Change the stand" }));
    await user.click(section.getByRole("button", { name: "Note it" }));
    expect(await section.findByRole("alert")).toHaveTextContent(/plants on a m²/i);
    expect(server.sent(addStandStep)).toHaveLength(0);
    server.on(addStandStep, refusal(422, "3360 plants at 2 a m² need 1680 m²; give at least 14 a m²."));
    await user.type(section.getByLabelText("plants on the ground"), "2");
    await user.click(section.getByRole("button", { name: "Note it" }));
    expect(await section.findByText(/give at least 14 a m²/)).toBeVisible();
    expect(section.getByLabelText("plants on the ground")).toHaveValue("2");
  });

  it("has what was done taken back", async () => {
    const { section, user, server } = await opened();
    await user.click(section.getByRole("button", { name: "Take back: moved apart on 2026-06-01" }));
    await waitFor(() => expect(callsOf(server, removeStandStep)).toHaveLength(1));
    expect(callsOf(server, removeStandStep)[0]).toMatchObject({
      params: { kind: "spaced", on: "2026-06-01" },
      query: { version: "5", planting: "2026-04-20" },
    });
  });

  it("is given rows of the zone, and a perennial its age and what it is watered for", async () => {
    const { section, user, server } = await opened({
      stand: { ...pots, perennial: true, year: 5, aim: "keep-alive", steps: [] },
    });
    expect(section.getByText(/Year 5, watered to keep it alive/)).toBeVisible();
    await user.click(section.getByRole("button", { name: "Rows, plants and age" }));
    await user.click(section.getByRole("button", { name: "Only some rows" }));
    await user.type(section.getByLabelText("First row"), "1");
    await user.type(section.getByLabelText("Last row"), "6");
    await user.click(section.getByRole("button", { name: "Save" }));
    expect(await section.findByText(/The rows of the zone/)).toBeVisible();
    await user.type(section.getByLabelText("Rows of the zone"), "12");
    await user.clear(section.getByLabelText("Age when planted"));
    await user.type(section.getByLabelText("Age when planted"), "2");
    await user.click(section.getByRole("button", { name: "Save" }));
    await waitFor(() => expect(server.sent(setStand)).toHaveLength(1));
    expect(server.sent(setStand)[0]).toMatchObject({
      part: { from: 1, to: 6, of: 12 },
      ageYears: 2,
      waterAim: "yield",
    });
  });
});

describe("plantings beside each other", () => {
  const part = (from: number) => ({ from, to: from + 5, of: 12 });
  const beside = [
    { key: "2026-04-20", cropName: "Butterhead lettuce", part: part(1), plants: 1440, stage: "Head", leads: true },
    { key: "2026-06-01~7-12-12", cropName: "Basil", part: part(7), plants: 1440, stage: null, leads: false },
  ];

  it("are named with their rows, and the other is one tap away", async () => {
    const { server, user } = await opened({ beside });
    const nav = within(screen.getByRole("navigation", { name: "Plantings in this zone" }));
    expect(nav.getByRole("link", { name: /rows 1 to 6 of 12/ })).toHaveAttribute("aria-current", "true");
    expect(nav.getByRole("link", { name: /rows 1 to 6 of 12/ })).toHaveTextContent(/leads feed and root zone/);
    await user.click(nav.getByRole("link", { name: /rows 7 to 12 of 12/ }));
    await waitFor(() =>
      expect(callsOf(server, getZoneCrop).at(-1)?.query).toMatchObject({ planting: "2026-06-01~7-12-12" }),
    );
  });

  it("are not spoken of where one has all of the zone", async () => {
    await opened();
    expect(screen.queryByRole("navigation", { name: "Plantings in this zone" })).toBeNull();
  });
});

describe("what stood before", () => {
  it("is listed with what came off it; where nobody noted a pick that is said", async () => {
    const kg = { kind: "mass" } as const;
    const gone = { key: "2025", cropName: "Netted melon", part: null, soldAs: kg, year: null };
    await opened({
      past: [
        { ...gone, from: "2026-01-10", to: "2026-04-15", pickedPerM2: 6.2 },
        { ...gone, from: "2025-06-01", to: "2025-10-01", pickedPerM2: null },
      ],
    });
    const before = screen.getByRole("region", { name: "Before" });
    expect(before).toHaveTextContent(/10 Jan 2026 to 14 Apr 2026Netted melon · 6\.2\s*kg\/m²/);
    expect(before).toHaveTextContent(/1 Jun 2025 to 30 Sep 2025Netted melon · no pick was noted/);
  });
});
