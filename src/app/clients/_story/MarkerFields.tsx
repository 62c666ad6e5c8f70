import { MARKER_IDS, type MarkerId } from "@/core/story/markers";
import { Pick } from "@/ui/form/Pick";
import { Words } from "@/ui/form/Words";
import { MARKERS } from "@/words/en/story";
import type { StoryPart } from "./StoryForm";
import type { StoryDraft } from "./storyDraft";

const MOST = 3;
type MarkerDraft = StoryDraft["markers"][number];

/** Movements that bring it on, the same dose each time: scored before the first set and after the last. */
export function MarkerFields({ part }: { part: StoryPart }) {
  const { draft, set, problem } = part;
  const put = (markers: MarkerDraft[]) => set({ markers });
  const change = (at: number, by: Partial<MarkerDraft>) =>
    put(draft.markers.map((m, i) => (i === at ? { ...m, ...by } : m)));
  const next = MARKER_IDS.find((id) => !draft.markers.some((m) => m.kind === id));
  return (
    <section className="grid gap-2">
      <h3 className="text-[16px]">
        Movements that bring it on{" "}
        <span className="quiet text-[15px] font-normal">scored before and after each visit</span>
      </h3>
      {problem("episode.markers") && (
        <p className="small text-error" role="alert">
          {problem("episode.markers")}
        </p>
      )}
      {draft.markers.map((m, i) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other identity while they are typed
          key={i}
          className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_auto] items-end gap-x-3"
        >
          <Pick
            label="movement"
            name={`marker-${i}`}
            options={Object.entries(MARKERS)}
            value={m.kind}
            onChange={(e) => change(i, { kind: e.target.value as MarkerId })}
          />
          <Words
            label={m.kind === "own" ? "which, and how much" : "how much of it"}
            name={`marker-words-${i}`}
            placeholder="3 times"
            value={m.words}
            onChange={(e) => change(i, { words: e.target.value })}
            problem={problem(`episode.markers.${i}.words`)}
          />
          <button
            type="button"
            className="small cursor-pointer pb-2 underline"
            onClick={() => put(draft.markers.filter((_, k) => k !== i))}
          >
            take out
          </button>
        </div>
      ))}
      {next && draft.markers.length < MOST && (
        <button
          type="button"
          className="small cursor-pointer justify-self-start underline"
          onClick={() => put([...draft.markers, { kind: next, words: "" }])}
        >
          {draft.markers.length === 0 ? "a movement" : "another movement"}
        </button>
      )}
    </section>
  );
}
