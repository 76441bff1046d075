import { RIGHTS, type Right } from "@sprunel/contract/basics";

/** Who asks, from where, and what they may do: every request brings it, and whatever is made for the request has it. */
export interface Caller {
  /** in whose name a record is made: "owner" until there are accounts */
  readonly actor: string;
  /** the address that a request comes from; the program's own name where nobody asks */
  readonly device: string;
  readonly rights: ReadonlySet<Right>;
  /** what is asked for, as `POST /api/picks`; empty where the program works by itself */
  readonly endpoint: string;
}

/** Whoever works here until there are accounts: everything is granted. */
const OWNER = "owner";
const ALL: ReadonlySet<Right> = new Set(RIGHTS);

/** The program itself, at work beside requests. */
export const PROGRAM: Caller = { actor: OWNER, device: "program", rights: ALL, endpoint: "" };

/** Whoever asks from an address, whatever for. */
export function callerAt(address: string | undefined): Omit<Caller, "endpoint"> {
  return { actor: OWNER, device: address ?? "unknown", rights: ALL };
}
