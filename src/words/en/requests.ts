import type { RequestKind } from "@/core/requests/requestInput";

/** What a trainer asks for, as it follows "asks for". */
export const REQUEST_KINDS: Readonly<Record<RequestKind, string>> = {
  heavier: "more load than planned",
  wider: "a wider range or another angle",
  other_exercise: "another exercise from now on",
  more_pain: "to go on in spite of pain",
  go_on: "to run it before the decision",
  other: "something else",
};
