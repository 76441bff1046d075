import { checkChanges, getChanges, type Change } from "@sprunel/contract/changes";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { setUp, site, zoneOf } from "../testing/sample-site.ts";

const change = (over: Partial<Change> = {}): Change => ({
  ...{ id: 9, at: "2026-06-15T22:05:00.000Z", by: "ana", device: "192.168.1.20", endpoint: "PUT /api/zones/:id" },
  ...{ kind: "zone", key: "1", zone: "Melon bags", zoneId: 1, fromFile: false, before: "", counts: [] },
  records: [
    {
      ...{ kind: "zone", key: "1", did: "changed", known: { name: "Melon bags" } },
      fields: [
        { path: ["name"], was: "Bags", is: "Melon bags" },
        { path: ["definition", "areaM2"], was: 100, is: 120 },
      ],
    },
  ],
  ...over,
});
const imported = change({
  ...{ id: 8, at: "2026-06-15T06:00:00.000Z", device: "127.0.0.1", kind: "file_import", key: "2", zone: null },
  records: [{ kind: "file_import", key: "2", did: "added", known: { file_name: "notebook.csv" }, fields: [] }],
  counts: [{ kind: "zone_reading", added: 1340, changed: 2, removed: 0 }],
});

function opened(changes: Change[], address = "/changes", more = false) {
  const server = new FakeServer()
    .on(getSetUp, setUp([zoneOf("substrate")]))
    .on(checkChanges, { changes: changes.length, brokenAt: null })
    .on(getChanges, ({ query }) => ({
      changes: changes.filter(({ id }) => id < Number(query["before"] ?? Infinity)),
      more: more && query["before"] === undefined,
      people: ["ana", "ben"],
    }));
  return renderPage(address, { server });
}
const asked = (server: FakeServer) =>
  server.calls.filter(({ endpoint }) => endpoint.path === getChanges.path).map(({ query }) => query);

describe("the record of changes", () => {
  it("tells under the site's own day who changed what, from what to what", async () => {
    opened([change(), imported]);
    // Five past midnight in Paris.
    const day = await screen.findByRole("region", { name: "Tuesday 16 June 2026" });
    const [entry] = within(day).getAllByRole("listitem");
    expect(entry).toHaveTextContent(/^00:05Zone changed, Melon bags/);
    expect(entry).toHaveTextContent("name Bags Melon bags");
    expect(entry).toHaveTextContent("area 100 m² 120 m²");
    expect(entry).toHaveTextContent("ana, from 192.168.1.20");
    expect(
      within(entry as HTMLElement)
        .getByText("Bags")
        .closest("s"),
    ).not.toBeNull();
  });

  it("counts what a file brought, and names no device where it was this one", async () => {
    opened([imported]);
    const day = await screen.findByRole("region", { name: "Monday 15 June 2026" });
    expect(day).toHaveTextContent("Reading: 1 340 added, 2 changed");
    expect(day).toHaveTextContent("file name notebook.csv");
    expect(day).not.toHaveTextContent("127.0.0.1");
  });

  it("tells amounts in the units of whoever reads, and names of fields in words", async () => {
    localStorage.setItem("sprunel.units", "us");
    const fields = [
      { path: ["definition", "areaM2"], is: 257.6 },
      { path: ["unconfirmed"], is: ["minGapMin"] },
    ];
    opened([change({ records: [{ kind: "zone", key: "1", did: "added", known: {}, fields }] })]);
    const day = await screen.findByRole("region", { name: "Tuesday 16 June 2026" });
    expect(day).toHaveTextContent("area 2 773 ft²");
    expect(day).toHaveTextContent("unconfirmed 1 min gap");
  });

  it("says that each fits the one before it", async () => {
    opened([change(), imported]);
    expect(await screen.findByText(/Each of the 2 fits the one before it/)).toBeVisible();
  });

  it("keeps what is chosen in the address and asks for it", async () => {
    const { server, user, at } = opened([change()], "/changes?kind=zone&key=1");
    await user.click(await screen.findByRole("button", { name: "Show all of its kind" }));
    expect(at()).toBe("/changes?kind=zone");
    await waitFor(() => expect(asked(server).at(-1)).toEqual({ kind: "zone" }));
    expect(asked(server)[0]).toEqual({ kind: "zone", key: "1" });
    expect(screen.getByRole("link", { name: "Save as a table" })).toHaveAttribute("href", "/api/changes.csv?kind=zone");
  });

  it("shows older ones when they are asked for", async () => {
    const { server, user } = opened([change(), imported], "/changes", true);
    await user.click(await screen.findByRole("button", { name: "Show older changes" }));
    await waitFor(() => expect(asked(server).at(-1)).toEqual({ before: "8" }));
    await waitFor(() => expect(screen.queryByRole("button", { name: "Show older changes" })).toBeNull());
  });

  it("says where it was altered past the program", async () => {
    const { server } = opened([]);
    server.on(checkChanges, { changes: 4, brokenAt: "2026-06-15T06:00:00.000Z" });
    expect(await screen.findByRole("alert")).toHaveTextContent(
      "Before 15 Jun 08:00 something was altered or taken out",
    );
  });

  it("says so where nothing fits what was chosen", async () => {
    opened([], "/changes?by=ben");
    expect(await screen.findByText("No change fits what is chosen above.")).toBeVisible();
  });
});

describe("a record that people edit", () => {
  it("tells who changed it last, and leads to all its changes", async () => {
    const server = new FakeServer().on(getSetUp, setUp([zoneOf("substrate")])).on(getChanges, ({ query }) => ({
      changes: query["kind"] === "site" && query["key"] === String(site.id) ? [change({ records: [] })] : [],
      more: false,
      people: ["ana"],
    }));
    renderPage("/set-up?zone=site", { server });
    expect(await screen.findByText(/Last changed 16 Jun 00:05 by ana/)).toBeVisible();
    expect(screen.getByRole("link", { name: "all its changes" })).toHaveAttribute("href", "/changes?kind=site&key=1");
  });
});
