"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { formatMass, type MassUnit } from "@/core/units/mass";
import type { HardSet } from "@/server/history/hardSets";
import { shortDay } from "@/ui/dates";
import { Problem } from "@/ui/form/Problem";
import { send } from "@/ui/send";

/** Hard sets of the floor, offered as the tests that they were: one key keeps one, under its own day. */
export function HardSets({
  sets,
  clientId,
  locale,
  mayRecord,
  massUnit,
}: {
  sets: readonly HardSet[];
  clientId: string;
  locale: string;
  mayRecord: boolean;
  massUnit: MassUnit;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async (recordId: string) => {
    const sent = await send(`/api/clients/${clientId}/set-tests`, { recordId });
    setProblem(sent.ok ? null : (sent.problems[0]?.sentence ?? "The set was not kept."));
    if (sent.ok) router.refresh();
  };
  return (
    <section className="mt-6">
      <h2 className="text-[16px]">From the floor</h2>
      <p className="small quiet">
        Sets with three or fewer in reserve, twelve repetitions at most: as good as a test.
      </p>
      <Problem sentence={problem} />
      <ul className="mt-1">
        {sets.map((s) => (
          <li
            key={s.recordId}
            className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1 text-[14px]"
          >
            <span>{shortDay(s.on, locale)}</span>
            <span>
              {s.machineName}, {s.side ?? "both legs"}
            </span>
            <span>
              <b>{formatMass(s.loadKg, massUnit)}</b> × {s.reps}, {s.reserve} in reserve
            </span>
            {mayRecord && (
              <button type="button" className="btn btn-line btn-sm ml-auto" onClick={() => keep(s.recordId)}>
                Keep as a test
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
