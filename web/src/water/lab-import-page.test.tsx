import { getImports, importWater, previewWater, type WaterPreview } from "@sprunel/contract/exchange";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { renderPage } from "../testing/render-page.tsx";
import { setUp, zoneOf } from "../testing/sample-site.ts";

const check = {
  ...{ cationsMeqL: 4, anionsMeqL: 4.1, errorPct: -1.2, verdict: "good" as const },
  ...{ ecFromIonsMsCm: 0.42, ecWithin10Pct: true, slip: null },
};
const sample = (more: Partial<WaterPreview["samples"][number]>): WaterPreview["samples"][number] => ({
  ...{ source: "Well A", zone: null, takenOn: "2026-03-12", lines: [4, 12], ph: 7.1, ecMsCm: 0.45, ions: { Ca: 2 } },
  ...{ belowDetection: [], notTested: [], setAside: [], methods: {}, hardnessMmolL: null, check, fate: "stored" },
  ...more,
});
const preview: WaterPreview = {
  ...{ fileName: "lab.xlsx", lies: "across", dateOrder: "dmy", dateOrderAssumed: false },
  ...{ decimal: ",", decimalAssumed: false, notData: [], rejected: [], columns: [], kinds: [], lacks: [] },
  ...{ book: null, preamble: [], rememberedFrom: null },
  counts: { physicalLines: 12, dataRows: 9, accepted: 9, flagged: 0, rejected: 0, notData: 3 },
  samples: [
    sample({
      belowDetection: [{ analyte: "NO3", text: "<0,5 mg/l", limit: 0.00806, unit: "mmol/L" }],
      setAside: [{ analyte: "B", text: "0,03 - 0,05", why: "range" }],
    }),
    sample({ source: "Drain 2", check: { ...check, errorPct: 14, verdict: "refused" }, fate: "refused" }),
  ],
};

async function chosen() {
  const page = renderPage("/import/water");
  page.server
    .on(getSetUp, setUp([zoneOf("substrate", { id: 1, name: "Melon bags" })]))
    .on(previewWater, preview)
    .on(importWater, preview)
    .on(getImports, { imports: [] });
  await screen.findByRole("heading", { level: 1 });
  const input = document.querySelector<HTMLInputElement>("input[type=file]");
  await page.user.upload(input as HTMLInputElement, new File(["a"], "lab.xlsx"));
  await screen.findByText(/Well A, .*: will be stored/);
  return page;
}

describe("importing a laboratory's reports", () => {
  it("tells of each sample what was set aside, what lay below a limit, and whether its charges balance", async () => {
    await chosen();
    expect(screen.getByText(/“0,03 - 0,05” \(a range\)/)).toBeVisible();
    expect(screen.getByText(/half of the limit counts: NO₃ “<0,5 mg\/l”, 0\.008\d* mmol\/L/)).toBeVisible();
    expect(screen.getAllByText("Ca 2 mmol/L")).toHaveLength(2);
    expect(screen.getByRole("button", { name: /Save what was set aside/ })).toBeVisible();
    expect(screen.getByText(/14\.0 % apart: the charges cannot both be right/)).toBeVisible();
  });

  it("leaves samples out, stores one all the same, and names another as a person says", async () => {
    const { server, user } = await chosen();
    await user.click(screen.getAllByRole("checkbox", { name: "leave it out" })[0] as HTMLElement);
    await user.click(screen.getByRole("checkbox", { name: /Store it all the same/ }));
    const name = screen.getByLabelText("Sample 2 is of");
    await user.clear(name);
    await user.type(name, "Pond");
    await user.tab();
    await waitFor(() =>
      expect(server.sent(previewWater).at(-1)).toMatchObject({
        insist: [4],
        samples: [
          { at: 1, leftOut: true },
          { at: 2, is: "Pond" },
        ],
      }),
    );
  });

  it("of what drained asks of which zone a sample is", async () => {
    const { server, user } = await chosen();
    await user.click(screen.getByRole("combobox", { name: /Its samples are of/ }));
    await user.click(await screen.findByTitle("what drained, by zone"));
    await user.click(await screen.findByRole("combobox", { name: "Sample 2 is of" }));
    await user.click(await screen.findByTitle("Melon bags"));
    await waitFor(() =>
      expect(server.sent(previewWater).at(-1)).toMatchObject({ of: "drain", samples: [{ at: 2, is: "Melon bags" }] }),
    );
  });

  it("stores what was shown, and says how much", async () => {
    const { server, user } = await chosen();
    await user.click(screen.getByRole("button", { name: "Store 1 report" }));
    expect(await screen.findByRole("status")).toHaveTextContent(
      /Stored 1 report from lab\.xlsx.*1 sample was left out/,
    );
    expect(server.sent(importWater)).toMatchObject([{ fileName: "lab.xlsx" }]);
  });
});
