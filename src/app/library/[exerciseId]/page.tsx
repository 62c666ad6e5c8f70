import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { USUAL_BODY } from "@/core/body/segments";
import { DISAGREEMENTS, type Exercise, exerciseById, likeOf } from "@/core/rules/exercises";
import { exerciseUse } from "@/core/selection/fit/exerciseUse";
import { exerciseMotion } from "@/core/selection/pose/motion";
import { clinicExercise, exerciseHistory, exercisesOf } from "@/server/clinic/exercises";
import { exerciseAcross } from "@/server/review/acrossClients";
import { Link } from "@/ui/Link";
import { MovingDrawing } from "@/ui/pose/MovingDrawing";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { EXERCISE_ORIGINS } from "@/words/en/facets";
import { ExerciseForm } from "../_exercise/ExerciseForm";
import { HereLed } from "../_exercise/HereLed";

export const metadata: Metadata = { title: "Exercise" };

function modelWords(e: Exercise): string {
  if (!exerciseUse(e)) return "no model of the knee";
  return e.is_modelled_as_like
    ? `knee loads computed as for ${exerciseById(likeOf(e))?.name ?? likeOf(e)}`
    : "knee loads computed";
}

/** One exercise: how, for whom, what is easier or harder, where people differ; and the clinic's changes of it. */
export default async function ExercisePage({ params }: { params: Promise<{ exerciseId: string }> }) {
  const { exerciseId } = await params;
  const { actor, data } = await onPage(async (ctx) => ({
    it: await clinicExercise(ctx, exerciseId),
    all: (await exercisesOf(ctx)).map((x) => x.exercise),
    history: await exerciseHistory(ctx, exerciseId),
    across: await exerciseAcross(ctx, exerciseId),
  }));
  const { exercise: e, origin, version } = data.it;
  const mayWrite = may(actor.role, "exercise.write");
  const day = new Intl.DateTimeFormat(actor.locale, { day: "numeric", month: "long", year: "numeric" });
  const frames = exerciseMotion(e, USUAL_BODY);
  const names = data.all.map((x) => ({ id: x.id, name: x.name }));
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/library" className="underline">
            Library
          </Link>
        </p>
        <h1 className="text-[22px]">
          {e.name}{" "}
          <span className="quiet text-[15px] font-normal">
            {e.equipment}
            {origin !== "catalogue" && ` · ${EXERCISE_ORIGINS[origin]}, version ${version}`}
          </span>
        </h1>
        <div
          className={
            frames.length > 0 ? "grid grid-cols-1 lg:grid-cols-[minmax(0,1fr)_260px] items-start gap-6" : ""
          }
        >
          <Facts e={e} all={data.all} />
          {frames.length > 0 && (
            <MovingDrawing frames={frames} label={`${e.name} from the side`} className="h-[210px] w-full" />
          )}
        </div>
        <div className="mt-3 grid grid-cols-1 sm:grid-cols-2 gap-x-10 gap-y-3">
          <Lines title="Before the first repetition" lines={e.setup_checks} />
          <Lines title="Cues" lines={e.cues} />
          <Lines title="Usual mistakes" lines={e.typical_mistakes} />
          <Lines title="Stop for" lines={e.stop_signs} />
        </div>
        <HereLed across={data.across} />
        <Disagreements ids={e.disagreement_ids} />
        <section className="mt-5 border-t-2 border-primary pt-2">
          <h2 className="text-[17px]">The clinic's copy</h2>
          {mayWrite ? (
            <ExerciseForm
              key={version}
              exercise={e}
              version={version}
              names={names}
              mayGoBack={origin === "changed_here"}
              isNew={false}
            />
          ) : null}
          {data.history.length > 0 && (
            <ul className="small mt-3">
              {data.history.map((h) => (
                <li key={h.version} className="border-t border-rule py-0.5">
                  version {h.version}, {day.format(h.at)}, {h.by}
                  {h.isBackToCatalogue && ": back to the catalogue's own"} – {h.reason}
                </li>
              ))}
            </ul>
          )}
        </section>
      </main>
    </>
  );
}

const BACK_WORDS: Record<Exercise["back_support"], string> = {
  none: "not supported",
  full: "fully supported",
  "front support": "supported from the front",
  partial: "partly supported",
  chest: "chest supported",
};

function Facts({ e, all }: { e: Exercise; all: readonly Exercise[] }) {
  const link = (id: string | null, words: string) => {
    const other = all.find((x) => x.id === id);
    return other ? (
      <span>
        {words}{" "}
        <Link className="underline" href={`/library/${other.id}`}>
          {other.name}
        </Link>
      </span>
    ) : null;
  };
  const muscles = Object.entries(e.muscle_emphasis_0_3)
    .sort((a, b) => b[1] - a[1])
    .map(([m, n]) => `${m.replaceAll("_", " ")} ${"●".repeat(n)}`);
  return (
    <div className="mt-1 grid gap-1">
      <p className="flex flex-wrap gap-x-6">
        <span>
          knee {e.knee_angle_usable_deg.min}° to {e.knee_angle_usable_deg.max}°
        </span>
        <span>back: {BACK_WORDS[e.back_support]}</span>
        <span>skill {e.match.entry_demand_1_4} of 4</span>
        <span>balance {e.balance_demand_0_3} of 3</span>
        <span>{e.isometric.possible ? "can be held" : "cannot be held"}</span>
        <span className="quiet">{modelWords(e)}</span>
      </p>
      <p>
        <span className="quiet">trains</span> {muscles.join(", ")} <span className="quiet">(judged)</span>
      </p>
      <p className="flex flex-wrap gap-x-6">
        {link(e.easier_id, "easier:")}
        {link(e.harder_id, "harder:")}
        {link(e.home_substitute_id, "at home:")}
      </p>
    </div>
  );
}

function Lines({ title, lines }: { title: string; lines: readonly string[] }) {
  return (
    <section>
      <h2 className="text-[16px]">{title}</h2>
      {lines.length === 0 ? (
        <p className="quiet">nothing written</p>
      ) : (
        <ul className="ml-4 list-disc">
          {lines.map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Disagreements({ ids }: { ids: readonly string[] }) {
  const found = DISAGREEMENTS.filter((d) => ids.includes(d.id));
  if (found.length === 0) return null;
  return (
    <section className="mt-4">
      <h2 className="text-[16px]">Where practitioners differ</h2>
      {found.map((d) => (
        <details key={d.id} className="border-t border-rule py-1">
          <summary className="cursor-pointer">{d.topic}</summary>
          <ul className="ml-4 list-disc">
            {d.positions.map((p) => (
              <li key={p.view}>
                {p.view}
                {p.trade_off && <span className="quiet"> But: {p.trade_off}.</span>}
              </li>
            ))}
          </ul>
          <p>
            <b>Here:</b> {d.tool_default}{" "}
            <span className="small quiet">
              ({d.source}, confidence {d.confidence}, unverified citation)
            </span>
          </p>
        </details>
      ))}
    </section>
  );
}
