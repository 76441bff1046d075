import { createReadStream, createWriteStream, rmSync } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { conflict } from "../../http/problems.ts";

/** A file that is being sent stands in the data folder until it is read, so that no write waits for a slow sender. */
export class Incoming {
  readonly #path: string;
  #isHeld = false;

  constructor(dataFolder: string) {
    this.#path = join(dataFolder, "incoming-site.json");
    // What a stop in the middle left behind.
    rmSync(this.#path, { force: true });
  }

  /** @throws 409 while another file is being read */
  async hold<T>(sent: Readable, read: (text: AsyncIterable<Uint8Array>) => Promise<T>): Promise<T> {
    if (this.#isHeld) throw conflict("Another site file is being read just now. Wait until it is done.");
    this.#isHeld = true;
    try {
      await pipeline(sent, createWriteStream(this.#path, { mode: 0o600 }));
      return await read(createReadStream(this.#path, { highWaterMark: 256 * 1024 }));
    } finally {
      await rm(this.#path, { force: true });
      this.#isHeld = false;
    }
  }
}
