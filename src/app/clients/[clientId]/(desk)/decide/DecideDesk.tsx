"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { SCHOOL_WORDS } from "@/core/progression/painRule";
import { ACTION_WORDS, type Action, TELL_TODAY } from "@/core/progression/safetyRules";
import { DEED_SENTENCES } from "@/core/safety/roles";
import { SWELLING_WORDS } from "@/core/units/fields";
import type { ClientEpisode } from "@/server/clients";
import type { Proposal } from "@/server/decisions";
import { longDay } from "@/ui/dates";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { HatchDefs } from "@/ui/rail/Hatch";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Ruler } from "@/ui/rail/Ruler";
import { Rungs } from "@/ui/rail/Rungs";
import { RAIL, xOf } from "@/ui/rail/scale";
import { WindowBand } from "@/ui/rail/WindowBand";
import { send } from "@/ui/send";
import { ActionMark } from "./ActionMark";

const ACTIONS: readonly Action[] = ["PROGRESS", "HOLD", "REGRESS", "STOP_REFER"];

/** One decision for the next session, with its reasons; accepted, or another one with a reason. */
export function DecideDesk({
  client,
  draft,
  sessionDay,
  window,
  rungs,
  mayDecide,
  locale,
}: {
  client: ClientEpisode;
  draft: Proposal;
  sessionDay: string;
  window: { fromDeg: number; toDeg: number };
  rungs: number[];
  mayDecide: boolean;
  locale: string;
}) {
  const router = useRouter();
  const { decision, plan } = draft;
  const [action, setAction] = useState<Action>(decision.action);
  const [reason, setReason] = useState("");
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const next = draft.next[action];
  const isOverride = action !== decision.action;
  const take = async () => {
    if (!mayDecide || isBusy) return;
    if (isOverride && reason.trim().length < 3)
      return setProblem("Another decision than the draft needs a reason.");
    setBusy(true);
    setProblem(null);
    const sent = await send(`/api/clients/${client.clientId}/decisions`, {
      id: crypto.randomUUID(),
      sessionId: draft.session.id,
      action,
      computedAction: decision.action,
      overrideReason: isOverride ? reason : null,
    });
    setBusy(false);
    if (!sent.ok) return setProblem(sent.problems[0]?.sentence ?? "The decision was not taken.");
    router.refresh();
  };
  const nextDeg = next.plan?.kneeFlexionDeg ?? null;
  return (
    <div className="px-4 py-4">
      <h1 className="text-[19px]">
        What next?{" "}
        <span className="quiet text-[15px] font-normal">
          after the session of {longDay(sessionDay, locale)}
        </span>
      </h1>
      <svg viewBox={`0 0 ${RAIL.width} 100`} className="mt-2 w-full">
        <title>The ladder on the rail, with the angle after this decision</title>
        <HatchDefs />
        <Ruler />
        <RowLabel y={64} name="Hold, extension" detail={`${plan.setting}`} />
        <WindowBand fromDeg={window.fromDeg} toDeg={window.toDeg} y={44} height={46} />
        <Rungs rungs={rungs} at={plan.plan.kneeFlexionDeg} y={67} />
        {nextDeg !== null && nextDeg !== plan.plan.kneeFlexionDeg && (
          <g fill="none" strokeWidth={2.2} className="stroke-primary">
            <path
              d={`M ${xOf(plan.plan.kneeFlexionDeg)} 50 C ${xOf(plan.plan.kneeFlexionDeg)} 34, ${xOf(nextDeg)} 34, ${xOf(nextDeg)} 52`}
            />
            <circle cx={xOf(nextDeg)} cy={67} r={11} />
          </g>
        )}
      </svg>
      <div className="mt-3 grid grid-cols-[minmax(0,1fr)_250px] gap-x-8">
        <section>
          <div className="flex items-start gap-3">
            <ActionMark action={decision.action} size={34} />
            <div>
              <p className="small quiet">the draft</p>
              <p className="display text-[28px] leading-tight" data-testid="draft">
                {ACTION_WORDS[decision.action]}
              </p>
            </div>
          </div>
          <p className="mt-2">
            Because{" "}
            {decision.reasons.map((r, i) => (
              <span key={r.id}>
                {i > 0 && (i === decision.reasons.length - 1 ? ", and " : ", ")}
                {r.reason}
              </span>
            ))}
            .
          </p>
          {decision.also.length > 0 && (
            <p className="small quiet mt-1">
              Seen too, and weaker: {decision.also.map((r) => r.reason).join("; ")}.
            </p>
          )}
          <p className="mt-2">
            <b>{draft.next[decision.action].sentence}</b>
          </p>
          {decision.tellsTherapist && (
            <p className="mt-2 border-l-4 border-accent pl-3" role="status">
              {TELL_TODAY}
            </p>
          )}
          {mayDecide ? (
            <fieldset className="mt-4 border-t border-rule pt-3">
              <legend className="sr-only">Your decision</legend>
              {ACTIONS.map((a) => (
                <label key={a} className="flex items-start gap-2 py-1">
                  <input
                    type="radio"
                    name="action"
                    className="radio radio-primary radio-sm mt-0.5"
                    checked={action === a}
                    onChange={() => setAction(a)}
                  />
                  <ActionMark action={a} size={18} />
                  <span>
                    <b>{ACTION_WORDS[a]}</b>
                    {a === decision.action && <span className="small quiet"> as drafted</span>}
                    <span className="small block">
                      {draft.next[a].sentence}
                      {draft.next[a].setting && draft.next[a].plan && ` Setting: ${draft.next[a].setting}.`}
                    </span>
                    {draft.next[a].bars && action === a && (
                      <span className="small block text-accent">Cannot be set: {draft.next[a].bars}</span>
                    )}
                  </span>
                </label>
              ))}
              {isOverride && (
                <label className="mt-2 grid gap-1">
                  Reason for another decision than the draft
                  <input
                    className="input w-full border-rule bg-base-100"
                    value={reason}
                    onChange={(e) => setReason(e.target.value)}
                  />
                </label>
              )}
              <div className="mt-2">
                <Problem sentence={problem} />
              </div>
              <button
                type="button"
                className="btn btn-primary mt-2"
                onClick={take}
                disabled={isBusy || Boolean(next.bars)}
              >
                {isOverride
                  ? `Decide: ${ACTION_WORDS[action].toLowerCase()}`
                  : `Accept: ${ACTION_WORDS[action].toLowerCase()}`}{" "}
                <kbd>A</kbd>
              </button>
            </fieldset>
          ) : (
            <p className="mt-4 border-l-4 border-rule pl-3">{DEED_SENTENCES["decision.take"]}</p>
          )}
        </section>
        <Facts client={client} draft={draft} />
      </div>
      <div className="mt-3">
        <KeysHelp
          deeds={[
            { key: "a", words: "take the marked decision", run: take },
            ...ACTIONS.map((a, i) => ({
              key: String(i + 1),
              words: `mark: ${ACTION_WORDS[a].toLowerCase()}`,
              run: () => setAction(a),
            })),
          ]}
        />
      </div>
    </div>
  );
}

/** What the table looked at, each in one line. */
function Facts({ client, draft }: { client: ClientEpisode; draft: Proposal }) {
  const { input } = draft;
  const known = (n: number | null): string => (n === null ? "not known" : String(n));
  const swelling = (grade: number | null): string =>
    grade === null ? "not known" : (SWELLING_WORDS[grade] ?? "–");
  const rows: [string, string][] = [
    ["joint pain, usual", String(input.usualPain)],
    ["before the holds", known(input.painBefore)],
    ["worst in a hold", known(input.painDuring)],
    ["at the end", known(input.painAfter)],
    ["next morning", known(input.painMorning)],
    ...(input.effusionApplies
      ? ([["swelling before, now", `${swelling(input.effusionBefore)}, ${swelling(input.effusion)}`]] as [
          string,
          string,
        ][])
      : []),
    [
      "held",
      { below: "less than planned", in: "nearly all", top: "all of it", unknown: "not known" }[
        input.repsState
      ],
    ],
    ["felt effort, aim", `${10 - input.rirTarget}`],
    ["felt effort, was", input.rir === null ? "not known" : String(10 - input.rir)],
    ["good sessions on this step", String(input.satisfiedStreak)],
    ["week against the last", input.weekTrend === null ? "not enough yet" : input.weekTrend.toFixed(1)],
    ["pain rule", SCHOOL_WORDS[client.school]],
  ];
  return (
    <section>
      <h2 className="text-[15px]">What it looked at</h2>
      <dl className="mt-1">
        {rows.map(([name, value]) => (
          <div key={name} className="flex justify-between gap-3 border-t border-rule py-1">
            <dt className="small quiet">{name}</dt>
            <dd className="text-right font-bold">{value}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
