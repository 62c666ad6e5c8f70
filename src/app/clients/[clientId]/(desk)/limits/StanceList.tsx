import type { Stance } from "@/core/rules/stances";
import { needsSurgeonsWord } from "@/core/rules/stances";
import type { StanceChoice, StancesInForce, StanceView } from "@/server/client/stances";
import { citationWords } from "@/words/en/facets";
import { StanceEditor } from "./StanceEditor";

/** Questions on which schools differ: what is in force and who chose it, what colleagues would rather do. */
export function StanceList({
  clientId,
  stances,
  inForce,
  views,
  checked,
  mayChoose,
}: {
  /** null: the clinic's defaults */
  clientId: string | null;
  stances: readonly Stance[];
  inForce: StancesInForce;
  views: readonly StanceView[];
  /** citations that were checked */
  checked: readonly string[];
  mayChoose: boolean;
}) {
  return (
    <dl>
      {stances.map((s) => {
        const own = clientId ? inForce.client.get(s.id) : undefined;
        const clinic = inForce.clinic.get(s.id);
        const chosen = own?.optionId ?? clinic?.optionId ?? s.defaultId;
        const label = (id: string | null) =>
          s.options.find((o) => o.id === id)?.label ?? "the rules' default";
        const others = views.filter((v) => v.stanceId === s.id && v.optionId !== chosen);
        return (
          <div key={s.id} className="border-t border-rule py-1.5">
            <dt className="small quiet">{s.topic}</dt>
            <dd>
              {label(chosen)}{" "}
              <span className="small quiet">
                {own?.optionId
                  ? `chosen by ${own.by}: ${own.reason}`
                  : clinic?.optionId
                    ? "the clinic's default"
                    : "the rules' default"}
              </span>{" "}
              {mayChoose && (
                <StanceEditor
                  clientId={clientId}
                  stance={{
                    id: s.id,
                    topic: s.topic,
                    changes: s.changes,
                    defaultReason: s.defaultReason,
                    source: `${s.source}; confidence ${s.confidence}, ${citationWords(s.source, checked)}`,
                    options: s.options.map((o) => ({ ...o, needsSurgeon: needsSurgeonsWord(s.id, o.id) })),
                    changesLimits: s.conditionId !== null,
                  }}
                  chosen={chosen}
                  replaces={replacedBy(clientId ? own : clinic)}
                  hasOwn={Boolean((clientId ? own : clinic)?.optionId)}
                />
              )}
            </dd>
            {others.map((v) => (
              <dd key={v.id} className="small mt-0.5 border-l-2 border-mark pl-2">
                {v.by} sees it differently: <b>{label(v.optionId)}</b>, because {v.reason}
              </dd>
            ))}
          </div>
        );
      })}
    </dl>
  );
}

const replacedBy = (c: StanceChoice | undefined): string | null => c?.id ?? null;
