import type { Marker, MarkerScores } from "@/core/story/markers";
import type { VisitEvent } from "@/core/visit/visitEvent";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { markerWords } from "@/words/en/story";

/** Movements that bring it on: each is tried, and a key says how it was. Nothing waits for it. */
export function MarkerKeys({
  markers,
  scores,
  when,
  happen,
}: {
  markers: readonly Marker[];
  scores: readonly MarkerScores[];
  when: MarkerEvent["when"];
  happen: (event: VisitEvent) => void;
}) {
  const scoreOf = (m: Marker) => scores.find((s) => s.kind === m.kind) ?? null;
  // what was not tried before has nothing to be compared with
  const asked = markers.filter((m) => when === "before" || (scoreOf(m)?.before ?? null) !== null);
  return (
    <>
      {asked.map((m) => (
        <ScoreKeys
          key={m.kind}
          label={`${markerWords(m)}: ${when === "before" ? "pain now" : `pain now, ${scoreOf(m)?.before} before`}`}
          value={scoreOf(m)?.[when] ?? null}
          onPick={(score) => happen({ type: "marker", kind: m.kind, when, score, at: Date.now() })}
          size="floor"
          isNarrow={when === "before"}
        />
      ))}
    </>
  );
}
type MarkerEvent = Extract<VisitEvent, { type: "marker" }>;
