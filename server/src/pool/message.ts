import type { Fault } from "@sprunel/core/working";

/** Errors lose their class between threads, so a fault of the input comes back as data. */
export type Outcome = { readonly ok: true; readonly value: unknown } | { readonly ok: false; readonly faults: Fault[] };

/** What a worker says first: from here on its time counts, not while it is still being started. */
export const BEGUN = null;
