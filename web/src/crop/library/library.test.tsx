import {
  addOwnCrop,
  changeOwnCrop,
  definitionOf,
  getCrop,
  getCropLibrary,
  importCrop,
  type CropLibrary,
  type LibraryCrop,
} from "@sprunel/contract/crop";
import { cropById } from "@sprunel/core/crop";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, site } from "../../testing/sample-site.ts";

const tomato = definitionOf(cropById("tomato"));
const ours: LibraryCrop = {
  id: "own-plum",
  version: 3,
  crop: { ...tomato, name: "Our plum tomato", kcStart: 0.5 },
  basedOn: { id: "tomato", crop: tomato },
  zones: [{ id: 1, name: "Melon bags" }],
  feeds: tomato.stages.map(() => "Tomato in substrate"),
};
const theirs: LibraryCrop = { ...ours, id: "tomato", version: null, crop: tomato, basedOn: null, zones: [] };
const entry = (id: string, name: string, group: "vine fruit" | "leaf", own = false): CropLibrary["crops"][number] => ({
  ...{ id, name, group, own, days: 120, zones: 0, assumed: 5, figures: 13 },
});
const library: CropLibrary = {
  crops: [
    entry("tomato", "Tomato", "vine fruit"),
    entry("rocket", "Rocket", "leaf"),
    entry("own-plum", "Our plum tomato", "vine fruit", true),
  ],
};

async function opened(path: string, crop = ours) {
  const server = new FakeServer()
    .on(getCropLibrary, library)
    .on(getCrop, crop)
    .on(addOwnCrop, ours)
    .on(changeOwnCrop, ours)
    .on(importCrop, ours);
  const page = renderPage(path, { server });
  await screen.findByRole("heading", { level: 1, name: path === "/crops" ? "Crops" : crop.crop.name });
  return page;
}

describe("the crop library", () => {
  it("has one's own first, then the groups, and finds a crop by its name", async () => {
    const { user } = await opened("/crops");
    const groups = within(screen.getByRole("main")).getAllByRole("heading", { level: 2 });
    expect(groups.map(({ textContent }) => textContent)).toEqual(["your own", "vine fruit", "leaf"]);
    await user.type(screen.getByRole("textbox", { name: "Find a crop" }), "rock");
    expect(screen.getByRole("link", { name: /Rocket.*8 of 13 figures published/ })).toHaveAttribute(
      "href",
      "/crops/rocket",
    );
    expect(screen.queryByRole("link", { name: /Tomato/ })).toBeNull();
  });

  it("refuses a file with a Kc of 12 at its place, before anything is sent", async () => {
    const { user, server } = await opened("/crops");
    const file = { format: "sprunel-crop", version: 1, basedOn: null, crop: { ...tomato, kcStart: 12 } };
    const chosen = new File([JSON.stringify(file)], "crop.json", { type: "application/json" });
    await user.upload(document.querySelector("input[type=file]") as HTMLInputElement, chosen);
    expect(await screen.findByText(/crop\.kcStart: Kc at planting must be 0\.1 to 1\.6, not 12/)).toBeVisible();
    expect(server.sent(importCrop)).toEqual([]);
  });
});

describe("a crop's page", () => {
  it("tells each figure with its source, marks what is assumed, and offers to begin one's own", async () => {
    const { user, server } = await opened("/crops/tomato", theirs);
    const row = screen.getByRole("row", { name: /Yield in soil begins to fall/ });
    expect(row).toHaveTextContent(/Maas & Grattan.*2\.5\s*mS\/cm/);
    expect(row).not.toHaveTextContent("assumed ·");
    expect(screen.getByRole("row", { name: /The days hold at a mean of/ })).toHaveTextContent("assumed ·");
    expect(screen.getByRole("row", { name: /^Establishment/ })).toHaveTextContent(/20 days.*260 °C·d over 7/);
    expect(screen.queryByRole("button", { name: "Save the crop" })).toBeNull();
    await user.click(screen.getByRole("button", { name: "Begin a crop of your own from it" }));
    const name = screen.getByRole("textbox", { name: "Name of your crop" });
    await user.clear(name);
    await user.type(name, "Our plum tomato");
    await user.click(screen.getByRole("button", { name: "Begin it" }));
    await waitFor(() => expect(server.sent(addOwnCrop)).toEqual([{ basedOn: "tomato", name: "Our plum tomato" }]));
  });

  it("speaks US units where the site does, warmth among them", async () => {
    const shown = board({ site: { ...site, unitSystem: "us" } });
    renderPage("/crops/tomato", { server: new FakeServer().on(getCrop, theirs), shown });
    await screen.findByRole("heading", { level: 1, name: "Tomato" });
    expect(screen.getByRole("row", { name: /^Establishment/ })).toHaveTextContent("468 °F·d over 44.6 °F");
    expect(screen.getByRole("row", { name: /^Root depth at planting/ })).toHaveTextContent(/0\.66\s*ft/);
    expect(screen.getByRole("row", { name: /^No warmth counts below/ })).toHaveTextContent(/44\.6 °F/);
  });

  it("of one's own shows what differs from the library, and saves a change at the version that was read", async () => {
    const { user, server } = await opened("/crops/own-plum");
    expect(screen.getByText(/from Tomato: one figure differs/)).toBeVisible();
    expect(screen.getByText(/library: 0\.6/)).toBeVisible();
    const days = screen.getByLabelText("Leaf growth: lasts");
    await user.clear(days);
    await user.type(days, "28");
    expect(screen.getByText(/two figures differ|2 figures differ/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Save the crop" }));
    await waitFor(() => expect(server.sent(changeOwnCrop)).toHaveLength(1));
    const [sent] = server.sent(changeOwnCrop) as { version: number; crop: typeof tomato }[];
    expect([sent?.version, sent?.crop.stages[1]?.days]).toEqual([3, 28]);
  });

  it("says within what a figure usually lies, what that rests on, and that one of one's own lies outside it", async () => {
    const { user } = await opened("/crops/own-plum");
    const share = screen.getByRole("row", { name: /^Share of the soil’s water/ });
    expect(within(share).getByText("0.32 to 0.48")).toHaveAttribute("title", expect.stringContaining("FAO-56"));
    const days = screen.getByLabelText("Leaf growth: lasts");
    await user.clear(days);
    await user.type(days, "50");
    expect(screen.getByText("unusual; 20 to 30")).toBeVisible();
  });

  it("tells what is done in the field by the crop's stages, where it says so", async () => {
    const rice = definitionOf(cropById("rice"));
    const feeds = rice.stages.map(() => null);
    await opened("/crops/rice", { ...theirs, id: "rice", crop: rice, feeds });
    const row = screen.getByRole("row", { name: /^Keep wet round flowering/ });
    expect(row).toHaveTextContent(/7 days before the end of panicle and heading, to 7 days after the end/);
    expect(row).toHaveTextContent(/Bouman, Lampayan & Tuong \(2007\)/);
  });

  it("tells a figure that cannot be at its field, and keeps what was typed", async () => {
    const { user, server } = await opened("/crops/own-plum");
    const kc = screen.getByLabelText("Kc at planting");
    await user.clear(kc);
    await user.type(kc, "12");
    await user.click(screen.getByRole("button", { name: "Save the crop" }));
    expect(
      within(screen.getByRole("row", { name: /^Kc at planting/ })).getByText(/must be 0\.1 to 1\.6, not 12/),
    ).toBeVisible();
    expect(kc).toHaveValue("12");
    expect(server.sent(changeOwnCrop)).toEqual([]);
  });

  it("shows both versions where somebody saved in between, and saves mine over theirs when I say so", async () => {
    const { user, server } = await opened("/crops/own-plum");
    const current = { id: "own-plum", basedOn: "tomato", version: 4, crop: { ...ours.crop, kcStart: 0.7 } };
    server.on(changeOwnCrop, refusal(409, "Somebody saved.", { current }));
    const kc = screen.getByLabelText("Kc at planting");
    await user.clear(kc);
    await user.type(kc, "0.55");
    await user.click(screen.getByRole("button", { name: "Save the crop" }));
    expect(await screen.findByRole("row", { name: "kc start 0.55 0.7" })).toBeVisible();
    server.on(changeOwnCrop, ours);
    await user.click(screen.getByRole("button", { name: "Save mine over it" }));
    await waitFor(() => expect(server.sent(changeOwnCrop)).toHaveLength(2));
    expect(server.sent(changeOwnCrop)[1]).toMatchObject({ version: 4, crop: { kcStart: 0.55 } });
  });
});
