/** The part of the platform's decoder that is used; it is the same in Node and in browsers. */
declare const TextDecoder: new (
  encoding: string,
  options?: { fatal?: boolean },
) => { decode(bytes: Uint8Array): string };

export interface DecodedText {
  readonly text: string;
  readonly encoding: "UTF-8" | "UTF-8 with BOM" | "UTF-16" | "Windows-1252";
}

/** Reads a text file's bytes: UTF-8 or UTF-16, with or without a mark, or else Windows-1252. */
export function decodeText(bytes: Uint8Array): DecodedText {
  const [a, b, c, d] = bytes;
  // The decoder itself drops the byte order mark.
  if (a === 0xef && b === 0xbb && c === 0xbf)
    return { text: new TextDecoder("utf-8").decode(bytes), encoding: "UTF-8 with BOM" };
  if (a === 0xff && b === 0xfe) return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "UTF-16" };
  if (a === 0xfe && b === 0xff) return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "UTF-16" };
  // Without a mark, half the bytes of letters and figures are nought.
  if (a !== 0 && b === 0 && c !== 0 && d === 0)
    return { text: new TextDecoder("utf-16le").decode(bytes), encoding: "UTF-16" };
  if (a === 0 && b !== 0 && c === 0 && d !== 0)
    return { text: new TextDecoder("utf-16be").decode(bytes), encoding: "UTF-16" };
  try {
    return { text: new TextDecoder("utf-8", { fatal: true }).decode(bytes), encoding: "UTF-8" };
  } catch {
    return { text: new TextDecoder("windows-1252").decode(bytes), encoding: "Windows-1252" };
  }
}
