import { useState } from "react";

/** Something that was typed and is asked about before it is written. */
export interface Question {
  /** names the field */
  readonly key: string;
  /** as typed: another value is asked about anew */
  readonly value: string;
  readonly words: string;
}

/** What is far from usual is asked about while walking from field to field: Enter pressed in it once more keeps it. */
export function useAsked(questions: readonly Question[]) {
  const [kept, setKept] = useState<ReadonlySet<string>>(new Set());
  const nameOf = ({ key, value }: Question): string => `${key} ${value}`;
  const open = questions.filter((question) => !kept.has(nameOf(question)));
  return {
    open,
    forget: (): void => setKept(new Set()),
    mayLeave(field: HTMLInputElement): boolean {
      const asked = open.find(({ key }) => key === field.closest<HTMLElement>("[data-about]")?.dataset["about"]);
      if (!asked) return true;
      if (field.dataset["asked"] !== asked.value) {
        field.dataset["asked"] = asked.value;
        return false;
      }
      setKept(new Set([...kept, nameOf(asked)]));
      return true;
    },
  };
}
