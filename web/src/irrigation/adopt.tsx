import Button from "antd/es/button";
import { ProblemNote } from "../parts/problem.tsx";
import { useSaveZone, useSetUp } from "../place/use-set-up.ts";

/** Beyond this a measurement is no longer what the plan counts on. */
const SAME_PCT = 1;

/** Lets a measurement take the place of what the zone's description says; the plan counts on it from then on. */
export function Adopt({
  zoneId,
  field,
  value,
  children,
}: {
  zoneId: number;
  field: "flowLh" | "uniformityPct";
  value: number;
  children: string;
}) {
  const zone = useSetUp().data?.zones.find((candidate) => candidate.id === zoneId);
  const save = useSaveZone();
  if (!zone || Math.abs(value / zone.definition[field] - 1) * 100 < SAME_PCT) return null;
  const { id, version, archived: _archived, ...record } = zone;
  const adopt = (): void =>
    save.mutate({
      existing: { id, version },
      record: {
        ...record,
        definition: { ...record.definition, [field]: Number(value.toPrecision(4)) },
        unconfirmed: record.unconfirmed.filter((name) => name !== field),
      },
    });
  return (
    <>
      <Button loading={save.isPending} onClick={adopt}>
        {children}
      </Button>
      {save.isError && <ProblemNote error={save.error} />}
    </>
  );
}
