"use client";
import { type Ref, useState } from "react";
import type { EnduranceJoint } from "@/core/isometrics/joints";
import type { DoseCandidate, FoundDose } from "@/core/sheet/draft/findDose";
import { numberField, scoreField } from "@/core/units/fields";
import { readNumber } from "@/core/units/readNumber";
import { firstIssue } from "@/core/units/wrong";
import { Dialog } from "@/ui/Dialog";
import { Field } from "@/ui/form/Field";
import { useSay } from "@/ui/reader";
import { half } from "@/words/en/plan/line";
import { openFindDose } from "@/workers/open";

const WISHES = {
  tension: numberField("total_held", "s", 10, 1200),
  minutes: numberField("time", "min", 2, 60),
  cap: scoreField("felt_effort", 2, 9),
};

/** Finds hold x repetitions x rest for a wanted total under an effort cap; the search runs in a worker. */
export function FindDose({
  ref,
  joint = "knee",
  shareOfMax,
  cap,
  k,
  mostHoldS,
  onUse,
}: {
  ref: Ref<HTMLDialogElement>;
  joint?: EnduranceJoint;
  shareOfMax: number;
  cap: number;
  k: number;
  /** a written limit on the length of a hold, s; null: none */
  mostHoldS: number | null;
  onUse: (dose: DoseCandidate) => void;
}) {
  const say = useSay();
  const [text, setText] = useState({ tension: "120", minutes: "10", cap: String(cap) });
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [found, setFound] = useState<FoundDose | null>(null);
  const [isBusy, setBusy] = useState(false);
  const search = async () => {
    const wrong: Record<string, string> = {};
    const read = (name: keyof typeof WISHES) => {
      const parsed = WISHES[name].safeParse(readNumber(text[name]));
      if (!parsed.success) wrong[name] = say(firstIssue(parsed.error));
      return parsed.data ?? 0;
    };
    const wish = { tension: read("tension"), minutes: read("minutes"), cap: read("cap") };
    setProblems(wrong);
    if (Object.keys(wrong).length) return;
    setBusy(true);
    const worker = openFindDose();
    try {
      setFound(
        await worker.door.find({
          joint,
          sharesOfMax: [shareOfMax],
          targetTensionS: wish.tension,
          minutes: wish.minutes,
          effortCap: wish.cap,
          k,
          mostHoldS: mostHoldS ?? undefined,
        }),
      );
    } finally {
      worker.end();
      setBusy(false);
    }
  };
  const field = (name: keyof typeof WISHES, label: string, unit: string) => (
    <Field
      label={label}
      unit={unit}
      name={`find-${name}`}
      inputMode="decimal"
      value={text[name]}
      onChange={(e) => setText({ ...text, [name]: e.target.value })}
      problem={problems[name]}
    />
  );
  return (
    <Dialog ref={ref} label="Find a dose">
      <h2 className="text-lg">Find a dose</h2>
      <p className="mt-1">
        At {(shareOfMax * 100).toFixed(0)} % of maximum: the best hold, repetitions and rest for a wanted
        total, never above the effort cap.
      </p>
      <form
        className="mt-3 grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          search();
        }}
      >
        {field("tension", "held in all", "s")}
        {field("minutes", "time there is", "min")}
        {field("cap", "felt effort at most", "of 10")}
        <button type="submit" className="btn btn-primary btn-sm justify-self-start" disabled={isBusy}>
          {isBusy ? "Searching" : "Search"}
        </button>
      </form>
      <div className="mt-3 min-h-16 border-t border-rule pt-3" aria-live="polite">
        {found?.status === "ok" && <FoundWords found={found} />}
        {found?.status === "infeasible" && (
          <p>
            Nothing fits, even at a fifth of the total: {found.binding} is what binds. Lower the effort or
            give more time; the cap is never raised for you.
          </p>
        )}
      </div>
      <form method="dialog" className="mt-3 flex gap-2">
        <button
          type="submit"
          className="btn btn-primary btn-sm"
          disabled={found?.status !== "ok"}
          onClick={() => found?.status === "ok" && onUse(found.dose)}
        >
          Use it
        </button>
        <button type="submit" className="btn btn-sm">
          Close
        </button>
      </form>
    </Dialog>
  );
}

function FoundWords({ found }: { found: Extract<FoundDose, { status: "ok" }> }) {
  const d = found.dose;
  return (
    <>
      <p className="display text-xl">
        {d.sets > 1 ? `${d.sets} × ` : ""}
        {d.reps} × {d.holdS} s
      </p>
      <p>
        rest {d.restS} s{d.sets > 1 ? `, ${d.setRestS} s between sets` : ""} · {d.tensionS} s held ·{" "}
        {(d.seconds / 60).toFixed(0)} min · felt effort {half(d.effort10)}
      </p>
      {found.doseScale < 1 && (
        <p className="mt-1 text-accent">
          Only {(found.doseScale * 100).toFixed(0)} % of the wanted total fits; {found.binding} is what binds.
        </p>
      )}
    </>
  );
}
