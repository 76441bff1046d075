export {
  correctionSchema,
  newDecisionSchema,
  type Correction,
  type Decision,
  type NewDecision,
  type OpenFinding,
  type Proposal,
} from "./decision.ts";
export { stationSchema, type Finding, type Mark, type Station } from "./finding.ts";
