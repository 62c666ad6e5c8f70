"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { parseAsInteger, useQueryState } from "nuqs";
import { useMemo, useRef, useState } from "react";
import { type DoseContext, doseHold, effortCap } from "@/core/dose/doseHold";
import type { HoldPlan } from "@/core/dose/holdPlan";
import { ladder } from "@/core/progression/ladder";
import { DEED_SENTENCES } from "@/core/safety/roles";
import { capacityAtAngle } from "@/core/strength/capacityAtAngle";
import { CURVE_FROM_DEG, CURVE_TO_DEG } from "@/core/strength/torqueAngleShape";
import { InputError } from "@/core/units/inputError";
import type { MassUnit } from "@/core/units/mass";
import type { ClientEpisode } from "@/server/clients";
import { EffortChart } from "@/ui/charts/EffortChart";
import { Problem } from "@/ui/form/Problem";
import { KeysHelp } from "@/ui/keys/KeysHelp";
import { AngleCursor } from "@/ui/rail/AngleCursor";
import { CurveBand } from "@/ui/rail/CurveBand";
import { HatchDefs } from "@/ui/rail/Hatch";
import { RowLabel } from "@/ui/rail/RowLabel";
import { Ruler } from "@/ui/rail/Ruler";
import { Rungs } from "@/ui/rail/Rungs";
import { RAIL } from "@/ui/rail/scale";
import { WindowBand } from "@/ui/rail/WindowBand";
import { send } from "@/ui/send";
import { DoseEditor } from "./DoseEditor";
import { DoseOutcome } from "./DoseOutcome";
import { FindDose } from "./FindDose";
import { formOf, type PlanForm, planOf } from "./planForm";

export interface DoseDeskProps {
  client: ClientEpisode;
  context: DoseContext;
  tests: { deg: number; value: number; tone: "own" }[];
  saved: { version: number; plan: HoldPlan; madeBy: string } | null;
  start: HoldPlan;
  setUp: string;
  mayWrite: boolean;
  /** why nothing may be planned at all, or null */
  barred: string | null;
  massUnit: MassUnit;
}

/** Dose: the hold on the rail, what the leg can do there, what to set, how hard it will feel. */
export function DoseDesk({
  client,
  context,
  tests,
  saved,
  start,
  setUp,
  mayWrite,
  barred,
  massUnit,
}: DoseDeskProps) {
  const router = useRouter();
  const [angle, setAngle] = useQueryState("angle", parseAsInteger.withDefault(start.kneeFlexionDeg));
  const [form, setForm] = useState<PlanForm>(() => formOf(start));
  const [problem, setProblem] = useState<string | null>(null);
  const finder = useRef<HTMLDialogElement>(null);
  const { plan, problems } = planOf(form, client.side, angle);
  // the plan is made anew on each render; its text says whether it changed
  const planText = plan ? JSON.stringify(plan) : null;
  const dosed = useMemo(() => (planText ? dosedOrWhy(planText, context) : null), [planText, context]);
  const outcome = typeof dosed === "string" ? null : dosed;
  const curve = useMemo(() => curveOf(context), [context]);
  const max = Math.ceil(Math.max(40, ...curve.map((p) => p.value + p.doubt)) / 20) * 20;
  const bars =
    barred ??
    outcome?.notices.find((n) => n.kind === "bars")?.sentence ??
    (typeof dosed === "string" ? dosed : null);
  const isChanged = !saved || JSON.stringify(plan) !== JSON.stringify(saved.plan);
  const { fromDeg, toDeg } = context.window;

  const save = async (): Promise<boolean> => {
    if (!plan || bars || !mayWrite) return false;
    setProblem(null);
    const sent = await send(`/api/clients/${client.clientId}/plans`, {
      id: crypto.randomUUID(),
      baseVersion: saved?.version ?? 0,
      plan,
    });
    if (!sent.ok) {
      setProblem(sent.problems[0]?.sentence ?? "The dose was not saved.");
      return false;
    }
    router.refresh();
    return true;
  };
  const toFloor = async () => {
    if (isChanged && mayWrite && !(await save())) return;
    router.push(`/clients/${client.clientId}/floor`);
  };
  const nudge = (field: "holdS" | "reps", by: number) => {
    const now = Number(form[field]);
    if (Number.isFinite(now)) setForm({ ...form, [field]: String(Math.max(1, now + by)) });
  };

  return (
    <main className="grid min-h-full grid-cols-[minmax(0,1fr)_372px]">
      <div className="flex flex-col px-4 py-4">
        <h1 className="text-[19px]">
          One hold, {client.side} knee{" "}
          {outcome && (
            <span className="quiet text-[15px] font-normal">
              {Math.ceil(outcome.seconds / 60)} min with rests · {totalTension(plan)} s held
            </span>
          )}{" "}
          <Link
            className="small font-sans font-normal underline"
            href={`/clients/${client.clientId}/session`}
          >
            the whole session
          </Link>
        </h1>
        <svg viewBox={`0 0 ${RAIL.width} 236`} className="mt-2 w-full">
          <title>Capacity, allowed window and the hold over knee flexion</title>
          <HatchDefs />
          <Ruler />
          <RowLabel y={62} name="What it can do" detail="curve through tests" />
          <text x={0} y={96} fontSize={12.5} className="fill-quiet">
            ● tested
          </text>
          <CurveBand
            points={curve}
            tests={tests}
            y={42}
            height={84}
            max={max}
            level={
              outcome
                ? { deg: angle, value: outcome.achieved?.torqueNm ?? outcome.targetTorque.value }
                : undefined
            }
          />
          <RowLabel y={164} name="Hold, extension" detail={context.machine.name} />
          <WindowBand fromDeg={fromDeg} toDeg={toDeg} y={146} height={46} />
          <Rungs rungs={rungsOf(plan, client)} at={angle} y={169} />
          <text x={RAIL.right + 6} y={166} fontSize={12.5} className="fill-quiet">
            allowed
          </text>
          <text x={RAIL.right + 6} y={182} fontSize={12.5} className="fill-quiet">
            {fromDeg}–{toDeg}°
          </text>
          <AngleCursor
            deg={angle}
            onChange={setAngle}
            min={CURVE_FROM_DEG}
            max={CURVE_TO_DEG}
            stepDeg={context.machine.angleNotchDeg}
            top={30}
            bottom={212}
            label="Hold angle, knee flexion"
          />
        </svg>
        <p className="small quiet">
          Drag the flag, or focus it and use the arrow keys. Rings are the rungs of the ladder, the dotted one
          comes next.
        </p>
        <Notices bars={bars} notices={outcome?.notices ?? []} />
        {outcome?.achieved && plan && (
          <EffortChart
            run={outcome.achieved.run}
            felt={outcome.achieved.felt}
            cap={effortCap(client.school, client.irritability, context.bounds)}
            pattern={plan.pattern}
          />
        )}
      </div>
      <aside className="border-l border-rule bg-base-100 px-5 py-4">
        <DoseEditor
          form={form}
          onChange={setForm}
          problems={problems}
          outcome={outcome}
          angle={angle}
          side={client.side}
          disabled={!mayWrite}
        />
        <DoseOutcome
          outcome={outcome}
          form={form}
          onMeans={(means) => setForm({ ...form, means })}
          massUnit={massUnit}
          disabled={!mayWrite}
          setUp={setUp}
        />
        <div className="mt-3">
          <Problem sentence={problem ?? (mayWrite ? null : DEED_SENTENCES["plan.write"])} />
          <div className="mt-2 flex flex-wrap items-center gap-2">
            <button
              type="button"
              className="btn btn-primary btn-sm"
              onClick={toFloor}
              disabled={mayWrite ? !plan || Boolean(bars) : !saved}
            >
              Take to floor
            </button>
            {mayWrite && (
              <>
                <button
                  type="button"
                  className="btn btn-sm btn-line"
                  onClick={save}
                  disabled={!plan || Boolean(bars) || !isChanged}
                >
                  Save dose <kbd>S</kbd>
                </button>
                <button
                  type="button"
                  className="btn btn-sm btn-line"
                  onClick={() => finder.current?.showModal()}
                  disabled={!outcome}
                >
                  Find dose <kbd>F</kbd>
                </button>
              </>
            )}
          </div>
          <p className="small quiet mt-2" aria-live="polite">
            {saved && !isChanged ? `Saved as version ${saved.version} by ${saved.madeBy}.` : "Not saved yet."}
          </p>
          <KeysHelp
            deeds={[
              { key: "s", words: "save the dose", run: save },
              { key: "f", words: "find a dose", run: () => mayWrite && finder.current?.showModal() },
              { key: "[", words: "hold 5 s less", run: () => mayWrite && nudge("holdS", -5) },
              { key: "]", words: "hold 5 s more", run: () => mayWrite && nudge("holdS", 5) },
              { key: "-", words: "one repetition less", run: () => mayWrite && nudge("reps", -1) },
              { key: "+", words: "one repetition more", run: () => mayWrite && nudge("reps", 1) },
            ]}
          />
        </div>
      </aside>
      <FindDose
        ref={finder}
        shareOfMax={outcome?.achieved?.shareOfMax ?? outcome?.wantedShare.value ?? 0.4}
        cap={effortCap(client.school, client.irritability, context.bounds)}
        k={context.personal.k}
        mostHoldS={context.bounds.hold_seconds?.high ?? null}
        onUse={(d) =>
          setForm({
            ...form,
            effortKind: "percent",
            percent: String(Math.floor(d.shareOfMax * 100)),
            holdS: String(d.holdS),
            reps: String(d.reps),
            restS: String(d.restS || form.restS),
            sets: String(d.sets),
            setRestS: String(d.setRestS || 120),
          })
        }
      />
    </main>
  );
}

/** The dose, or the sentence why there is none. */
function dosedOrWhy(planText: string, context: DoseContext) {
  try {
    return doseHold(JSON.parse(planText) as HoldPlan, context);
  } catch (error) {
    if (error instanceof InputError) return error.message;
    throw error;
  }
}

function curveOf(context: DoseContext) {
  const points = [];
  for (let deg = CURVE_FROM_DEG; deg <= CURVE_TO_DEG; deg += 2) {
    const c = capacityAtAngle(context.fit, deg, "");
    points.push({ deg, value: c.value, doubt: c.doubt ?? 0 });
  }
  return points;
}

function rungsOf(plan: HoldPlan | null, client: ClientEpisode): number[] {
  if (!plan) return [];
  return ladder({
    fromDeg: plan.ladderFromDeg,
    toDeg: plan.ladderToDeg,
    school: client.school,
    irritability: client.irritability,
    blockedDeg: [],
  });
}

const totalTension = (plan: HoldPlan | null): number =>
  plan ? plan.pattern.holdS * plan.pattern.reps * plan.pattern.sets : 0;

function Notices({ bars, notices }: { bars: string | null; notices: { kind: string; sentence: string }[] }) {
  const cautions = notices.filter((n) => n.kind === "caution");
  return (
    <div className="mt-2 min-h-[52px]" aria-live="polite">
      {bars && (
        <p className="border-l-4 border-accent pl-3">
          <b className="text-accent">Cannot be saved:</b> {bars}
        </p>
      )}
      {cautions.map((n) => (
        <p key={n.sentence} className="mt-1 border-l-4 border-rule pl-3">
          {n.sentence}
        </p>
      ))}
      {!bars && cautions.length === 0 && (
        <p className="border-l-4 border-primary pl-3">Inside every limit; nothing speaks against it.</p>
      )}
    </div>
  );
}
