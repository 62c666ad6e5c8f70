"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { type ClientSchemeFacts, schemeFactsOf } from "@/core/dose/schemeFacts";
import { schemeBars } from "@/core/dose/schemeGates";
import { schemeShare } from "@/core/dose/schemeShare";
import type { ScoreLine } from "@/core/dose/scoreInput";
import { orderNotes, type ScoreItem, scoreTotals } from "@/core/dose/sessionScore";
import { sessionTemplate } from "@/core/dose/sessionTemplate";
import { withOwn } from "@/core/rules/exercises";
import { DEED_SENTENCES } from "@/core/safety/roles";
import { type RangeRow, rangeSheet, rowOf, type SheetInput } from "@/core/selection/rangeSheet";
import { directionOf } from "@/core/selection/row";
import type { ReferenceTask } from "@/core/selection/tissues";
import type { ChooseFacts } from "@/server/choose";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { send } from "@/ui/send";
import { ItemEditor } from "./ItemEditor";
import { ScoreRail } from "./ScoreRail";
import { SCHEME_STARTS } from "./schemeDefaults";
import { useScore } from "./useScore";

const MINUTES = [20, 30, 45] as const;

/** The session as a score, its totals above, its notes below, the editor of one line at the right. */
export function SessionDesk({
  clientId,
  facts,
  chair,
  known,
  barred,
  saved,
  mayWrite,
}: {
  clientId: string;
  facts: ChooseFacts;
  chair: ReferenceTask;
  known: ClientSchemeFacts;
  barred: string | null;
  saved: { version: number; items: ScoreLine[]; by: string } | null;
  mayWrite: boolean;
}) {
  const router = useRouter();
  const score = useScore(saved?.items ?? []);
  const [picked, setPicked] = useState<string | null>(null);
  const [place, setPlace] = useState<"gym" | "home">("gym");
  const [minutes, setMinutes] = useState<number>(30);
  const [problem, setProblem] = useState<string | null>(null);
  const input = useMemo(
    (): SheetInput => ({
      ...facts,
      exercises: withOwn(facts.ownExercises),
      chair,
      tissue: facts.firstTissue,
      capTimes: null,
      basis: { kind: "effort", share: 0.5 },
    }),
    [facts, chair],
  );
  const sheet = useMemo(() => rangeSheet(input), [input]);
  const rows = useMemo(() => new Map(sheet.rows.map((r) => [r.e.id, r])), [sheet]);
  const { items, bars } = judged(score.lines, rows, known);
  const totals = scoreTotals(items);
  const notes = orderNotes(items, { calves: false });
  const line = score.lines.find((l) => l.key === picked) ?? score.lines[0] ?? null;
  const row = line ? (rows.get(line.exerciseId) ?? null) : null;
  const lineScheme = line?.scheme;
  // the load of the picked line: the real step for what its scheme asks of this knee
  const toSet = useMemo(() => {
    const share = lineScheme ? schemeShare(lineScheme) : null;
    if (!row?.computed || share === null) return null;
    const again = rowOf(row.e, { ...input, basis: { kind: "effort", share } });
    return Array.isArray(again) ? null : again.computed;
  }, [row, lineScheme, input]);
  const step = (by: 1 | -1) => {
    const at = score.lines.findIndex((l) => l.key === line?.key);
    setPicked(score.lines[at + by]?.key ?? line?.key ?? null);
  };
  const template = () =>
    score.replaceAll(
      sessionTemplate(sheet.rows, facts.limits, { place, minutes }).map(({ exercise, scheme, sides }) => ({
        exerciseId: exercise.id,
        scheme,
        sides,
      })),
    );
  const save = async () => {
    if (!mayWrite || score.lines.length === 0 || bars.size > 0) return;
    const sent = await send(`/api/clients/${clientId}/scores`, {
      id: crypto.randomUUID(),
      baseVersion: saved?.version ?? 0,
      items: score.lines.map(({ exerciseId, scheme, sides }) => ({ exerciseId, scheme, sides })),
    });
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? null);
    setProblem(null);
    router.refresh();
  };
  const isChanged =
    JSON.stringify(score.lines.map(({ key: _, ...l }) => l)) !== JSON.stringify(saved?.items ?? []);
  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)_372px]">
      <div className="min-w-0 px-4 pb-4 pt-3">
        <div className="flex items-baseline justify-between gap-4">
          <h1 className="text-[19px]">
            The session as a score{" "}
            <Link className="small font-sans font-normal underline" href={`/clients/${clientId}/dose`}>
              the dosed hold
            </Link>
          </h1>
          {items.length > 0 && (
            <p>
              <b className="display text-[19px]">{Math.ceil(totals.seconds / 60)}</b> min ·{" "}
              <b className="display text-[19px]">{totals.hard}</b> hard repetitions{" "}
              <span className="small quiet">with four or fewer left</span>
            </p>
          )}
        </div>
        {mayWrite && (
          <p className="small mt-1 flex flex-wrap items-center gap-x-3">
            <label className="flex items-baseline gap-1">
              <span className="quiet">draft for</span>
              <select
                className="cursor-pointer border-b border-rule bg-transparent font-bold"
                value={place}
                onChange={(e) => setPlace(e.target.value === "home" ? "home" : "gym")}
              >
                <option value="gym">the gym</option>
                <option value="home">home, with what people have</option>
              </select>
            </label>
            <label className="flex items-baseline gap-1">
              <span className="sr-only">Minutes there are</span>
              <select
                className="cursor-pointer border-b border-rule bg-transparent font-bold"
                value={String(minutes)}
                onChange={(e) => setMinutes(Number(e.target.value))}
              >
                {MINUTES.map((m) => (
                  <option key={m} value={m}>
                    {m} min
                  </option>
                ))}
              </select>
            </label>
            <button type="button" className="btn btn-line btn-sm" onClick={template}>
              Draft from the rules <kbd>T</kbd>
            </button>
            <AddExercise
              rows={sheet.rows}
              onAdd={(id, isHold) =>
                setPicked(
                  score.add({
                    exerciseId: id,
                    scheme: isHold ? SCHEME_STARTS.holds : SCHEME_STARTS.straight,
                    sides: 1,
                  }),
                )
              }
            />
          </p>
        )}
        {score.lines.length === 0 ? (
          <p className="mt-6 max-w-[60ch]">
            Nothing stands here yet. Draft a session from the rules, or add an exercise; only what fits
            today's limits can be added.
          </p>
        ) : (
          <ScoreRail
            lines={score.lines}
            rows={rows}
            totals={totals}
            bars={bars}
            picked={line?.key ?? null}
            onPick={setPicked}
          />
        )}
        <Notes
          notes={notes.map((n) => n.sentence)}
          balance={totals.balance.notes}
          hasItems={items.length > 0}
        />
        <div className="mt-3">
          <KeysHelp
            deeds={[
              { key: "j", words: "next line", run: () => step(1) },
              { key: "k", words: "previous line", run: () => step(-1) },
              { key: "u", words: "move the line up", run: () => line && score.move(line.key, -1) },
              { key: "d", words: "move the line down", run: () => line && score.move(line.key, 1) },
              { key: "x", words: "take the line out", run: () => line && score.remove(line.key) },
              { key: "t", words: "draft from the rules", run: () => mayWrite && template() },
              { key: "z", words: "undo", run: score.undo },
              { key: "y", words: "redo", run: score.redo },
              { key: "s", words: "save the session", run: save },
            ]}
          />
        </div>
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-3" aria-label="The picked line">
        {line && row && (
          <ItemEditor
            key={line.key}
            line={line}
            row={row}
            toSet={toSet}
            isTested={facts.strength[directionOf(row.e)] !== null}
            bars={bars.get(line.key) ?? []}
            disabled={!mayWrite}
            onChange={(part) => score.change(line.key, part)}
            onMove={(by) => score.move(line.key, by)}
            onRemove={() => score.remove(line.key)}
          />
        )}
        {line && !row && (
          <p className="text-accent">
            This exercise no longer fits today's limits: take it out. Choose says which limit bars it.
          </p>
        )}
        <div className="mt-4 border-t border-rule pt-3">
          <Problem sentence={problem ?? barred ?? (mayWrite ? null : DEED_SENTENCES["plan.write"])} />
          {mayWrite && (
            <p className="mt-2 flex flex-wrap gap-2">
              <button
                type="button"
                className="btn btn-primary btn-sm"
                onClick={save}
                disabled={!isChanged || score.lines.length === 0 || bars.size > 0 || barred !== null}
              >
                Save session <kbd className="text-primary-content">S</kbd>
              </button>
              <button
                type="button"
                className="btn btn-line btn-sm"
                onClick={score.undo}
                disabled={!score.canUndo}
              >
                Undo <kbd>Z</kbd>
              </button>
              <button
                type="button"
                className="btn btn-line btn-sm"
                onClick={score.redo}
                disabled={!score.canRedo}
              >
                Redo <kbd>Y</kbd>
              </button>
            </p>
          )}
          <p className="small quiet mt-2" aria-live="polite">
            {saved && !isChanged ? `Saved as version ${saved.version} by ${saved.by}.` : "Not saved yet."}
          </p>
        </div>
      </aside>
    </main>
  );
}

/** The lines as the core sees them, and what bars each: a scheme's gate or today's limits. */
function judged(
  lines: readonly (ScoreLine & { key: string })[],
  rows: ReadonlyMap<string, RangeRow>,
  known: ClientSchemeFacts,
): { items: ScoreItem[]; bars: Map<string, string[]> } {
  const bars = new Map<string, string[]>();
  let accumulated = 0;
  const items = lines.flatMap((l): ScoreItem[] => {
    const row = rows.get(l.exerciseId);
    if (!row) {
      bars.set(l.key, ["it no longer fits today's limits"]);
      return [];
    }
    const found = schemeBars(l.scheme.kind, schemeFactsOf(known, row.e, accumulated));
    if (found.length > 0) bars.set(l.key, found);
    if (l.scheme.kind === "accumulated") accumulated += 1;
    return [{ id: l.key, exercise: row.e, scheme: l.scheme, sides: l.sides }];
  });
  return { items, bars };
}

function AddExercise({
  rows,
  onAdd,
}: {
  rows: readonly RangeRow[];
  onAdd: (id: string, isHold: boolean) => void;
}) {
  return (
    <label className="flex items-baseline gap-1">
      <span className="sr-only">Add an exercise that fits</span>
      <select
        className="w-[190px] cursor-pointer border-b border-rule bg-transparent"
        value=""
        onChange={(e) => {
          const row = rows.find((r) => r.e.id === e.target.value);
          if (row) onAdd(row.e.id, row.e.match.static_hold);
        }}
      >
        <option value="">add an exercise …</option>
        {rows.map((r) => (
          <option key={r.e.id} value={r.e.id}>
            {r.e.name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** What is to be said about order and balance, each with what to do. */
function Notes({
  notes,
  balance,
  hasItems,
}: {
  notes: readonly string[];
  balance: readonly string[];
  hasItems: boolean;
}) {
  if (!hasItems) return null;
  return (
    <section className="mt-3" aria-live="polite">
      <h2 className="text-[16px]">Order and balance</h2>
      {notes.length + balance.length === 0 ? (
        <p className="quiet">
          Nothing to say: light first, heavy while fresh, calves last; front and back in balance.
        </p>
      ) : (
        <ul className="ml-4 list-disc">
          {notes.map((n) => (
            <li key={n}>{n}</li>
          ))}
          {balance.map((n) => (
            <li key={n}>
              {n.charAt(0).toUpperCase() + n.slice(1)}: by hard repetitions of this one session; a week may
              even it out.
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
