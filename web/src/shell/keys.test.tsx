import { getZoneDay } from "@sprunel/contract/plan";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { zoneDay } from "../testing/sample-site.ts";

/** The page stands when the path's stations have their names. */
async function shown(address: string) {
  const page = renderPage(address);
  page.server.on(getZoneDay, zoneDay());
  await screen.findAllByText("Melon bags");
  return page;
}

describe("keys", () => {
  it.each([
    ["2", "/zones/1/feed"],
    ["4", "/zones/1/roots"],
    ["6", "/zones/1/harvest"],
    ["0", "/"],
    ["a", "/run"],
    ["]", "/zones/2/run"],
    ["[", "/zones/3/run"],
    [",", "/zones/1/run?date=2026-06-15"],
    [".", "/zones/1/run?date=2026-06-17"],
  ])("%s goes from Run of the first zone to %s", async (key, address) => {
    const { user, at } = await shown("/zones/1/run");
    await user.keyboard(key === "[" ? "[[" : key === "]" ? "]" : key);
    await waitFor(() => expect(at()).toBe(address));
  });

  it("keep the zone and the date that are looked at when the station changes", async () => {
    const { user, at } = await shown("/zones/2/roots?date=2026-06-10");
    await user.keyboard("3");
    await waitFor(() => expect(at()).toBe("/zones/2/run?date=2026-06-10"));
  });

  it("do nothing while a person types", async () => {
    const { user, at } = await shown("/zones/1/run");
    await user.keyboard("/");
    await user.type(await screen.findByRole("combobox", { name: "Find" }), "4");
    expect(at()).toBe("/zones/1/run");
  });

  it("? lists them all", async () => {
    const { user } = await shown("/zones/1/run");
    await user.keyboard("?");
    expect(await screen.findByText("Find a zone, a station or an action")).toBeVisible();
  });

  it("w opens how the figure in focus was computed, with a default marked as such", async () => {
    const { user } = await shown("/zones/1/run");
    await screen.findByRole("heading", { name: /Melon bags/ });
    await waitFor(() => expect(document.querySelector("[data-figure]")).not.toBeNull());
    document.querySelector<HTMLElement>("[data-figure=demand]")?.focus();
    await user.keyboard("w");
    const drawer = within(await screen.findByRole("dialog"));
    expect(await drawer.findByText(/Baille, Baille & Laury/)).toBeVisible();
    expect(drawer.getByText(/default/i)).toBeVisible();
  });
});

describe("the finder", () => {
  it("goes where the first letters of a zone and a station point, by keys alone", async () => {
    const { user, at } = await shown("/");
    await user.keyboard("/");
    await user.type(await screen.findByRole("combobox", { name: "Find" }), "dry roo{Enter}");
    await waitFor(() => expect(at()).toBe("/zones/2/roots"));
  });

  it("chooses further down with the arrows", async () => {
    const { user, at } = await shown("/");
    await user.keyboard("/");
    await user.type(await screen.findByRole("combobox", { name: "Find" }), "import{ArrowDown}{Enter}");
    await waitFor(() => expect(at()).toBe("/import/readings"));
  });

  it("says so when nothing is called like that", async () => {
    const { user } = await shown("/");
    await user.keyboard("/");
    await user.type(await screen.findByRole("combobox", { name: "Find" }), "xyz");
    expect(await screen.findByText(/Nothing is called “xyz”/)).toBeVisible();
  });
});

describe("an address that leads nowhere", () => {
  it.each(["/nowhere", "/zones/99/run", "/import/fog"])("%s says so and offers a way back", async (address) => {
    renderPage(address);
    expect(await screen.findByRole("link", { name: /board/i })).toHaveAttribute("href", "/");
  });
});
