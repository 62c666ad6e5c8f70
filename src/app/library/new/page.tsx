import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { USUAL_BODY } from "@/core/body/segments";
import { exerciseById, likeOf } from "@/core/rules/exercises";
import { exerciseDrawing } from "@/core/selection/pose/drawing";
import { exercisesOf } from "@/server/clinic/exercises";
import { Link } from "@/ui/Link";
import { StillDrawing } from "@/ui/pose/StillDrawing";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { DEED_SENTENCES } from "@/words/en/access";
import { ExerciseForm } from "../_exercise/ExerciseForm";

export const metadata: Metadata = { title: "New exercise" };

/** An exercise of the clinic's own, begun as a copy of one that is like it: limits keep bounding it the same way. */
export default async function NewExercisePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const { like: asked } = await searchParams;
  const { actor, data } = await onPage(async (ctx) => (await exercisesOf(ctx)).map((x) => x.exercise));
  const copy = data.find((e) => e.id === asked);
  const like = copy && exerciseById(likeOf(copy));
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <p className="small">
          <Link href="/library" className="underline">
            Library
          </Link>
        </p>
        <h1 className="text-[22px]">New exercise{copy && `, like ${copy.name}`}</h1>
        {!may(actor.role, "exercise.write") ? (
          <p className="text-accent">{DEED_SENTENCES["exercise.write"]}</p>
        ) : copy ? (
          <>
            <p className="quiet">Limits bound it as they bound {like?.name ?? copy.name}.</p>
            <ExerciseForm
              exercise={copy}
              version={0}
              names={data.map((x) => ({ id: x.id, name: x.name }))}
              mayGoBack={false}
              isNew
            />
          </>
        ) : (
          <>
            <p className="quiet">
              Which one is it most like? Its limits, demands and position are taken over.
            </p>
            <ul className="mt-2 grid grid-cols-2 gap-3 md:grid-cols-4 lg:grid-cols-6">
              {data.map((e) => {
                const drawing = exerciseDrawing(e, USUAL_BODY);
                return (
                  <li key={e.id}>
                    <Link
                      className="grid h-full grid-cols-[minmax(0,1fr)] content-end border border-rule p-2 text-center hover:border-primary"
                      href={`/library/new?like=${e.id}`}
                    >
                      {drawing && (
                        <StillDrawing drawing={drawing} label="from the side" className="h-[84px] w-full" />
                      )}
                      {e.name}
                    </Link>
                  </li>
                );
              })}
            </ul>
          </>
        )}
      </main>
    </>
  );
}
