import { DomainError } from "@sprunel/core/working";

/** @param message what is wrong with the file, and what to do instead */
export function notOpened(message: string): DomainError {
  return new DomainError({ code: "not-possible", path: "file", message });
}

export function missingPart(file: string, part: string, names: readonly string[], asked = ""): DomainError {
  return notOpened(
    names.length === 0
      ? `The ${file} has no filled ${part}.`
      : `The ${file} has no ${part} "${asked}"; it has ${names.join(", ")}.`,
  );
}
