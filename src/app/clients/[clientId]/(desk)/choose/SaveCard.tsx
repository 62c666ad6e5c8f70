"use client";
import { useRouter } from "next/navigation";
import { type Ref, useState } from "react";
import { settingWords } from "@/core/equipment/machine";
import type { RangeRow } from "@/core/selection/rank/rangeSheet";
import type { Worn } from "@/core/selection/setUp/aid";
import type { ComputedSetUp } from "@/core/selection/setUp/row";
import type { FieldProblem } from "@/core/units/inputError";
import { type MassUnit, poundsBeside } from "@/core/units/mass";
import { Dialog } from "@/ui/Dialog";
import { Problem } from "@/ui/form/Problem";
import { Words } from "@/ui/form/Words";
import { useSay } from "@/ui/reader";
import { useSendOnce } from "@/ui/useSendOnce";
import { WORN } from "@/words/en/plan/setUp";

const lines = (text: string): string[] =>
  text
    .split("\n")
    .map((l) => l.trim())
    .filter(Boolean);

/** Keeps the set-up as the client's card for this exercise: what the floor sets. */
export function SaveCard({
  ref,
  clientId,
  row,
  setUp,
  version,
  massUnit,
}: {
  ref: Ref<HTMLDialogElement>;
  clientId: string;
  row: RangeRow;
  setUp: ComputedSetUp;
  version: number;
  massUnit: MassUnit;
}) {
  const say = useSay();
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [draft, setDraft] = useState({
    axisChecked: false,
    feet: "",
    support: "none" as Worn,
    cues: row.e.cues.slice(0, 3).join("\n"),
    stopSigns: row.e.stop_signs.slice(0, 3).join("\n"),
    note: "",
    aboveStart: "",
  });
  const [problems, setProblems] = useState<FieldProblem[]>([]);
  const [saved, setSaved] = useState(false);
  const save = async () => {
    const sent = await sendOnce(`/api/clients/${clientId}/cards`, (id) => ({
      id,
      exerciseId: row.e.id,
      baseVersion: version,
      machineId: setUp.chosen.id,
      settings: setUp.settings,
      load: setUp.load,
      ...draft,
      cues: lines(draft.cues),
      stopSigns: lines(draft.stopSigns),
      aboveStart: draft.aboveStart.trim() || null,
    }));
    if (!sent.ok) return setProblems(sent.problems);
    setProblems([]);
    setSaved(true);
    router.refresh();
  };
  const lever = setUp.chosen.family.hasCam;
  return (
    <Dialog ref={ref} label="Set-up card" onClose={() => setSaved(false)} size="card">
      <h2 className="text-lg">
        Set-up card: {row.e.name}{" "}
        <span className="quiet text-[14px] font-normal">on {setUp.chosen.machine.name}</span>
      </h2>
      <p className="mt-1">
        {setUp.chosen.family.settings
          .map((s) => `${s.name} ${settingWords(s, setUp.settings[s.key] ?? 0)}`)
          .join(" · ")}
        {" · "}
        <b>
          {setUp.how}
          {poundsBeside(setUp.load, massUnit)}
        </b>{" "}
        · from {Math.round(setUp.arc.fromDeg)}° to {Math.round(setUp.arc.toDeg)}°
      </p>
      <form
        className="mt-3 grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        {lever && (
          <label className="flex cursor-pointer items-center gap-2">
            <input
              type="checkbox"
              className="checkbox checkbox-sm"
              checked={draft.axisChecked}
              onChange={(e) => setDraft({ ...draft, axisChecked: e.target.checked })}
            />
            knee in line with the machine's axis, looked at bent and half straight
          </label>
        )}
        <div className="grid grid-cols-2 gap-3">
          <label className="grid gap-1">
            <span className="small">feet</span>
            <input
              className="input input-sm w-full"
              value={draft.feet}
              onChange={(e) => setDraft({ ...draft, feet: e.target.value })}
              placeholder="hip width, toes a little out"
            />
          </label>
          <label className="grid gap-1">
            <span className="small">worn</span>
            <select
              className="select select-sm w-full"
              value={draft.support}
              onChange={(e) => setDraft({ ...draft, support: e.target.value as Worn })}
            >
              {Object.entries(WORN).map(([id, words]) => (
                <option key={id} value={id}>
                  {words}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1">
            <span className="small">cues, one a line</span>
            <textarea
              className="textarea textarea-sm h-24 w-full"
              value={draft.cues}
              onChange={(e) => setDraft({ ...draft, cues: e.target.value })}
            />
          </label>
          <label className="grid gap-1">
            <span className="small">stop signs, one a line</span>
            <textarea
              className="textarea textarea-sm h-24 w-full"
              value={draft.stopSigns}
              onChange={(e) => setDraft({ ...draft, stopSigns: e.target.value })}
            />
          </label>
        </div>
        <label className="grid gap-1">
          <span className="small">note</span>
          <input
            className="input input-sm w-full"
            value={draft.note}
            onChange={(e) => setDraft({ ...draft, note: e.target.value })}
          />
        </label>
        {setUp.brokenCap === "start" && (
          <Words
            label="above the start of this machine, because"
            name="aboveStart"
            hint={say(setUp.tooHeavyBecause ?? "")}
            value={draft.aboveStart}
            onChange={(e) => setDraft({ ...draft, aboveStart: e.target.value })}
            problem={problems.find((p) => p.field === "aboveStart")?.sentence}
          />
        )}
        {problems.map((p) => (
          <Problem key={`${p.field}${p.sentence}`} sentence={p.sentence} />
        ))}
        {saved && (
          <p role="status">
            Saved. It stands under{" "}
            <a className="underline" href={`/clients/${clientId}/cards`}>
              Set-up cards
            </a>{" "}
            and on the floor.
          </p>
        )}
        <p className="flex gap-2">
          <button type="submit" className="btn btn-primary btn-sm">
            Save card
          </button>
          <button
            type="button"
            className="btn btn-sm"
            onClick={(e) => e.currentTarget.closest("dialog")?.close()}
          >
            Close
          </button>
        </p>
      </form>
    </Dialog>
  );
}
