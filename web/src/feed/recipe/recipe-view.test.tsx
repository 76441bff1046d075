import { getProducts, getZoneFeed, saveFeedTarget } from "@sprunel/contract/feed";
import { getWater } from "@sprunel/contract/water";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { zoneFeed } from "../../testing/sample-site.ts";

async function opened(feed = zoneFeed()) {
  const page = renderPage("/zones/1/feed");
  page.server.on(getZoneFeed, feed).on(getProducts, { products: [] }).on(getWater, { date: "2026-06-16", sources: [] });
  await screen.findByRole("heading", { level: 1 });
  return page;
}

const ladder = () => within(screen.getByRole("region", { name: "Ion ladder" }));
const given = (ion: string): number => {
  const row = ladder().getByRole("rowheader", { name: ion }).closest("tr") as HTMLElement;
  return Number(/([\d.]+)\s*mmol\/L/.exec(row.textContent)?.[1]);
};

describe("a recipe", () => {
  it("is solved as the page opens, and gives what is asked", async () => {
    await opened();
    await waitFor(() => expect(given("K")).toBeCloseTo(6, 1));
    expect(given("Ca")).toBeCloseTo(3, 1);
  });

  it("is solved anew while a target is typed, and may be kept at the version that was read", async () => {
    const { server, user } = await opened();
    server.on(saveFeedTarget, zoneFeed());
    await waitFor(() => expect(given("K")).toBeCloseTo(6, 1));
    const potassium = ladder().getByLabelText(/Target.*K|K.*target/i);
    await user.clear(potassium);
    await user.type(potassium, "5");
    await waitFor(() => expect(given("K")).toBeCloseTo(5, 1));
    await user.click(screen.getByRole("button", { name: "Keep this target" }));
    await waitFor(() => expect(server.sent(saveFeedTarget)).toMatchObject([{ version: 4, ions: { K: 5, Ca: 3 } }]));
  });

  it("goes back to the saved target when a person wants that", async () => {
    const { user } = await opened();
    await waitFor(() => expect(given("K")).toBeCloseTo(6, 1));
    const potassium = ladder().getByLabelText(/Target.*K|K.*target/i);
    await user.clear(potassium);
    await user.type(potassium, "4");
    await user.click(await screen.findByRole("button", { name: "Back to the saved one" }));
    await waitFor(() => expect(given("K")).toBeCloseTo(6, 1));
    expect(screen.queryByRole("button", { name: "Keep this target" })).toBeNull();
  });

  it("keeps what was typed when it cannot be saved, and says why", async () => {
    const { server, user } = await opened();
    server.on(
      saveFeedTarget,
      refusal(409, "The target of Melon bags was changed by somebody else since you opened it."),
    );
    await waitFor(() => expect(given("K")).toBeCloseTo(6, 1));
    const potassium = ladder().getByLabelText(/Target.*K|K.*target/i);
    await user.clear(potassium);
    await user.type(potassium, "5");
    await user.click(await screen.findByRole("button", { name: "Keep this target" }));
    expect(await screen.findByText(/changed by somebody else/)).toBeVisible();
    expect(potassium).toHaveValue("5");
  });

  it("asks for a laboratory's report where the water is unknown", async () => {
    await opened(zoneFeed({ water: null }));
    expect(await screen.findByText(/needs to know what the water brings/)).toBeVisible();
    expect(screen.getByRole("button", { name: "Save the report" })).toBeVisible();
  });

  it("has no pH where a report of the water leaves out bicarbonate, and names what it counted as none", async () => {
    await opened(zoneFeed({ water: { ions: { Ca: 0.1 }, unmeasured: ["Na", "HCO3", "Fe"] } }));
    expect(await screen.findByText(/does not name Na, HCO₃: counted as none/)).toHaveTextContent("Acid and pH");
    expect(screen.getByText("pH in the line").nextSibling).toHaveTextContent("not known");
  });

  it("says so where nothing stands on the shelf", async () => {
    await opened(zoneFeed({ shelf: [] }));
    expect(await screen.findByText("There is no product on the shelf to make a feed of.")).toBeVisible();
  });

  it("keeps what is typed when a newer target comes in from elsewhere, and shows both when it is kept", async () => {
    const { server, user } = await opened();
    await waitFor(() => expect(given("K")).toBeCloseTo(6, 1));
    const potassium = ladder().getByLabelText(/Target.*K|K.*target/i);
    await user.clear(potassium);
    await user.type(potassium, "5");
    const newer = { ions: { NO3: 9, K: 7, Ca: 2 }, ph: 5.6, version: 9 };
    server.on(getZoneFeed, zoneFeed({ own: { ...newer, keptIn: null } }));
    server.on(saveFeedTarget, refusal(409, "Changed meanwhile.", { current: newer }));
    await user.click(await screen.findByRole("button", { name: "Keep this target" }));
    const both = within(
      await screen.findByText(/Somebody else changed this/).then((title) => title.parentElement as HTMLElement),
    );
    expect(both.getByRole("row", { name: /K 5 7/ })).toBeVisible();
    expect(potassium).toHaveValue("5");
    await user.click(both.getByRole("button", { name: "Take the saved one" }));
    await waitFor(() => expect(ladder().getByLabelText(/Target.*K|K.*target/i)).toHaveValue("7"));
  });

  it("is made stronger or weaker as a whole, in the same proportions, and aims at another pH", async () => {
    const { user } = await opened();
    const potassium = () => Number(ladder().getByLabelText<HTMLInputElement>(/Target.*K|K.*target/i).value);
    const calcium = () => Number(ladder().getByLabelText<HTMLInputElement>(/Target of Ca/).value);
    const strength = await screen.findByLabelText<HTMLInputElement>("Strength of the target");
    const before = Number(strength.value);
    await user.clear(strength);
    await user.type(strength, (before * 2).toFixed(2));
    expect(potassium()).toBeGreaterThan(11);
    expect(potassium() / calcium()).toBeCloseTo(2, 2);
    await user.clear(screen.getByLabelText("pH aimed at"));
    await user.type(screen.getByLabelText("pH aimed at"), "5,5");
    expect(await screen.findByRole("button", { name: "Keep this target" })).toBeVisible();
    await user.clear(strength);
    await user.type(strength, "50");
    expect(await screen.findByText(/0.1 to 10 mS\/cm/)).toBeVisible();
  });

  it("says nothing of cost where a product has no price", async () => {
    const feed = zoneFeed();
    await opened({ ...feed, shelf: feed.shelf.map((item) => ({ ...item, priceKg: null })) });
    expect(await screen.findByText(/not known: no price of/)).toBeVisible();
  });
});

describe("a zone whose water has no report", () => {
  it("asks for one before a recipe is made, and makes simple feeds without", async () => {
    const { user } = await opened(zoneFeed({ water: null }));
    expect(await screen.findByText(/A recipe needs to know what the water brings/)).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Simple feeds" }));
    expect(await screen.findByRole("button", { name: "Dressing in grains" })).toBeVisible();
    expect(screen.queryByText(/A recipe needs to know/)).toBeNull();
  });
});
