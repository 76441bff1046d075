import { fileAsBase64 } from "../http/read-file.ts";
import { newKey } from "../forms/new-key.ts";

export interface ChosenFile {
  readonly name: string;
  readonly contentBase64: string;
  /** tells files of the same name apart */
  readonly id: string;
}

export async function readChosen(file: File): Promise<ChosenFile> {
  return { name: file.name, contentBase64: await fileAsBase64(file), id: newKey() };
}
