import { getFeedStation, getProducts, getRecipes, getZoneFeed } from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { zoneFeed } from "../testing/sample-site.ts";
import { feedStation } from "../testing/sample-stations.ts";

function feed(address: string) {
  const server = new FakeServer()
    .on(getFeedStation, feedStation())
    .on(getZoneFeed, zoneFeed())
    .on(getProducts, { products: [] })
    .on(getRecipes, { recipes: [] });
  return renderPage(address, { server });
}

describe("the site's tanks", () => {
  it("say first what is to be mixed today, how much of it is missing, and where its weigh sheet is", async () => {
    feed("/feed");
    const due = await screen.findByRole("region", { name: "To mix today" });
    expect(due).toHaveTextContent(/Melon bags\s*A 185 L/);
    expect(within(due).getByRole("link", { name: "Weigh sheet" })).toHaveAttribute("href", "/zones/1/feed/sheet");
    expect(due).not.toHaveTextContent("B 60");
  });

  it("show level and days of each, mark what is taken for full, and make up nothing of one that was never mixed", async () => {
    feed("/feed");
    const tanks = await screen.findByRole("region", { name: "All tanks" });
    expect(within(tanks).getByRole("img", { name: "Tank B, 70 % full" })).toBeInTheDocument();
    expect(tanks).toHaveTextContent("not through today");
    expect(tanks).toHaveTextContent("13 Jun 06:30, taken for full");
    expect(within(tanks).getByRole("row", { name: /Dry bags/ })).toHaveTextContent(/no plan.*not known/);
    expect(within(tanks).getByRole("row", { name: /Dry bags/ })).toHaveTextContent("usual tanks, not confirmed");
    expect(screen.getByText(/Level not known.*Dry bags/)).toBeVisible();
  });
});

describe("the site's shelf", () => {
  it("lists stock and prices, and opens them to be changed", async () => {
    const { user } = feed("/feed?view=shelf");
    expect(await screen.findByRole("row", { name: /Calcium nitrate fertiliser/ })).toHaveTextContent(
      /100.*1\.20 EUR per kg/,
    );
    await user.click(screen.getByRole("button", { name: "Stock and prices" }));
    expect(await screen.findByRole("dialog")).toHaveTextContent(/The shelf.*Add a product of the library/);
  });
});

describe("the library of targets", () => {
  it("tries one in the zone that is chosen, where nothing is kept until somebody says so", async () => {
    const { user, at } = feed("/feed?view=targets");
    await user.click(
      (await screen.findAllByRole("button", { name: /^Try .*Steiner|^Try Steiner/i }))[0] as HTMLElement,
    );
    await waitFor(() => expect(at()).toBe("/zones/1/feed"));
    // The recipe is solved in this thread first.
    expect(await screen.findByText("Keep this target", {}, { timeout: 100_000 })).toBeVisible();
  });
});

describe("kept recipes", () => {
  it("say how one is kept while there is none", async () => {
    feed("/feed?view=kept");
    expect(await screen.findByText(/None is kept yet. Keep one at Feed of a zone/)).toBeVisible();
  });
});
