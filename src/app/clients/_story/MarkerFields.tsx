import { MARKER_IDS, type MarkerId, MOST_MARKERS } from "@/core/story/markers";
import { Pick } from "@/ui/form/Pick";
import { Words } from "@/ui/form/Words";
import { MARKERS } from "@/words/en/story";
import { RowList } from "./RowList";
import type { StoryPart } from "./StoryForm";

/** Movements that bring it on, the same dose each time: scored before the first set and after the last. */
export function MarkerFields({ part: { draft, set, problem } }: { part: StoryPart }) {
  const next = MARKER_IDS.find((id) => !draft.markers.some((m) => m.kind === id)) ?? "own";
  return (
    <RowList
      heading={
        <h3 className="text-[16px]">
          Movements that bring it on{" "}
          <span className="quiet text-[15px] font-normal">scored before and after each visit</span>
        </h3>
      }
      problem={problem("episode.markers")}
      rows={draft.markers}
      most={MOST_MARKERS}
      noun="movement"
      fresh={() => ({ kind: next, words: "" })}
      rowClass="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-x-3"
      onChange={(markers) => set({ markers })}
    >
      {(m, i, change, takeOut) => (
        <>
          <Pick
            label="movement"
            name={`marker-${i}`}
            options={Object.entries(MARKERS)}
            value={m.kind}
            onChange={(e) => change({ kind: e.target.value as MarkerId })}
          />
          <Words
            label={m.kind === "own" ? "which, and how much" : "how much of it"}
            name={`marker-words-${i}`}
            placeholder="3 times"
            value={m.words}
            onChange={(e) => change({ words: e.target.value })}
            problem={problem(`episode.markers.${i}.words`)}
          />
          {takeOut}
        </>
      )}
    </RowList>
  );
}
