import { readSiteFile } from "@sprunel/contract/exchange";
import { getSetUp, type SetUp } from "@sprunel/contract/site";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { setUp } from "../testing/sample-site.ts";

const file = new File(['{"format":"sprunel-site"}'], "greenway-2026-06-01.json", { type: "application/json" });

async function choose(answer: SetUp | ReturnType<typeof refusal>) {
  const empty = { ...setUp([]), site: null };
  const server = new FakeServer().on(getSetUp, empty).on(readSiteFile, answer);
  const page = renderPage("/set-up", { server });
  await screen.findByRole("button", { name: /read a site from its file/ });
  await page.user.upload(document.querySelector<HTMLInputElement>("input[type=file]") as HTMLInputElement, file);
  return page;
}

describe("reading a site from its file", () => {
  it("sends the file as it is", async () => {
    const { server } = await choose(setUp([]));
    await waitFor(() => expect(server.sent(readSiteFile)).toEqual([file]));
  });

  it("tells which file was not read, where its fault stands, and that nothing was changed", async () => {
    await choose(
      refusal(422, "The value must be a number.", {
        errors: [{ path: "zones.0.readings.2345.value", message: "The value must be a number." }],
      }),
    );
    expect(await screen.findByRole("alert")).toHaveTextContent(
      "greenway-2026-06-01.json is not read: zones.0.readings.2345.value – The value must be a number. Nothing was changed.",
    );
  });
});
