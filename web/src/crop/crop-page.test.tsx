import { addSign, getZoneCrop, takeSignBack } from "@sprunel/contract/crop";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, site } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

async function crop(answer = zoneCrop(), shown = board()) {
  const server = new FakeServer().on(getZoneCrop, answer).on(addSign, answer).on(takeSignBack, answer);
  const page = renderPage("/zones/1/crop", { server, shown });
  await screen.findByRole("heading", { level: 1, name: /Melon bags/ });
  return page;
}

describe("the crop of a zone", () => {
  it("says which stage it is in, and what that asks for with its source, an assumed figure marked", async () => {
    await crop();
    expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("Melon bags: fill, day 9 of 24");
    expect(screen.getByRole("row", { name: /Kc.*FAO-56, table 12.*0\.85/ })).not.toHaveTextContent("assumed ·");
    expect(screen.getByRole("row", { name: /Drain.*28/ })).toHaveTextContent("assumed ·");
    expect(screen.getByRole("group", { name: "Stages of this planting" })).toHaveTextContent(/Flowering.*seen 21 May/);
    expect(screen.getByText("Thu 2 Jul ± 3 d")).toBeVisible();
    expect(screen.getByRole("group", { name: "Stages of this planting" })).toHaveTextContent(/Fill108 of 288 °C·d/);
  });

  it("reads in US units on a site that uses them", async () => {
    await crop(zoneCrop(), board({ site: { ...site, unitSystem: "us" } }));
    expect(screen.getByRole("row", { name: /Roots reach/ })).toHaveTextContent(/2\.6\d*\s*ft/);
  });

  it("takes a stage that is seen today in one tap, at the version that was read", async () => {
    const { user, server } = await crop();
    await user.click(screen.getByRole("button", { name: "Ripening seen today" }));
    await waitFor(() =>
      expect(server.sent(addSign)).toEqual([
        { stageId: "ripening", on: "2026-06-16", planting: "2026-04-20", version: 5 },
      ]),
    );
  });

  it("takes a stage that was seen on another day, and gives one back", async () => {
    const { user, server } = await crop();
    await user.click(screen.getByRole("button", { name: "Seen on another day" }));
    const day = screen.getByLabelText("Seen on");
    await user.clear(day);
    await user.type(day, "2026-05-23");
    await user.click(screen.getByRole("button", { name: "Say it" }));
    await waitFor(() =>
      expect(server.sent(addSign)).toEqual([
        { stageId: "flowering", on: "2026-05-23", planting: "2026-04-20", version: 5 },
      ]),
    );
    await user.click(screen.getByRole("button", { name: "Take back: Flowering" }));
    await waitFor(() => expect(server.calls.some(({ endpoint }) => endpoint.method === "delete")).toBe(true));
    expect(server.calls.find(({ endpoint }) => endpoint.method === "delete")).toMatchObject({
      params: { id: "1", stageId: "flowering" },
      query: { version: "5" },
    });
  });

  it("tells why a stage cannot have been seen then", async () => {
    const { user, server } = await crop();
    const message = "Ripening cannot begin on 2026-06-16: Picking was seen on 2026-06-10, and comes after it.";
    server.on(addSign, refusal(422, "Check.", { errors: [{ path: "on", message }] }));
    await user.click(screen.getByRole("button", { name: "Ripening seen today" }));
    expect(
      await screen.findByText(
        "Ripening cannot begin on 16 Jun 2026: Picking was seen on 10 Jun 2026, and comes after it.",
      ),
    ).toBeVisible();
  });

  it("leads to set-up where nothing stands, and says so of a crop past its last stage", async () => {
    const first = await crop(zoneCrop({ planting: null, now: null }));
    expect(within(screen.getByRole("main")).getAllByRole("link", { name: /set-up/i })[0]).toHaveAttribute(
      "href",
      "/set-up?zone=1",
    );
    first.unmount();
    await crop(zoneCrop({ now: null }));
    expect(screen.getByRole("heading", { level: 1 })).toHaveTextContent("past its last stage");
  });
});
