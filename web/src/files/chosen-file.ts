import { fileAsBase64 } from "../http/read-file.ts";
import { newKey } from "../forms/new-key.ts";

export interface ChosenFile {
  readonly name: string;
  readonly contentBase64: string;
  /** tells files of the same name apart */
  readonly id: string;
}

/** The server takes 60 MB, and a file grows by a third on its way. */
export const MOST_FILE_MB = 40;

/** @throws for a file that is too large, before it is read */
export async function readChosen(file: File): Promise<ChosenFile> {
  if (file.size > MOST_FILE_MB * 1e6)
    throw new Error(
      `${file.name} has ${Math.ceil(file.size / 1e6)} MB; files up to ${MOST_FILE_MB} MB are read. Export a shorter span of time.`,
    );
  return { name: file.name, contentBase64: await fileAsBase64(file), id: newKey() };
}
