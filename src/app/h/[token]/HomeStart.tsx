"use client";
import { useState } from "react";
import { BigKeys } from "@/app/_link/BigKeys";
import { SignsSaid } from "@/app/_link/SignsSaid";
import { lineSaid } from "@/core/visit/client/homeSaid";
import type { RecheckSign } from "@/core/visit/signs/recheckSigns";
import type { HomeSheet } from "@/server/visits/home";
import { useLabels, useSay } from "@/ui/reader";
import type { HomeProps } from "./HomePage";

/** What is done today, and the short list of warning signs before it. */
export function HomeStart({
  sheet,
  how,
  onBegin,
}: {
  sheet: HomeSheet;
  how: HomeProps["how"];
  onBegin: (signs: RecheckSign[]) => void;
}) {
  const [say, t, shared] = [useSay(), useLabels("atHome"), useLabels("link")];
  const [isNew, setNew] = useState<"no" | "yes" | null>(null);
  const [marked, setMarked] = useState<readonly RecheckSign[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const go = () => {
    if (isNew === null) return setProblem(t("needs_new"));
    if (isNew === "yes" && marked.length === 0) return setProblem(t("needs_sign"));
    onBegin(isNew === "yes" ? [...marked] : []);
  };
  return (
    <main className="mx-auto max-w-[430px] px-5 pt-6 pb-10">
      <h1 className="text-[28px] leading-tight">{t("today")}</h1>
      <p className="quiet mt-1 text-[16px]">
        {t("how_long", { exercises: sheet.lines.length, minutes: sheet.minutes })}
      </p>
      <ol className="mt-3">
        {sheet.lines.map((l) => (
          <li key={l.lineId} className="border-b border-rule py-2 text-[18px]">
            <b>{how[l.exerciseId]?.name ?? l.name}</b>
            <span className="block text-[16px]">{say(lineSaid(l, sheet.firstSide) ?? "")}</span>
          </li>
        ))}
      </ol>
      <BigKeys
        label={t(sheet.isFirst ? "new_at_first" : "new_since")}
        help={t("new_help")}
        options={[
          { value: "no", words: t("nothing_new") },
          { value: "yes", words: shared("yes") },
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
        {t(isNew === "yes" ? "tell" : "begin")}
      </button>
    </main>
  );
}
