import { Readable } from "node:stream";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ProblemError } from "../../http/problems.ts";
import { filePartsOf, type FilePart } from "./file-parts.ts";

const file = {
  format: "sprunel-site",
  version: 2,
  exportedAt: "2026-06-01T00:00:00.000Z",
  site: { name: "Tal – Vær 🌱", plots: [[1, 2], []] },
  sources: [{ name: "Well" }, { name: 'Basin, "old" {1}' }],
  reports: [],
  ownProducts: [],
  shelf: Array.from({ length: 2300 }, (_, at) => ({ at })),
  zones: [
    { name: "One", plantings: [{ crop: "a" }], readings: [{ value: 1.5e-3 }, { value: -2 }], picks: [] },
    {},
    { name: "Three", target: null, mixes: [{ lines: [[]] }] },
  ],
  weather: [{ house: null, hours: [{ zones: 1, readings: [2] }] }],
};

function inPieces(text: string, length: number): Readable {
  const bytes = Buffer.from(text);
  const pieces = [];
  for (let at = 0; at < bytes.length; at += length) pieces.push(bytes.subarray(at, at + length));
  return Readable.from(pieces);
}

async function partsOf(text: string, length = 4096): Promise<FilePart[]> {
  const parts = [];
  for await (const part of filePartsOf(inPieces(text, length))) parts.push(part);
  return parts;
}

/** The parts put together as the file that they came from. */
function together(parts: readonly FilePart[]): unknown {
  const whole: Record<string, unknown> = {};
  for (const part of parts) {
    const [name, zone, ofZone] = part.path;
    let there = whole;
    if (zone !== undefined) {
      const zones = whole["zones"] as Record<string, unknown>[];
      zones[zone] ??= {};
      if (ofZone === undefined) continue;
      there = zones[zone];
    }
    const key = ofZone ?? name;
    if ("rows" in part) {
      const list = (there[key] ??= []) as unknown[];
      expect(list).toHaveLength(part.first);
      list.push(...part.rows);
    } else there[key] = part.value;
  }
  return whole;
}

describe("the parts of a site file", () => {
  it("make up the file, wherever its text is cut into pieces", async () => {
    const text = JSON.stringify(file);
    await fc.assert(
      fc.asyncProperty(fc.integer({ min: 1, max: 9000 }), async (length) => {
        expect(together(await partsOf(text, length))).toEqual(file);
      }),
      { numRuns: 20 },
    );
  });

  it("are some rows of a list, never a long list whole", async () => {
    const lengths = (await partsOf(JSON.stringify(file))).flatMap((part) =>
      "rows" in part && part.path[0] === "shelf" ? [part.rows.length] : [],
    );
    expect(lengths).toEqual([1000, 1000, 300]);
  });

  it.each([
    ["cut off", JSON.stringify(file).slice(0, -1), "", "cut off before its end"],
    ["cut off inside a word", '{"format":"spr', "", "cut off before its end"],
    ["followed by more", `${JSON.stringify(file)}{}`, "", "not JSON"],
    ["no JSON", "zones: []", "", "not JSON"],
    ["nothing", "", "", "is empty"],
    ["a list", "[]", "", "must be an object"],
    ["with a name misspelt", '{"format":"x","zone":[]}', "zone", "zone is not known here"],
    ["with a zone's name misspelt", '{"zones":[{},{"reading":[]}]}', "zones.1.reading", "reading is not known here"],
    ["with an object for a list", '{"sources":{"a":1}}', "sources", "sources must be a list"],
    ["with a number for a zone's list", '{"zones":[{"picks":5}]}', "zones.0.picks", "picks must be a list"],
    ["with a text for a zone", '{"zones":[{},"x"]}', "zones.1", "must be an object"],
  ])("are refused of a file that is %s", async (_what, text, path, words) => {
    const fault = await partsOf(text).catch((error: unknown) => error);
    expect(fault).toBeInstanceOf(ProblemError);
    expect((fault as ProblemError).problem.errors).toMatchObject([{ path, message: expect.stringContaining(words) }]);
  });

  it("are never so long that one fills the memory", async () => {
    function* endless(): Generator<Uint8Array> {
      yield Buffer.from('{"site":{"name":"');
      for (let at = 0; at < 200; at++) yield Buffer.alloc(1 << 20, "x");
    }
    const reading = (async () => {
      for await (const _part of filePartsOf(Readable.from(endless())));
    })();
    await expect(reading).rejects.toThrow("longer than any that a site file has");
  });
});
