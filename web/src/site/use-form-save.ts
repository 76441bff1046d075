import { useTold } from "../units/told.ts";
import type { UseMutationResult } from "@tanstack/react-query";
import type { FormInstance } from "antd/es/form";
import { useState } from "react";
import type { z } from "zod";
import { useLeaveGuard } from "../forms/use-leave-guard.tsx";
import { ApiError } from "../http/api.ts";
import { clearFaults, faultsOf, showFaults, type Fault } from "../forms/form-errors.ts";
import type { Existing } from "../place/use-set-up.ts";

interface Question<Record> {
  readonly existing: Existing | null;
  readonly record: Record;
}

interface Options<Record, Saved extends Existing> {
  readonly form: FormInstance;
  readonly schema: z.ZodType<Record>;
  readonly saved: z.ZodType<Saved>;
  readonly existing: Existing | null;
  readonly mutation: UseMutationResult<Saved, Error, Question<Record>>;
  /** what was typed, as the contract wants it */
  typed(): unknown;
  /** what was typed and has no place in that, by its fields: it must not be left out in silence */
  unplaced?(): Fault[];
  onSaved(saved: Saved): void;
}

/**
 * Saves what a form holds at the version it was opened with: faults go to their fields, what belongs to no field is
 * returned, and a record that somebody else changed in between comes back as `stale`.
 */
export function useFormSave<Record, Saved extends Existing>({
  form,
  schema,
  saved,
  existing,
  mutation,
  typed,
  unplaced = () => [],
  onSaved,
}: Options<Record, Saved>) {
  const { touched, settled, question } = useLeaveGuard();
  const [opened, setOpened] = useState(existing);
  const [stray, setStray] = useState<string[]>([]);
  const told = useTold();
  const { error } = mutation;
  const stale = error instanceof ApiError && error.problem.status === 409 ? saved.parse(error.problem.current) : null;
  const submit = (at: Existing | null = opened): void => {
    const parsed = schema.safeParse(typed());
    const faults = [...unplaced(), ...(parsed.success ? [] : faultsOf(parsed.error))];
    if (!parsed.success || faults.length > 0) {
      setStray(showFaults(form, faults, told));
      return;
    }
    setStray([]);
    clearFaults(form);
    mutation.mutate(
      { existing: at, record: parsed.data },
      {
        onSuccess: (answer) => {
          setOpened(answer);
          settled();
          onSaved(answer);
        },
        onError: (failure) => setStray(showFaults(form, faultsOf(failure), told)),
      },
    );
  };
  return {
    /** to be called as soon as anything is typed */
    touched: (): void => {
      touched();
      setStray([]);
    },
    /** asks before what was typed is left behind */
    question,
    stray,
    stale,
    submit,
    /** goes on from the newer record */
    take(newer: Existing): void {
      setOpened(newer);
      mutation.reset();
    },
  };
}
