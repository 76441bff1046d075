import { describe, expect, it } from "vitest";
import { diskFault } from "./disk-fault.ts";

const coded = (code: string) => Object.assign(new Error("as the driver says it"), { code });

describe("a fault of the disk", () => {
  it.each([
    ["SQLITE_FULL", "full"],
    ["ENOSPC", "full"],
    ["SQLITE_BUSY", "busy"],
    ["EIO", "unreachable"],
  ])("is known by its code %s: %s", (code, kind) => {
    expect(diskFault(coded(code))?.kind).toBe(kind);
  });

  it("is found behind what it caused, and in nothing else", () => {
    expect(diskFault(new Error("nothing was stored", { cause: coded("ENOSPC") }))?.kind).toBe("full");
    expect(diskFault(new Error("nothing was stored", { cause: new Error("a slip") }))).toBeNull();
    expect(diskFault(new Error("a slip"))).toBeNull();
    expect(diskFault("ENOSPC")).toBeNull();
  });
});
