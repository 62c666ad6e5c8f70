"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import { ACTIONS, type Action } from "@/core/progression/safetyRules";
import type { Activity } from "@/core/schedule/activity";
import type { PainfulArc } from "@/core/strength/painfulArc";
import type { ClientEpisode } from "@/server/client/clients";
import type { LineDraft, VisitDraft } from "@/server/decide/decisionDrafts";
import { longDay } from "@/ui/dates";
import { KeptDraft } from "@/ui/form/KeptDraft";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { Said, useSay } from "@/ui/reader";
import { send } from "@/ui/send";
import { ACTION_WORDS } from "@/words/en/decide";
import { TELL_TODAY } from "@/words/en/progression";
import { sayPlainly } from "@/words/say";
import { PlateauNote, type Plateaus } from "../PlateauNote";
import { ActionMark } from "./ActionMark";
import { LineFacts } from "./LineFacts";
import { type PastDecision, PastDecisions } from "./PastDecisions";
import { WhatIf } from "./WhatIf";

const choice = z.object({ action: z.enum(ACTIONS), reason: z.string() });
type Choice = z.infer<typeof choice>;

/** Choices not taken yet, by line. */
const KEPT = z.record(z.string(), choice);

/** Decisions by line: what each draft says and why; accepted all together, or any of them changed with a reason. */
export function DecideDesk({
  client,
  draft,
  painful,
  besides,
  plateaus,
  waiting,
  visitDay,
  past,
  mayDecide,
  locale,
}: {
  client: ClientEpisode;
  draft: VisitDraft;
  /** lines that come into where it hurts now */
  painful: Readonly<Record<string, PainfulArc>>;
  /** what else was done on the day of the visit */
  besides: readonly Activity[];
  plateaus: Plateaus;
  /** further visits that wait */
  waiting: number;
  visitDay: string;
  past: readonly PastDecision[];
  mayDecide: boolean;
  locale: string;
}) {
  const say = useSay();
  const router = useRouter();
  const { lines, stopsAll } = draft;
  const [choices, setChoices] = useState<Record<string, Choice>>({});
  const [pickedAt, setPickedAt] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const picked = lines[Math.min(pickedAt, lines.length - 1)] ?? null;
  const choiceOf = (l: LineDraft): Choice =>
    choices[l.plan.lineId] ?? { action: l.decision.action, reason: "" };
  const choose = (l: LineDraft, part: Partial<Choice>) =>
    setChoices({ ...choices, [l.plan.lineId]: { ...choiceOf(l), ...part } });
  const isOther = (l: LineDraft) => choiceOf(l).action !== l.decision.action;
  const missing = lines.find((l) => isOther(l) && choiceOf(l).reason.trim().length < 3);
  const barred = lines.find((l) => l.next[choiceOf(l).action].bars && choiceOf(l).action !== "HOLD");

  const take = async () => {
    if (!mayDecide || isBusy) return;
    if (!stopsAll && missing)
      return setProblem(`Another decision than the draft needs a reason: ${missing.kept.name}.`);
    setBusy(true);
    setProblem(null);
    const sent = await send(
      `/api/clients/${client.clientId}/decisions`,
      {
        visitId: draft.visit.id,
        lines: stopsAll
          ? [
              {
                id: crypto.randomUUID(),
                lineId: null,
                action: "STOP_REFER",
                computedAction: stopsAll.action,
                overrideReason: null,
              },
            ]
          : lines.map((l) => ({
              id: crypto.randomUUID(),
              lineId: l.plan.lineId,
              action: choiceOf(l).action,
              computedAction: l.decision.action,
              overrideReason: isOther(l) ? choiceOf(l).reason : null,
            })),
      },
      "The decision is taken.",
    );
    setBusy(false);
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "Nothing was decided.");
    router.refresh();
  };
  const others = lines.filter(isOther).length;
  return (
    <main className="grid min-h-full grid-cols-1 lg:grid-cols-[minmax(0,1fr)_372px]">
      <div className="px-4 py-4">
        <h1 className="text-[19px]">
          What next?{" "}
          <span className="quiet text-[15px] font-normal">
            after {draft.visit.sheet.name} of {longDay(visitDay, locale)}
            {draft.visit.morning ? "" : ", the morning is not known yet"}
            {waiting > 0 ? `; ${waiting} more ${waiting === 1 ? "visit waits" : "visits wait"}` : ""}
          </span>
        </h1>
        <PlateauNote plateaus={plateaus} />
        {mayDecide && !stopsAll && (
          <KeptDraft
            place={`decide ${draft.visit.id}`}
            shape={KEPT}
            draft={choices}
            isChanged={lines.some((l) => isOther(l) || choiceOf(l).reason !== "")}
            what="these decisions"
            onTake={setChoices}
          />
        )}
        {stopsAll && (
          <p className="mt-3 border-l-4 border-accent pl-3" role="status">
            <b className="text-accent">Stop and refer, all lines:</b>{" "}
            {stopsAll.reasons.map((r) => sayPlainly(r.why)).join("; ")}. One decision closes this sheet until
            a therapist writes a new version.
          </p>
        )}
        {lines.some((l) => l.decision.tellsTherapist) && (
          <p className="mt-2 border-l-4 border-accent pl-3" role="status">
            {TELL_TODAY}
          </p>
        )}
        {!stopsAll && lines.length > 0 && <WhatIf draft={draft} clientId={client.clientId} />}
        <ol className="mt-2">
          {lines.map((l, i) => (
            <LineRow
              key={l.plan.lineId}
              line={l}
              choice={choiceOf(l)}
              isPicked={l === picked}
              isFixed={stopsAll !== null || !mayDecide}
              onPick={() => setPickedAt(i)}
              onChoose={(part) => choose(l, part)}
            />
          ))}
        </ol>
        <div className="bottom-0 mt-2 grid justify-items-start gap-2 border-t border-rule bg-base-200 py-2 md:sticky">
          <p className="small">{sheetWords(draft.sheet)}</p>
          <Problem
            sentence={
              problem ??
              (barred
                ? `${barred.kept.name} cannot be set so: ${say(barred.next[choiceOf(barred).action].bars ?? "")}.`
                : null)
            }
          />
          {mayDecide ? (
            <button
              type="button"
              className="btn btn-primary"
              onClick={take}
              disabled={isBusy || lines.length === 0 || (!stopsAll && barred !== undefined)}
            >
              {stopsAll
                ? "Stop all of it, refer"
                : others > 0
                  ? `Decide: ${others} otherwise than drafted`
                  : "Accept all as drafted"}{" "}
              <kbd>A</kbd>
            </button>
          ) : null}
          <KeysHelp
            deeds={[
              { key: "a", words: "take all decisions as they stand", run: take },
              {
                key: "j",
                words: "next line",
                run: () => setPickedAt((n) => Math.min(lines.length - 1, n + 1)),
              },
              { key: "k", words: "previous line", run: () => setPickedAt((n) => Math.max(0, n - 1)) },
              ...ACTIONS.map((a, i) => ({
                key: String(i + 1),
                words: `this line: ${ACTION_WORDS[a].toLowerCase()}`,
                run: () => picked && mayDecide && !stopsAll && choose(picked, { action: a }),
              })),
            ]}
          />
        </div>
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        {picked && (
          <LineFacts
            client={client}
            line={picked}
            painful={painful[picked.plan.lineId] ?? null}
            besides={besides}
            markers={draft.visit.end?.markers ?? []}
          />
        )}
        <div className="mt-4">
          <PastDecisions
            clientId={client.clientId}
            past={picked ? past.filter((d) => d.lineId === picked.plan.lineId || d.lineId === null) : past}
            locale={locale}
          />
        </div>
      </aside>
    </main>
  );
}

/** What becomes of the whole sheet when every draft is taken. */
const half = (n: number): string => (Math.round(2 * n) / 2).toString();

function sheetWords({ before, after }: VisitDraft["sheet"]): string {
  const minutes = after.minutes === before.minutes ? "" : ` instead of ${before.minutes}`;
  const sets =
    after.effectiveSets === before.effectiveSets ? "" : ` instead of ${half(before.effectiveSets)}`;
  return `The whole sheet, all as drafted: the order stays, ${after.minutes} min${minutes}, ${half(after.effectiveSets)} effective sets${sets}.`;
}

/** One line: its draft, why, and what exactly changes next time. */
function LineRow({
  line: l,
  choice,
  isPicked,
  isFixed,
  onPick,
  onChoose,
}: {
  line: LineDraft;
  choice: Choice;
  isPicked: boolean;
  isFixed: boolean;
  onPick: () => void;
  onChoose: (part: Partial<Choice>) => void;
}) {
  const { decision } = l;
  const next = l.next[choice.action];
  const isOther = choice.action !== decision.action;
  return (
    <li
      className={`grid grid-cols-[30px_minmax(0,1fr)] lg:grid-cols-[30px_minmax(0,1fr)_200px] gap-x-3 border-b border-rule py-2.5 pl-3 ${isPicked ? "bg-base-100 shadow-[inset_4px_0_0_var(--color-primary)]" : ""}`}
    >
      <ActionMark action={choice.action} size={26} />
      <div>
        <button type="button" className="cursor-pointer text-left" onClick={onPick} aria-pressed={isPicked}>
          <span className="display text-[17px]" data-testid="draft">
            {ACTION_WORDS[choice.action]}
          </span>{" "}
          <b>{l.kept.name}</b>
          {isOther && (
            <span className="small quiet"> instead of {ACTION_WORDS[decision.action].toLowerCase()}</span>
          )}
        </button>
        <p className="small">
          Because {decision.reasons.map((r) => sayPlainly(r.why)).join("; ")}.
          {decision.also.length > 0 && (
            <span className="quiet">
              {" "}
              Seen too, and weaker: {decision.also.map((r) => sayPlainly(r.why)).join("; ")}.
            </span>
          )}
        </p>
        <p>
          <b data-testid="next">
            <Said>{next.sentence}</Said>
          </b>{" "}
          {next.how && next.line && <span className="small quiet">set {next.how}</span>}
        </p>
        {next.bars && choice.action !== "HOLD" && (
          <p className="small text-accent">
            Cannot be set: <Said>{next.bars}</Said>.
          </p>
        )}
        {isOther && !isFixed && (
          <label className="small mt-1 flex items-center gap-2">
            because
            <input
              className="input input-sm w-full border-rule bg-base-100"
              aria-label={`Reason for another decision than the draft: ${l.kept.name}`}
              value={choice.reason}
              maxLength={300}
              onChange={(e) => onChoose({ reason: e.target.value })}
            />
          </label>
        )}
      </div>
      {!isFixed && (
        <label className="small col-start-2 lg:col-start-auto">
          <span className="sr-only">Decision for {l.kept.name}</span>
          <select
            className="select select-sm w-full"
            value={choice.action}
            onChange={(e) => onChoose({ action: e.target.value as Action })}
          >
            {ACTIONS.map((a) => (
              <option key={a} value={a}>
                {ACTION_WORDS[a]}
                {a === decision.action ? ", as drafted" : ""}
              </option>
            ))}
          </select>
        </label>
      )}
    </li>
  );
}
