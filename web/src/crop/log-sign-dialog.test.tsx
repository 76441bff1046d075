import { addSign, getZoneCrop } from "@sprunel/contract/crop";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { board, setUp } from "../testing/sample-site.ts";
import { zoneCrop } from "../testing/sample-stations.ts";

async function opened() {
  const server = new FakeServer().on(getZoneCrop, zoneCrop()).on(getSetUp, setUp([])).on(addSign, zoneCrop());
  const page = renderPage("/zones/1/crop", { server, shown: board() });
  await screen.findByRole("region", { name: "Stand" });
  await page.user.keyboard("l");
  return { ...page, dialog: within(await screen.findByRole("dialog")) };
}

describe("a stage that was seen, logged by its key at Crop", () => {
  it("is the next one, and today, unless somebody says otherwise", async () => {
    const { user, server, dialog } = await opened();
    expect(dialog.getByText("Seen: Melon bags")).toBeInTheDocument();
    await user.click(dialog.getByRole("button", { name: "Save" }));
    await waitFor(() =>
      expect(server.sent(addSign)).toEqual([
        { stageId: "ripening", on: "2026-06-16", planting: "2026-04-20", version: 5 },
      ]),
    );
  });

  it("says why it cannot be, and keeps what was typed", async () => {
    const { user, server, dialog } = await opened();
    server.on(addSign, refusal(422, "Ripening cannot begin on 2026-06-16: it comes after another."));
    await user.click(dialog.getByRole("button", { name: "Save" }));
    expect(await dialog.findByText(/cannot begin on 16 Jun 2026/)).toBeInTheDocument();
    expect(dialog.getByTitle("Ripening")).toBeInTheDocument();
  });
});
