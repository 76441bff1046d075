import { addWaterings } from "@sprunel/contract/irrigation";
import type { Board, BoardZone } from "@sprunel/contract/today";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, boardZone, site } from "../../testing/sample-site.ts";

type Pulse = BoardZone["pulses"][number];
const pulse = (from: string, to: string, litres: number, state: Pulse["state"] = "planned"): Pulse => ({
  startUtc: `2026-06-16T${from}:00.000Z`,
  endUtc: `2026-06-16T${to}:00.000Z`,
  litres,
  state,
});

/** Two zones of 4000 and 3000 L/h that overlap for half an hour from 09:00 at the site; it is ten past eight there. */
function twoZones(more: Partial<Board> = {}): Board {
  const melons = boardZone({ pulses: [pulse("05:30", "05:40", 400), pulse("06:30", "07:30", 4000)] });
  const field = boardZone({
    id: 2,
    name: "Low field",
    pulses: [pulse("05:00", "05:20", 900), pulse("07:00", "08:00", 3000)],
  });
  return board({ site: { ...site, pumpLh: 5000 }, zones: [melons, field], ...more });
}
async function run(shown = twoZones()) {
  const server = new FakeServer().on(addWaterings, {});
  const page = renderPage("/run", { shown, server });
  await screen.findByRole("heading", { name: "The day of all zones" });
  return page;
}

describe("the day of all zones", () => {
  it("names a clash at the pump: who, from when to when, and by how much", async () => {
    await run();
    const clashes = screen.getByRole("region", { name: "Clashes" });
    expect(clashes).toHaveTextContent(
      /09:00–09:30 Melon bags and Low field ask for 7.000 L\/h; the pump gives 5.000 L\/h/,
    );
    expect(screen.getByRole("img", { name: /09:00–10:00, .*clashes at the pump/ })).toBeInTheDocument();
  });

  it("says that the pump carries it where it does, and that no clash can be told of a pump nobody described", async () => {
    const first = await run(twoZones({ site: { ...site, pumpLh: 9000 } }));
    expect(screen.getByText("The pump carries all of it.")).toBeVisible();
    first.unmount();
    await run(twoZones({ site: { ...site, pumpLh: null } }));
    expect(screen.getByRole("link", { name: "say what it gives" })).toHaveAttribute("href", "/set-up?zone=site");
    expect(screen.queryByText("The pump carries all of it.")).toBeNull();
  });

  it("leads to the sheet of the same day on paper", async () => {
    await run();
    expect(screen.getByRole("link", { name: "Clock sheet to print" })).toHaveAttribute("href", "/run/sheet");
  });
});

describe("water that was given", () => {
  it("is said for the day, with the litres that each zone really got", async () => {
    const { user, server } = await run();
    await user.click(screen.getByRole("button", { name: "All due was given" }));
    const dialog = within(await screen.findByRole("dialog", { name: /all zones/ }));
    const litres = dialog.getByLabelText("Litres: Low field, 07:00");
    await user.clear(litres);
    await user.type(litres, "850");
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    await waitFor(() =>
      expect(server.sent(addWaterings)).toEqual([
        {
          waterings: [
            { zoneId: 1, startUtc: "2026-06-16T05:30:00.000Z", minutes: 10, litres: 400 },
            { zoneId: 2, startUtc: "2026-06-16T05:00:00.000Z", minutes: 20, litres: 850 },
          ],
        },
      ]),
    );
  });

  it("is said for one pulse by a key, and for a zone", async () => {
    const { user, server } = await run();
    screen.getByRole("button", { name: /07:30–07:40, 400 L, planned; say it was given/ }).focus();
    await user.keyboard("{Enter}");
    const dialog = within(await screen.findByRole("dialog", { name: "Given: Melon bags" }));
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    await waitFor(() => expect(server.sent(addWaterings)).toMatchObject([{ waterings: [{ zoneId: 1, litres: 400 }] }]));
    await user.click(screen.getByRole("button", { name: "Given: Low field" }));
    expect(await screen.findByRole("dialog", { name: "Given: Low field" })).toBeVisible();
  });

  it("may be other water than was planned, at a time that is typed", async () => {
    const zones = [boardZone({ pulses: [] })];
    const { user, server } = await run(twoZones({ zones }));
    await user.click(screen.getByRole("button", { name: "Log water: Melon bags" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Given: Melon bags" }));
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    expect(await dialog.findByText(/how long was the valve open/)).toBeVisible();
    await user.type(dialog.getByLabelText(/^Minutes/), "15");
    await user.type(dialog.getByLabelText(/^Litres/), "600");
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    await waitFor(() =>
      expect(server.sent(addWaterings)).toEqual([
        { waterings: [{ zoneId: 1, startUtc: "2026-06-16T06:10:00.000Z", minutes: 15, litres: 600 }] },
      ]),
    );
  });

  it("stays as it was typed when the server refuses, with the reason", async () => {
    const { user, server } = await run();
    server.on(
      addWaterings,
      refusal(422, "Check.", { errors: [{ path: "waterings.0.litres", message: "Too many litres for this zone." }] }),
    );
    await user.click(screen.getByRole("button", { name: "Given: Melon bags" }));
    const dialog = within(await screen.findByRole("dialog", { name: "Given: Melon bags" }));
    await user.click(dialog.getByRole("button", { name: "It was given" }));
    expect(await dialog.findByText("Too many litres for this zone.")).toBeVisible();
    expect(dialog.getByLabelText(/^Litres/)).toHaveValue("400");
  });
});

describe("the clock sheet", () => {
  it("lists every start with minutes and litres, and who gets no water", async () => {
    const dry = boardZone({ id: 3, name: "Wet bed", pulses: [] });
    const shown = twoZones({ zones: [...twoZones().zones, dry] });
    renderPage("/run/sheet", { shown, server: new FakeServer() });
    expect(await screen.findByRole("heading", { name: /Water for Tuesday 16 June 2026/ })).toBeVisible();
    expect(screen.getByText(/60 min · 4.000 L/)).toBeVisible();
    expect(screen.getByText("No water needed: Wet bed.")).toBeVisible();
  });
});
