import { importWeather, previewWeather, type WeatherPreview } from "@sprunel/contract/climate";
import { getImports, importList, previewList, takeImportBack, type ListPreview } from "@sprunel/contract/exchange";
import { getSetUp } from "@sprunel/contract/site";
import { screen, waitFor, within } from "@testing-library/react";
import { describe, expect, it } from "vitest";
import { refusal } from "../testing/fake-server.ts";
import { renderPage } from "../testing/render-page.tsx";
import { setUp, zoneOf } from "../testing/sample-site.ts";

const counts = { physicalLines: 30, dataRows: 25, accepted: 22, flagged: 2, rejected: 1, notData: 5 };
const dialect = {
  encoding: "utf-8",
  lineEnd: "lf",
  delimiter: ";",
  decimal: "," as const,
  decimalAssumed: false,
  timeZone: "Europe/Paris",
  dateOrder: "dmy" as const,
  dateOrderAssumed: false,
};

const weather: WeatherPreview = {
  fileName: "station.csv",
  dialect: { ...dialect, stampMarks: "end", stampMarksAssumed: true, windHeightM: 10, windHeightAssumed: true },
  columns: [
    {
      column: 1,
      header: "Zeit",
      kind: "time",
      unit: "",
      unitAssumed: false,
      ...{ unknownUnit: null, certainty: 0.9, because: "it is headed “zeit”", method: "" },
      examples: ["16.06.2026 01:00"],
    },
    {
      column: 2,
      header: "T",
      kind: "airTemperature",
      unit: "°C",
      unitAssumed: true,
      ...{ unknownUnit: null, certainty: 0.4, because: "it is headed “t”", method: "" },
      examples: ["14,2"],
    },
  ],
  kinds: [
    { kind: "time", units: [] },
    { kind: "airTemperature", units: ["°C", "°F"] },
    { kind: "wind", units: ["m/s", "km/h"] },
  ],
  book: null,
  lacks: [],
  rememberedFrom: null,
  preamble: [],
  warnings: ["12 % of the sunlight stands in hours when the sun is down at your site."],
  counts,
  notData: [{ line: 1, reason: "preamble" }],
  rejected: [{ line: 9, reason: "bad-time", detail: "31.06.2026" }],
  flagged: [],
  hours: { firstUtc: "2026-06-15T23:00:00Z", lastUtc: "2026-06-16T22:00:00Z", expected: 24, stored: 22, missing: 2 },
  gaps: [{ fromUtc: "2026-06-16T09:00:00Z", toUtc: "2026-06-16T11:00:00Z", hours: 2 }],
  totals: { rainMm: 1.2, radiationMjM2: 21, meanAirTemperatureC: 16.2, meanWindMs: 2.1 },
  clockChangeUtc: null,
  sample: [
    {
      line: 3,
      stampUtc: "2026-06-16T00:00:00Z",
      hourStartUtc: "2026-06-15T23:00:00Z",
      values: { airTemperature: 14.2, humidity: null, wind: null, radiation: null, rain: null },
    },
  ],
  stored: { newValues: 44, alreadyThere: 0, conflicts: 0 },
};

const list: ListPreview = {
  list: "readings",
  fileName: "notebook.csv",
  dialect: { ...dialect, untimed: false },
  columns: [
    {
      column: 1,
      header: "Zone",
      kind: "zone",
      unit: "",
      unitAssumed: false,
      unknownUnit: null,
      certainty: 1,
      because: "it is headed “zone”",
      method: "",
      examples: ["Melon bags"],
    },
  ],
  book: null,
  lacks: [],
  rememberedFrom: null,
  kinds: [{ kind: "zone", units: [] }],
  preamble: [],
  counts,
  notData: [],
  rejected: [{ line: 12, reason: "unknown-zone", detail: "Gurken" }],
  flagged: [
    { line: 8, flags: [{ code: "scale-slip", kind: "drainPh", raw: "61", offer: { drainPh: 6.1 } }] },
    { line: 10, flags: [{ code: "impossible", kind: "drainPct", raw: "310" }] },
  ],
  sample: [{ line: 3, values: { zone: "Melon bags", drainPct: 27 } }],
  stored: {
    added: 24,
    alreadyThere: 0,
    refused: [{ line: 20, message: "It is from 2031-01-01, which is still to come." }],
  },
};

const file = (name: string): File => new File(["a;b\n1;2\n"], name, { type: "text/csv" });

async function chosen(address: string, name: string, weatherPreview = weather) {
  const page = renderPage(address);
  page.server
    .on(getSetUp, setUp([zoneOf("substrate", { id: 1, name: "Melon bags" })]))
    .on(previewWeather, weatherPreview)
    .on(importWeather, { fileName: weather.fileName, counts, hours: weather.hours, stored: weather.stored })
    .on(previewList, list)
    .on(importList, list)
    .on(getImports, { imports: [] });
  await screen.findByRole("heading", { level: 1 });
  await page.user.upload(document.querySelector<HTMLInputElement>("input[type=file]") as HTMLInputElement, file(name));
  return page;
}

describe("importing weather", () => {
  it("shows what the file would become before anything is stored: gaps, refused lines, what was assumed", async () => {
    const { server, user } = await chosen("/weather", "station.csv");
    expect(await screen.findByText(/12 % of the sunlight/)).toBeVisible();
    await user.click(screen.getByText("Rejected rows (1)"));
    await user.click(screen.getByText("Gaps (1)"));
    expect(screen.getByText(/2026-06-16 09:00 to 2026-06-16 11:00 UTC/)).toBeInTheDocument();
    expect(screen.getByText(/31\.06\.2026/)).toBeInTheDocument();
    expect(screen.getAllByText(/assumed/).length).toBeGreaterThan(0);
    expect(server.sent(importWeather)).toEqual([]);
  });

  it("says what is being done of a long file, and lets go of it when it is stopped", async () => {
    const { server, user } = await chosen("/weather", "station.csv");
    await screen.findByText(/12 % of the sunlight/);
    server.hold(previewWeather).inSteps(previewWeather, ["opening a file of 20 MB"]);
    await user.upload(document.querySelector<HTMLInputElement>("input[type=file]") as HTMLInputElement, file("b.xlsx"));
    expect(await screen.findByText("Reading b.xlsx: opening a file of 20 MB …")).toBeVisible();
    await user.click(screen.getByRole("button", { name: "Stop" }));
    expect(screen.queryByText(/Reading b\.xlsx/)).toBeNull();
    expect(screen.queryByRole("button", { name: /^Import/ })).toBeNull();
  });

  it("sends the same file with the same choices when it is imported", async () => {
    const { server, user } = await chosen("/weather", "station.csv");
    await user.click(await screen.findByRole("button", { name: /^Import/ }));
    await waitFor(() => expect(server.sent(importWeather)).toHaveLength(1));
    expect(server.sent(importWeather)[0]).toMatchObject({ fileName: "station.csv", contentBase64: btoa("a;b\n1;2\n") });
  });

  it("asks at which height the wind was measured, and reads the file anew when it is said", async () => {
    const { server, user } = await chosen("/weather", "station.csv");
    await screen.findByText(/12 % of the sunlight/);
    expect(screen.queryByText("Its wind sensor stands")).toBeNull();
    const [time] = weather.columns;
    server.on(previewWeather, {
      ...weather,
      columns: [...weather.columns, { ...time, column: 3, header: "wind", kind: "wind", unit: "m/s" } as never],
    });
    await user.upload(
      document.querySelector<HTMLInputElement>("input[type=file]") as HTMLInputElement,
      file("wind.csv"),
    );
    const height = await screen.findByLabelText(/Its wind sensor stands/);
    expect(height).toHaveValue("10");
    expect(screen.getByText(/above ground: assumed/)).toBeVisible();
    await user.clear(height);
    await user.type(height, "2,5");
    await waitFor(() => expect(server.sent(previewWeather).at(-1)).toMatchObject({ choices: { windHeightM: 2.5 } }));
  });

  it("says in words what is wrong with a file that holds no weather, and takes another", async () => {
    const { server, user } = await chosen("/weather", "station.csv");
    await screen.findByText(/12 % of the sunlight/);
    server.on(
      previewWeather,
      refusal(422, "No header row was found.", { errors: [{ path: "file", message: "No header row was found." }] }),
    );
    await user.upload(
      document.querySelector<HTMLInputElement>("input[type=file]") as HTMLInputElement,
      file("menu.csv"),
    );
    expect((await screen.findAllByText(/No header row was found/))[0]).toBeVisible();
  });
});

describe("importing a notebook", () => {
  it("offers a likely slip line by line, and agrees to it only when somebody does", async () => {
    const { server, user } = await chosen("/import/readings", "notebook.csv");
    const slip = await screen.findByRole("checkbox", { name: /Line 8.*61.*6\.1/ });
    expect(slip).not.toBeChecked();
    await user.click(slip);
    await waitFor(() => expect(server.sent(previewList).at(-1)).toMatchObject({ choices: { acceptOffers: [8] } }));
    await user.click(screen.getByRole("button", { name: /^Import/ }));
    await waitFor(() =>
      expect(server.sent(importList)).toMatchObject([{ list: "readings", choices: { acceptOffers: [8] } }]),
    );
  });

  it("names every line that will not be stored, and why", async () => {
    const { user } = await chosen("/import/readings", "notebook.csv");
    await user.click(await screen.findByText("Rejected rows (1)"));
    expect(screen.getByText("no zone has this name (Gurken)")).toBeInTheDocument();
    for (const label of screen.getAllByText(/rows \(|at this site \(/)) await user.click(label);
    expect(document.body).toHaveTextContent(/which is still to come/);
    expect(document.body).toHaveTextContent(/310/);
  });

  it("keeps the chosen file when the server is lost", async () => {
    const { server, user } = await chosen("/import/readings", "notebook.csv");
    await user.click(await screen.findByRole("checkbox", { name: /Line 8/ }));
    await waitFor(() => expect(server.sent(previewList).length).toBeGreaterThan(1));
    server.lose();
    await user.click(screen.getByRole("button", { name: /^Import/ }));
    expect(await screen.findByText(/The server does not answer/)).toBeVisible();
    expect(screen.getByText("notebook.csv")).toBeVisible();
  });
});

describe("the columns of a file", () => {
  it("are set one at a time: what nobody touched stays a guess", async () => {
    const { server, user } = await chosen("/weather", "station.csv");
    expect(await screen.findByText(/guessed, it is headed “t”/)).toBeVisible();
    await user.click(screen.getByRole("combobox", { name: "T means" }));
    await user.click(await screen.findByTitle("wind"));
    await waitFor(() =>
      expect(server.sent(previewWeather).at(-1)).toMatchObject({
        choices: { columns: [{ column: 2, kind: "wind", unit: "" }] },
      }),
    );
  });

  it("whose unit is not understood ask for it", async () => {
    const [time, air] = weather.columns;
    const asks = { ...air, unit: "", unitAssumed: false, unknownUnit: "furlongs/h", kind: "wind", header: "Wind" };
    const { server, user } = await chosen("/weather", "odd.csv", { ...weather, columns: [time, asks] as never });
    expect(await screen.findByText(/“furlongs\/h” is not understood/)).toBeVisible();
    await user.click(screen.getByRole("combobox", { name: "Unit of Wind" }));
    await user.click(await screen.findByTitle("km/h"));
    await waitFor(() =>
      expect(server.sent(previewWeather).at(-1)).toMatchObject({
        choices: { columns: [{ column: 2, kind: "wind", unit: "km/h" }] },
      }),
    );
  });
});

describe("what a list does not say of any of its rows", () => {
  it("is asked for: on which day they are from, and what a crate weighs where", async () => {
    const page = renderPage("/import/picks");
    const silent: ListPreview = {
      ...{ ...list, list: "picks", lacks: [["date"]], flagged: [] },
      rejected: [
        { line: 2, reason: "crate-weight", detail: "Melon bags" },
        { line: 3, reason: "crate-weight", detail: "Melon bags" },
      ],
    };
    page.server
      .on(getSetUp, setUp([zoneOf("substrate", { id: 1, name: "Melon bags" })]))
      .on(previewList, silent)
      .on(getImports, { imports: [] });
    await screen.findByRole("heading", { level: 1 });
    const input = document.querySelector<HTMLInputElement>("input[type=file]");
    await page.user.upload(input as HTMLInputElement, file("picks.csv"));
    await page.user.type(await screen.findByLabelText(/A crate of Melon bags weighs/), "6,5");
    await waitFor(() =>
      expect(page.server.sent(previewList).at(-1)).toMatchObject({ choices: { crateKg: { "Melon bags": 6.5 } } }),
    );
    await page.user.type(screen.getByLabelText(/Its rows are from/), "12/6/2026{Enter}");
    await waitFor(() =>
      expect(page.server.sent(previewList).at(-1)).toMatchObject({
        choices: { crateKg: { "Melon bags": 6.5 }, day: "2026-06-12" },
      }),
    );
  });
});

describe("the decimal mark of a workbook", () => {
  const book = { sheets: ["Picks", "Legend"], sheet: "Picks" };
  const shown = async (dialect: Partial<ListPreview["dialect"]>) => {
    const page = renderPage("/import/picks");
    page.server
      .on(getSetUp, setUp([zoneOf("substrate", { id: 1, name: "Melon bags" })]))
      .on(previewList, { ...list, list: "picks", book, dialect: { ...list.dialect, ...dialect } })
      .on(getImports, { imports: [] });
    await screen.findByRole("heading", { level: 1 });
    const input = document.querySelector<HTMLInputElement>("input[type=file]");
    await page.user.upload(input as HTMLInputElement, file("picks.xlsx"));
    await screen.findByText("Its sheet");
  };

  it("is asked for where its texts can be read either way", async () => {
    await shown({ decimal: ".", decimalAssumed: true });
    expect(screen.getByText("Its decimal mark")).toBeVisible();
    expect(screen.getByText(/its numbers can be read either way/)).toBeVisible();
  });

  it("is nothing to ask for where it holds numbers", async () => {
    await shown({ decimal: ".", decimalAssumed: false });
    expect(screen.queryByText("Its decimal mark")).toBeNull();
  });
});

describe("a line that is several rows", () => {
  it("is shown as its rows with the site's own dates, and agreed to as a whole", async () => {
    const page = renderPage("/import/picks");
    const flag = (raw: string, massKg: number) => ({ code: "struck" as const, kind: "amount", raw, offer: { massKg } });
    const spread: ListPreview = {
      ...{ ...list, list: "picks", rejected: [] },
      flagged: [
        { line: 4, flags: [flag("~~3~~ 30", 30)] },
        { line: 4, flags: [flag("~~1~~ 2", 2)] },
      ],
      sample: ["Class 1", "Class 2"].map((grade) => ({
        line: 4,
        values: { pickedOn: "2026-06-03", zone: "Melon bags", grade, massKg: null },
      })),
    };
    page.server
      .on(getSetUp, setUp([zoneOf("substrate", { id: 1, name: "Melon bags" })]))
      .on(previewList, spread)
      .on(getImports, { imports: [] });
    await screen.findByRole("heading", { level: 1 });
    const input = document.querySelector<HTMLInputElement>("input[type=file]");
    await page.user.upload(input as HTMLInputElement, file("picks.csv"));
    const rows = within(await screen.findByRole("region", { name: "First rows" }));
    expect(rows.getAllByText("3 Jun 2026")).toHaveLength(2);
    expect(rows.getByText("Class 2")).toBeVisible();
    await page.user.click(screen.getByRole("checkbox", { name: /Line 4.*30 kg.*2 kg/ }));
    await waitFor(() => expect(page.server.sent(previewList).at(-1)).toMatchObject({ choices: { acceptOffers: [4] } }));
  });
});

describe("names of places that no zone has", () => {
  it("are asked about one by one, and sent with what somebody said", async () => {
    const { server, user } = await chosen("/import/readings", "notebook.csv");
    await user.click(await screen.findByRole("combobox", { name: "“Gurken” is" }));
    await user.click(await screen.findByTitle("Melon bags"));
    await waitFor(() =>
      expect(server.sent(previewList).at(-1)).toMatchObject({ choices: { zoneNames: { Gurken: "Melon bags" } } }),
    );
  });
});

describe("files that were imported before", () => {
  const past = {
    ...{ id: 4, kind: "readings" as const, fileName: "may.csv", rows: 31, by: "Ana" },
    ...{ importedAt: "2026-06-01T08:00:00Z", takenBackAt: null },
  };

  it("are taken back after a question, and say what became of their rows", async () => {
    const page = renderPage("/import/readings");
    page.server
      .on(getSetUp, setUp([zoneOf("substrate", { id: 1, name: "Melon bags" })]))
      .on(getImports, { imports: [past, { ...past, id: 5, kind: "picks", fileName: "picks.csv" }] })
      .on(takeImportBack, { undone: 90, stays: 3 });
    expect(await screen.findByText(/31 rows/)).toHaveTextContent("by Ana");
    expect(screen.queryByText("picks.csv")).toBeNull();
    await page.user.click(screen.getByRole("button", { name: "Take it back" }));
    expect(page.server.sent(takeImportBack)).toEqual([]);
    const all = await screen.findAllByRole("button", { name: "Take it back" });
    await page.user.click(all.at(-1) as HTMLElement);
    expect(await screen.findByText(/90 values are taken back, 3 stay/)).toBeVisible();
  });
});
