import type { Metadata } from "next";
import { onPage } from "@/app/_web/actor";
import { may } from "@/core/access/roles";
import { USUAL_BODY } from "@/core/body/segments";
import { facetsOf } from "@/core/rules/exerciseFacets";
import { exerciseDrawing } from "@/core/selection/pose/drawing";
import { groupOf } from "@/core/selection/rank/rangeSheet";
import { exercisesOf } from "@/server/clinic/exercises";
import { Link } from "@/ui/Link";
import { ShellHeader } from "@/ui/shell/ShellHeader";
import { LibraryTable } from "./LibraryTable";

export const metadata: Metadata = { title: "Library" };

/** The clinic's exercises: the catalogue, what was changed here, and its own. */
export default async function LibraryPage() {
  const { actor, data } = await onPage(async (ctx) => ({ exercises: await exercisesOf(ctx) }));
  return (
    <>
      <ShellHeader clinic={actor.clinicName} who={`${actor.name}, ${actor.role}`} />
      <main className="mx-auto max-w-[1180px] px-6 py-6">
        <div className="flex items-baseline justify-between">
          <h1 className="text-[22px]">Library</h1>
          {may(actor.role, "exercise.write") && (
            <Link href="/library/new" className="btn btn-primary btn-sm">
              New exercise
            </Link>
          )}
        </div>
        <p className="quiet">
          Unverified until marked in{" "}
          <Link href="/sources" className="underline">
            Sources
          </Link>
          .{" "}
          <Link href="/library/results" className="underline">
            What they led to here
          </Link>
          .
        </p>
        <LibraryTable
          rows={data.exercises.map(({ exercise: e, origin }) => ({
            id: e.id,
            name: e.name,
            group: groupOf(e).group,
            equipment: e.equipment,
            backSupport: e.back_support,
            canBeHeld: e.isometric.possible,
            isHome: e.home_ready,
            drawing: exerciseDrawing(e, USUAL_BODY),
            facets: facetsOf(e),
            origin,
          }))}
        />
      </main>
    </>
  );
}
