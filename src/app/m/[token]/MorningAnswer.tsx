"use client";
import { useRef, useState } from "react";
import { BigKeys } from "@/app/_link/BigKeys";
import { SignsSaid } from "@/app/_link/SignsSaid";
import { STIFFNESS_BANDS, type SwellingSaid, URGENT_SIGNS } from "@/core/visit/client/clientMorning";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import { send } from "@/ui/send";

const SCORES = Array.from({ length: 11 }, (_, n) => ({
  value: n,
  words: String(n),
  says: `${n} of 10`,
}));

/** Four questions about the morning, one answer; big keys, no account, no name. */
export function MorningAnswer({
  token,
  clinic,
  part,
  fixed,
  known,
  asksSwelling,
  signs,
}: {
  token: string;
  clinic: string;
  /** what it is about, in one word */
  part: string;
  /** why an answer cannot be changed any more */
  fixed: "used" | "after_noon" | null;
  known: { pain: number; swelling: SwellingSaid | null; stiffnessMin: number | null } | null;
  asksSwelling: boolean;
  signs: readonly RecheckSign[];
}) {
  const [pain, setPain] = useState<number | null>(known?.pain ?? null);
  const [swelling, setSwelling] = useState<SwellingSaid | null>(known?.swelling ?? null);
  const [stiffness, setStiffness] = useState<number | null>(known?.stiffnessMin ?? null);
  const [isWorried, setWorried] = useState<"no" | "yes" | null>(null);
  const [marked, setMarked] = useState<readonly RecheckSign[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const [isBusy, setBusy] = useState(false);
  const [sent, setSent] = useState<{ isKept: boolean; isAlarming: boolean } | null>(null);
  // sent twice over a bad line it is one answer
  const id = useRef<string | null>(null);
  const changed = () => {
    id.current = null;
    setProblem(null);
  };

  const save = async () => {
    if (pain === null) return setProblem("Tap how much the joint hurts, 0 to 10.");
    if (asksSwelling && swelling === null)
      return setProblem("Tap whether it is swollen less, the same or more.");
    if (isWorried === null) return setProblem("Tap whether anything worries you.");
    if (isWorried === "yes" && marked.length === 0)
      return setProblem("Tap what worries you. If it is something else, call the clinic.");
    setBusy(true);
    id.current ??= crypto.randomUUID();
    const answer = await send<{ isKept: boolean; isAlarming: boolean }>(`/api/l/${token}/morning`, {
      id: id.current,
      pain,
      swelling: asksSwelling ? swelling : null,
      stiffnessMin: stiffness,
      signs: isWorried === "yes" ? marked : [],
    });
    setBusy(false);
    if (!answer.ok) return setProblem(answer.problems[0]?.sentence ?? "It was not sent. Try again.");
    setProblem(null);
    setSent(answer.result);
    window.scrollTo(0, 0);
  };

  if (sent)
    return (
      <Thanks
        clinic={clinic}
        isKept={sent.isKept}
        isUrgent={marked.some((s) => URGENT_SIGNS.includes(s)) && sent.isAlarming}
        isAlarming={sent.isAlarming}
        onChange={() => setSent(null)}
      />
    );
  const isOver = fixed !== null;
  return (
    <main className="mx-auto max-w-[430px] px-5 pt-6 pb-10">
      <h1 className="text-[28px] leading-tight">How is the {part} this morning?</h1>
      <p className="quiet mt-1 text-[16px]">
        {isOver
          ? fixed === "used"
            ? "Your clinic has gone on from your answer. If something worries you now, say it here."
            : "Answers could be changed until noon. If something worries you now, say it here."
          : known
            ? "You have answered. You can change it until noon."
            : `After yesterday's exercises. ${asksSwelling ? "Four" : "Three"} questions, half a minute.`}
      </p>
      {!isOver && (
        <>
          <BigKeys
            label="Pain in the joint now"
            help="0 is none, 10 the worst you can think of"
            options={SCORES}
            value={pain}
            onPick={(v) => {
              setPain(v);
              changed();
            }}
            columns={6}
          />
          {asksSwelling && (
            <BigKeys
              label="Swelling, against your usual"
              options={[
                { value: "less", words: "less" },
                { value: "same", words: "the same" },
                { value: "more", words: "more" },
              ]}
              value={swelling}
              onPick={(v) => {
                setSwelling(v);
                changed();
              }}
              columns={3}
            />
          )}
          <BigKeys
            label="Stiff after getting up, minutes"
            options={STIFFNESS_BANDS.map((b) => ({ value: b.minutes, words: b.words }))}
            value={stiffness}
            onPick={(v) => {
              setStiffness(v);
              changed();
            }}
            columns={3}
          />
        </>
      )}
      <BigKeys
        label="Anything that worries you?"
        options={[
          { value: "no", words: "no" },
          { value: "yes", words: "yes, tell the clinic" },
        ]}
        value={isWorried}
        onPick={(v) => {
          setWorried(v);
          changed();
        }}
        columns={2}
      />
      {isWorried === "yes" && (
        <SignsSaid
          asked={signs}
          marked={marked}
          onMark={(all) => {
            setMarked(all);
            changed();
          }}
        />
      )}
      <p role="alert" className={problem ? "mt-5 border-l-4 border-accent pl-3 text-[17px]" : "sr-only"}>
        {problem}
      </p>
      <button
        type="button"
        className="btn btn-primary mt-6 min-h-[60px] w-full text-[21px]"
        onClick={save}
        disabled={isBusy || (isOver && isWorried !== "yes")}
      >
        {isBusy ? "Sending" : known && !isOver ? "Send the change" : "Send"}
      </button>
    </main>
  );
}

/** What the clinic does with it, and what to do until then. */
function Thanks({
  clinic,
  isKept,
  isAlarming,
  isUrgent,
  onChange,
}: {
  clinic: string;
  isKept: boolean;
  isAlarming: boolean;
  isUrgent: boolean;
  onChange: () => void;
}) {
  return (
    <main className="mx-auto max-w-[430px] px-5 py-8">
      <div role="status">
        <h1 className="text-[28px] leading-tight">
          {isAlarming ? "The clinic sees this first" : "Thank you"}
        </h1>
        {isUrgent && (
          <p className="mt-4 border-l-4 border-accent pl-3 text-[19px] font-bold">
            Do not wait for the clinic: with chest pain, short breath, a painful swollen calf, or trouble with
            bladder or bowel, call the emergency number now.
          </p>
        )}
        <p className="mt-3 text-[18px]">
          {isAlarming
            ? `Do no exercises until ${clinic} has spoken with you. If they have not called by noon, call them.`
            : "Your answer is with the clinic. What comes next is decided from it."}
        </p>
        {isKept && (
          <button
            type="button"
            className="btn btn-line mt-6 min-h-[54px] w-full text-[18px]"
            onClick={onChange}
          >
            Change my answer
          </button>
        )}
      </div>
    </main>
  );
}
