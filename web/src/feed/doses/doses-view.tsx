import { addressOf as fileAddress } from "@sprunel/contract/basics";
import { getDoseTable } from "@sprunel/contract/feed";
import type { School } from "@sprunel/core/feed/doses";
import Button from "antd/es/button";
import { Outline } from "../../parts/outline.tsx";
import { useState } from "react";
import forms from "../../forms/forms.module.css";
import { ProblemNote } from "../../parts/problem.tsx";
import { SetUpLink } from "../../place/set-up-link.tsx";
import { useBoard } from "../../place/use-board.ts";
import { usePlace } from "../../place/use-place.ts";
import { Books } from "./books.tsx";
import { DoseList } from "./dose-list.tsx";
import { NeedPath } from "./need-path.tsx";
import { NeedPicture } from "./need-picture.tsx";
import { ProgrammeForm, SCHOOL_NAMES } from "./programme-form.tsx";
import { Schools } from "./schools.tsx";
import { WhileItGrows } from "./while-it-grows.tsx";
import { useDosePlan } from "./use-doses.ts";

/** What the planting needs, what it is given when and of which bags, and where it went. */
export function DosesView({ zoneId }: { zoneId: number }) {
  const { date } = usePlace();
  const found = useDosePlan(zoneId, date);
  const today = useBoard(null).data?.today;
  /** the form, with the school that it begins with; null while it is closed */
  const [opened, setOpened] = useState<School | null>(null);
  if (found.isError && !found.data) return <ProblemNote error={found.error} onRetry={() => void found.refetch()} />;
  if (!found.data || today === undefined) return <Outline />;
  const plan = found.data;
  if (plan.missing === "not-planted")
    return (
      <p>
        Nothing stands here on this day, so there is nothing to give. Plant it in <SetUpLink>set-up</SetUpLink>.
      </p>
    );
  return (
    <>
      {plan.need ? (
        <NeedPicture need={plan.need} efficiencyPct={plan.programme.efficiencyPct} />
      ) : (
        <p>
          Nobody has said what yield is aimed at: say it here in t/ha
          {plan.planting?.piece && `, or what ${plan.planting.piece.one} weighs`}, or with the planting in{" "}
          <SetUpLink>set-up</SetUpLink>. Need and doses follow from it.
        </p>
      )}
      <p className={forms["actions"]}>
        <span>
          {plan.version === null
            ? `No programme is in force${plan.need ? ": what stands here is what a usual one would give" : ""}.`
            : `In force: ${SCHOOL_NAMES[plan.programme.school]}.`}
        </span>
        <Button
          type={plan.version === null ? "primary" : "default"}
          onClick={() => setOpened(opened === null ? plan.programme.school : null)}
        >
          {plan.version === null ? "Make a programme" : "Change the programme"}
        </Button>
        <Button onClick={() => window.print()}>Print</Button>
        <a href={fileAddress(getDoseTable, { params: { id: zoneId } })} download>
          As a table
        </a>
      </p>
      {plan.fault !== null && (
        <p role="alert" className="act">
          The programme cannot be followed as it stands: {plan.fault}
        </p>
      )}
      {opened !== null && (
        <ProgrammeForm key={opened} plan={plan} school={opened} today={today} onDone={() => setOpened(null)} />
      )}
      {(plan.need ?? plan.doses.length > 0) && <DoseList plan={plan} today={today} />}
      <WhileItGrows plan={plan} today={today} />
      {plan.path.length > 0 && <NeedPath path={plan.path} schools={plan.schools} date={plan.date} />}
      {plan.schools.length > 0 && <Schools plan={plan} onUse={opened === null ? setOpened : null} />}
      {plan.ledger && <Books plan={plan} ledger={plan.ledger} today={today} />}
    </>
  );
}
