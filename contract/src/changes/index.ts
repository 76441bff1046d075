export {
  CHANGE_KINDS,
  changeKindSchema,
  writtenChangeSchema,
  type Change,
  type ChangeCount,
  type ChangedField,
  type ChangedRecord,
  type ChangeFilter,
  type ChangeKind,
  type Changes,
  type ChangesCheck,
  type Did,
  type WrittenChange,
} from "./changes.ts";
export { checkChanges, getChanges, getChangesTable } from "./endpoints.ts";
