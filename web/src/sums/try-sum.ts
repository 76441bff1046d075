import { DomainError } from "@sprunel/core/working";

/** A sum, or in words why it cannot be done. */
export function trySum<T>(sum: () => T): T | string {
  try {
    return sum();
  } catch (error) {
    if (error instanceof DomainError) return error.message;
    throw error;
  }
}
