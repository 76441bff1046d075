import { addSource, getWater, getWaterReports, updateSource } from "@sprunel/contract/water";
import { previewOrganic } from "@sprunel/contract/exchange";
import { getZoneFeed } from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { waterStation, zoneFeed } from "../testing/sample-site.ts";

async function opened(name: RegExp) {
  const page = renderPage("/water");
  page.server
    .on(getWater, waterStation)
    .on(getWaterReports, { reports: [] })
    .on(getZoneFeed, zoneFeed())
    .on(addSource, waterStation)
    .on(updateSource, waterStation);
  await page.user.click((await screen.findAllByRole("button", { name }))[0] as HTMLElement);
  return { ...page, dialog: within(await screen.findByRole("dialog")) };
}

describe("a source of water", () => {
  it("is changed at the version that was read, and keeps what was not touched", async () => {
    const { server, user, dialog } = await opened(/^Change/);
    const level = dialog.getByLabelText("Stands in it");
    await user.clear(level);
    await user.type(level, "150");
    await user.click(dialog.getByRole("button", { name: /Save/ }));
    await waitFor(() => expect(server.sent(updateSource)).toHaveLength(1));
    expect(server.sent(updateSource)[0]).toMatchObject({
      version: 2,
      name: "Roof basin",
      priceM3: 0.05,
      storage: { capacityM3: 320, levelM3: 150, roofM2: 2400 },
    });
  });

  it("needs a name, and leaves what is not known unknown", async () => {
    const { server, user, dialog } = await opened(/^Add a source/);
    await user.click(dialog.getByRole("button", { name: /Save/ }));
    expect(
      await dialog.findByText(/name/i, { selector: "[role=alert], .ant-form-item-explain-error, div" }),
    ).toBeTruthy();
    expect(server.sent(addSource)).toEqual([]);
    await user.type(dialog.getByLabelText("Name of the water"), "Brook");
    await user.click(dialog.getByRole("button", { name: /Save/ }));
    await waitFor(() => expect(server.sent(addSource)).toHaveLength(1));
    expect(server.sent(addSource)[0]).toMatchObject({ name: "Brook", maxFlowLh: null, priceM3: null, storage: null });
  });

  it("tells at the name that it is taken", async () => {
    const { server, user, dialog } = await opened(/^Add a source/);
    const words = "Another water is already called Brook; choose another name.";
    server.on(addSource, refusal(422, words, { errors: [{ path: "name", message: words }] }));
    await user.type(dialog.getByLabelText("Name of the water"), "Brook");
    await user.click(dialog.getByRole("button", { name: /Save/ }));
    expect(await dialog.findByText(words)).toBeVisible();
    expect(dialog.getByLabelText("Name of the water")).toHaveValue("Brook");
  });

  it("that is a digestate is filled from a laboratory's file, and says what the file does not tell", async () => {
    const { server, user, dialog } = await opened(/^Add a source/);
    server.on(previewOrganic, {
      ...{ columns: [], kinds: [], lacks: [], book: null, preamble: [], decimal: ".", decimalAssumed: false },
      ...{ dateOrder: "dmy", dateOrderAssumed: true, takenOn: "2026-04-03" },
      analysis: { nh4NMgL: 1850, kMgL: 2400 },
      missing: ["pMgL"],
      remarks: ["K is given by mass and taken for 1 kg in a litre."],
    });
    await user.click(dialog.getByLabelText("Kind"));
    await user.click(await screen.findByTitle(/digestate/i));
    await dialog.findByRole("button", { name: "Choose the file" });
    const input = document.querySelector<HTMLInputElement>("[role=dialog] input[type=file]");
    await user.upload(input as HTMLInputElement, new File(["a"], "lab.xlsx"));
    expect(await dialog.findByText(/taken for 1 kg in a litre\. Not in the file: Phosphorus\./)).toBeVisible();
    expect(dialog.getByLabelText("Ammonium N")).toHaveValue("1850");
    expect(dialog.getByLabelText("Phosphorus")).toHaveValue("");
    expect(dialog.getByText(/both orders fit: please check/)).toBeVisible();
  });
});
