import { useState } from "react";
import { begunBy } from "@/core/story/begunBy";
import { SWELLING_WORDS } from "@/core/units/fields";
import { Choice } from "@/ui/form/Choice";
import { DayField } from "@/ui/form/DayField";
import { Pick } from "@/ui/form/Pick";
import { Words } from "@/ui/form/Words";
import type { StoryChoices } from "./choices";
import type { StoryPart } from "./StoryForm";

const NOTHING = { conditionId: "", variantId: "", beganOn: "" };

/** What it is about, since when, what was done, and what the surgeon wrote. */
export function ProblemFields({ part, choices }: { part: StoryPart; choices: StoryChoices }) {
  const { draft, set, problem } = part;
  const [isMoreOpen, setMoreOpen] = useState(draft.uncovered.length > 0);
  const filled = [draft.calledAs, draft.details, draft.surgeonNote].filter((w) => w !== "");
  // what the condition says is not asked; what somebody entered against it stays in sight
  const says = begunBy(draft.conditions.map((c) => c.conditionId));
  const rows = draft.conditions.length ? draft.conditions : [NOTHING];
  const variants = (id: string) => choices.conditions.find((c) => c.id === id)?.variants ?? [];
  const last = rows[rows.length - 1];
  const shown = last?.conditionId && rows.length < 4 ? [...rows, NOTHING] : rows;
  const choose = (at: number, conditionId: string) => {
    const found = choices.conditions.find((c) => c.id === conditionId);
    const next = shown.map((r, i) =>
      i === at
        ? { ...r, conditionId, variantId: found?.variants.length === 1 ? (found.variants[0]?.[0] ?? "") : "" }
        : r,
    );
    const conditions = next.filter((r) => r.conditionId !== "");
    const says = begunBy(conditions.map((c) => c.conditionId));
    set({ conditions, ...(says ? { beganWith: says } : {}) });
  };
  const change = (at: number, by: { variantId?: string; beganOn?: string }) =>
    set({ conditions: draft.conditions.map((c, k) => (k === at ? { ...c, ...by } : c)) });
  return (
    <section className="grid content-start gap-2">
      {shown.map((row, i) => (
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: rows have no other identity while they are typed
          key={i}
          className="grid grid-cols-1 sm:grid-cols-[minmax(0,1fr)_150px] gap-2"
        >
          <Pick
            isNeeded={i === 0}
            label={i === 0 ? "condition" : "and also"}
            name={`condition-${i}`}
            options={[
              ["", i === 0 ? "choose" : "nothing else"],
              ...choices.conditions.map((c): [string, string] => [c.id, c.name]),
            ]}
            value={row.conditionId}
            onChange={(e) => choose(i, e.target.value)}
            problem={i === 0 ? problem("episode.conditions") : undefined}
          />
          {variants(row.conditionId).length > 1 && (
            <Pick
              isNeeded
              label="which kind"
              name={`variant-${i}`}
              options={[["", "choose"], ...variants(row.conditionId)]}
              value={row.variantId}
              onChange={(e) => change(i, { variantId: e.target.value })}
              problem={problem(`episode.conditions.${i}.variantId`)}
            />
          )}
          {i > 0 && row.conditionId && (
            <div className="col-span-2 max-w-[200px]">
              <DayField
                label="began on (empty: the same day)"
                name={`condition-began-${i}`}
                value={row.beganOn}
                onChange={(beganOn) => change(i, { beganOn })}
                problem={problem(`episode.conditions.${i}.beganOn`)}
              />
            </div>
          )}
        </div>
      ))}
      <div className="grid grid-cols-1 sm:grid-cols-[minmax(0,1fr)_170px] items-end gap-3">
        {(says === null || says !== draft.beganWith) && (
          <Choice
            isNeeded
            legend="began with"
            name="beganWith"
            isInline={false}
            options={[
              ["surgery", "surgery"],
              ["onset", "by itself or injury"],
            ]}
            value={draft.beganWith}
            onChange={(beganWith) => set({ beganWith })}
            problem={problem("episode.beganWith")}
          />
        )}
        <DayField
          isNeeded
          label={draft.beganWith === "surgery" ? "date of surgery" : "date of onset"}
          name="beganOn"
          value={draft.beganOn}
          onChange={(beganOn) => set({ beganOn })}
          problem={problem("episode.beganOn")}
        />
      </div>
      <div className="grid grid-cols-2 items-end gap-3">
        <Choice<"yes" | "no">
          isNeeded
          legend="does this joint swell"
          name="swellingApplies"
          isInline={false}
          options={[
            ["yes", "yes, watch it"],
            ["no", "no"],
          ]}
          value={draft.swellingApplies === null ? null : draft.swellingApplies ? "yes" : "no"}
          onChange={(v) => set({ swellingApplies: v === "yes" })}
          problem={problem("episode.swellingApplies")}
        />
        {draft.swellingApplies && (
          <Pick
            isNeeded
            label="swelling now"
            name="firstSwelling"
            options={[["", "choose"], ...SWELLING_WORDS.map((w, i): [string, string] => [String(i), w])]}
            value={draft.firstSwelling}
            onChange={(e) => set({ firstSwelling: e.target.value })}
            problem={problem("episode.firstSwelling")}
          />
        )}
      </div>
      <details
        className="group"
        open={isMoreOpen || ["calledAs", "details", "surgeonNote"].some((f) => problem(`episode.${f}`))}
        onToggle={(e) => setMoreOpen(e.currentTarget.open)}
      >
        <summary className="cursor-pointer underline">
          Not in the list, what was done, what the surgeon wrote
          {filled.length > 0 && !isMoreOpen && <span className="quiet">: {filled.join("; ")}</span>}
        </summary>
        <div className="mt-2 grid gap-2">
          <Pick
            label="not covered by the rules"
            name="uncovered"
            options={[["", "nothing of this kind"], ...choices.uncovered]}
            value={draft.uncovered[0] ?? ""}
            onChange={(e) => set({ uncovered: e.target.value ? [e.target.value] : [] })}
          />
          {draft.uncovered.length > 0 && (
            <p className="border-l-4 border-accent pl-3 text-accent">
              The rules say nothing about this. No limits are computed; a therapist writes them by hand in
              Limits before anything is dosed.
            </p>
          )}
          <Words
            label="called here (empty: the condition's name)"
            name="calledAs"
            value={draft.calledAs}
            onChange={(e) => set({ calledAs: e.target.value })}
            problem={problem("episode.calledAs")}
          />
          <Words
            label="what was done: graft, repair, cement, what else matters"
            name="details"
            rows={2}
            value={draft.details}
            onChange={(e) => set({ details: e.target.value })}
            problem={problem("episode.details")}
          />
          <Words
            label="what the surgeon wrote (bounds themselves go into Limits)"
            name="surgeonNote"
            rows={2}
            value={draft.surgeonNote}
            onChange={(e) => set({ surgeonNote: e.target.value })}
            problem={problem("episode.surgeonNote")}
          />
        </div>
      </details>
    </section>
  );
}
