"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { StoredMachineChange } from "@/server/clinic/machineChanges";
import { shortDate } from "@/ui/dates";
import { DayField } from "@/ui/form/DayField";
import { Problem } from "@/ui/form/Problem";
import { useSendOnce } from "@/ui/useSendOnce";

/** Says that somebody changed the machine itself: from that day on its loads are learnt anew. */
export function ChangedOn({
  machineId,
  changes,
  today,
  mayWrite,
  locale,
}: {
  machineId: string;
  changes: StoredMachineChange[];
  today: string;
  mayWrite: boolean;
  locale: string;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const [changedOn, setDay] = useState(today);
  const [what, setWhat] = useState("");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const save = async () => {
    const sent = await sendOnce(`/api/machines/${machineId}/changed`, (id) => ({ id, changedOn, what }));
    if (!sent.ok) return setProblems(Object.fromEntries(sent.problems.map((p) => [p.field, p.sentence])));
    setProblems({});
    setWhat("");
    router.refresh();
  };
  return (
    <section className="mt-8 border-t-2 border-primary pt-3">
      <h2 className="text-[18px]">Changed on the machine itself</h2>
      <p className="quiet max-w-[80ch]">
        A new cable, pulley or lever lifts differently. What clients showed on it before stays what their legs
        can do, and says nothing more of this machine.
      </p>
      {changes.length === 0 ? (
        <p className="small quiet mt-1">Never, as far as anybody wrote down.</p>
      ) : (
        <ul className="mt-1">
          {changes.map((c) => (
            <li key={c.id}>
              {shortDate(c.changedOn, locale)}: {c.what} <span className="small quiet">{c.by}</span>
            </li>
          ))}
        </ul>
      )}
      {mayWrite && (
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <DayField
            label="changed on"
            name="changedOn"
            value={changedOn}
            onChange={setDay}
            problem={problems.changedOn}
          />
          <label className="small quiet">
            what was changed
            <input
              className="input input-sm block w-72 text-base-content"
              name="what"
              maxLength={200}
              value={what}
              onChange={(e) => setWhat(e.target.value)}
            />
          </label>
          <button type="button" className="btn btn-line btn-sm" onClick={save}>
            It was changed
          </button>
          <Problem sentence={problems.what ?? problems[""] ?? null} />
        </div>
      )}
    </section>
  );
}
