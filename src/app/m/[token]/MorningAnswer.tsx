"use client";
import { useRef, useState } from "react";
import { BigKeys, useScores } from "@/app/_link/BigKeys";
import { SignsSaid } from "@/app/_link/SignsSaid";
import { type Activity, besidesKept, besidesSaid, USUAL_BESIDES } from "@/core/schedule/activity";
import { MUSCLES } from "@/core/schedule/balance";
import { isMuchSore, SORENESS_LEVELS, type Soreness } from "@/core/schedule/soreness";
import type { Part } from "@/core/story/part";
import { type PainAt, type PainRegion, withPain } from "@/core/units/painRegion";
import { STIFFNESS_BANDS, SWELLING_SAID, type SwellingSaid } from "@/core/visit/client/clientMorning";
import { type RecheckSign, URGENT_SIGNS } from "@/core/visit/signs/recheckSigns";
import { useLabels } from "@/ui/reader";
import { send } from "@/ui/send";

/** Four questions about the morning, one answer; big keys, no account, no name. */
export function MorningAnswer({
  token,
  clinic,
  part,
  fixed,
  known,
  asksSwelling,
  activities,
  regions,
  soreUpTo,
  signs,
}: {
  token: string;
  clinic: string;
  /** what it is about */
  part: Part;
  /** why an answer cannot be changed any more */
  fixed: "used" | "after_noon" | null;
  known: {
    pain: number;
    swelling: SwellingSaid | null;
    stiffnessMin: number | null;
    besides: readonly Activity[] | null;
    regions: readonly PainAt[];
    soreness: Soreness;
  } | null;
  asksSwelling: boolean;
  /** what this client does besides, by the story */
  activities: readonly Pick<Activity, "what" | "loads">[];
  /** other regions that are asked for */
  regions: readonly PainRegion[];
  /** soreness up to here is expected */
  soreUpTo: number;
  signs: readonly RecheckSign[];
}) {
  const t = useLabels("morning");
  const shared = useLabels("link");
  const scores = useScores();
  const [pain, setPain] = useState<number | null>(known?.pain ?? null);
  const [swelling, setSwelling] = useState<SwellingSaid | null>(known?.swelling ?? null);
  const [stiffness, setStiffness] = useState<number | null>(known?.stiffnessMin ?? null);
  const [pains, setPains] = useState<readonly PainAt[]>(known?.regions ?? []);
  const [besides, setBesides] = useState(besidesSaid(known?.besides ?? null));
  const [sore, setSore] = useState<Soreness>(known?.soreness ?? null);
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
    if (pain === null) return setProblem(t("needs_pain"));
    const unsaid = regions.find((r) => !pains.some((x) => x.region === r));
    if (unsaid) return setProblem(t("needs_region", { region: unsaid }));
    if (asksSwelling && swelling === null) return setProblem(t("needs_swelling"));
    const kept = besidesKept(besides);
    if (kept === "no_hard") return setProblem(t("needs_besides_hard"));
    if (isWorried === null) return setProblem(t("needs_worried"));
    if (isWorried === "yes" && marked.length === 0) return setProblem(t("needs_sign"));
    setBusy(true);
    id.current ??= crypto.randomUUID();
    const answer = await send<{ isKept: boolean; isAlarming: boolean }>(`/api/l/${token}/morning`, {
      id: id.current,
      pain,
      swelling: asksSwelling ? swelling : null,
      stiffnessMin: stiffness,
      besides: kept,
      regions: pains,
      soreness: sore,
      signs: isWorried === "yes" ? marked : [],
    });
    setBusy(false);
    if (!answer.ok) return setProblem(answer.problems[0]?.sentence ?? shared("not_sent"));
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
      <h1 className="text-[28px] leading-tight">{t("ask", { part })}</h1>
      <p className="quiet mt-1 text-[16px]">
        {isOver
          ? fixed === "used"
            ? t("intro_used")
            : t("intro_after_noon")
          : known
            ? t("intro_known")
            : t("intro", { questions: 3 + (asksSwelling ? 1 : 0) + regions.length })}
      </p>
      {!isOver && (
        <>
          <BigKeys
            label={shared("pain_now")}
            help={t("pain_help")}
            options={scores}
            value={pain}
            onPick={(v) => {
              setPain(v);
              changed();
            }}
            columns={6}
          />
          {regions.map((region) => (
            <BigKeys
              key={region}
              label={t("region", { region })}
              options={scores}
              value={pains.find((x) => x.region === region)?.pain ?? null}
              onPick={(v) => {
                setPains(withPain(pains, region, v));
                changed();
              }}
              columns={6}
            />
          ))}
          {asksSwelling && (
            <BigKeys
              label={t("swelling")}
              options={SWELLING_SAID.map((said) => ({ value: said, words: t("swelling_is", { said }) }))}
              value={swelling}
              onPick={(v) => {
                setSwelling(v);
                changed();
              }}
              columns={3}
            />
          )}
          <BigKeys
            label={t("stiffness")}
            options={STIFFNESS_BANDS.map((b) => ({
              value: b.minutes,
              words: t("stiffness_is", { band: b.id }),
            }))}
            value={stiffness}
            onPick={(v) => {
              setStiffness(v);
              changed();
            }}
            columns={3}
          />
          <BigKeys
            label={t("sore")}
            help={t("sore_help")}
            options={SORENESS_LEVELS.map((level) => ({ value: level, words: t("sore_is", { level }) }))}
            value={sore?.level ?? null}
            onPick={(level) => {
              setSore({ level, muscles: isMuchSore(level, soreUpTo) ? (sore?.muscles ?? []) : [] });
              changed();
            }}
            columns={3}
          />
          {sore && isMuchSore(sore.level, soreUpTo) && (
            <BigKeys
              label={t("sore_where")}
              options={MUSCLES.map((m) => ({ value: m, words: t("sore_muscle", { muscle: m }) }))}
              value={sore.muscles[0] ?? null}
              onPick={(m) => {
                setSore({ level: sore.level, muscles: [m] });
                changed();
              }}
              columns={2}
            />
          )}
          <BigKeys
            label={t("besides")}
            help={t("besides_help")}
            options={[
              { value: "", words: t("besides_none") },
              ...[...activities, ...USUAL_BESIDES].map(({ what }) => ({
                value: what,
                words: t("besides_is", { what }),
              })),
            ]}
            value={besides.what}
            onPick={(what) => {
              const loads = [...activities, ...USUAL_BESIDES].find((a) => a.what === what)?.loads ?? [];
              setBesides((b) => ({ what, hard: what === "" ? null : b.hard, loads }));
              changed();
            }}
            columns={2}
          />
          {besides.what && (
            <BigKeys
              label={t("besides_hard")}
              help={t("besides_hard_help")}
              options={scores}
              value={besides.hard}
              onPick={(hard) => {
                setBesides((b) => ({ ...b, hard }));
                changed();
              }}
              columns={6}
            />
          )}
        </>
      )}
      <BigKeys
        label={t("worried")}
        options={[
          { value: "no", words: shared("no") },
          { value: "yes", words: t("tell") },
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
        {t(isBusy ? "sending" : known && !isOver ? "send_change" : "send")}
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
  const t = useLabels("morning");
  return (
    <main className="mx-auto max-w-[430px] px-5 py-8">
      <div role="status">
        <h1 className="text-[28px] leading-tight">{t(isAlarming ? "alarm" : "thanks")}</h1>
        {isUrgent && (
          <p className="mt-4 border-l-4 border-accent pl-3 text-[19px] font-bold">{t("urgent")}</p>
        )}
        <p className="mt-3 text-[18px]">{isAlarming ? t("wait_for", { clinic }) : t("kept")}</p>
        {isKept && (
          <button
            type="button"
            className="btn btn-line mt-6 min-h-[54px] w-full text-[18px]"
            onClick={onChange}
          >
            {t("change")}
          </button>
        )}
      </div>
    </main>
  );
}
