import { getAccess, type Access as AccessAnswer } from "@sprunel/contract/basics";
import { randomInt, timingSafeEqual } from "node:crypto";
import { chmodSync, existsSync, readFileSync, writeFileSync } from "node:fs";
import { hostname, networkInterfaces } from "node:os";
import { join } from "node:path";
import type { Request, RequestHandler, Response } from "express";
import { ProblemError } from "./problems.ts";
import { served, type Served } from "./served.ts";

const COOKIE = "sprunel";
const YEAR_MS = 365 * 86_400_000;
const CALENDAR = /^\/api\/calendar\/[\w-]+(\.ics)?$/;
/** Letters and digits that nobody takes for one another. */
const ALPHABET = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";
const CODE_LENGTH = 12;
/** Whoever guesses waits, and nobody else does. */
const WRONG_CODE_MS = 500;

export interface AccessOptions {
  /** the address that is listened on */
  readonly host: string;
  /** further names under which the program may be asked for */
  readonly names?: readonly string[];
  /** what opens it to other machines; null where only this one is answered */
  readonly code: string | null;
  /** whether a request comes from this machine itself */
  readonly isLocal?: (req: Request) => boolean;
}

/**
 * Who is answered: this machine under its own names, and, where the program listens on the nursery's network, whoever brings
 * the code. A page of a stranger that a browser here happens to show must not get at it under a name of its own.
 */
export class Access {
  private readonly isLocal: (req: Request) => boolean;
  private readonly names: ReadonlySet<string>;

  constructor(private readonly options: AccessOptions) {
    this.isLocal = options.isLocal ?? ((req) => isHere(req.socket.remoteAddress ?? ""));
    const own = hostname().toLowerCase();
    this.names = new Set([
      "localhost",
      "127.0.0.1",
      "[::1]",
      own,
      `${own}.local`,
      ...addresses().map((address) => (address.includes(":") ? `[${address}]` : address)),
      ...(options.names ?? []).map((name) => name.toLowerCase()),
    ]);
  }

  /** Stands before everything else. */
  readonly guard: RequestHandler = async (req, res, next) => {
    const asked = nameIn(req.headers.host ?? "");
    if (asked === null || !this.names.has(asked)) throw unknownName(req.headers.host ?? "");
    const { origin } = req.headers;
    if (origin !== undefined && !this.isOwn(origin)) throw strangePage(origin);
    // A calendar brings no cookie: its address is its key, and opens nothing else.
    if (this.isLocal(req) || (this.options.code !== null && req.method === "GET" && CALENDAR.test(req.path))) {
      next();
      return;
    }
    const { code } = this.options;
    if (code === null) throw onlyThisMachine();
    const given = typeof req.query["code"] === "string" ? req.query["code"] : null;
    if (given !== null && req.method === "GET") {
      await this.enter(given, code, req, res);
      return;
    }
    if (same(cookieIn(req), code)) {
      next();
      return;
    }
    if (req.accepts(["json", "html"]) === "html") res.status(401).type("html").send(askPage(""));
    else throw noCode();
  };

  /** The code becomes a cookie of this browser, and leaves the address. */
  private async enter(given: string, code: string, req: Request, res: Response): Promise<void> {
    if (!same(plain(given), code)) {
      await new Promise((resolve) => setTimeout(resolve, WRONG_CODE_MS));
      res.status(401).type("html").send(askPage("This is not the code."));
      return;
    }
    res.cookie(COOKIE, code, { httpOnly: true, sameSite: "strict", maxAge: YEAR_MS, path: "/" });
    res.redirect(303, req.path.replace(/^\/+/, "/"));
  }

  private isOwn(origin: string): boolean {
    const name = /^https?:\/\/(.*)$/i.exec(origin)?.[1];
    const host = name === undefined ? null : nameIn(name);
    return host !== null && this.names.has(host);
  }

  /** By which address and code another machine gets in. */
  endpoint(port: () => number): Served {
    return served(getAccess, (): AccessAnswer => {
      const { code, host } = this.options;
      return {
        open: code !== null,
        addresses: code === null ? [] : reachedBy(host).map((address) => `http://${address}:${port()}`),
        code: code && spaced(code),
      };
    });
  }
}

/** The code of a data folder, made the first time that it is asked for. @returns whether it was made now */
export function accessCode(dataFolder: string): { readonly code: string; readonly isNew: boolean } {
  const file = join(dataFolder, "access-code");
  if (existsSync(file)) return { code: plain(readFileSync(file, "utf8")), isNew: false };
  const code = Array.from({ length: CODE_LENGTH }, () => ALPHABET[randomInt(ALPHABET.length)]).join("");
  writeFileSync(file, `${spaced(code)}\n`, { mode: 0o600 });
  chmodSync(file, 0o600);
  return { code, isNew: true };
}

/** As people read it out: in groups of four. */
export function spaced(code: string): string {
  return code.replace(/(.{4})(?=.)/g, "$1-");
}

/** Whether only this machine reaches an address. */
export function isLoopback(address: string): boolean {
  return /^(::ffff:)?127\.|^::1$|^localhost$/.test(address);
}

/** Whether a connection comes from this machine, under whichever of its addresses. */
function isHere(address: string): boolean {
  return isLoopback(address) || addresses().includes(address.replace(/^::ffff:/, ""));
}

/** What this machine is called on its networks. */
function addresses(): string[] {
  return Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).flatMap(({ address, internal }) => (internal || address.startsWith("fe80") ? [] : [address])),
  );
}

function reachedBy(host: string): string[] {
  return host === "0.0.0.0" || host === "::" ? addresses().filter((address) => !address.includes(":")) : [host];
}

/** The name without its port. */
function nameIn(host: string): string | null {
  return /^(\[[0-9a-f:.]+\]|[a-z0-9._-]+)(?::\d{1,5})?$/i.exec(host)?.[1]?.toLowerCase() ?? null;
}

function plain(code: string): string {
  return code.toUpperCase().replace(/[^A-Z0-9]/g, "");
}

function same(given: string | null, code: string): boolean {
  const [a, b] = [Buffer.from(given ?? ""), Buffer.from(code)];
  return a.length === b.length && timingSafeEqual(a, b);
}

function cookieIn(req: Request): string | null {
  return new RegExp(`(?:^|;\\s*)${COOKIE}=([A-Z0-9]+)`).exec(req.headers.cookie ?? "")?.[1] ?? null;
}

function refused(type: string, status: number, title: string, detail: string): ProblemError {
  return new ProblemError({ type: `/problems/${type}`, title, status, detail });
}
function unknownName(host: string): ProblemError {
  return refused(
    "unknown-name",
    421,
    "Not under this name",
    `This program does not answer under the name "${host.slice(0, 80)}". Ask for it by this machine's own name or address, or list the name in SPRUNEL_NAMES.`,
  );
}
function strangePage(origin: string): ProblemError {
  return refused(
    "strange-page",
    403,
    "Not from this page",
    `A page of ${origin.slice(0, 80)} may not use this program. Open the program's own page.`,
  );
}
function onlyThisMachine(): ProblemError {
  return refused(
    "only-this-machine",
    403,
    "Only from this machine",
    "This program answers its own machine alone. Start it with HOST=0.0.0.0 to let others in with a code.",
  );
}
function noCode(): ProblemError {
  return refused(
    "no-code",
    401,
    "The code is missing",
    "Open the program's page on this device once and type its code; Set-up on the machine itself shows it.",
  );
}

/** What a device sees that has not brought the code yet. */
function askPage(fault: string): string {
  return `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>Sprunel</title><style>body{font:18px system-ui;margin:12vh auto;max-width:22em;padding:0 1em;background:#f7f4ec;color:#14251f}
input,button{font:inherit;padding:.6em;border:1px solid #b9b3a4;border-radius:8px}input{width:100%;box-sizing:border-box;margin:.6em 0;text-transform:uppercase}
button{background:#1f4e5f;color:#fffdf8}p.fault{color:#a84a20}</style>
<h1>Sprunel</h1><form method="get"><label for="code">The code of this nursery. Set-up shows it, on the machine that runs the program.</label>
<input id="code" name="code" autocomplete="off" autofocus required maxlength="30">${fault && `<p class="fault" role="alert">${fault}</p>`}<button>Go in</button></form></html>`;
}
