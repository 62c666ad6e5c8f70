import type { EpisodeCondition } from "@/server/conditions";

/** What the phase warns of, what must be met to leave it, the stances in force, and where the rule comes from. */
export function PhaseNotes({ condition: c }: { condition: EpisodeCondition }) {
  const { phase, condition, stances } = c;
  return (
    <section className="mt-4">
      <h2 className="text-[16px]">{phase.name}</h2>
      {phase.caution && <p className="mt-1">{phase.caution}</p>}
      {phase.avoid.length > 0 && (
        <p className="mt-2">
          <b>Avoid:</b> {phase.avoid.join("; ")}.
        </p>
      )}
      {phase.exit_criteria.functional.length > 0 && (
        <>
          <p className="mt-2">
            <b>To leave this phase</b>
          </p>
          <ul className="ml-4 list-disc">
            {phase.exit_criteria.functional.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </>
      )}
      <p className="mt-3">
        <b>Where schools differ</b>
      </p>
      <dl>
        {stances.map((s) => (
          <div key={s.question} className="border-t border-rule py-1">
            <dt className="small quiet">{s.question}</dt>
            <dd>
              {s.chosen} {s.isDefault && <span className="small quiet">clinic default</span>}
            </dd>
          </div>
        ))}
      </dl>
      <p className="small quiet mt-3">
        Source: {phase.source}; confidence {phase.confidence}, unverified citation. {condition.note}
      </p>
    </section>
  );
}
