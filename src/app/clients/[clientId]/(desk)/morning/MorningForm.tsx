"use client";
import { useRouter } from "next/navigation";
import { useMemo, useState } from "react";
import { z } from "zod";
import { besidesKept, besidesSaid, LOADED, type RegularActivity } from "@/core/schedule/activity";
import { type Soreness, soreness } from "@/core/schedule/soreness";
import { SWELLING_WORDS } from "@/core/units/fields";
import { type PainAt, type PainRegion, painsElsewhere, withPain } from "@/core/units/painRegion";
import { readNumber } from "@/core/units/readNumber";
import { standing } from "@/core/visit/setRecord";
import { signsSaid } from "@/core/visit/signs/recheckSigns";
import type { ClientEpisode } from "@/server/client/clients";
import type { TakenDecision, Visit } from "@/server/history/visits";
import { longDay } from "@/ui/dates";
import { Field } from "@/ui/form/Field";
import { KeptDraft } from "@/ui/form/KeptDraft";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { scoreDeeds } from "@/ui/keys/scoreDeeds";
import { Link } from "@/ui/Link";
import { ScoreKeys } from "@/ui/pain/ScoreKeys";
import { useSendOnce } from "@/ui/useSendOnce";
import { PAIN_REGIONS } from "@/words/en/story";
import { sayPlainly } from "@/words/say";
import { BesidesField } from "./BesidesField";
import { SoreField } from "./SoreField";

/** What was typed on the answer that stands; a newer answer of the client's own is not written over. */
const keptMorning = (on: string | null) =>
  z.object({
    on: z.literal(on),
    pain: z.number().nullable(),
    swelling: z.number().nullable(),
    stiffness: z.string(),
    regions: painsElsewhere,
    soreness: soreness.default(null),
    besides: z.object({
      what: z.string().nullable(),
      hard: z.number().nullable(),
      loads: z.array(z.enum(LOADED)),
    }),
  });

const SAID = { less: "less than usual", same: "as usual", more: "more than usual, counted as a grade more" };

/** How the next morning was, entered by the clinic: pain, swelling where it applies, stiffness. */
export function MorningForm({
  client,
  visit,
  visitDay,
  doneWords,
  decided,
  waits,
  activities,
  regions,
  soreUpTo,
  locale,
}: {
  client: ClientEpisode;
  visit: Visit;
  visitDay: string;
  /** what was run, in words */
  doneWords: string;
  /** the decision that closes the answer; null while it is open */
  decided: TakenDecision | null;
  /** why it cannot be answered yet, or null */
  waits: string | null;
  /** what this client does besides, by the story */
  activities: readonly RegularActivity[];
  /** other regions that are asked for */
  regions: readonly PainRegion[];
  /** soreness up to here is expected */
  soreUpTo: number;
  locale: string;
}) {
  const router = useRouter();
  const known = visit.morning;
  const [pain, setPain] = useState<number | null>(known?.pain ?? null);
  const [swelling, setSwelling] = useState<number | null>(known?.swelling ?? null);
  const [stiffness, setStiffness] = useState(known?.stiffnessMin?.toString() ?? "");
  const [pains, setPains] = useState<readonly PainAt[]>(known?.regions ?? []);
  const [sore, setSore] = useState<Soreness>(known?.soreness ?? null);
  const [besides, setBesides] = useState(besidesSaid(known?.besides ?? null));
  const [problems, setProblems] = useState<Record<string, string>>({});
  const [saved, setSaved] = useState(false);
  // what a colleague had entered meanwhile and this corrected, in words
  const [corrected, setCorrected] = useState<string | null>(null);
  const sendOnce = useSendOnce();
  const typed = {
    ...{ on: known?.id ?? null, pain, swelling, stiffness },
    regions: [...pains],
    soreness: sore,
    besides: { ...besides, loads: [...besides.loads] },
  };
  const [base, setBase] = useState(typed);
  const shape = useMemo(() => keptMorning(typed.on), [typed.on]);
  const save = async () => {
    setSaved(false);
    if (pain === null) return setProblems({ pain: "Choose joint pain from 0 to 10." });
    if (client.swellingApplies && swelling === null)
      return setProblems({ swelling: "Choose a swelling grade." });
    const unsaid = regions.find((r) => !pains.some((x) => x.region === r));
    if (unsaid) return setProblems({ regions: `Choose 0 to 10 for the ${PAIN_REGIONS[unsaid]}.` });
    const kept = besidesKept(besides);
    if (kept === "no_hard") return setProblems({ besides: "Choose how hard it was, 0 to 10." });
    const stiffnessMin = stiffness.trim() === "" ? null : readNumber(stiffness);
    const answer = {
      visitId: visit.id,
      corrects: known?.id ?? null,
      pain,
      swelling: client.swellingApplies ? swelling : null,
      stiffnessMin,
      besides: kept,
      regions: pains,
      soreness: sore,
    };
    const sent = await sendOnce<{ corrected: string | null }>(
      `/api/clients/${client.clientId}/mornings`,
      (id) => ({ id, ...answer }),
    );
    if (!sent.ok)
      return setProblems(
        Object.fromEntries(sent.problems.map((p) => [p.field.split(".")[0] || "form", p.sentence])),
      );
    setProblems({});
    setSaved(true);
    setCorrected(sent.result?.corrected ?? null);
    setBase(typed);
    router.refresh();
  };
  const during = standing(visit.records).map((r) => r.pain);
  return (
    <div className="px-4 py-4">
      <h1 className="text-[19px]">
        How was the morning after?{" "}
        <span className="quiet text-[15px] font-normal">visit of {longDay(visitDay, locale)}</span>
      </h1>
      <p className="mt-1">
        {doneWords}. Joint pain in it {during.length ? `up to ${Math.max(...during)}` : "not logged"},
        afterwards {visit.end?.painAtEnd ?? "–"}; usual is {client.usualPain}.
      </p>
      {known?.answeredBy === "client" && (
        <p className="mt-3 border-l-4 border-primary pl-3" role="status">
          The client's own answer{known.swellingWord ? `: swelling ${SAID[known.swellingWord]}` : ""}.
          {known.alarm && (
            <b className="text-accent">
              {" "}
              It came with a warning: {sayPlainly(signsSaid(known.alarm))}. The floor is stopped until it is
              cleared.
            </b>
          )}
        </p>
      )}
      {decided === null && (
        <KeptDraft
          place={`morning ${visit.id}`}
          shape={shape}
          draft={typed}
          isChanged={JSON.stringify({ ...typed, on: null }) !== JSON.stringify({ ...base, on: null })}
          what="this morning"
          onTake={(kept) => {
            setPain(kept.pain);
            setSwelling(kept.swelling);
            setStiffness(kept.stiffness);
            setBesides(kept.besides);
            setPains(kept.regions);
            setSore(kept.soreness);
          }}
        />
      )}
      {waits && (
        <p className="mt-3 border-l-4 border-mark pl-3" role="status">
          {waits}
        </p>
      )}
      {decided && (
        <p className="mt-3 border-l-4 border-rule pl-3">
          The decision for this visit has been taken by {decided.by}: {decided.sentence} The answer stays as
          it is.
        </p>
      )}
      <fieldset disabled={decided !== null} className="mt-5 grid grid-cols-1 gap-5">
        <div>
          <ScoreKeys label="Joint pain that morning" value={pain} onPick={setPain} />
          <p className="small text-error" role="alert">
            {problems.pain}
          </p>
        </div>
        {regions.map((region) => (
          <ScoreKeys
            key={region}
            label={`Pain that morning: ${PAIN_REGIONS[region]}`}
            value={pains.find((x) => x.region === region)?.pain ?? null}
            onPick={(pain) => setPains(withPain(pains, region, pain))}
          />
        ))}
        {problems.regions && (
          <p className="small text-error" role="alert">
            {problems.regions}
          </p>
        )}
        {client.swellingApplies && (
          <fieldset>
            <legend className="mb-1 font-bold">Swelling</legend>
            <div className="flex flex-wrap gap-x-5 gap-y-1">
              {SWELLING_WORDS.map((word, grade) => (
                <label key={word} className="flex items-center gap-1.5">
                  <input
                    type="radio"
                    name="swelling"
                    className="radio radio-primary radio-sm"
                    checked={swelling === grade}
                    onChange={() => setSwelling(grade)}
                  />
                  {word}
                </label>
              ))}
            </div>
            <p className="small text-error" role="alert">
              {problems.swelling}
            </p>
          </fieldset>
        )}
        <div className="max-w-[320px]">
          <Field
            label="Stiff for"
            name="stiffnessMin"
            unit="min"
            inputMode="numeric"
            value={stiffness}
            onChange={(e) => setStiffness(e.target.value)}
            problem={problems.stiffnessMin}
            hint="after getting up; empty if not asked"
          />
        </div>
        <SoreField value={sore} upTo={soreUpTo} onChange={setSore} />
        <BesidesField
          value={besides}
          activities={activities}
          onChange={setBesides}
          problem={problems.besides}
        />
        <Problem sentence={problems.form ?? null} />
        {corrected && (
          <p className="border-l-4 border-mark pl-3" role="status">
            {corrected} Yours is kept as its correction and stands now.
          </p>
        )}
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <button type="button" className="btn btn-primary" onClick={save}>
            {known ? "Save the correction" : "Save the morning"} <kbd>S</kbd>
          </button>
          <span aria-live="polite">
            {(saved || known) && !decided && (
              <Link href={`/clients/${client.clientId}/decide`} className="font-bold text-primary underline">
                {saved ? "Saved. Decide what comes next" : "Decide what comes next"}
              </Link>
            )}
          </span>
        </div>
      </fieldset>
      <div className="mt-4">
        <KeysHelp
          deeds={[
            ...scoreDeeds("joint pain", (n) => !decided && setPain(n)),
            { key: "s", words: "save", run: () => !decided && save() },
          ]}
        />
      </div>
    </div>
  );
}
