import { z } from "zod";

/** Says in a grower's words what is wrong with a value; paths are added where the answer is written. */
function issueWords(issue: z.core.$ZodRawIssue): string {
  const name = String(issue.path?.at(-1) ?? "The value");
  switch (issue.code) {
    case "invalid_type":
      if (issue.input === undefined) return `${name} is missing.`;
      return `${name} must be ${TYPE_WORDS[issue.expected] ?? issue.expected}, not ${shown(issue.input)}.`;
    case "invalid_value":
      return issue.input === undefined
        ? `${name} is missing; it is one of ${issue.values.join(", ")}.`
        : `${name} must be one of ${issue.values.join(", ")}, not ${shown(issue.input)}.`;
    case "unrecognized_keys":
      return `${issue.keys.join(", ")} is not known here; check the spelling.`;
    case "too_small":
      return `${name} must be at least ${issue.minimum}, not ${shown(issue.input)}.`;
    case "too_big":
      return `${name} must be at most ${issue.maximum}, not ${shown(issue.input)}.`;
    case "invalid_format":
      return `${name} is not written as expected (${FORMAT_WORDS[issue.format] ?? issue.format}): ${shown(issue.input)}.`;
    case "invalid_union":
      return `${name} fits none of the forms that are known here.`;
    default:
      return `${name} cannot be ${shown(issue.input)}.`;
  }
}

const TYPE_WORDS: Readonly<Record<string, string>> = {
  number: "a number",
  int: "a whole number",
  string: "a text",
  object: "an object with named values",
  array: "a list",
  record: "an object with named values",
  boolean: "true or false",
};

const FORMAT_WORDS: Readonly<Record<string, string>> = {
  date: "a date as 2026-07-06",
  datetime: "an instant as 2026-07-06T10:00:00Z",
  regex: "see the description",
  base64: "base64",
};

function shown(input: unknown): string {
  if (input === null) return "empty";
  if (typeof input === "number" && Number.isNaN(input)) return "what stands there";
  if (typeof input === "number" || typeof input === "boolean") return String(input);
  if (typeof input === "string") return `"${input.length > 40 ? `${input.slice(0, 40)}…` : input}"`;
  return Array.isArray(input) ? "a list" : "an object";
}

z.config({ customError: issueWords });
