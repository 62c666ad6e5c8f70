"use client";
import { useState } from "react";
import { BigKeys } from "@/app/_link/BigKeys";
import { SignsSaid } from "@/app/_link/SignsSaid";
import { lineWords } from "@/core/visit/client/homeWords";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import type { HomeSheet } from "@/server/visits/home";

/** What is done today, and the short list of warning signs before it. */
export function HomeStart({ sheet, onBegin }: { sheet: HomeSheet; onBegin: (signs: RecheckSign[]) => void }) {
  const [isNew, setNew] = useState<"no" | "yes" | null>(null);
  const [marked, setMarked] = useState<readonly RecheckSign[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const go = () => {
    if (isNew === null) return setProblem("Tap whether anything is new.");
    if (isNew === "yes" && marked.length === 0) return setProblem("Tap what is new.");
    onBegin(isNew === "yes" ? [...marked] : []);
  };
  return (
    <main className="mx-auto max-w-[430px] px-5 pt-6 pb-10">
      <h1 className="text-[28px] leading-tight">Today's exercises</h1>
      <p className="quiet mt-1 text-[16px]">
        {sheet.lines.length} {sheet.lines.length === 1 ? "exercise" : "exercises"}, about {sheet.minutes}{" "}
        minutes
      </p>
      <ol className="mt-3">
        {sheet.lines.map((l) => (
          <li key={l.lineId} className="border-b border-rule py-2 text-[18px]">
            <b>{l.name}</b>
            <span className="block text-[16px]">{lineWords(l, sheet.firstSide)}</span>
          </li>
        ))}
      </ol>
      <BigKeys
        label={sheet.isFirst ? "Is anything of this new?" : "Is anything new since last time?"}
        help="A fall, swelling or warmth, new pain, numbness, fever, breathlessness, feeling unwell"
        options={[
          { value: "no", words: "no, nothing" },
          { value: "yes", words: "yes" },
        ]}
        value={isNew}
        onPick={(v) => {
          setNew(v);
          setProblem(null);
        }}
        columns={2}
      />
      {isNew === "yes" && <SignsSaid asked={sheet.signs} marked={marked} onMark={setMarked} />}
      <p role="alert" className={problem ? "mt-5 border-l-4 border-accent pl-3 text-[17px]" : "sr-only"}>
        {problem}
      </p>
      <button type="button" className="btn btn-primary mt-6 min-h-[60px] w-full text-[21px]" onClick={go}>
        {isNew === "yes" ? "Tell the clinic" : "Begin"}
      </button>
    </main>
  );
}
