import type { StepSaid } from "@/core/desk/path";
import type { Bars, WaitSaid } from "@/core/desk/waiting";
import type { Criterion, CriterionAsks, CriterionFound } from "@/core/phases/phaseCriteria";
import type { PhaseStepBarred } from "@/core/phases/phaseEntry";
import type { RuleSaid } from "@/core/progression/safetyRules";
import type { FeltSaid, LastSaid, LineSaid, LoadSaid, TaskSaid } from "@/core/visit/client/homeSaid";
import type { ConcernSaid } from "@/core/visit/concerns";
import type { SignSaid, SignsSaid } from "@/core/visit/signs/recheckSigns";
import type { StopSaid } from "@/core/visit/signs/stopReasons";
import type { Words } from "./words";

/** Everything that rooms of the core say, by the room. */
export interface Rooms {
  desk: Exclude<WaitSaid, ConcernSaid> | Bars["why"];
  home: LineSaid | LastSaid | LoadSaid | TaskSaid | FeltSaid;
  path: StepSaid;
  phases: CriterionAsks | CriterionFound | PhaseStepBarred | ({ code: "phases.criterion" } & Criterion);
  progression: RuleSaid;
  visit: ConcernSaid | SignSaid | SignsSaid | StopSaid;
}
export type RoomWords = { readonly [R in keyof Rooms]: Words<Rooms[R]> };

/** What can be said. */
export type Message = Rooms[keyof Rooms];
