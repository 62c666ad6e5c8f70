import type { EpisodeCondition } from "@/server/client/conditions";
import { citationWords } from "@/words/en/facets";

/** What the phase warns of, what to avoid in it, and where its rules come from. */
export function PhaseNotes({ condition: c, checked }: { condition: EpisodeCondition; checked: string[] }) {
  const { phase, condition } = c;
  const notes = [condition.note, condition.combine_note, phase.exit_criteria.note].filter(Boolean);
  return (
    <section className="mt-3 border-t border-rule pt-2">
      <h2 className="text-[16px]">{phase.name}</h2>
      {phase.caution && <p className="mt-1">{phase.caution}</p>}
      {phase.avoid.length + condition.avoid_always.length > 0 && (
        <p className="mt-1">
          <b>Avoid:</b> {[...phase.avoid, ...condition.avoid_always].join("; ")}.
        </p>
      )}
      {c.limits.machines === "therapist_present" && (
        <p className="mt-1">
          <b>Machines</b> only with a licensed therapist in the room.
        </p>
      )}
      {phase.clearance_required && (
        <p className="mt-1">
          <b>Needs clearance:</b> {phase.clearance_required}
        </p>
      )}
      <p className="small quiet mt-1">
        Source: {phase.source}; confidence {phase.confidence}, {citationWords(phase.source, checked)}.{" "}
        {notes.join(" ")}
      </p>
    </section>
  );
}
