import { describe, expect, it } from "vitest";
import { readChosen } from "./chosen-file.ts";

describe("a file that is chosen", () => {
  it("is read with its name", async () => {
    const { name, contentBase64 } = await readChosen(new File(["a,b\n1,2\n"], "rows.csv"));
    expect([name, atob(contentBase64)]).toEqual(["rows.csv", "a,b\n1,2\n"]);
  });

  it("is refused before it is read when it is too large, with its size and what is taken", async () => {
    const large = new File(["x"], "years.csv");
    Object.defineProperty(large, "size", { value: 55_200_000 });
    await expect(readChosen(large)).rejects.toThrow("years.csv has 56 MB; files up to 40 MB are read.");
  });
});
