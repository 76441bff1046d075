import { unzipSync, type UnzipFileInfo } from "fflate";
import { isZip } from "./kinds.ts";
import { notOpened } from "./not-opened.ts";

/** A workbook that unpacks to more is not opened. */
const MOST_UNPACKED_MB = 600;

/**
 * Parts of a packed file, by their path, as texts or bytes; those that it does not have are left out.
 *
 * @throws {DomainError} for a damaged file
 */
export function unpacked(bytes: Uint8Array, paths: readonly string[]): Readonly<Record<string, Uint8Array>> {
  return opened(bytes, ({ name }) => paths.includes(name));
}

/** @throws {DomainError} for a packed file that would take too much room */
export function refuseTooLarge(bytes: Uint8Array): void {
  if (!isZip(bytes)) return;
  let size = 0;
  opened(bytes, ({ originalSize }) => {
    size += originalSize;
    return false;
  });
  if (size > MOST_UNPACKED_MB * 1e6)
    throw notOpened(
      `The workbook unpacks to ${Math.round(size / 1e6)} MB; up to ${MOST_UNPACKED_MB} MB are read. Save the sheet by itself, or a shorter span of time.`,
    );
}

function opened(bytes: Uint8Array, filter: (file: UnzipFileInfo) => boolean): Record<string, Uint8Array> {
  try {
    return unzipSync(bytes, { filter });
  } catch {
    throw notOpened(DAMAGED);
  }
}

export const DAMAGED =
  "The workbook cannot be opened: it is damaged, or locked by a password. Save it without one, or as CSV.";
