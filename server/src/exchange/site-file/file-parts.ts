import { siteFileSchema } from "@sprunel/contract/exchange";
import { TokenizerError, TokenParser, TokenParserError, TokenType, Tokenizer } from "@streamparser/json";
import { badInput } from "../../http/problems.ts";
import { HEAD, ORDER, ZONE_LISTS } from "./names.ts";

type Path = readonly [name: string, zone?: number, ofZone?: string];

/** A piece of the file small enough to hold: a value that it says once, or some rows of one of its lists. */
export type FilePart =
  | { readonly path: Path; readonly value: unknown }
  | { readonly path: Path; readonly first: number; readonly rows: unknown[] };

const ROWS_AT_ONCE = 1000;
/** One value or row is never longer; a station's entry of 5,000 hours is a hundredth of it. */
const LONGEST_PIECE = 64 * 1024 * 1024;

const zoneNames = Object.keys(siteFileSchema.shape.zones.element.shape);
const zoneLists = new Set<string>(ZONE_LISTS);
const siteNames = new Set<string>([...HEAD, ...ORDER]);
const siteLists = new Set<string>(ORDER);
const PATHS = [
  ...HEAD.map((name) => `$.${name}`),
  ...ORDER.flatMap((name) => (name === "zones" ? [] : [`$.${name}.*`])),
  ...zoneNames.map((name) => `$.zones.*.${name}${zoneLists.has(name) ? ".*" : ""}`),
];

const OPENS = new Set([TokenType.LEFT_BRACE, TokenType.LEFT_BRACKET]);
const CLOSES = new Set([TokenType.RIGHT_BRACE, TokenType.RIGHT_BRACKET]);

/**
 * Reads the text of a site file as it comes and gives its parts in the order of the file, however long it is. A list that is
 * there but empty gives one part without rows, and so does the list of zones, whose rows come piece by piece: each first says
 * that it begins.
 *
 * @throws 422 for what is no JSON, is cut off, or holds a name that no site file has
 */
export async function* filePartsOf(text: AsyncIterable<Uint8Array>): AsyncGenerator<FilePart> {
  const reader = new PartReader();
  let isEmpty = true;
  for await (const piece of text) {
    isEmpty &&= piece.length === 0;
    reader.write(piece);
    yield* reader.taken();
  }
  if (isEmpty) throw refused("", "The request is empty; send the site file as JSON (content type application/json).");
  reader.end();
  yield* reader.taken();
}

class PartReader {
  readonly #tokenizer = new Tokenizer({ stringBufferSize: 65_536 });
  readonly #values = new TokenParser({ paths: PATHS, keepStack: false });
  #parts: FilePart[] = [];
  #depth = 0;
  #name = "";
  #zone = -1;
  #text: unknown = null;
  #path: Path = [""];
  #list: { path: Path; first: number; rows: unknown[] } | null = null;
  #awaitsList = false;
  #sinceLast = 0;

  constructor() {
    this.#tokenizer.onToken = (token) => {
      this.#follow(token.token, token.value);
      this.#values.write(token);
    };
    this.#values.onValue = ({ value }) => this.#take(value);
  }

  write(piece: Uint8Array): void {
    this.#sinceLast += piece.length;
    if (this.#sinceLast > LONGEST_PIECE)
      throw refused(this.#path.join("."), "One piece of the file is longer than any that a site file has.");
    inWords(() => this.#tokenizer.write(piece));
  }

  end(): void {
    if (!this.#values.isEnded) throw refused("", "The file is cut off before its end.");
    this.#closeList();
  }

  taken(): FilePart[] {
    const parts = this.#parts;
    this.#parts = [];
    return parts;
  }

  /** Knows where in the file the next value stands. */
  #follow(token: TokenType, value: unknown): void {
    if (this.#depth === 0 && token !== TokenType.LEFT_BRACE)
      throw refused("", "The request must be an object with named values: a site file.");
    if (this.#awaitsList && token !== TokenType.LEFT_BRACKET)
      throw refused(this.#path.join("."), `${String(this.#path.at(-1))} must be a list.`);
    this.#awaitsList = false;
    const isZone = this.#name === "zones" && this.#depth === 2 && token === TokenType.LEFT_BRACE;
    if (
      this.#name === "zones" &&
      this.#depth === 2 &&
      !isZone &&
      token !== TokenType.COMMA &&
      token !== TokenType.RIGHT_BRACKET
    )
      throw refused(`zones.${this.#zone + 1}`, "A zone must be an object with named values.");
    if (isZone) {
      this.#closeList();
      this.#zone += 1;
      this.#parts.push({ path: ["zones", this.#zone], value: undefined });
    }
    if (OPENS.has(token)) this.#depth += 1;
    if (CLOSES.has(token)) this.#depth -= 1;
    if (token === TokenType.COLON) {
      if (this.#depth === 1) this.#begin([String(this.#text)]);
      if (this.#depth === 3 && this.#name === "zones") this.#begin(["zones", this.#zone, String(this.#text)]);
    }
    this.#text = value;
  }

  #begin(path: Path): void {
    this.#closeList();
    const [name, zone, ofZone = ""] = path;
    const isKnown = zone === undefined ? siteNames.has(name) : zoneNames.includes(ofZone);
    if (!isKnown) throw refused(path.join("."), `${ofZone || name} is not known here; check the spelling.`);
    this.#path = path;
    this.#name = name;
    this.#awaitsList = zone === undefined ? siteLists.has(name) : zoneLists.has(ofZone);
    this.#list = this.#awaitsList ? { path, first: 0, rows: [] } : null;
  }

  #take(value: unknown): void {
    this.#sinceLast = 0;
    if (!this.#list) {
      this.#parts.push({ path: this.#path, value });
      return;
    }
    this.#list.rows.push(value);
    if (this.#list.rows.length < ROWS_AT_ONCE) return;
    this.#parts.push(this.#list);
    this.#list = { path: this.#path, first: this.#list.first + ROWS_AT_ONCE, rows: [] };
  }

  #closeList(): void {
    if (this.#list) this.#parts.push(this.#list);
    this.#list = null;
  }
}

function refused(path: string, message: string): Error {
  return badInput([{ path, message }]);
}

/** The parser's own words are for programmers. */
function inWords(work: () => void): void {
  try {
    work();
  } catch (error) {
    if (error instanceof TokenizerError || error instanceof TokenParserError)
      throw refused("", "What was sent is not JSON that can be read.");
    throw error;
  }
}
