import { describe, expect, it } from "vitest";
import { decodeText } from "./decode.ts";

const text = "Kürbis;7,2 µS";
const utf16 = (mark: boolean, big: boolean): Uint8Array =>
  Uint8Array.from(
    Array.from(`${mark ? "\ufeff" : ""}${text}`).flatMap((letter) => {
      const code = letter.charCodeAt(0);
      return big ? [code >> 8, code & 255] : [code & 255, code >> 8];
    }),
  );
const latin = (): Uint8Array => Uint8Array.from(text, (letter) => letter.charCodeAt(0));

describe("a text's bytes", () => {
  it.each([
    ["UTF-8", new Uint8Array(Buffer.from(text))],
    ["UTF-8 with BOM", new Uint8Array(Buffer.from(`\ufeff${text}`))],
    ["UTF-16", utf16(true, false)],
    ["UTF-16", utf16(true, true)],
    ["UTF-16", utf16(false, false)],
    ["UTF-16", utf16(false, true)],
    ["Windows-1252", latin()],
  ] as const)("are read as %s", (encoding, bytes) => {
    expect(decodeText(bytes)).toEqual({ text, encoding });
  });

  it("may be few or none", () => {
    expect(decodeText(new Uint8Array()).text).toBe("");
    expect(decodeText(Uint8Array.of(0x61)).text).toBe("a");
  });
});
