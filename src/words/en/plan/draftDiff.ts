import type { DraftDiff } from "@/core/drafts/schools/draftDiff";
import type { ScoreLine } from "@/core/sheet/line/scoreInput";
import { setsOf } from "@/core/sheet/schemes/scheme";
import { lowerFirst } from "@/core/units/lowerFirst";
import { upperFirst } from "@/core/units/upperFirst";
import { LEGS_WORDS, SCHEME_NAMES } from "./line";
import { lastSetWords } from "./way";

/** How a drafted line is done: "3 × 10, straight sets, 10° to 60°". */
function howWords({ scheme, window, legs }: ScoreLine): string {
  const sets = setsOf(scheme).filter((s) => s.role === "work");
  const one = sets[0]?.reps ? `${sets.length} × ${sets[0].reps}, ` : "";
  const arc = window ? `, ${window.fromDeg}° to ${window.toDeg}°` : "";
  const last = lastSetWords(scheme);
  return `${one}${SCHEME_NAMES[scheme.kind]}, ${LEGS_WORDS[legs]}${arc}${last ? `, ${last}` : ""}`;
}

/** What is other in today's draft, one sentence for each; `name` says an exercise. */
export function draftDiffWords(d: DraftDiff, name: (id: string) => string): string[] {
  const changed = d.out.length > 0 || d.in.length > 0;
  const list = (ids: readonly string[]) => ids.map((id) => lowerFirst(name(id))).join(", ");
  return [
    ...(changed
      ? [
          d.in.length === 0
            ? `Left out of the draft: ${list(d.out)}.`
            : d.out.length === 0
              ? `New in the draft: ${list(d.in)}.`
              : `In the draft, in the place of ${list(d.out)}: ${list(d.in)}.`,
        ]
      : []),
    ...d.otherwise.map(
      (o) => `${upperFirst(name(o.exerciseId))}: ${howWords(o.before)} → ${howWords(o.after)}.`,
    ),
    ...(d.order ? [`The draft's order: ${list(d.order)}.`] : []),
  ];
}
