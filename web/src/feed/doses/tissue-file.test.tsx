import { previewTissue, type TissuePreview } from "@sprunel/contract/exchange";
import { getDosePlan, getKeptProgrammes, getProducts, getZoneFeed, saveProgramme } from "@sprunel/contract/feed";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { FakeServer, refusal } from "../../testing/fake-server.ts";
import { renderPage } from "../../testing/render-page.tsx";
import { board, zoneFeed } from "../../testing/sample-site.ts";
import { samplePlan } from "../../testing/sample-doses.ts";

const line = (nutrient: "N" | "P" | "K", more: Partial<TissuePreview["lines"][number]>) => ({
  ...{ line: 2, nutrient, label: `${nutrient} (total)`, found: 3, below: false, unread: null, unit: "%" },
  ...{ low: 3.5, high: 5, ...more },
});
const preview: TissuePreview = {
  ...{ columns: [], kinds: [], lacks: [], book: null, preamble: [], decimal: ",", decimalAssumed: false },
  rows: [
    { row: 1, header: "Block 2", is: "found", examples: ["3,1"] },
    { row: 2, header: "Block 3", is: "skip", examples: ["3,4"] },
  ],
  lines: [
    line("N", {}),
    line("P", { line: 3, found: null, unread: "0,3 / 0,5", low: 0.3, high: 0.6 }),
    line("K", { line: 4, found: 0.25, below: true, low: null, high: null }),
  ],
};

async function opened() {
  const server = new FakeServer()
    .on(getZoneFeed, zoneFeed())
    .on(getProducts, { products: [] })
    .on(getDosePlan, samplePlan)
    .on(getKeptProgrammes, { programmes: [] })
    .on(saveProgramme, samplePlan)
    .on(previewTissue, preview);
  const page = renderPage("/zones/1/feed?view=doses", { server, shown: board() });
  await page.user.click(await screen.findByRole("button", { name: "Results from a file" }));
  const group = within(screen.getByRole("group", { name: "Results from a file" }));
  const upload = async (name: string): Promise<void> => {
    const input = document.querySelector<HTMLInputElement>("[aria-label='Results from a file'] input[type=file]");
    await page.user.upload(input as HTMLInputElement, new File(["N;3\n"], name, { type: "text/csv" }));
  };
  return { ...page, server, group, upload };
}

describe("results of leaf or sap from a file", () => {
  it("say what each asks of the doses, what is no single figure, and what lay below a limit", async () => {
    const { group, upload } = await opened();
    await upload("leaf.csv");
    expect(await group.findByRole("row", { name: /^N/ })).toHaveTextContent(/3.0 %.*\+\d+ %/);
    expect(group.getByRole("row", { name: /^P/ })).toHaveTextContent(/0,3 \/ 0,5 is no single figure/);
    expect(group.getByRole("row", { name: /^K/ })).toHaveTextContent(/half of that limit.*type the band/);
  });

  it("change the doses together, with what they rest on", async () => {
    const { user, server, group, upload } = await opened();
    await upload("leaf.csv");
    await group.findByRole("row", { name: /^N/ });
    await user.click(group.getByRole("button", { name: "Change the doses" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    const [{ programme }] = server.sent(saveProgramme) as [
      { programme: { changes: { factorPct: object; why: string }[] } },
    ];
    expect(programme.changes.at(-1)).toMatchObject({ why: "N 3.0 %, band 3.5 to 5.0" });
  });

  it("take a band that is typed where the sheet tells none, and say what is within its band", async () => {
    const { user, server, group, upload } = await opened();
    const lines = [line("N", { found: 4 }), line("K", { line: 4, found: 5.4, low: null, high: null })];
    server.on(previewTissue, { ...preview, lines });
    await upload("leaf.csv");
    expect(await group.findByText("within its band: stays as it is")).toBeVisible();
    expect(group.getByRole("button", { name: "Change the doses" })).toBeDisabled();
    await user.type(group.getByLabelText("Band from, K"), "3");
    await user.type(group.getByLabelText("Band to, K"), "4.5");
    await user.click(group.getByRole("button", { name: "Change the doses" }));
    await waitFor(() => expect(server.sent(saveProgramme)).toHaveLength(1));
    expect(server.sent(saveProgramme)[0]).toMatchObject({
      programme: { changes: [{ factorPct: { N: 100, P: 100, K: 80 }, why: "K 5.4 %, band 3.0 to 4.5" }] },
    });
  });

  it("are read from another row when somebody sets it", async () => {
    const { user, server, group, upload } = await opened();
    await upload("leaf.csv");
    await user.click(await group.findByRole("combobox", { name: "Block 3" }));
    await user.click(screen.getAllByTitle("what was found").at(-1) as HTMLElement);
    await waitFor(() => expect(server.sent(previewTissue).at(-1)).toMatchObject({ rows: [{ row: 2, is: "found" }] }));
  });

  it("that cannot be read are refused in words, and another file can be chosen", async () => {
    const { server, group, upload } = await opened();
    server.on(previewTissue, refusal(422, "The file is a PDF: its figures cannot be read from it."));
    await upload("leaf.pdf.csv");
    expect(await group.findByText(/is a PDF/)).toBeVisible();
    expect(group.getByRole("button", { name: "Another file" })).toBeEnabled();
  });
});
