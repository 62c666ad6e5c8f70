"use client";
import { parseAsInteger, parseAsStringLiteral, useQueryStates } from "nuqs";
import { useMemo } from "react";
import {
  grownStronger,
  kneecapHere,
  pressHeavier,
  stackNumber,
  type Told,
  type ToldFacts,
  whyHold,
} from "@/core/explain/told";
import { withOwn } from "@/core/rules/exercises";
import { asKept } from "@/core/units/said";
import type { ExplainFacts } from "@/server/explain/explain";
import { useKeys } from "@/ui/keys/useKeys";
import { Link } from "@/ui/Link";
import { Said } from "@/ui/reader";
import { whyNext } from "@/words/en/numbers/told";
import { Figures } from "./Figures";
import { Sides } from "./Sides";

const TOPICS = {
  press: "Why so much more on the press?",
  kneecap: "What does this angle do to my kneecap?",
  hold: "Why hold instead of move?",
  next: "Why is today as it is?",
  stack: "What does this number mean?",
  stronger: "Have I become stronger?",
  schools: "Two ways of thinking",
} as const;
const SHORT: Record<Topic, string> = {
  press: "Press or extension",
  kneecap: "My kneecap",
  hold: "Hold or move",
  next: "Today",
  stack: "This number",
  stronger: "Stronger",
  schools: "Two schools",
};
type Topic = keyof typeof TOPICS;
const IDS = Object.keys(TOPICS) as [Topic, ...Topic[]];
const FREE_ANGLE: ReadonlySet<Topic> = new Set(["press", "kneecap"]);

/** One question at a time, large; the figure moves with the knee's angle. Keys 1 to 7 choose the question. */
export function ExplainScreen({
  clientId,
  name,
  facts,
  chair,
  lines,
  decision,
  stances,
}: { clientId: string; name: string } & ExplainFacts) {
  const [view, setView] = useQueryStates({
    ask: parseAsStringLiteral(IDS).withDefault("press"),
    deg: parseAsInteger.withDefault(45),
  });
  const deg = Math.min(110, Math.max(5, Math.round(view.deg / 5) * 5));
  useKeys(
    IDS.map((id, i) => ({ key: String(i + 1), words: TOPICS[id], run: () => void setView({ ask: id }) })),
  );
  const input = useMemo<ToldFacts["input"] | null>(
    () =>
      chair && {
        ...facts,
        exercises: withOwn(facts.ownExercises),
        chair,
        tissue: "kneecap",
        capTimes: null,
        basis: { kind: "effort", share: 0.5 },
      },
    [facts, chair],
  );
  const told = useMemo((): Told | string => {
    if (!input || !chair)
      return "A usual chair is out of the model's reach for this body, so nothing is compared with it.";
    const all = { input, chair };
    switch (view.ask) {
      case "press":
        return pressHeavier(all, deg);
      case "kneecap":
        return kneecapHere(all, deg);
      case "hold":
        return first(lines, (l) => whyHold(all, l)) ?? "No hold with a model is on a sheet of yours.";
      case "stack":
        return (
          first(lines, (l) => stackNumber(all, l)) ??
          "Nothing that is set in kilograms is on a sheet of yours."
        );
      case "stronger":
        return grownStronger(all) ?? "Too little was done yet to tell: come again after some visits.";
      case "next":
        return decision
          ? { says: whyNext(decision), sides: [], sure: "These are the reasons it was decided by." }
          : "Nothing was decided yet: come again after a visit and its morning.";
      case "schools":
        return "";
    }
  }, [input, chair, view.ask, deg, lines, decision]);
  return (
    <main className="flex min-h-dvh flex-col bg-base-100 px-8 py-5">
      <nav aria-label="Questions" className="flex flex-wrap items-center justify-between gap-3">
        <p className="flex flex-wrap gap-2">
          {IDS.map((id, i) => (
            <button
              key={id}
              type="button"
              aria-current={view.ask === id ? "page" : undefined}
              className={`btn ${view.ask === id ? "btn-primary" : "btn-line"}`}
              onClick={() => void setView({ ask: id })}
            >
              <kbd>{i + 1}</kbd> {SHORT[id]}
            </button>
          ))}
        </p>
        <Link href={`/clients/${clientId}/review`} className="underline">
          back to the desk
        </Link>
      </nav>
      <h1 className="mt-6 text-[40px] leading-tight">
        {TOPICS[view.ask]} <span className="quiet font-sans text-[20px] font-normal">{name}</span>
      </h1>
      {view.ask === "schools" ? (
        <Sides questions={stances} />
      ) : typeof told === "string" ? (
        <p className="mt-6 max-w-[34ch] text-[28px]">{told}</p>
      ) : (
        <div
          className={`mt-4 grid flex-1 gap-x-10 ${told.sides.length > 0 ? "grid-cols-1 lg:grid-cols-[minmax(0,1fr)_minmax(0,1.1fr)]" : ""}`}
        >
          <div>
            {told.says.map((s) => (
              <p key={asKept(s)} className="mt-4 max-w-[30ch] text-[28px] leading-snug">
                <Said>{s}</Said>
              </p>
            ))}
            <p className="quiet mt-6 max-w-[60ch]">
              <Said>{told.sure}</Said>
            </p>
          </div>
          {told.sides.length > 0 && (
            <Figures
              body={facts.body}
              sides={told.sides}
              deg={FREE_ANGLE.has(view.ask) ? deg : null}
              onDeg={(d) => void setView({ deg: d })}
            />
          )}
        </div>
      )}
    </main>
  );
}

function first<T>(
  lines: ExplainFacts["lines"],
  of: (l: ExplainFacts["lines"][number]) => T | null,
): T | null {
  for (const l of lines) {
    const found = of(l);
    if (found) return found;
  }
  return null;
}
