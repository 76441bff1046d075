import type { FormInstance } from "antd/es/form";
import type { z } from "zod";
import { ApiError } from "../http/api.ts";

/** What is wrong, and where. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

/**
 * Shows each fault at its field; what belongs to no field is returned.
 *
 * @param told puts a sentence in its reader's units
 */
export function showFaults(form: FormInstance, faults: readonly Fault[], told: (text: string) => string): string[] {
  const names = new Set(Object.keys(flatten(form.getFieldsValue(true))));
  const [known, others] = [
    faults.filter((fault) => names.has(fault.path)),
    faults.filter((fault) => !names.has(fault.path)),
  ];
  form.setFields(known.map((fault) => ({ name: fault.path.split("."), errors: [told(fault.message)] })));
  const first = known[0];
  if (first) form.scrollToField(first.path.split("."), { focus: true, block: "center" });
  return others.map((fault) => fault.message);
}

/** Takes back what was shown at fields: it is judged anew. */
export function clearFaults(form: FormInstance): void {
  form.setFields(form.getFieldsError().map(({ name }) => ({ name, errors: [] })));
}

export function faultsOf(error: z.ZodError | Error): Fault[] {
  if (error instanceof ApiError) return error.problem.errors ?? [];
  if ("issues" in error)
    return error.issues.map((issue) => ({
      path: issue.path.map(String).join("."),
      message: issue.message,
    }));
  return [];
}

function flatten(value: unknown, path = ""): Record<string, unknown> {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return { [path]: value };
  return Object.assign(
    {},
    ...Object.entries(value).map(([key, inner]) => flatten(inner, path ? `${path}.${key}` : key)),
  ) as Record<string, unknown>;
}
