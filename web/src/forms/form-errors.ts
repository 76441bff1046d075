import type { FormInstance } from "antd/es/form";
import type { z } from "zod";
import { ApiError } from "../http/api.ts";

/** Shows each fault at its field; what belongs to no field is returned. */
export function showFaults(form: FormInstance, faults: readonly { path: string; message: string }[]): string[] {
  const names = new Set(Object.keys(flatten(form.getFieldsValue(true))));
  const [known, others] = [
    faults.filter((fault) => names.has(fault.path)),
    faults.filter((fault) => !names.has(fault.path)),
  ];
  form.setFields(known.map((fault) => ({ name: fault.path.split("."), errors: [fault.message] })));
  const first = known[0];
  if (first) form.scrollToField(first.path.split("."), { focus: true, block: "center" });
  return others.map((fault) => fault.message);
}

export function faultsOf(error: z.ZodError | Error): { path: string; message: string }[] {
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
