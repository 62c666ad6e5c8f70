"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { z } from "zod";
import { BOUND_KIND_IDS, type BoundKind, boundKind, boundWord, WRITABLE_KIND_IDS } from "@/core/bounds/kinds";
import { readNumber } from "@/core/units/readNumber";
import { Dialog } from "@/ui/Dialog";
import { Choice } from "@/ui/form/Choice";
import { DayField } from "@/ui/form/DayField";
import { Field } from "@/ui/form/Field";
import { focusFirstGap } from "@/ui/form/focusFirstGap";
import { KeptDraft } from "@/ui/form/KeptDraft";
import { Pick } from "@/ui/form/Pick";
import { Problem } from "@/ui/form/Problem";
import { problemsByField } from "@/ui/form/problemsByField";
import { Words } from "@/ui/form/Words";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { useSendOnce } from "@/ui/useSendOnce";

/** A limit that somebody wrote, as the editor needs it. */
export interface WrittenView {
  id: string;
  kind: BoundKind;
  low: number | null;
  high: number | null;
  word: string | null;
  origin: "surgeon" | "therapist";
  reason: string;
  endsOn: string | null;
  by: string | null;
  on: string;
}

const KEPT = z.object({
  kind: z.enum(BOUND_KIND_IDS),
  origin: z.enum(["surgeon", "therapist"]).nullable(),
  low: z.string(),
  high: z.string(),
  word: z.string(),
  reason: z.string(),
  endsOn: z.string(),
});

const text = (n: number | null): string => (n === null ? "" : String(n));
const read = (t: string): number | null => (t.trim() === "" ? null : readNumber(t));

/**
 * Writes a new limit, or changes or lifts one. If a colleague changed the same limit meanwhile the dialog says who and
 * what, keeps everything typed, and saves it as a change of theirs when asked again.
 */
export function LimitEditor({
  clientId,
  start,
}: {
  clientId: string;
  /** the limit to change; null: a new one */
  start: WrittenView | null;
}) {
  const router = useRouter();
  const sendOnce = useSendOnce();
  const dialog = useRef<HTMLDialogElement>(null);
  const [kind, setKind] = useState<BoundKind>(start?.kind ?? "knee_flexion_under_load");
  const [origin, setOrigin] = useState<"surgeon" | "therapist" | null>(start?.origin ?? null);
  const [low, setLow] = useState(text(start?.low ?? null));
  const [high, setHigh] = useState(text(start?.high ?? null));
  const [word, setWord] = useState(start?.word ?? "");
  const [reason, setReason] = useState(start?.reason ?? "");
  const [endsOn, setEndsOn] = useState(start?.endsOn ?? "");
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [isBehind, setBehind] = useState(false);
  const [isBusy, setBusy] = useState(false);
  const typed = { kind, origin, low, high, word, reason, endsOn };
  const [base, setBase] = useState(typed);
  const spec = boundKind(kind);
  const unit = spec.shape === "names" ? undefined : spec.unit;
  const isArc = kind === "open_chain_extension" && word === "arc";
  const takesLow = spec.shape === "window" || spec.shape === "least" || isArc;
  const takesHigh = spec.shape === "window" || spec.shape === "most" || isArc;

  const show = (t: typeof typed) => {
    setKind(t.kind);
    setOrigin(t.origin);
    setLow(t.low);
    setHigh(t.high);
    setWord(t.word);
    setReason(t.reason);
    setEndsOn(t.endsOn);
  };
  const put = (t: typeof typed) => {
    show(t);
    setBase(t);
  };
  const save = async (isLifted: boolean) => {
    setBusy(true);
    const sent = await sendOnce(
      `/api/clients/${clientId}/limits`,
      (id) => ({
        id,
        kind,
        low: takesLow ? read(low) : null,
        high: takesHigh ? read(high) : null,
        word: spec.shape === "word" ? word || null : null,
        origin,
        reason,
        endsOn: endsOn || null,
        replaces: start?.id ?? null,
        evenIfChanged: isBehind,
        isLifted,
      }),
      isLifted ? "The limit is lifted." : "The limit stands.",
    );
    setBusy(false);
    if (!sent.ok) {
      setProblems(problemsByField(sent.problems));
      // nothing is reloaded here, so that nothing typed is lost
      setBehind(sent.status === 409);
      focusFirstGap(dialog.current);
      return;
    }
    setProblems({});
    setBehind(false);
    dialog.current?.close();
    if (start === null) put({ ...typed, low: "", high: "", word: "", reason: "", endsOn: "" });
    else setBase(typed);
    router.refresh();
  };
  const open = () => dialog.current?.showModal();
  return (
    <>
      <button
        type="button"
        className={start ? "cursor-pointer underline" : "btn btn-sm btn-line"}
        aria-label={start ? `Change ${spec.name}, ${start.origin}` : undefined}
        onClick={open}
      >
        {start ? "change" : "Write a limit"} {start === null && <kbd>W</kbd>}
      </button>
      {start === null && (
        <span className="sr-only">
          <KeysHelp deeds={[{ key: "w", words: "write a limit", run: open }]} />
        </span>
      )}
      <Dialog ref={dialog} size="narrow" label={start ? "Change a limit" : "Write a limit"}>
        <form
          noValidate
          className="grid gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            save(false);
          }}
        >
          <h2 className="text-lg">{start ? "Change a limit" : "Write a limit"}</h2>
          <KeptDraft
            place={`limit ${clientId} ${start?.id ?? "new"}`}
            shape={KEPT}
            draft={typed}
            isChanged={JSON.stringify(typed) !== JSON.stringify(base)}
            what="this limit"
            onTake={show}
          />
          {start && (
            <p className="small quiet">
              written by {start.by ?? "somebody"} on {start.on}
            </p>
          )}
          <Pick
            label="what it bounds"
            name="kind"
            disabled={start !== null}
            options={WRITABLE_KIND_IDS.map((k): [string, string] => [k, boundKind(k).name])}
            value={kind}
            onChange={(e) => {
              setKind(e.target.value as BoundKind);
              setWord("");
            }}
            problem={problems.kind}
          />
          <Choice
            legend="whose it is"
            name={`origin-${start?.id ?? "new"}`}
            options={[
              ["surgeon", "the surgeon's"],
              ["therapist", "mine"],
            ]}
            value={origin}
            onChange={setOrigin}
            problem={problems.origin}
          />
          {spec.shape === "word" && (
            <Pick
              label="at most"
              name="word"
              options={[["", "choose"], ...spec.scale.map((s): [string, string] => [s, boundWord(kind, s)])]}
              value={word}
              onChange={(e) => setWord(e.target.value)}
              problem={problems.word}
            />
          )}
          {takesLow && (
            <Field
              label={spec.shape === "least" ? "at least" : "from"}
              name="low"
              unit={unit}
              inputMode="decimal"
              value={low}
              onChange={(e) => setLow(e.target.value)}
              problem={problems.low}
            />
          )}
          {takesHigh && (
            <Field
              label={takesLow ? "to" : "at most"}
              name="high"
              unit={unit}
              inputMode="decimal"
              value={high}
              onChange={(e) => setHigh(e.target.value)}
              problem={problems.high}
            />
          )}
          <Words
            label="because"
            name="reason"
            value={reason}
            onChange={(e) => setReason(e.target.value)}
            problem={problems.reason}
          />
          <DayField
            label="last day (empty: until further notice)"
            name="endsOn"
            value={endsOn}
            onChange={setEndsOn}
            problem={problems.endsOn}
          />
          <Problem sentence={problems.form ?? null} />
          <p className="mt-2 flex flex-wrap gap-2">
            <button type="submit" className="btn btn-primary btn-sm" disabled={isBusy}>
              {isBehind ? "Save mine over theirs" : "Save this limit"}
            </button>
            {start && (
              <button
                type="button"
                className="btn btn-sm btn-line"
                disabled={isBusy}
                onClick={() => save(true)}
              >
                Lift it
              </button>
            )}
            <button type="button" className="btn btn-sm" onClick={() => dialog.current?.close()}>
              Close
            </button>
          </p>
        </form>
      </Dialog>
    </>
  );
}
