import { addReading, getRootHistory, getRootStation, getZoneReports } from "@sprunel/contract/rootzone";
import { getZoneDay } from "@sprunel/contract/plan";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, rootHistory, site, zoneDay } from "../testing/sample-site.ts";
import { rootStation } from "../testing/sample-stations.ts";

async function opened(address = "/zones/1/roots", shown = board()) {
  const page = renderPage(address, { shown });
  page.server
    .on(getRootHistory, rootHistory)
    .on(getZoneReports, { zoneId: 1, reports: [] })
    .on(getZoneDay, zoneDay())
    .on(getRootStation, rootStation)
    .on(addReading, rootHistory);
  await screen.findByRole("heading", { level: 1 });
  await page.user.keyboard("l");
  return { ...page, dialog: within(await screen.findByRole("dialog")) };
}

describe("logging a reading", () => {
  it("takes what was read, by keys alone, and leaves out what was not", async () => {
    const { server, user, dialog } = await opened();
    await user.type(dialog.getByLabelText("Drain share"), "31");
    await user.type(dialog.getByLabelText("Drain EC"), "2.9{Enter}");
    await waitFor(() =>
      expect(server.sent(addReading)).toEqual([
        { at: "2026-06-16T06:10:00.000Z", drainPct: 31, drainEcMsCm: 2.9, feedEcMsCm: 2.32 },
      ]),
    );
    await waitFor(() => expect(screen.queryByRole("dialog")).toBeNull());
  });

  it("tells at its field a value that cannot be, names the sensible span and keeps it", async () => {
    const { server, user, dialog } = await opened();
    await user.type(dialog.getByLabelText("Drain share"), "310{Enter}");
    expect(await dialog.findByText(/Drain share must be 0 to 95.*not 310/)).toBeVisible();
    expect(dialog.getByLabelText("Drain share")).toHaveValue("310");
    expect(server.sent(addReading)).toEqual([]);
  });

  it("asks for at least one value", async () => {
    const { server, user, dialog } = await opened();
    await user.clear(dialog.getByLabelText("Feed EC"));
    await user.click(dialog.getByRole("button", { name: /Save/ }));
    expect(await dialog.findByText("Type at least one value that was read.")).toBeVisible();
    expect(server.sent(addReading)).toEqual([]);
  });

  it("shows what the server refuses and stays open", async () => {
    const { server, user, dialog } = await opened();
    server.on(
      addReading,
      refusal(422, "No.", { errors: [{ path: "drainPct", message: "The tray was dry at that time." }] }),
    );
    await user.type(dialog.getByLabelText("Drain share"), "31{Enter}");
    expect(await dialog.findByText("The tray was dry at that time.")).toBeVisible();
    expect(dialog.getByLabelText("Drain share")).toHaveValue("31");
  });

  it("asks of a tank what a tank has, and takes a level in the person's own unit", async () => {
    const { server, user, dialog } = await opened("/zones/3/roots", board({ site: { ...site, unitSystem: "us" } }));
    expect(dialog.queryByLabelText("Drain share")).toBeNull();
    await user.type(dialog.getByLabelText("Level"), "10{Enter}");
    await waitFor(() => expect(server.sent(addReading)).toHaveLength(1));
    const [{ levelCm }] = server.sent(addReading) as [{ levelCm: number }];
    expect(levelCm).toBeCloseTo(25.4, 6);
  });

  it("is of the day that is looked at, at a time that is asked for", async () => {
    const { server, user, dialog } = await opened("/zones/1/roots?date=2026-06-14");
    await user.type(dialog.getByLabelText("Drain share"), "31{Enter}");
    expect(await dialog.findByText("Say at what time it was, as 08:15.")).toBeVisible();
    await user.type(dialog.getByLabelText("Read at"), "815{Enter}");
    await waitFor(() => expect(server.sent(addReading)).toMatchObject([{ at: "2026-06-14T06:15:00.000Z" }]));
  });

  it("may be of an earlier hour, never of one to come", async () => {
    const { server, user, dialog } = await opened();
    expect(dialog.getByLabelText("Read at")).toHaveValue("08:10");
    await user.type(dialog.getByLabelText("Drain share"), "31");
    await user.clear(dialog.getByLabelText("Read at"));
    await user.type(dialog.getByLabelText("Read at"), "9:00{Enter}");
    expect(await dialog.findByText("This is still to come.")).toBeVisible();
    await user.clear(dialog.getByLabelText("Read at"));
    await user.type(dialog.getByLabelText("Read at"), "7:05{Enter}");
    await waitFor(() => expect(server.sent(addReading)).toMatchObject([{ at: "2026-06-16T05:05:00.000Z" }]));
  });

  it("asks about a value far outside the zone's own past, and takes it when it is said once more", async () => {
    const { server, user, dialog } = await opened();
    await waitFor(() => expect(server.sent(getRootStation)).toHaveLength(1));
    await user.type(dialog.getByLabelText("Drain EC"), "19{Enter}");
    expect(await dialog.findByText(/drain ec: 19.00 mS\/cm is far from the last readings/)).toBeVisible();
    expect(server.sent(addReading)).toEqual([]);
    await user.click(dialog.getByRole("button", { name: /Save/ }));
    await waitFor(() => expect(server.sent(addReading)).toMatchObject([{ drainEcMsCm: 19 }]));
  });

  it("never takes 1,9 for 19", async () => {
    const { server, user, dialog } = await opened();
    await user.type(dialog.getByLabelText("Drain EC"), "2,9{Enter}");
    await waitFor(() => expect(server.sent(addReading)).toMatchObject([{ drainEcMsCm: 2.9 }]));
  });
});
